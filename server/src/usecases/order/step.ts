/** One step of the order: a change worked out, applied, kept for points and told, all or nothing. */
import type { EntityManager } from 'typeorm';
import { fitChange, type OrderChange } from '@clever-drawer/core/acts';
import type { OrderStep } from '@clever-drawer/core/api';
import { isEmptyChange } from '@clever-drawer/core/change';
import { asId, type PluginId } from '@clever-drawer/core/id';
import { pluginsOfChange, type Order } from '@clever-drawer/core/order';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { existingCopies } from '../../database/asides.ts';
import { wherePluginsAre } from '../../database/catalog.ts';
import { saveStep, undoWords, type WorkedChange } from '../../database/changes.ts';
import { lockOrder } from '../../database/computers.ts';
import { applyToTables } from '../../database/order/index.ts';
import type { Parts } from '../../parts.ts';
import { followChange } from '../identify/identify-computer.ts';
import { keepForPoints } from '../keep/keep-points.ts';

/** The change fitted to the order and the catalog as they are now; copies that are no more are left out. */
export async function fitToday(
  manager: EntityManager,
  computer: string,
  order: Order,
  change: OrderChange,
): Promise<OrderChange> {
  const where = await wherePluginsAre(manager, computer, pluginsOfChange(change));
  const asides = change.added.flatMap(({ table, id }) => (table === 'set-aside' ? [id] : []));
  const copies = await existingCopies(manager, computer, asides);
  const added = change.added.filter(({ table, id }) => table !== 'set-aside' || copies.has(id));
  return fitChange(order, { ...change, added }, (plugin) => {
    const now = where.get(plugin)?.now;
    return now === undefined ? null : asId<PluginId>(now);
  });
}

/** Works out a change of the order as it is; the computer is locked. */
export type Work = (manager: EntityManager, order: Order) => Promise<Result<WorkedChange>>;

/** Runs the work on the locked computer, applies its change and counts the revision up, all or nothing. */
export async function step(parts: Parts, computer: string, work: Work): Promise<Result<OrderStep>> {
  const followed = { catalog: false, from: 0 };
  const result = await parts.database.transaction(async (manager): Promise<Result<OrderStep>> => {
    const before = await lockOrder(manager, computer);
    if (before === null) {
      return failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
    }
    followed.from = before;
    const done = await work(manager, await parts.studios.orderAt(manager, computer, before));
    if (!done.ok) {
      return done;
    }
    const { change, words } = done.value;
    const isNothing = isEmptyChange(change);
    const revision = before + (isNothing ? 0 : 1);
    if (!isNothing) {
      await keepForPoints(manager, computer, done.value, parts.clock());
      await applyToTables(manager, computer, change);
      await saveStep(manager, computer, { ...done.value, revision, at: parts.clock() });
    }
    followed.catalog = await followChange(manager, parts, computer, change);
    const isNewest = !isNothing && !done.value.isAlongLog;
    const steps = isNewest ? { undo: words, redo: null } : await undoWords(manager, computer);
    return ok({ revision, words, change, ...steps });
  });
  if (result.ok && !isEmptyChange(result.value.change)) {
    const { change, revision } = result.value;
    parts.studios.stored(computer, followed.from, change, revision);
    parts.events.tell(computer, { event: 'order', step: result.value });
  }
  if (result.ok && followed.catalog) {
    parts.events.tell(computer, { event: 'catalog' });
  }
  return result;
}
