/** Points that come by themselves, and what changed since the newest one. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import {
  dayOf,
  muchAtOnce,
  pointsToThin,
  sizeOf,
  type PointReason,
} from '@clever-drawer/core/keep';
import type { WorkedChange } from '../../database/changes.ts';
import { addPoint, lastInJournal, listPoints, removePoint } from '../../database/points.ts';

/**
 * Before a change is made: a point for what asks for one, for the evening of an earlier day with
 * changes, or for what so much is about to change. The computer is locked.
 */
export async function keepForPoints(
  manager: EntityManager,
  computer: string,
  { change, words, pointBefore }: WorkedChange,
  now: Date,
): Promise<void> {
  const last = await lastInJournal(manager, computer);
  const isNextDay = last !== null && dayOf(last) < dayOf(now);
  const reason = pointBefore ?? (sizeOf(change) > muchAtOnce ? 'before-much' : null);
  if (isNextDay && pointBefore === undefined) {
    await addOwnPoint(manager, computer, { at: last, reason: 'evening', before: null }, now);
  } else if (
    reason !== null &&
    (last !== null || (await listPoints(manager, computer)).length === 0)
  ) {
    // Without a change since the newest point, that one holds the same order.
    await addOwnPoint(manager, computer, { at: now, reason, before: words }, now);
  }
}

async function addOwnPoint(
  manager: EntityManager,
  computer: string,
  point: { readonly at: Date; readonly reason: PointReason; readonly before: string | null },
  now: Date,
): Promise<void> {
  await addPoint(manager, computer, { id: randomUUID(), name: null, ...point });
  for (const id of pointsToThin(await listPoints(manager, computer), now)) {
    await removePoint(manager, computer, id);
  }
}
