/** What one owns, beside what of it one uses. */
import { grouped } from '../grouped.ts';
import { isGone } from '../catalog/plugin.ts';
import { compareNames } from '../text/compare.ts';
import { firstGroup, loadsOf, type ReviewMaterial, type StudiedPlugin } from './studied.ts';

/** Plugins that belong together, and what of them was loaded. */
export interface Owned {
  readonly plugins: readonly string[];
  /** Those of them that were loaded. */
  readonly used: readonly string[];
  readonly loads: number;
}

/** What one vendor makes of one group of types. */
export interface MakerCell extends Owned {
  /** Empty for plugins whose vendor is not known. */
  readonly vendor: string;
  /** Empty for plugins whose type is not known. */
  readonly group: string;
}

/** Who makes what: cells that hold something, and the headings that they stand under. */
export interface Makers {
  /** Vendors, the one with most plugins first. */
  readonly vendors: readonly string[];
  /** Groups of types, the one with most plugins first. */
  readonly groups: readonly string[];
  readonly cells: readonly MakerCell[];
}

type OwnedIn = Pick<ReviewMaterial, 'plugins' | 'uses'>;

/** Those that are on this computer: not what is gone from it. */
export const ownedIn = (plugins: readonly StudiedPlugin[]): StudiedPlugin[] =>
  plugins.filter((plugin) => !isGone(plugin));

function ownedOf(plugins: readonly StudiedPlugin[], loads: ReadonlyMap<string, number>): Owned {
  const ids = plugins.map(({ id }) => id);
  return {
    plugins: ids,
    used: ids.filter((id) => loads.has(id)),
    loads: ids.reduce((sum, id) => sum + (loads.get(id) ?? 0), 0),
  };
}

const byCount = (groups: ReadonlyMap<string, readonly unknown[]>): string[] =>
  [...groups]
    .sort(([a, x], [b, y]) => y.length - x.length || compareNames(a, b))
    .map(([name]) => name);

/** Vendors against groups of types. */
export function makersOf({ plugins: all, uses }: OwnedIn): Makers {
  const plugins = ownedIn(all);
  const loads = loadsOf(uses);
  const byVendor = grouped(plugins.map((plugin) => [plugin.vendor ?? '', plugin]));
  const byGroup = grouped(plugins.map((plugin) => [firstGroup(plugin), plugin]));
  const cells = [...byVendor].flatMap(([vendor, made]) =>
    [...grouped(made.map((plugin) => [firstGroup(plugin), plugin]))].map(
      ([group, inGroup]): MakerCell => ({ vendor, group, ...ownedOf(inGroup, loads) }),
    ),
  );
  return { vendors: byCount(byVendor), groups: byCount(byGroup), cells };
}

/** A group of types, owned beside used. */
export interface OwnedGroup extends Owned {
  readonly group: string;
}

/** Groups of types, the one with most plugins first. */
export function ownedByGroup({ plugins: all, uses }: OwnedIn): OwnedGroup[] {
  const plugins = ownedIn(all);
  const loads = loadsOf(uses);
  const byGroup = grouped(plugins.map((plugin) => [firstGroup(plugin), plugin]));
  return byCount(byGroup).map((group) => ({
    group,
    ...ownedOf(byGroup.get(group) ?? [], loads),
  }));
}
