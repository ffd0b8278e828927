/**
 * Points to return to. A point holds no copy of the order: it holds what changed from it to the next
 * one, squashed, so that the order of any point is that of now with the changes since taken back.
 */
import { applyChange, isSameValue, reverse, squash, type Change } from '../change.ts';
import type { OrderChange } from '../acts/act-result.ts';
import { foldersWithin, type Order, type OrderRecord } from '../order/records.ts';
import { grouped } from '../grouped.ts';

/** Why there is a point: somebody wanted it, a day with changes ended, or much was about to change. */
export const pointReasons = ['by-hand', 'evening', 'before-much', 'before-document'] as const;
/** One of the reasons. */
export type PointReason = (typeof pointReasons)[number];

/** More places than this changed at once are reason enough for a point before them. */
export const muchAtOnce = 50;

/** How many records a change touches. */
export const sizeOf = ({ added, updated, removed }: Change<OrderRecord>): number =>
  added.length + updated.length + removed.length;

/** One change with the effect of all, in their order; records that end as they began are left out. */
export function squashAll(changes: readonly OrderChange[]): OrderChange {
  const total = changes.reduce<OrderChange>(squash, { added: [], updated: [], removed: [] });
  return {
    ...total,
    updated: total.updated.filter(([from, to]) => !isSameValue(from, to)),
  };
}

/** What leads back to a point from now, given all that changed since, oldest first. */
export const wayBack = (since: readonly OrderChange[]): OrderChange => reverse(squashAll(since));

/** What of a change is wanted: that of one folder with all in it, one cabinet, or one plugin's names. */
export interface ChangePart {
  readonly folder?: string | undefined;
  readonly cabinet?: string | undefined;
  readonly plugin?: string | undefined;
}

/** That part of a change on its own. */
export function partOfChange(order: Order, change: OrderChange, part: ChangePart): OrderChange {
  const both = [...order.values(), ...applyChange(order, change).values()];
  const folders = foldersOfPart(both, part);
  const isMeant = (record: OrderRecord): boolean => {
    switch (record.table) {
      case 'cabinet':
        return record.id === part.cabinet;
      case 'folder':
        return folders.has(record.id);
      case 'placement':
        return folders.has(record.folder);
      case 'plugin-names':
      case 'answer':
        return record.id === part.plugin;
      default:
        return false;
    }
  };
  return {
    added: change.added.filter(isMeant),
    updated: change.updated.filter(([from, to]) => isMeant(from) || isMeant(to)),
    removed: change.removed.filter(isMeant),
  };
}

/** The folders that are meant, before or after: the named one and all below, or all of the cabinet. */
function foldersOfPart(records: readonly OrderRecord[], part: ChangePart): Set<string> {
  const folders = records.flatMap((record) => (record.table === 'folder' ? [record] : []));
  const named = folders.filter(({ id, cabinet }) => id === part.folder || cabinet === part.cabinet);
  return foldersWithin(
    folders,
    named.map(({ id }) => id),
  );
}

/** What thinning has to know of a point. */
export interface DatedPoint {
  readonly id: string;
  readonly at: Date;
  readonly reason: PointReason;
}

const day = 86_400_000;
/** A day begins at four in the morning: what is done before that belongs to the evening. */
const dayBegins = 4;

/** The day a time belongs to, where the clock of this computer stands, as a number that rises by one. */
export function dayOf(at: Date): number {
  const shifted = new Date(at.getTime() - dayBegins * 3_600_000);
  return Math.floor(Date.UTC(shifted.getFullYear(), shifted.getMonth(), shifted.getDate()) / day);
}

/**
 * The points that go: of those that came by themselves all of the last two days stay, then the last
 * of each day for a month, of each week for a year, of each month. What somebody named stays.
 */
export function pointsToThin(points: readonly DatedPoint[], now: Date): string[] {
  const today = dayOf(now);
  const bucketOf = (at: Date): string | null => {
    const age = today - dayOf(at);
    if (age < 2) {
      return null;
    }
    if (age <= 31) {
      return `day ${dayOf(at)}`;
    }
    return age <= 366
      ? `week ${Math.floor((dayOf(at) + 3) / 7)}`
      : `month ${at.getFullYear()}-${at.getMonth()}`;
  };
  const own = points.filter(({ reason }) => reason !== 'by-hand');
  const buckets = grouped(
    own.flatMap((point) => {
      const bucket = bucketOf(point.at);
      return bucket === null ? [] : [[bucket, point] as const];
    }),
  );
  return [...buckets.values()].flatMap((bucket) =>
    bucket
      .toSorted((a, b) => a.at.getTime() - b.at.getTime())
      .slice(0, -1)
      .map(({ id }) => id),
  );
}
