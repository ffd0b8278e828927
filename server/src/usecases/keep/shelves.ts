/** A cabinet of the running application as directories: what it would be, and bringing it into step. */
import type { ShelfSettings, ShelfView } from '@clever-drawer/core/api';
import { planShelf, type ShelfPlan } from '@clever-drawer/core/exchange';
import { cabinetIn, preferenceIn } from '@clever-drawer/core/order';
import { describe, failed, ok, type Result } from '@clever-drawer/core/problem';
import { findComputer, saveShelf } from '../../database/computers.ts';
import { loggable } from '../../log.ts';
import type { Parts } from '../../parts.ts';
import type { WhyNot } from '../../reach.ts';
import { writeShelf, type ShelfOptions, type ShelfOutcome } from '../../shelf/index.ts';

/** Things in the way that are told of. */
const mostLeft = 20;

async function planOf(
  { studios, clock }: Parts,
  computer: string,
  settings: ShelfSettings,
): Promise<ShelfPlan | null> {
  const { order, studio } = await studios.of(computer);
  if (!cabinetIn(order, settings.cabinet)) {
    return null;
  }
  return planShelf({
    order,
    plugins: studio.catalog.things,
    cabinet: settings.cabinet,
    formatOrder: preferenceIn(order, computer)?.formats,
    hasFigures: settings.hasFigures,
    hasLinks: process.platform !== 'win32',
    usage: studio.usage,
    now: clock().getTime(),
  });
}

const lastOf = (parts: Parts, outcome: Result<ShelfOutcome>): NonNullable<ShelfView['last']> => {
  const at = parts.clock().toISOString();
  if (!outcome.ok) {
    return { at, done: 0, kept: 0, left: [], trouble: outcome.problems.map(describe).join(' ') };
  }
  const { actions, kept } = outcome.value;
  const left = actions.filter(({ does }) => does === 'leave');
  return {
    at,
    done: actions.length - left.length,
    kept,
    left: left.slice(0, mostLeft).map(({ path, because }) => ({ path, because: because ?? '' })),
    trouble: null,
  };
};

/** Writes, or only works out what would be written. */
async function bring(
  parts: Parts,
  computer: string,
  settings: ShelfSettings,
  how: Pick<ShelfOptions, 'isDry' | 'isQuick'>,
): Promise<Result<ShelfOutcome>> {
  const plan = await planOf(parts, computer, settings);
  return plan
    ? writeAt(parts, settings.directory, plan, how)
    : failed({ code: 'unknown-record', at: 'cabinet', what: 'cabinet' });
}

/** Writes where requests may have something written. */
async function writeAt(
  { reach, shelfKey }: Parts,
  directory: string,
  plan: ShelfPlan,
  how: Pick<ShelfOptions, 'isDry' | 'isQuick'> = {},
): Promise<Result<ShelfOutcome>> {
  const whyNot = (real: string): Promise<WhyNot> => reach.whyNotWritten(real);
  return writeShelf(directory, plan, { ...how, key: await shelfKey(), whyNot });
}

/** What a shelf would do; nothing is written. */
export async function previewShelf(
  parts: Parts,
  computer: string,
  settings: ShelfSettings,
): Promise<Result<ShelfView>> {
  const outcome = await bring(parts, computer, settings, { isDry: true });
  return outcome.ok ? ok({ settings, last: lastOf(parts, outcome) }) : outcome;
}

/** Writes a shelf, and keeps it in step from now on. */
export async function setShelf(
  parts: Parts,
  computer: string,
  settings: ShelfSettings,
): Promise<Result<ShelfView>> {
  const row = await findComputer(parts.database.manager, computer);
  const before = row?.shelf ?? null;
  const outcome = await bring(parts, computer, settings, {});
  if (!outcome.ok) {
    return outcome;
  }
  if (before && before.directory !== settings.directory) {
    await writeAt(parts, before.directory, new Map());
  }
  await saveShelf(parts.database.manager, computer, settings);
  parts.shelves.note(computer, lastOf(parts, outcome));
  return ok(await viewShelf(parts, computer));
}

/** Removes a shelf: what it wrote, and is still as it was written, goes. */
export async function removeShelf(parts: Parts, computer: string): Promise<Result<ShelfView>> {
  const row = await findComputer(parts.database.manager, computer);
  if (row?.shelf) {
    const outcome = await writeAt(parts, row.shelf.directory, new Map());
    if (!outcome.ok) {
      return outcome;
    }
    await saveShelf(parts.database.manager, computer, null);
    parts.shelves.note(computer, lastOf(parts, outcome));
  }
  return ok(await viewShelf(parts, computer));
}

/** The shelf of a computer, and how its last writing went. */
export async function viewShelf(parts: Parts, computer: string): Promise<ShelfView> {
  const row = await findComputer(parts.database.manager, computer);
  return { settings: row?.shelf ?? null, last: parts.shelves.last(computer) };
}

/**
 * Brings the shelf of a computer into step after something changed. With `isWhole` everything in it
 * is looked at, and healed.
 */
export async function keepInStep(parts: Parts, computer: string, isWhole = false): Promise<void> {
  try {
    const row = await findComputer(parts.database.manager, computer);
    if (!row?.shelf) {
      return;
    }
    const outcome = await bring(parts, computer, row.shelf, { isQuick: !isWhole });
    parts.shelves.note(computer, lastOf(parts, outcome));
  } catch (error) {
    parts.log.error({ error: loggable(error) }, 'a shelf could not be brought into step');
    const trouble = error instanceof Error ? error.message : String(error);
    const at = parts.clock().toISOString();
    parts.shelves.note(computer, { at, done: 0, kept: 0, left: [], trouble });
  }
}
