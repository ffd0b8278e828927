/**
 * A file of copies: a line that says how many there are, a line for each, and a line that says that it
 * is whole. Files of before, and what goes through pipes, have the copies alone.
 */
import { jsonObject } from '../text/json-object.ts';

/** How the first and the last line say what the file is. */
const copiesFile = 'clever-drawer copies';

/** The first line of a file of so many copies. */
export const copiesHead = (copies: number): string =>
  JSON.stringify({ file: copiesFile, version: 1, copies });

/** The last line. */
export const copiesEnd = (copies: number): string =>
  JSON.stringify({ file: copiesFile, end: copies });

/** What a line around the copies says. */
export type CopiesFrame = { readonly copies: number } | { readonly end: number };

/** The first or last line of a file of copies; null for any other line. */
export function readCopiesFrame(line: string): CopiesFrame | null {
  const { file, copies, end } = (line.includes(copiesFile) ? jsonObject(line) : null) ?? {};
  if (file !== copiesFile) {
    return null;
  }
  if (typeof copies === 'number') {
    return { copies };
  }
  return typeof end === 'number' ? { end } : null;
}
