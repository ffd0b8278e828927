/** What a review looks at: plugins, folders and loads in plain values, and which of them are meant. */
import type { CopyState } from '../catalog/plugin.ts';
import type { Kind } from '../catalog/kind.ts';
import type { Format } from '../formats/found-copy.ts';
import type { TrackKind } from '../loading/loadability.ts';
import type { FolderForm } from '../order/records.ts';
import { memoizeByObject } from '../memoize.ts';
import type { Tie } from './ties.ts';
import { groupOf } from '../taxonomy/tree.ts';
import { day } from '../time.ts';

/** A copy, as far as a review asks. */
export interface StudiedCopy {
  readonly id: string;
  readonly format: Format;
  readonly is32Bit: boolean;
  readonly state: CopyState;
  readonly path: string;
  readonly version: string | null;
  readonly isFailed: boolean;
  readonly standsInFor?: readonly string[];
  readonly audioIn: number | null;
  readonly audioOut: number | null;
}

/** A plugin, as far as a review asks. Chains are none. */
export interface StudiedPlugin {
  readonly id: string;
  readonly name: string;
  readonly vendor: string | null;
  readonly kind: Kind;
  readonly types: readonly string[];
  readonly isHidden: boolean;
  readonly hasNickname: boolean;
  /** Last day of a trial, YYYY-MM-DD. */
  readonly trialEnds: string | null;
  readonly copies: readonly StudiedCopy[];
  /** What the user made of it. */
  readonly ties: readonly Tie[];
  /** Copies that the user wants first, on the whole or in a folder. */
  readonly firstCopies: readonly string[];
  /** Formats of which only a copy takes one of its settings that the user made something of. */
  readonly settingFormats: readonly Format[];
}

/** A folder with what stands in it, in order; dividers and shortcuts are left out. */
export interface StudiedFolder {
  readonly id: string;
  readonly name: string;
  readonly form: FolderForm;
  readonly cabinet: string;
  readonly sortedBy: string | null;
  readonly plugins: readonly string[];
}

/** One load. `at` in milliseconds since 1970, `took` in milliseconds. */
export interface PastUse {
  readonly plugin: string;
  readonly at: number;
  readonly track: TrackKind;
  readonly after: string | null;
  readonly typed: string | null;
  readonly keys: number | null;
  readonly took: number | null;
  /** The folder that was open meanwhile; null for none, or where it is not known. */
  readonly folder: string | null;
}

/** Something a scan found. `at` in milliseconds since 1970. */
export interface Coming {
  readonly plugin: string;
  readonly at: number;
  readonly what: 'came' | 'went' | 'updated';
}

/** A session that names copies. */
export interface AskingSession {
  readonly session: string;
  /** Ids of copies. */
  readonly copies: readonly string[];
}

/** Everything a review is made of. */
export interface ReviewMaterial {
  readonly plugins: readonly StudiedPlugin[];
  /** The plugins of each chain that is kept. */
  readonly chains: readonly (readonly string[])[];
  readonly folders: readonly StudiedFolder[];
  readonly uses: readonly PastUse[];
  readonly comings: readonly Coming[];
  readonly sessions: readonly AskingSession[];
}

/** Which plugins and loads are looked at; null is no matter. Times in milliseconds since 1970. */
export interface ReviewWish {
  readonly from: number | null;
  readonly now: number;
  readonly cabinet: string | null;
  readonly kind: Kind | null;
  readonly track: TrackKind | null;
  readonly vendor: string | null;
}

/** What a wish leaves of the material. */
export function narrowMaterial(material: ReviewMaterial, wish: ReviewWish): ReviewMaterial {
  const { from, now, cabinet, kind, track, vendor } = wish;
  const folders = material.folders.filter(
    (folder) => cabinet === null || folder.cabinet === cabinet,
  );
  const filed = cabinet === null ? null : new Set(folders.flatMap(({ plugins }) => plugins));
  const plugins = material.plugins.filter(
    (plugin) =>
      (kind === null || plugin.kind === kind) &&
      (vendor === null || plugin.vendor === vendor) &&
      (filed === null || filed.has(plugin.id)),
  );
  const meant = new Set(plugins.map(({ id }) => id));
  return {
    ...material,
    plugins,
    folders,
    uses: material.uses.filter(
      (use) =>
        (from === null || use.at >= from) &&
        use.at <= now &&
        (track === null || use.track === track) &&
        meant.has(use.plugin),
    ),
    comings: material.comings.filter(
      ({ at, plugin }) => (from === null || at >= from) && at <= now && meant.has(plugin),
    ),
  };
}

/** The group of a plugin's first type; empty where no type is known. */
export const firstGroup = ({ types }: Pick<StudiedPlugin, 'types'>): string =>
  groupOf(types[0] ?? '');

/** How often something occurs. */
export function countBy<T>(items: Iterable<T>, keyOf: (item: T) => string): Map<string, number> {
  const counts = new Map<string, number>();
  for (const item of items) {
    const key = keyOf(item);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return counts;
}

/**
 * Loads of each plugin that was loaded. Several parts of a review ask for the same: loads never change,
 * so they are counted once.
 */
export const loadsOf = memoizeByObject(
  (uses: readonly PastUse[]): ReadonlyMap<string, number> => countBy(uses, ({ plugin }) => plugin),
);

/** When each plugin was loaded last. Milliseconds since 1970. */
export function lastLoads(uses: readonly PastUse[]): Map<string, number> {
  const last = new Map<string, number>();
  for (const { plugin, at } of uses) {
    last.set(plugin, Math.max(at, last.get(plugin) ?? 0));
  }
  return last;
}

/** Months by day since 1970: writing a date out is slow, and loads of one day are many. */
const monthsByDay = new Map<number, string>();

/** The month of a time, YYYY-MM, in UTC. */
export function monthOf(at: number): string {
  const number = Math.floor(at / day);
  const known = monthsByDay.get(number);
  if (known !== undefined) {
    return known;
  }
  const month = new Date(at).toISOString().slice(0, 7);
  monthsByDay.set(number, month);
  return month;
}

/** All months from one to another, both included; none where the first is the later, or one is empty. */
export function monthsBetween(first: string, last: string): string[] {
  if (first === '' || last === '') {
    return [];
  }
  const months: string[] = [];
  const at = new Date(`${first}-01T00:00:00Z`);
  while (monthOf(at.getTime()) <= last) {
    months.push(monthOf(at.getTime()));
    at.setUTCMonth(at.getUTCMonth() + 1);
  }
  return months;
}
