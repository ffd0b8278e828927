/**
 * Undo and redo as changes. Which change is next is told by the log's numbers and states
 * (server/database/changes.ts).
 *
 * A change was recorded against the order and the catalog of its time. Since then a scan may have
 * put the copies of a plugin into another one, so what is taken back is fitted to what is there
 * now: what referred to the one refers to the other, and nothing is left pointing nowhere.
 */
import { applyChange, diff, keyOf, isSameValue, plainText, reverse } from '../change.ts';
import type { PluginId } from '../id.ts';
import { withPlugins } from '../order/references.ts';
import type { Folder, Order, OrderRecord, Placement } from '../order/records.ts';
import type { OrderChange } from './act-result.ts';

/** Where a plugin's copies are now: itself, the one it went into, or null when it is no more. */
export type WhereNow = (plugin: PluginId) => PluginId | null;

/** Taking back, or doing again. */
export type Direction = 'undo' | 'redo';

/** What to apply in order to undo (reverse) or redo (as it is). */
export const stepOf = (
  recorded: { readonly change: OrderChange },
  direction: Direction,
): OrderChange => (direction === 'undo' ? reverse(recorded.change) : recorded.change);

/**
 * The change as it can be made to this order: records that are gone are not removed again, plugins
 * are where they are now, no plugin stands twice in a folder, and what stood in a folder that goes,
 * goes with it by name. Applying it and then its reverse leaves the order as it was.
 */
export function fitChange(order: Order, change: OrderChange, whereNow: WhereNow): OrderChange {
  const settled = {
    added: change.added.flatMap((record) => settle(record, whereNow) ?? []),
    removed: change.removed,
    updated: change.updated.flatMap(([from, to]) => {
      const next = order.has(keyOf(from)) ? settle(to, whereNow) : null;
      return next ? [[from, next] as const] : [];
    }),
  };
  const added = settled.added.filter(
    (record) => !order.has(keyOf(record)) || goes(record, settled),
  );
  return diff(order, sound(applyChange(order, { ...settled, added })), isSameValue);
}

const goes = (record: OrderRecord, { removed }: Pick<OrderChange, 'removed'>): boolean =>
  removed.some((each) => keyOf(each) === keyOf(record));

/** Whether two changes do the same, whatever the order of their records. */
export function isSameChange(a: OrderChange, b: OrderChange): boolean {
  const texts = ({ added, updated, removed }: OrderChange): string =>
    plainText([added, updated, removed].map((part) => part.map(plainText).sort()));
  return texts(a) === texts(b);
}

/** The record with its plugins where they are now; null where it is about one that is no more. */
function settle(record: OrderRecord, whereNow: WhereNow): OrderRecord | null {
  switch (record.table) {
    case 'placement': {
      const plugin = whereNow(record.plugin);
      return plugin && { ...record, plugin };
    }
    case 'plugin-names':
    case 'answer': {
      const id = whereNow(record.id);
      return id && { ...record, id };
    }
    case 'folder':
    case 'chain':
    case 'setting':
      return withPlugins(record, whereNow);
    // A copy goes to the plugin it was given to, even where that one has no other copies now.
    case 'copy-assignment':
    case 'set-aside':
    case 'cabinet':
    case 'spelling':
    case 'preference':
      return record;
    default:
      return record satisfies never;
  }
}

/** The order without what stands in no cabinet or folder, and without a plugin twice in a folder. */
function sound(order: Order): Order {
  const next = new Map(order);
  dropAll(next, homelessFolders);
  dropAll(next, homelessPlacements);
  dropAll(next, repeated);
  return next;
}

function dropAll(
  order: Map<string, OrderRecord>,
  wrongIn: (order: Order) => readonly OrderRecord[],
): void {
  for (let wrong = wrongIn(order); wrong.length > 0; wrong = wrongIn(order)) {
    for (const record of wrong) {
      order.delete(keyOf(record));
    }
  }
}

const isFolder = (record: OrderRecord): record is Folder => record.table === 'folder';
const isPlacement = (record: OrderRecord): record is Placement => record.table === 'placement';

function homelessFolders(order: Order): Folder[] {
  const stands = (folder: Folder): boolean =>
    order.has(`cabinet/${folder.cabinet}`) &&
    [folder.parent, folder.shortcutTo].every((id) => id === null || order.has(`folder/${id}`));
  return [...order.values()].filter(isFolder).filter((folder) => !stands(folder));
}

const homelessPlacements = (order: Order): Placement[] =>
  [...order.values()].filter(isPlacement).filter(({ folder }) => !order.has(`folder/${folder}`));

/** Of what may stand once, all but the first: a plugin in a folder, a spelling of a vendor. */
function repeated(order: Order): OrderRecord[] {
  const seen = new Set<string>();
  return [...order.values()].filter((record) => {
    const once = onceOf(record);
    const isAgain = once !== null && seen.has(once);
    if (once !== null) {
      seen.add(once);
    }
    return isAgain;
  });
}

function onceOf(record: OrderRecord): string | null {
  switch (record.table) {
    case 'placement':
      return `${record.folder} ${record.plugin}`;
    case 'spelling':
      return `spelling ${record.spelling}`;
    default:
      return null;
  }
}
