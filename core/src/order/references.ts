/**
 * Who refers to a plugin, in one place: joining, parting and removing ask it, and so does what
 * counts as used.
 * A kind of record that is forgotten here does not compile.
 */
import type { Change } from '../change.ts';
import type { PluginId } from '../id.ts';
import type { Order, OrderRecord } from './records.ts';

type Table = OrderRecord['table'];
type RecordOf<T extends Table> = Extract<OrderRecord, { table: T }>;

const plugins: { readonly [T in Table]: (record: RecordOf<T>) => readonly PluginId[] } = {
  // A chain stands in the catalog itself, under its own id.
  chain: (chain) => [chain.id, ...chain.plugins],
  setting: (setting) => [setting.id, setting.plugin],
  preference: () => [],
  cabinet: () => [],
  folder: (folder) => [...folder.alwaysIn, ...folder.alwaysOut],
  placement: (placement) => [placement.plugin],
  'plugin-names': (names) => [names.id],
  answer: (answer) => [answer.id],
  'copy-assignment': ({ plugin, before }) => [plugin, before],
  'set-aside': () => [],
  spelling: () => [],
};

/** The plugins a record refers to. */
export function pluginsIn<T extends Table>(record: RecordOf<T>): readonly PluginId[] {
  return plugins[record.table](record);
}

/** All plugins to which the records of a change refer. */
export const pluginsOfChange = ({ added, updated, removed }: Change<OrderRecord>): PluginId[] => [
  ...new Set([...added, ...updated.flat(), ...removed].flatMap((record) => pluginsIn(record))),
];

/** The records that refer to one of these plugins. */
export function referrersOf(order: Order, ids: readonly PluginId[]): OrderRecord[] {
  const wanted = new Set<string>(ids);
  return [...order.values()].filter((record) => pluginsIn(record).some((id) => wanted.has(id)));
}

/**
 * Plugins of which something was made. Which copies belong to one is a fact about copies, and makes
 * nothing of it.
 */
export function usedIn(order: Order): Set<PluginId> {
  return new Set(
    [...order.values()].flatMap((record) =>
      record.table === 'copy-assignment' ? [] : [...pluginsIn(record)],
    ),
  );
}

/** Records that name plugins, and stay what they are when these are others. */
export type NamesPlugins = RecordOf<'chain' | 'folder' | 'setting'>;

/** Whether a record is such a one. */
export const namesPlugins = (record: OrderRecord): record is NamesPlugins =>
  record.table === 'chain' || record.table === 'folder' || record.table === 'setting';

/**
 * A record that names plugins, with each replaced, or left out where null is given. Nothing is
 * listed twice by hand in a smart folder, and what is kept in is not kept out; a chain may hold a
 * plugin twice; a setting stays with its plugin where that is no more.
 */
export function withPlugins<R extends NamesPlugins>(
  record: R,
  replaced: (id: PluginId) => PluginId | null,
): R {
  if (record.table === 'setting') {
    return { ...record, plugin: replaced(record.plugin) ?? record.plugin };
  }
  const all = (ids: readonly PluginId[]): PluginId[] => ids.flatMap((id) => replaced(id) ?? []);
  if (record.table === 'chain') {
    return { ...record, plugins: all(record.plugins) };
  }
  const alwaysIn = [...new Set(all(record.alwaysIn))];
  const alwaysOut = [...new Set(all(record.alwaysOut))].filter((id) => !alwaysIn.includes(id));
  return { ...record, alwaysIn, alwaysOut };
}
