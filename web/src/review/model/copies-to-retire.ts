/** Which copies can be set aside: a file goes as a whole, so all that is in it must be needless. */
import type { CopyCard, Plugin } from '@clever-drawer/core/catalog';
import { grouped } from '@clever-drawer/core/grouped';
import type { RetirableCopy } from '@clever-drawer/core/review';

/** Copies, one for each file. */
export function copiesToRetire(
  plugins: readonly Pick<Plugin, 'copies'>[],
  needless: readonly Pick<RetirableCopy, 'copy'>[],
): Pick<CopyCard, 'id' | 'path'>[] {
  const ids = new Set<string>(needless.map(({ copy }) => copy));
  const files = grouped(
    plugins.flatMap(({ copies }) => copies.map((copy) => [copy.path, copy] as const)),
  );
  return [...files.values()]
    .filter((copies) => copies.every(({ id }) => ids.has(id)))
    .flatMap(([first]) => first ?? []);
}
