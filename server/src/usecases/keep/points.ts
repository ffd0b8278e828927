/** Points to return to: listing, naming, comparing, returning. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { OrderChange } from '@clever-drawer/core/acts';
import type { OrderStep, PointComparison, PointView, PointsView } from '@clever-drawer/core/api';
import { applyChange } from '@clever-drawer/core/change';
import { describeChange, diffRecords } from '@clever-drawer/core/exchange';
import { partOfChange, wayBack, type ChangePart } from '@clever-drawer/core/keep';
import { pluginsOfChange, type Order } from '@clever-drawer/core/order';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { pluginNames } from '../../database/changes.ts';
import { lockOrder } from '../../database/computers.ts';
import { readOrder } from '../../database/order/index.ts';
import type { PointRow } from '../../database/point-tables.ts';
import {
  addPoint,
  changesSince,
  countJournal,
  findPoint,
  listPoints,
  namePoint,
  removePoint,
} from '../../database/points.ts';
import type { Parts } from '../../parts.ts';
import { fitToday, step } from '../order/step.ts';

const noPoint = () => failed({ code: 'unknown-record', at: 'point', what: 'point' });

const viewOf = ({
  id,
  at,
  name,
  reason,
  before,
  folders,
  filed,
}: Omit<PointRow, 'since' | 'computerId'>): PointView => ({
  id,
  at: at.toISOString(),
  name,
  reason,
  before,
  folders,
  filed,
});

/** All points, newest first. */
export async function viewPoints({ database }: Parts, computer: string): Promise<PointsView> {
  const points = await listPoints(database.manager, computer);
  const changes = await countJournal(database.manager, computer);
  return { points: points.map(viewOf), changes };
}

/** Marks the order as it is by a name. */
export function markPoint(
  { database, clock }: Parts,
  computer: string,
  name: string,
): Promise<Result<PointsView>> {
  return database.transaction(async (manager) => {
    const trimmed = name.trim();
    if (trimmed === '') {
      return failed({ code: 'name-empty', at: 'name' });
    }
    await lockOrder(manager, computer);
    await addPoint(manager, computer, {
      id: randomUUID(),
      at: clock(),
      name: trimmed,
      reason: 'by-hand',
      before: null,
    });
    const points = await listPoints(manager, computer);
    return ok({ points: points.map(viewOf), changes: 0 });
  });
}

/** Names a point, by which it stays, or (with null) removes it. */
export async function changePoint(
  parts: Parts,
  computer: string,
  id: string,
  name: string | null,
): Promise<Result<PointsView>> {
  const isThere = await parts.database.transaction(async (manager) => {
    await lockOrder(manager, computer);
    const point = await findPoint(manager, computer, id);
    if (point && name === null) {
      await removePoint(manager, computer, id);
    } else if (point && name !== null) {
      await namePoint(manager, id, name.trim());
    }
    return point !== null;
  });
  return isThere ? ok(await viewPoints(parts, computer)) : noPoint();
}

/** What turns the order as it is into that of a point, fitted to what is there today. */
async function changeTo(
  manager: EntityManager,
  computer: string,
  now: Order,
  { number }: PointRow,
): Promise<OrderChange> {
  return fitToday(manager, computer, now, wayBack(await changesSince(manager, computer, number)));
}

/** What returning to a point would do; with `from`, what led from that other point to it. */
export function comparePoint(
  { database }: Parts,
  computer: string,
  id: string,
  from: string | null,
): Promise<Result<PointComparison>> {
  return database.transaction('REPEATABLE READ', async (manager) => {
    const point = await findPoint(manager, computer, id);
    const other = from === null ? null : await findPoint(manager, computer, from);
    if (!point || (from !== null && !other)) {
      return noPoint();
    }
    const now = await readOrder(manager, computer);
    const then = applyChange(now, await changeTo(manager, computer, now, point));
    const before = other ? applyChange(now, await changeTo(manager, computer, now, other)) : now;
    return ok(await comparisonOf(manager, computer, before, diffRecords(before, then)));
  });
}

async function comparisonOf(
  manager: EntityManager,
  computer: string,
  before: Order,
  change: OrderChange,
): Promise<PointComparison> {
  const names = await pluginNames(manager, computer, pluginsOfChange(change));
  const after = applyChange(before, change);
  const records = [...change.added, ...change.updated.map(([, to]) => to), ...change.removed];
  const named = (
    table: 'folder' | 'cabinet',
    ids: readonly string[],
  ): { id: string; name: string }[] =>
    [...new Set(ids)].flatMap((id) => {
      const record = after.get(`${table}/${id}`) ?? before.get(`${table}/${id}`);
      return record?.table === table ? [{ id, name: record.name }] : [];
    });
  const folders = records.flatMap((record) => {
    if (record.table === 'folder') {
      return [record.id];
    }
    return record.table === 'placement' ? [record.folder] : [];
  });
  const cabinets = records.flatMap((record) => {
    if (record.table === 'cabinet') {
      return [record.id];
    }
    return record.table === 'folder' ? [record.cabinet] : [];
  });
  const plugins = records.flatMap((record) =>
    record.table === 'plugin-names' || record.table === 'answer' ? [record.id as string] : [],
  );
  return {
    change: describeChange(before, change, (id) => names.get(id)),
    folders: named('folder', folders),
    cabinets: named('cabinet', cabinets),
    plugins: [...new Set(plugins)].map((id) => ({ id, name: names.get(id) ?? 'a plugin' })),
  };
}

/** Returns to a point, or takes back a part of what changed since: one change, which undo takes back. */
export function returnToPoint(
  parts: Parts,
  computer: string,
  id: string,
  part: ChangePart | null,
): Promise<Result<OrderStep>> {
  return step(parts, computer, async (manager, order) => {
    const point = await findPoint(manager, computer, id);
    if (!point) {
      return noPoint();
    }
    const whole = await changeTo(manager, computer, order, point);
    const change = part
      ? await fitToday(manager, computer, order, partOfChange(order, whole, part))
      : whole;
    return ok({
      change,
      words: `${part ? 'Take back a part from' : 'Return to'} ${wordsOf(point)}`,
    });
  });
}

const wordsOf = ({ name, at }: PointRow): string =>
  name === null ? `the point of ${at.toISOString().slice(0, 10)}` : `“${name}”`;

/** The order of a point, for writing it to a file; null where there is no such point. */
export async function orderOfPoint(
  manager: EntityManager,
  computer: string,
  id: string,
): Promise<Order | null> {
  const point = await findPoint(manager, computer, id);
  if (!point) {
    return null;
  }
  const now = await readOrder(manager, computer);
  return applyChange(now, await changeTo(manager, computer, now, point));
}
