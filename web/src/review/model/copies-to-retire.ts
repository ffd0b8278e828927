/** Which copies can be set aside: a file goes as a whole, so all that is in it must be needless. */
import type { Plugin, RetirableCopy } from '@clever-drawer/core';

/** Ids of copies, one for each file. */
export function copiesToRetire(
  plugins: readonly Pick<Plugin, 'copies'>[],
  needless: readonly Pick<RetirableCopy, 'copy'>[],
): string[] {
  const ids = new Set(needless.map(({ copy }) => copy));
  const files = new Map<string, string[]>();
  for (const { copies } of plugins) {
    for (const { path, id } of copies) {
      files.set(path, [...(files.get(path) ?? []), id]);
    }
  }
  return [...files.values()]
    .filter((held) => held.every((id) => ids.has(id)))
    .flatMap(([first]) => first ?? []);
}
