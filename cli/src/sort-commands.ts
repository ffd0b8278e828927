/** `classify` and `group`: what plugins are, and which copies are one. */
import { existsSync } from 'node:fs';
import { parseArgs } from 'node:util';
import {
  describedBy,
  bareCopy,
  classify,
  foldVendor,
  formats,
  gatherPrefixes,
  gatherSeries,
  readDeclared,
  identifyCatalog,
  stemOfPath,
  type Format,
  type FoundCopy,
  type InSeries,
  type Reason,
  type CopyToIdentify,
} from '@clever-drawer/core';
import { flagIn, inputOf, numberIn, readLines, textIn, textsIn, type Line } from './lines.ts';
import type { ExitStatus, Terminal } from './terminal.ts';

const classifyHelp = `Use: ./clever-drawer classify [FILE]

Reads a line of JSON for each plugin (name, and any of vendor, format, declared, audioIn, audioOut, notesIn, notesOut) and writes
it with kind and suggestions [{type, probability, reasons}], best first. Reasons that begin with "against:" count against.`;
const groupHelp = `Use: ./clever-drawer group [FILE]

Reads copies as scan writes them and writes a line of JSON for each plugin: name, vendor, kind, types, copies, reasons.`;
const statuses = '\nExit status: 0 done, 1 done but some line was no JSON object, 2 wrong use.';

/** The file to read, or the status to end with. */
function readWishes(
  args: string[],
  help: string,
  terminal: Terminal,
): { file: string | undefined } | ExitStatus {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: { help: { type: 'boolean', short: 'h' } },
    });
    const file = positionals[0];
    if (values.help) {
      terminal.error(help + statuses);
      return 0;
    }
    if (positionals.length <= 1 && (file === undefined || file === '-' || existsSync(file))) {
      return { file };
    }
    terminal.error(
      positionals.length > 1 ? `One file at most.\n${help}` : `There is no file ${file ?? ''}.`,
    );
  } catch (error) {
    terminal.error(`${error instanceof Error ? error.message : String(error)}\n${help}`);
  }
  return 2;
}

const formatIn = (line: Line): Format =>
  formats.find((format) => format === textIn(line, 'format')?.toUpperCase()) ?? 'VST2';
const say = ({ weight, text }: Reason): string => (weight < 0 ? `against: ${text}` : text);
const nameIn = (line: Line): string =>
  textIn(line, 'name') ?? stemOfPath(textIn(line, 'path') ?? '');

export async function classifyCommand(
  args: string[],
  terminal: Terminal,
  input?: NodeJS.ReadableStream,
): Promise<ExitStatus> {
  const wishes = readWishes(args, classifyHelp, terminal);
  if (typeof wishes === 'number') {
    return wishes;
  }
  const { lines, good } = await readLines(input ?? inputOf(wishes.file), terminal);
  const members = lines.map(
    (line): InSeries => ({
      name: nameIn(line),
      vendor: foldVendor(textIn(line, 'vendor')),
      types: readDeclared(formatIn(line), textsIn(line, 'declared')).types,
      isTaught: false,
    }),
  );
  const seriesOf = gatherSeries(members);
  const bareName = gatherPrefixes(members);
  for (const [i, line] of lines.entries()) {
    const member = members[i];
    const declared = textsIn(line, 'declared');
    const { kinds, suggestions } = classify({
      name: member ? bareName(member) : '',
      declared: declared.length > 0 ? [{ format: formatIn(line), values: declared }] : [],
      series: member ? seriesOf(member) : [],
      audioIn: numberIn(line, 'audioIn'),
      audioOut: numberIn(line, 'audioOut'),
      notesIn: flagIn(line, 'notesIn'),
      notesOut: flagIn(line, 'notesOut'),
      controls: textsIn(line, 'controls'),
      ...describedBy(textIn(line, 'description')),
    });
    const shown = suggestions.map(({ type, probability, reasons }) => ({
      type,
      probability: Math.round(probability * 10_000) / 10_000,
      reasons: reasons.map(say),
    }));
    terminal.out(
      JSON.stringify({ ...line, kind: kinds[0]?.kind ?? 'unknown', suggestions: shown }),
    );
  }
  return good ? 0 : 1;
}

/** A copy out of a line; what is missing is null. */
const copyIn = (line: Line): FoundCopy & { readonly uniqueId: number | null } => ({
  ...bareCopy(formatIn(line), textIn(line, 'path') ?? ''),
  identity: textIn(line, 'identity'),
  name: textIn(line, 'name'),
  vendor: textIn(line, 'vendor'),
  declared: textsIn(line, 'declared'),
  audioIn: numberIn(line, 'audioIn'),
  audioOut: numberIn(line, 'audioOut'),
  notesIn: flagIn(line, 'notesIn'),
  notesOut: flagIn(line, 'notesOut'),
  replaces: textsIn(line, 'replaces'),
  uniqueId: numberIn(line, 'uniqueId'),
  controls: textsIn(line, 'controls'),
  ...describedBy(textIn(line, 'description')),
});

export async function groupCommand(
  args: string[],
  terminal: Terminal,
  input?: NodeJS.ReadableStream,
): Promise<ExitStatus> {
  const wishes = readWishes(args, groupHelp, terminal);
  if (typeof wishes === 'number') {
    return wishes;
  }
  const { lines, good } = await readLines(input ?? inputOf(wishes.file), terminal);
  const copies = lines
    .filter((line) => textIn(line, 'status') !== 'failed')
    .map(
      (line, i): CopyToIdentify => ({
        id: String(i),
        facts: copyIn(line),
        isPresent: true,
        plugin: null,
      }),
    );
  let last = 0;
  const { plugins, pluginOf } = identifyCatalog(
    copies,
    { belongings: new Map(), spellings: new Map(), answers: new Map(), used: new Set() },
    () => String((last += 1)),
  );
  const held = new Map<string, CopyToIdentify[]>(plugins.map((plugin) => [plugin.id, []]));
  for (const copy of copies) {
    held.get(pluginOf.get(copy.id) ?? '')?.push(copy);
  }
  for (const { id, name, vendor, kind, types, grounds } of plugins) {
    const of = (held.get(id) ?? []).map(
      ({ facts }) => `${facts.format} ${facts.identity ?? facts.path}`,
    );
    terminal.out(
      JSON.stringify({ name, vendor, kind, types, copies: of, reasons: grounds.sameBecause }),
    );
  }
  return good ? 0 : 1;
}
