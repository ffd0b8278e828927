/** What changed in a catalog since a window fetched it, and the catalog that comes of it. */
import { compareTexts } from '../text/compare.ts';
import type { Plugin } from './plugin.ts';

/** A catalog by its plugins, with what stands for its state. */
export interface CatalogState {
  /** The version of the computer that it is of. */
  readonly version: number;
  /** By name, then by id (comparePlaces). */
  readonly plugins: readonly Plugin[];
}

/** What changed up to a version. */
export interface CatalogChange {
  readonly version: number;
  /** Plugins that are new or other than they were. */
  readonly changed: readonly Plugin[];
  /** Ids of plugins that are in the catalog no longer. */
  readonly removed: readonly string[];
}

/** What a plugin's place in a catalog goes by. */
interface Placed {
  readonly name: string;
  readonly id: string;
}

/** Where a plugin stands in a catalog: by the code units of its name, then of its id. A total order. */
export const comparePlaces = (a: Placed, b: Placed): number =>
  compareTexts(a.name, b.name) || compareTexts(a.id, b.id);

/** The catalog after a change; plugins that did not change stay the same objects. */
export function changeCatalog<State extends CatalogState>(
  before: State,
  { version, changed, removed }: CatalogChange,
): State {
  if (changed.length === 0 && removed.length === 0) {
    return { ...before, version };
  }
  const isOther = new Set<string>([...removed, ...changed.map(({ id }) => id)]);
  const same = before.plugins.filter(({ id }) => !isOther.has(id));
  return { ...before, version, plugins: merged(same, [...changed].sort(comparePlaces)) };
}

/** Two lists that stand in their order as one. */
function merged(longer: readonly Plugin[], shorter: readonly Plugin[]): Plugin[] {
  const all: Plugin[] = [];
  let at = 0;
  for (const plugin of longer) {
    for (let next = shorter[at]; next && comparePlaces(next, plugin) < 0; next = shorter[at]) {
      all.push(next);
      at += 1;
    }
    all.push(plugin);
  }
  return [...all, ...shorter.slice(at)];
}
