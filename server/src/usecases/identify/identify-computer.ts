/**
 * Sorting a computer's catalog after a scan or an answer: copies into plugins, spellings into
 * vendors, plugins into types.
 */
import type { EntityManager } from 'typeorm';
import type { OrderChange } from '@clever-drawer/core/acts';
import { isSameValue } from '@clever-drawer/core/change';
import { grouped } from '@clever-drawer/core/grouped';
import {
  gatherPlugin,
  identifyPlugins,
  type Decisions,
  type CopyToIdentify,
  type IdentifiedCatalog,
  type IdentifiedPlugin,
} from '@clever-drawer/core/identify';
import { pluginsOfChange, usedIn, type OrderRecord } from '@clever-drawer/core/order';
import {
  addPlugins,
  copiesToSort,
  copiesOfPlugins,
  forgetEmptyPlugins,
  listPlugins,
  loadedPlugins,
  moveCopies,
  noteCopies,
  noteWentInto,
  updatePlugins,
} from '../../database/catalog.ts';
import { findComputer, lockOrder, saveDoubts } from '../../database/computers.ts';
import { undoneChanges } from '../../database/changes.ts';
import {
  answers,
  copyAssignments,
  readOrder,
  readRecords,
  spellings,
} from '../../database/order/index.ts';
import type { CopyRow, PluginRow } from '../../database/catalog-tables.ts';
import type { Parts } from '../../parts.ts';
import { shareTexts, type CopiesToSort } from '../../scanner/index.ts';

/** What sorting needs of the program's parts. */
type Sorter = Pick<Parts, 'readers' | 'clock'>;

/** Everything that identifying starts from. */
interface Basis {
  readonly copies: CopiesToSort;
  readonly plugins: readonly PluginRow[];
  readonly decisions: Decisions;
}

/**
 * Identifies everything after a scan. The long part is worked out beside what people do; it is
 * taken up, with the computer locked, only if nobody changed the order meanwhile, else it is worked
 * out again under the lock. So nothing that was filed meanwhile is ever taken for unused.
 */
export async function identifyAfterScan(
  { database, ...sorter }: Sorter & Pick<Parts, 'database'>,
  computer: string,
): Promise<void> {
  const before = await database.transaction('REPEATABLE READ', async (manager) => ({
    revision: (await findComputer(manager, computer))?.revision,
    basis: await readBasis(manager, computer),
  }));
  const identified = await workOut(sorter, before.basis);
  await database.transaction(async (manager) => {
    const revision = await lockOrder(manager, computer);
    if (revision !== null && revision === before.revision) {
      await takeUp(manager, sorter, computer, before.basis, identified);
    } else if (revision !== null) {
      await identifyComputer(manager, sorter, computer);
    }
  });
}

/** Identifies everything. The computer is locked by whoever calls. */
export async function identifyComputer(
  manager: EntityManager,
  sorter: Sorter,
  computer: string,
): Promise<void> {
  const basis = await readBasis(manager, computer);
  await takeUp(manager, sorter, computer, basis, await workOut(sorter, basis));
}

async function readBasis(manager: EntityManager, computer: string): Promise<Basis> {
  const copies = shared(await copiesToSort(manager, computer));
  const used = await readUsed(manager, computer);
  return {
    copies,
    plugins: await listPlugins(manager, computer),
    decisions: { ...(await readSaid(manager, computer)), used },
  };
}

/** The facts of all copies are long: what they say is held once, for all threads. */
const shared = (rows: Awaited<ReturnType<typeof copiesToSort>>): CopiesToSort => ({
  present: rows.map(({ id, plugin, isPresent }) => ({ id, plugin, isPresent })),
  facts: shareTexts(rows.map(({ facts }) => facts)),
});

/** In a thread of its own. */
const workOut = ({ readers }: Sorter, { copies, decisions }: Basis): Promise<IdentifiedCatalog> =>
  readers.sort(copies, decisions);

/**
 * Writes the outcome. Copies that failed and hold a plugin stay with it; they say nothing of it.
 */
async function takeUp(
  manager: EntityManager,
  { clock }: Sorter,
  computer: string,
  { copies: { present }, plugins, decisions }: Basis,
  identified: IdentifiedCatalog,
): Promise<void> {
  const known = new Map(plugins.map((row) => [row.id, row]));
  const added = identified.plugins.filter(({ id }) => !known.has(id));
  const changed = identified.plugins.filter((plugin) => {
    const row = known.get(plugin.id);
    return row && !isSame(row, plugin);
  });
  const fresh = { computerId: computer, arrivedAt: clock(), wentInto: null, isRemembered: false };
  await addPlugins(
    manager,
    computer,
    added.map((plugin): PluginRow => ({ ...fresh, ...plugin })),
  );
  await moveCopies(
    manager,
    computer,
    present.flatMap((copy) => {
      const plugin = identified.pluginOf.get(copy.id);
      return plugin === undefined || plugin === copy.plugin ? [] : [{ copy: copy.id, plugin }];
    }),
  );
  await updatePlugins(manager, computer, changed);
  const went = emptiedPlugins(present, identified.pluginOf);
  await noteWentInto(manager, computer, went);
  await forgetEmptyPlugins(
    manager,
    computer,
    decisions.used,
    went.map(({ plugin }) => plugin),
  );
  await saveDoubts(manager, computer, identified.doubts);
}

/** Plugins that no copy belongs to any more, with the one most of their copies went into. */
function emptiedPlugins(
  copies: CopiesToSort['present'],
  pluginOf: ReadonlyMap<string, string>,
): { plugin: string; into: string }[] {
  const used = new Set(pluginOf.values());
  const moves = grouped(
    copies.flatMap((copy) => {
      const into = pluginOf.get(copy.id);
      const isMove = copy.plugin !== null && !used.has(copy.plugin) && into !== undefined;
      return isMove ? [[copy.plugin, into] as const] : [];
    }),
  );
  return [...moves].map(([plugin, into]) => ({ plugin, into: mostFrequent(into) }));
}

/** The value that stands there most often; of several the first. The list is not empty. */
function mostFrequent(values: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const value of values) {
    counts.set(value, (counts.get(value) ?? 0) + 1);
  }
  const [most] = [...counts].sort(([, a], [, b]) => b - a);
  return most?.[0] ?? '';
}

const asSorted = ({ id, facts, state, pluginId }: CopyRow): CopyToIdentify => ({
  id,
  facts,
  isPresent: state === 'present',
  plugin: pluginId,
});

const isSame = (row: PluginRow, plugin: IdentifiedPlugin): boolean =>
  row.name === plugin.name &&
  row.vendor === plugin.vendor &&
  row.kind === plugin.kind &&
  isSameValue([row.types, row.grounds], [plugin.types, plugin.grounds]);

/**
 * Plugins of which something was made, or will be made again by redo, or that were loaded: undo
 * alone never makes one plugin of two.
 */
async function readUsed(manager: EntityManager, computer: string): Promise<Set<string>> {
  const made = usedIn(await readOrder(manager, computer));
  const redoable = (await undoneChanges(manager, computer)).flatMap(pluginsOfChange);
  return new Set<string>([...made, ...redoable, ...(await loadedPlugins(manager, computer))]);
}

/** What the user said of copies, spellings and plugins. */
async function readSaid(
  manager: EntityManager,
  computer: string,
): Promise<Omit<Decisions, 'used'>> {
  const assigned = await readRecords(manager, copyAssignments, computer);
  const spelt = await readRecords(manager, spellings, computer);
  const answered = await readRecords(manager, answers, computer);
  return {
    assignments: new Map(assigned.map((one) => [one.id, one])),
    spellings: new Map(spelt.map((one) => [one.spelling, one.vendor])),
    answers: new Map(answered.map((one) => [one.id, one])),
  };
}

/**
 * After a change of the order: what it says of copies, spellings or types is taken up at once.
 * Whether the catalog changed.
 */
export async function followChange(
  manager: EntityManager,
  sorter: Sorter,
  computer: string,
  change: OrderChange,
): Promise<boolean> {
  const touched = [...change.added, ...change.removed, ...change.updated.map(([, to]) => to)];
  if (touched.some((record) => record.table === 'copy-assignment')) {
    await moveAssigned(manager, computer, change);
  }
  if (touched.some((record) => record.table === 'copy-assignment' || record.table === 'spelling')) {
    await identifyComputer(manager, sorter, computer);
    return true;
  }
  const asides = touched.flatMap((record) => (record.table === 'set-aside' ? [record.id] : []));
  if (asides.length > 0) {
    await noteCopies(manager, computer, 'id = ANY($2)', asides);
  }
  const answered = answersThatTeach(change);
  if (answered.length > 0) {
    await identifyVendorsOf(manager, computer, answered);
  }
  return asides.length > 0 || answered.length > 0;
}

/**
 * Plugins whose types or vendor are said otherwise than before: nothing else of an answer tells
 * about other plugins.
 */
function answersThatTeach({ added, removed, updated }: OrderChange): string[] {
  const saysSo = (record: OrderRecord): boolean =>
    record.table === 'answer' && (record.types !== null || record.vendor !== null);
  const saysOtherwise = ([from, to]: readonly [OrderRecord, OrderRecord]): boolean =>
    from.table === 'answer' &&
    to.table === 'answer' &&
    !isSameValue([from.types, from.vendor], [to.types, to.vendor]);
  return [
    ...[...added, ...removed].filter(saysSo),
    ...updated.filter(saysOtherwise).map(([, to]) => to),
  ].map((record) => record.id);
}

/** Copies go where the change says; where it takes back what was said, they go where they were. */
async function moveAssigned(
  manager: EntityManager,
  computer: string,
  change: OrderChange,
): Promise<void> {
  const to = [...change.added, ...change.updated.map(([, record]) => record)].flatMap((r) =>
    r.table === 'copy-assignment' ? [{ copy: r.id, plugin: r.plugin }] : [],
  );
  const back = change.removed.flatMap((r) =>
    r.table === 'copy-assignment' ? [{ copy: r.id, plugin: r.before }] : [],
  );
  await moveCopies(manager, computer, [...back, ...to]);
}

/** An answer teaches the other plugins of the same vendors. */
async function identifyVendorsOf(
  manager: EntityManager,
  computer: string,
  plugins: readonly string[],
): Promise<void> {
  const all = await listPlugins(manager, computer);
  const answered = new Set(plugins);
  const vendors = new Set(all.filter((row) => answered.has(row.id)).map((row) => row.vendor));
  const near = all.filter((row) => row.vendor !== null && vendors.has(row.vendor));
  const said = await readSaid(manager, computer);
  const copies = await copiesOfPlugins(
    manager,
    near.map((row) => row.id),
  );
  const sound = copies.filter((copy) => copy.status === 'ok');
  const byPlugin = grouped(sound.map((copy) => [copy.pluginId ?? '', asSorted(copy)] as const));
  const gathered = near.flatMap((row) => {
    const used = byPlugin.get(row.id);
    return used
      ? [
          {
            ...gatherPlugin(row.id, used, said.assignments),
            vendor: row.vendor,
            sameBecause: row.grounds?.sameBecause ?? [],
          },
        ]
      : [];
  });
  const known = new Map(near.map((row) => [row.id, row]));
  await updatePlugins(
    manager,
    computer,
    identifyPlugins(gathered, said.answers).filter((plugin) => {
      const row = known.get(plugin.id);
      return row && !isSame(row, plugin);
    }),
  );
}
