/** Property lists, XML or binary, as dictionaries. */
import { parse } from '@plist/parse';
import type { Problem } from '../problem.ts';
import { boundsOfBinaryPlist } from './binary-plist.ts';
import { textOf } from './bundle-files.ts';
import { isDictionary, type Dictionary } from './dictionary.ts';

/** The dictionary of a property list; `at` is what the file is called. Entities are refused: no property list of a plugin declares any, and hostile ones do. */
export function parsePlist(bytes: Uint8Array, at: string): { value: Dictionary } | Problem {
  const isBinary = textOf(bytes.subarray(0, 6)) === 'bplist';
  const damaged = (detail: string): Problem => ({ code: 'damaged', at, line: null, detail });
  const unbounded = isBinary ? boundsOfBinaryPlist(bytes) : null;
  if (unbounded !== null) {
    return damaged(`it is not a sound property list: ${unbounded}.`);
  }
  try {
    const source = isBinary ? bytes.slice().buffer : textOf(bytes);
    if (typeof source === 'string' && source.includes('<!ENTITY')) {
      return damaged('it declares entities, which no property list needs.');
    }
    const value: unknown = parse(source);
    return isDictionary(value) ? { value } : damaged('it should be a dictionary.');
  } catch (error) {
    return damaged(
      `it is not a valid property list (${(error instanceof Error ? error.message : '').slice(0, 100)}).`,
    );
  }
}
