/** Documents of orders from files. */
import { readFile } from 'node:fs/promises';
import { describe } from '@clever-drawer/core/problem';
import { readDocument, type ReadDocument } from '@clever-drawer/core/documents';
import type { Terminal } from './terminal.ts';

/** The document in a file; null when it cannot be read or is none, which has been said. */
export async function documentIn(file: string, terminal: Terminal): Promise<ReadDocument | null> {
  const text = await readFile(file, 'utf8').catch(() => null);
  if (text === null) {
    terminal.error(`${file} cannot be read.`);
    return null;
  }
  const read = readDocument(text);
  if (read.ok) {
    return read.value;
  }
  for (const problem of read.problems) {
    terminal.error(`${file}: ${describe(problem)}`);
  }
  return null;
}
