/** JSON lines from standard input or a file. */
import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { readCopiesFrame } from '@clever-drawer/core/exchange';
import { noWords, understand, type Field } from '@clever-drawer/core/rules';
import { jsonObject } from '@clever-drawer/core/text';
import type { Terminal } from './terminal.ts';

export type Line = Readonly<Record<string, unknown>>;

/** The longest line that is read, in characters. */
const longest = 4_000_000;

/**
 * The objects of a text of NDJSON; lines that are none are said, with their number, and left out.
 * `good` is false when there was one.
 */
export async function readLines(
  input: NodeJS.ReadableStream,
  terminal: Terminal,
): Promise<{ lines: Line[]; good: boolean }> {
  const lines: Line[] = [];
  let number = 0;
  let good = true;
  for await (const text of createInterface({ input, crlfDelay: Infinity })) {
    number += 1;
    const bare = text.replace(/^\uFEFF/, '').trim();
    if (bare === '' || readCopiesFrame(bare)) {
      continue;
    }
    const line = bare.length > longest ? null : jsonObject(bare);
    if (line) {
      lines.push(line);
    } else {
      good = false;
      terminal.error(
        `Line ${number} is not a JSON object${bare.length > longest ? ' of a sensible length' : ''}; it was left out.`,
      );
    }
  }
  return { lines, good };
}

export const inputOf = (file: string | undefined): NodeJS.ReadableStream =>
  file === undefined || file === '-' ? process.stdin : createReadStream(file);

export const textIn = (line: Line, field: string): string | null =>
  typeof line[field] === 'string' ? line[field] : null;
export const numberIn = (line: Line, field: string): number | null =>
  typeof line[field] === 'number' && Number.isFinite(line[field]) ? line[field] : null;
/** Yes or no; a count counts as yes when it is not 0. */
export const flagIn = (line: Line, field: string): boolean | null => {
  if (typeof line[field] === 'boolean') {
    return line[field];
  }
  if (typeof line[field] === 'number') {
    return line[field] > 0;
  }
  return null;
};
export const textsIn = (line: Line, field: string): string[] =>
  Array.isArray(line[field])
    ? line[field].filter((part): part is string => typeof part === 'string')
    : [];

/** Texts of a field that holds one, or a list. */
export const listIn = (line: Line, field: string): string[] => {
  const one = line[field];
  if (typeof one === 'string') {
    return [one];
  }
  if (typeof one === 'number') {
    return [String(one)];
  }
  if (Array.isArray(one)) {
    return one.filter((part) => typeof part === 'string' || typeof part === 'number').map(String);
  }
  return [];
};
export const numbersIn = (line: Line, field: string): number[] =>
  listIn(line, field)
    .map(Number)
    .filter((number) => Number.isFinite(number));
/** Values in the form in which rules compare them; what is not known stays as it is. */
export const understoodIn = (line: Line, names: readonly string[], field: Field): string[] =>
  names
    .flatMap((name) => listIn(line, name))
    .map((text) => {
      const understood = understand(field, 'is', text, noWords);
      return understood.ok ? understood.value : text;
    });
export const timeIn = (line: Line, field: string): number | null => {
  const time = Date.parse(textIn(line, field) ?? '');
  return Number.isNaN(time) ? null : time;
};
