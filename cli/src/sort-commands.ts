/** `classify` and `group`: what plugins are, and which copies are one. */
import { existsSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { describedBy, stemOfPath } from '@clever-drawer/core/formats';
import {
  classify,
  foldVendor,
  gatherPrefixes,
  gatherSeries,
  type InSeries,
  type Reason,
} from '@clever-drawer/core/identify';
import { readDeclared } from '@clever-drawer/core/taxonomy';
import { formatIn, groupLines } from './grouped-copies.ts';
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
      terminal.out(help + statuses);
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
  for (const { plugin, copies } of groupLines(lines)) {
    const { name, vendor, kind, types, grounds } = plugin;
    const of = copies.map((copy) => `${copy.format} ${copy.identity ?? copy.path}`);
    terminal.out(
      JSON.stringify({ name, vendor, kind, types, copies: of, reasons: grounds.sameBecause }),
    );
  }
  return good ? 0 : 1;
}
