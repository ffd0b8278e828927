/** Where the program of a thread or process is. */
import { pathToFileURL } from 'node:url';

/**
 * Beside the module that starts it, in the source as in what is built of it; for tests, which have
 * them built first, in a directory of its own (CLEVER_DRAWER_HELPERS).
 */
export function helperProgram(name: string, besides: string): URL {
  const built = process.env.CLEVER_DRAWER_HELPERS;
  return new URL(`./${name}.mjs`, built === undefined ? besides : pathToFileURL(`${built}/`));
}
