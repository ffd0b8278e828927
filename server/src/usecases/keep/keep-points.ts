/** Points that come by themselves, and what changed since the newest one. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import {
  dayOf,
  muchAtOnce,
  pointsToThin,
  sizeOf,
  type OrderChange,
  type PointReason,
} from '@clever-drawer/core';
import {
  addPoint,
  addToJournal,
  lastInJournal,
  listPoints,
  removePoint,
} from '../../database/points.ts';

/**
 * Before a change is made: a point for the evening of an earlier day with changes, or for what so much
 * is about to change. Then the change is put into the journal. The computer is locked.
 */
export async function keepForPoints(
  manager: EntityManager,
  computer: string,
  { change, words }: { readonly change: OrderChange; readonly words: string },
  now: Date,
): Promise<void> {
  const last = await lastInJournal(manager, computer);
  if (last !== null && dayOf(last) < dayOf(now)) {
    await addOwnPoint(manager, computer, { at: last, reason: 'evening', before: null }, now);
  } else if (sizeOf(change) > muchAtOnce) {
    await pointBefore(manager, computer, 'before-much', words, now);
  }
  await addToJournal(manager, computer, change, now);
}

/** A point before something, unless the newest one holds the same order. */
export async function pointBefore(
  manager: EntityManager,
  computer: string,
  reason: 'before-much' | 'before-document',
  words: string,
  now: Date,
): Promise<void> {
  const last = await lastInJournal(manager, computer);
  const points = await listPoints(manager, computer);
  if (last !== null || points.length === 0) {
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
