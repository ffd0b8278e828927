/** What opening a program told, held against what reading had: the facts of a copy for each plugin. */
import { fileNameOf } from './file-name.ts';
import type { Problem } from '../problem.ts';
import { describedBy, type FoundCopy } from './found-copy.ts';
import { describedLadspa, type LadspaDescriptions } from './ladspa-rdf.ts';

/** What one plugin of an opened program says of itself; what it did not come to say is absent. */
export interface OpenedPlugin {
  /** LADSPA: the label; VST3: the class id; CLAP: the id; LV2: the URI. */
  readonly identity?: string | null;
  readonly uniqueId?: number | null;
  readonly name?: string | null;
  readonly vendor?: string | null;
  readonly version?: string | null;
  readonly declared?: readonly string[];
  readonly controls?: readonly string[];
  readonly description?: string | null;
  readonly audioIn?: number | null;
  readonly audioOut?: number | null;
  readonly notesIn?: boolean | null;
  readonly notesOut?: boolean | null;
  /** VST2 says so by a flag. */
  readonly isSynth?: boolean;
  /** Why this one of several would not be made. */
  readonly problem?: Problem;
  /** Whether everything that opening tells of it was told. */
  readonly isWhole: boolean;
}

/** What came of opening one program. */
export interface Opened {
  readonly plugins: readonly OpenedPlugin[];
  /** Why it ended before its time; what was told until then stands. */
  readonly problem: Problem | null;
}

/**
 * The copies of one program as they are known after it was opened. `read` are those that reading
 * found in it, at least one.
 */
export function openedCopies(
  read: readonly FoundCopy[],
  opened: Opened,
  descriptions: LadspaDescriptions,
): FoundCopy[] {
  const [first] = read;
  if (!first) {
    return [];
  }
  if (first.format === 'LV2') {
    return read.map((copy) => withUri(copy, opened));
  }
  if (opened.plugins.length === 0) {
    return read.map((copy) => ({ ...copy, ...outcome(opened.problem) }));
  }
  const isOnly = opened.plugins.length === 1;
  return opened.plugins.map((plugin) =>
    openedCopy(baseOf(read, plugin), plugin, opened.problem, { descriptions, isOnly }),
  );
}

const outcome = (problem: Problem | null): Pick<FoundCopy, 'examined' | 'status' | 'problem'> => ({
  examined: 'opened',
  status: problem ? 'failed' : 'ok',
  problem,
});

/** Reading told all of an LV2 plugin; opening tells whether its binary loads and gives it. */
function withUri(copy: FoundCopy, { plugins, problem }: Opened): FoundCopy {
  const isGiven = plugins.some(({ identity }) => identity === copy.identity);
  const missing: Problem = {
    code: 'refused',
    at: copy.binary ?? copy.path,
    detail: `its program does not know ${copy.identity ?? 'it'}`,
  };
  return { ...copy, ...outcome(problem ?? (isGiven ? null : missing)) };
}

/** The copy that reading found of this plugin: by identity, else the one that has none. */
function baseOf(read: readonly FoundCopy[], plugin: OpenedPlugin): FoundCopy {
  const known = read.find(
    (copy) => copy.identity !== null && copy.identity === (plugin.identity ?? ''),
  );
  const [first] = read;
  const bare = read.find((copy) => copy.identity === null) ?? first;
  return known ?? { ...(bare as FoundCopy), picture: null };
}

interface Around {
  readonly descriptions: LadspaDescriptions;
  readonly isOnly: boolean;
}

function openedCopy(
  base: FoundCopy,
  plugin: OpenedPlugin,
  ended: Problem | null,
  { descriptions, isOnly }: Around,
): FoundCopy {
  const described =
    base.format === 'LADSPA' ? describedLadspa(descriptions, base.path, plugin) : undefined;
  const declared = described ? [described.declared] : declaredOf(base, plugin);
  const elseBefore = <T>(value: T | null | undefined, before: T | null): T | null =>
    value ?? before;
  return {
    ...base,
    identity: identityOf(base, plugin),
    uniqueId: plugin.uniqueId ?? null,
    name: nonEmpty(plugin.name) ?? (isOnly ? base.name : null) ?? labelOf(base, plugin),
    vendor: nonEmpty(plugin.vendor) ?? base.vendor,
    version: nonEmpty(plugin.version) ?? base.version,
    declared,
    ...(plugin.controls && plugin.controls.length > 0 ? { controls: plugin.controls } : {}),
    ...describedBy(plugin.description),
    audioIn: elseBefore(plugin.audioIn, base.audioIn),
    audioOut: elseBefore(plugin.audioOut, base.audioOut),
    notesIn: elseBefore(plugin.notesIn, base.notesIn),
    notesOut: elseBefore(plugin.notesOut, base.notesOut),
    ...outcome(plugin.problem ?? (plugin.isWhole ? null : ended)),
  };
}

const nonEmpty = (text: string | null | undefined): string | null => text?.trim() || null;

/** Where a plugin has no name, its label has to do: LADSPA's are written to be read by people, too. */
const labelOf = ({ format }: FoundCopy, { identity }: OpenedPlugin): string | null =>
  format === 'LADSPA' ? nonEmpty(identity) : null;

/** VST2 says by a flag that it is a synth, and a little more by its category. */
function declaredOf(base: FoundCopy, { declared, isSynth }: OpenedPlugin): readonly string[] {
  const told = [...(isSynth === true ? ['synth'] : []), ...(declared ?? [])];
  return told.length > 0 ? told : base.declared;
}

/** LADSPA: file and label; VST2: the unique id, where it has one; else what the plugin says. */
function identityOf(base: FoundCopy, { identity, uniqueId }: OpenedPlugin): string | null {
  switch (base.format) {
    case 'LADSPA':
      return `${fileNameOf(base.path)}:${identity ?? ''}`;
    case 'VST2':
      return uniqueId ? String(uniqueId) : base.identity;
    default:
      return nonEmpty(identity) ?? base.identity;
  }
}

/** What loaders say, in plain language (dlerror(3) of glibc; others as they are). */
export function loaderWords(message: string): string {
  const meanings: readonly (readonly [RegExp, (match: RegExpExecArray) => string])[] = [
    [
      /^(.*?): cannot open shared object file: No such file/,
      ([, library = '']) => `the library ${library} that it needs is not installed`,
    ],
    [
      /wrong ELF class|invalid ELF header|file too short|cannot allocate|not a mach-o/i,
      () => 'it is damaged, or made for another architecture',
    ],
    [
      /version `(\w+_[\d.]+)' not found/,
      ([, version = '']) => `it is made for a newer system than this one (${version})`,
    ],
    [
      /undefined symbol: (\S+)/,
      ([, symbol = '']) => `it needs ${symbol}, which no library that is installed offers`,
    ],
    [/Permission denied/, () => 'it may not be read by this program'],
    [
      /error 126 of Windows/,
      () => 'a library that it needs is not installed (error 126 of Windows)',
    ],
    [/error 193 of Windows/, () => 'it is made for another architecture (error 193 of Windows)'],
  ];
  for (const [pattern, words] of meanings) {
    const match = pattern.exec(message);
    if (match) {
      return words(match);
    }
  }
  return `the loader says: ${message.slice(0, 300)}`;
}

/** Signals by what they mean for whoever reads of them (signal(7)). */
const signals: Readonly<Record<string, string>> = {
  SIGSEGV: 'it touched memory that is not its own (SIGSEGV)',
  SIGBUS: 'it touched memory that is not there (SIGBUS)',
  SIGABRT: 'it gave up by itself (SIGABRT)',
  SIGFPE: 'it divided by zero or the like (SIGFPE)',
  SIGILL: 'it used an instruction that this processor does not have (SIGILL)',
  SIGKILL: 'it was ended by the system or by itself, perhaps for lack of memory (SIGKILL)',
  SIGTRAP: 'it stopped itself (SIGTRAP)',
  SIGSYS: 'it asked the system for what it may not (SIGSYS)',
};

/** How a process ended, in words: by a signal, or with an exit status. */
export function endInWords(signal: string | null, status: number | null): string {
  if (signal !== null) {
    return signals[signal] ?? `it was ended by ${signal}`;
  }
  return `it ended the process it was opened in (exit status ${status ?? 'unknown'})`;
}
