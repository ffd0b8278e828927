/** `scan DIR…`: what a scan of these directories finds, a line for each copy. */
import { existsSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { copiesEnd, copiesHead, copyLineOf } from '@clever-drawer/core/exchange';
import { formats, type Format, type FoundCopy } from '@clever-drawer/core/formats';
import { describe } from '@clever-drawer/core/problem';
import { readDeclared } from '@clever-drawer/core/taxonomy';
import { plural } from '@clever-drawer/core/text';
import { noDescriptions } from '@clever-drawer/core/readers';
import { Opener } from '@clever-drawer/server/opener';
import {
  descriptionsFor,
  ReaderPool,
  thisMachine,
  usualPlaces,
  type FoundBundle,
} from '@clever-drawer/server/scanner';
import { sayHelp, type ExitStatus, type Terminal } from './terminal.ts';

const helpOf = (
  program: string,
): string => `Use: ${program} DIR… | --usual [--formats lv2,vst3,…] [--open]
       [--timeout SECONDS] [--out FILE]

Looks through the directories and writes a line of JSON for each copy found. It only reads, unless
told to open what fits this machine: each copy in a process of its own.
  --usual            the directories where this system's plugins usually live
  --formats LIST     only these formats
  --open             open the copies and ask them for what reading cannot tell
  --timeout SECONDS  the longest that opening one file may take (10)
  --out FILE         writes the copies there, with their number, once all of them are found
Exit status: 0 done, 1 done but some copy failed, 2 wrong use.`;

/** A directory to look through, and for which formats. */
interface Place {
  readonly path: string;
  readonly formats: readonly Format[];
}

interface Wishes {
  readonly places: readonly Place[];
  /** Seconds; null when nothing is opened. */
  readonly opening: number | null;
  /** The file to write; null for standard output. */
  readonly out: string | null;
}

/** What was asked for; a text when it makes no sense. */
function readWishes(args: string[]): Wishes | string {
  let parsed;
  try {
    parsed = parseArgs({
      args,
      allowPositionals: true,
      options: {
        usual: { type: 'boolean', default: false },
        formats: { type: 'string' },
        open: { type: 'boolean', default: false },
        timeout: { type: 'string' },
        out: { type: 'string' },
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
  if (parsed.values.help) {
    return '';
  }
  const wanted = parsed.values.formats?.split(',').map((name) => name.trim().toUpperCase());
  const unknown = wanted?.find((name) => !formats.some((format) => format === name));
  if (unknown !== undefined) {
    return `There is no format "${unknown}". Known: ${formats.join(', ').toLowerCase()}.`;
  }
  const seconds = Number(parsed.values.timeout ?? 10);
  if (!(seconds > 0 && seconds <= 3_600)) {
    return `--timeout takes seconds from above 0 to 3600, not "${parsed.values.timeout ?? ''}".`;
  }
  const { usual, open } = parsed.values;
  if (parsed.positionals.length === 0 && !usual) {
    return 'Name at least one directory, or say --usual.';
  }
  if (parsed.positionals.length > 0 && usual) {
    return 'Name directories or say --usual, not both.';
  }
  const chosen = formats.filter((format) => wanted?.includes(format) ?? true);
  return {
    places: usual
      ? placesOfSystem(chosen)
      : parsed.positionals.map((path) => ({ path: resolve(path), formats: chosen })),
    opening: open ? seconds : null,
    out: parsed.values.out === undefined ? null : resolve(parsed.values.out),
  };
}

/** Those of the usual directories that are there. */
const placesOfSystem = (chosen: readonly Format[]): Place[] =>
  usualPlaces(thisMachine())
    .map((place) => ({
      path: place.path,
      formats: place.formats.filter((format) => chosen.includes(format)),
    }))
    .filter(({ path, formats: wanted }) => wanted.length > 0 && existsSync(path));

/** How a scan gets its threads and processes; a scanner of one file brings its own. */
export interface Workers {
  readonly readers: () => ReaderPool;
  readonly opener: (limit: number) => Opener;
}

const usualWorkers: Workers = {
  readers: () => new ReaderPool(2, process.env),
  opener: (limit) => new Opener({ limit }),
};

export async function scanCommand(
  args: string[],
  terminal: Terminal,
  workers = usualWorkers,
  program = './clever-drawer scan',
): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    return sayHelp(wishes, helpOf(program), terminal);
  }
  const missing = wishes.places.find(({ path }) => !isDirectory(path));
  if (missing) {
    terminal.error(`There is no directory ${missing.path}.`);
    return 2;
  }
  const file = wishes.out === null ? null : fileFor(wishes.out);
  if (file === 'refused') {
    terminal.error(`${wishes.out ?? ''} can't be written. Choose another file with --out.`);
    return 2;
  }
  const readers = workers.readers();
  const opener = wishes.opening === null ? null : workers.opener(wishes.opening * 1000);
  try {
    const lacks = await opener?.lacks();
    if (lacks) {
      terminal.error(lacks);
    }
    const examiners = { readers, opener };
    return file === null
      ? await scanAll(wishes.places, terminal, examiners)
      : await scanInto(file, wishes.places, terminal, examiners);
  } finally {
    opener?.close();
    await readers.close();
  }
}

/** Scans, says how far it is, and writes the file once all copies are there. */
async function scanInto(
  file: WholeFile,
  places: readonly Place[],
  { error }: Terminal,
  examiners: Examiners,
): Promise<ExitStatus> {
  const lines: string[] = [];
  const out = (line: string): void => {
    lines.push(line);
    if (lines.length % 100 === 0) {
      error(`${lines.length} copies so far …`);
    }
  };
  const status = await scanAll(places, { out, error }, examiners);
  file.write([copiesHead(lines.length), ...lines, copiesEnd(lines.length)]);
  error(`${plural(lines.length, 'copy', 'copies')} in ${file.path}.`);
  return status;
}

/** A file that is written as a whole, at the end. */
interface WholeFile {
  readonly path: string;
  readonly write: (lines: readonly string[]) => void;
}

/** Its place is tried at once. */
function fileFor(path: string): WholeFile | 'refused' {
  const part = `${path}.part`;
  try {
    writeFileSync(part, '');
    // Nothing is left of it where the scan is stopped.
    rmSync(part);
  } catch {
    return 'refused';
  }
  return {
    path,
    write: (lines) => {
      writeFileSync(part, `${lines.join('\n')}\n`);
      renameSync(part, path);
    },
  };
}

const isDirectory = (path: string): boolean =>
  statSync(path, { throwIfNoEntry: false })?.isDirectory() ?? false;

/** What examines copies: threads that read, and processes that open if that was asked for. */
interface Examiners {
  readonly readers: ReaderPool;
  readonly opener: Opener | null;
}

/** Reads in threads of their own with limits of time and memory, as the server does. */
async function scanAll(
  places: readonly Place[],
  terminal: Terminal,
  examiners: Examiners,
): Promise<ExitStatus> {
  let status: ExitStatus = 0;
  const seen = new Set<string>();
  for (const place of places) {
    const stop = new SharedArrayBuffer(4);
    const { bundles, problems } = await examiners.readers.walk(place.path, place.formats, stop);
    for (const problem of problems) {
      terminal.error(describe(problem));
      status = 1;
    }
    const fresh = bundles.filter(({ path }) => !seen.has(path));
    for await (const copy of examineInOrder(fresh, place.path, examiners)) {
      status = copy.status === 'failed' ? 1 : status;
      terminal.out(JSON.stringify(lineOf(copy)));
    }
    for (const { path } of fresh) {
      seen.add(path);
    }
  }
  return status;
}

/** Bundles are examined some ahead of each other; their copies come in the order of the bundles. */
async function* examineInOrder(
  bundles: readonly FoundBundle[],
  directory: string,
  { readers, opener }: Examiners,
): AsyncGenerator<FoundCopy> {
  const descriptions = opener ? descriptionsFor(directory, process.env) : noDescriptions;
  const examine = async (bundle: FoundBundle): Promise<FoundCopy[]> => {
    const read = await readers.read(bundle, directory);
    return opener ? opener.open(read, descriptions) : read;
  };
  const ahead = 2 * readers.size;
  const reading: Promise<FoundCopy[]>[] = [];
  const waiting = [...bundles];
  for (let left = waiting.length; left > 0; left -= 1) {
    while (reading.length < ahead && waiting.length > 0) {
      reading.push(examine(waiting.shift() as FoundBundle));
    }
    yield* await (reading.shift() ?? Promise.resolve([]));
  }
}

/** A copy as one line: what was found, the kind and types it declares, and a problem in words. */
function lineOf(copy: FoundCopy): object {
  const { problem, picture, ...facts } = copyLineOf(copy);
  const { kind, types } = readDeclared(copy.format, copy.declared);
  return { ...facts, kind, types, picture, ...(problem ? { problem } : {}) };
}
