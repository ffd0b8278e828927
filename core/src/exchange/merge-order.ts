/**
 * What a document brings, put together with the order that is here, as one change. Merging the same
 * document again changes nothing.
 */
import { nothingSaid, type Answer } from '../catalog/answer.ts';
import { diff, keyOf, isSameValue } from '../change.ts';
import { grouped } from '../grouped.ts';
import { byPosition, spread, type Position } from '../order/position.ts';
import {
  allSetAside,
  orderOf,
  type Folder,
  type Order,
  type OrderRecord,
  type PluginNames,
} from '../order/records.ts';
import type { OrderChange } from '../acts/act-result.ts';
import { fitChange } from '../acts/undo.ts';

/**
 * How two orders come together. `add`: only what is not here; `theirs`: where both say something, the
 * document wins; `mine`: where both say something, this order wins, and what it left open is filled;
 * `replace`: as the document has it, and nothing else.
 */
export const mergeModes = ['add', 'theirs', 'mine', 'replace'] as const;
/** One of the ways. */
export type MergeMode = (typeof mergeModes)[number];

/** The change that brings the records of a document into the order, whose ids are of here. */
export function mergeRecords(
  order: Order,
  records: readonly OrderRecord[],
  mode: MergeMode,
): OrderChange {
  // Which copies are set aside is no matter of a document.
  const next = mode === 'replace' ? orderOf(allSetAside(order)) : new Map(order);
  for (const record of records) {
    const key = keyOf(record);
    const mine = order.get(key);
    next.set(key, mine ? together(mine, record, mode) : record);
  }
  settlePositions(next, order, records, mode);
  return fitChange(order, diffRecords(order, next), (plugin) => plugin);
}

/** What turns one order into another. */
export const diffRecords = (before: Order, after: Order): OrderChange =>
  diff(before, after, isSameValue);

/** What becomes of a record that both have. Positions are seen to later. */
function together(mine: OrderRecord, theirs: OrderRecord, mode: MergeMode): OrderRecord {
  if (mode === 'add' || mine.table !== theirs.table) {
    return mine;
  }
  if (mine.table === 'copy-assignment' && theirs.table === 'copy-assignment') {
    return mode === 'mine' ? mine : { ...theirs, before: mine.before };
  }
  if (mode === 'replace') {
    return theirs;
  }
  const [wins, fills] = mode === 'mine' ? [mine, theirs] : [theirs, mine];
  switch (wins.table) {
    case 'plugin-names':
      return filledNames(wins, fills as PluginNames);
    case 'answer':
      return filledAnswer(wins, fills as Answer);
    case 'folder':
      return filledFolder(wins, fills as Folder);
    default:
      return wins;
  }
}

const filledNames = (wins: PluginNames, fills: PluginNames): PluginNames => ({
  ...wins,
  nickname: wins.nickname ?? fills.nickname,
  slotLabel: wins.slotLabel ?? fills.slotLabel,
});

/** What one leaves open the other says; tags of both hold. */
const filledAnswer = (wins: Answer, fills: Answer): Answer => ({
  ...wins,
  kind: wins.kind ?? fills.kind,
  types: wins.types ?? fills.types,
  vendor: wins.vendor ?? fills.vendor,
  licence: wins.licence ?? fills.licence,
  tags: [...new Set([...wins.tags, ...fills.tags])],
  notes: wins.notes === nothingSaid.notes ? fills.notes : wins.notes,
  isHidden: wins.isHidden || fills.isHidden,
  picture: wins.picture ?? fills.picture,
  alsoCalled: [...new Set([...wins.alsoCalled, ...fills.alsoCalled])],
  firstCopy: wins.firstCopy ?? fills.firstCopy,
});

const filledFolder = (wins: Folder, fills: Folder): Folder => ({
  ...wins,
  notes: wins.notes === '' ? fills.notes : wins.notes,
});

/** A record that has its place in a row. */
type Placed = Extract<OrderRecord, { position: Position }>;
/** Whether a record has a place in a row. */
export const isPlaced = (record: OrderRecord): record is Placed => 'position' in record;

/** The row a record stands in: all cabinets, the folders of one, what is filed in one. */
export function rowOf(record: Placed): string {
  switch (record.table) {
    case 'cabinet':
      return 'cabinets';
    case 'folder':
      return `folders ${record.cabinet} ${record.parent ?? ''}`;
    case 'placement':
      return `placements ${record.folder}`;
    default:
      return record satisfies never;
  }
}

/**
 * Gives everything its place: what stays keeps its position where the sequence allows it; what comes
 * stands behind, or, where the document wins, as it stands there.
 */
function settlePositions(
  next: Map<string, OrderRecord>,
  order: Order,
  records: readonly OrderRecord[],
  mode: MergeMode,
): void {
  const theirs = new Map(
    records.filter(isPlaced).map((record) => [keyOf(record), record.position]),
  );
  const isTheirs = mode === 'theirs' || mode === 'replace';
  const rows = grouped(
    [...next.values()].filter(isPlaced).map((record) => [rowOf(record), record] as const),
  );
  for (const row of rows.values()) {
    const mine = (record: Placed): Position | null => {
      const before = order.get(keyOf(record));
      return before && isPlaced(before) && rowOf(before) === rowOf(record) ? before.position : null;
    };
    const wanted = isTheirs ? asTheirs(row, theirs, mine) : mineFirst(row, theirs, mine);
    const positions = fittingPositions(wanted.map(mine));
    for (const [at, record] of wanted.entries()) {
      next.set(keyOf(record), { ...record, position: positions[at] ?? '' });
    }
  }
}

type PositionOf = (record: Placed) => Position | null;

const sorted = (row: readonly Placed[], positionOf: PositionOf): Placed[] =>
  row
    .map((record) => ({ record, id: record.id, position: positionOf(record) ?? '' }))
    .sort(byPosition)
    .map(({ record }) => record);

/** What is here in its order, then what comes in the document's. */
function mineFirst(
  row: readonly Placed[],
  theirs: ReadonlyMap<string, Position>,
  mine: PositionOf,
): Placed[] {
  const isHere = (record: Placed): boolean => mine(record) !== null;
  return [
    ...sorted(row.filter(isHere), mine),
    ...sorted(
      row.filter((record) => !isHere(record)),
      (record) => theirs.get(keyOf(record)) ?? null,
    ),
  ];
}

/** What the document has, as it stands there; what only this order has, behind. */
function asTheirs(
  row: readonly Placed[],
  theirs: ReadonlyMap<string, Position>,
  mine: PositionOf,
): Placed[] {
  const isThere = (record: Placed): boolean => theirs.has(keyOf(record));
  return [
    ...sorted(row.filter(isThere), (record) => theirs.get(keyOf(record)) ?? null),
    ...sorted(
      row.filter((record) => !isThere(record)),
      mine,
    ),
  ];
}

/** Positions for a sequence of which some have one: these stay where they rise, else all are new. */
function fittingPositions(known: readonly (Position | null)[]): Position[] {
  const there = known.filter((position) => position !== null);
  const isRising = there.every((position, at) => at === 0 || (there[at - 1] ?? '') < position);
  if (!isRising) {
    return spread(null, null, known.length);
  }
  const positions: Position[] = [];
  let from = 0;
  while (from < known.length) {
    const position = known[from];
    if (position !== null && position !== undefined) {
      positions.push(position);
      from += 1;
      continue;
    }
    const end = known.findIndex((one, at) => at > from && one !== null);
    const to = end < 0 ? known.length : end;
    positions.push(...spread(positions.at(-1) ?? null, known[to] ?? null, to - from));
    from = to;
  }
  return positions;
}
