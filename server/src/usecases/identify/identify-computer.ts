/**
 * Sorting a computer's catalog after a scan or an answer: copies into plugins, spellings into
 * vendors, plugins into types.
 */
import type { EntityManager } from 'typeorm';
import {
  gatherPlugin,
  grouped,
  plainText,
  identifyPlugins,
  usedIn,
  type AnswerFacts,
  type Decisions,
  type OrderChange,
  type OrderRecord,
  type CopyToIdentify,
  type IdentifiedPlugin,
} from '@clever-drawer/core';
import {
  addPlugins,
  allCopies,
  copiesOfPlugins,
  forgetEmptyPlugins,
  listPlugins,
  loadedPlugins,
  moveCopies,
  updatePlugins,
} from '../../database/catalog.ts';
import { saveDoubts } from '../../database/computers.ts';
import { readAnswers, readBelongings, readOrder, readSpellings } from '../../database/order.ts';
import type { CopyRow, PluginRow } from '../../database/catalog-tables.ts';
import type { Parts } from '../../parts.ts';

/** What sorting needs of the program's parts. */
type Sorter = Pick<Parts, 'readers' | 'clock'>;

/**
 * Sorts everything, in a thread of its own. Copies that failed and hold a plugin stay with it; they
 * say nothing of it.
 */
export async function identifyComputer(
  manager: EntityManager,
  { readers, clock }: Sorter,
  computer: string,
): Promise<void> {
  const copies = await allCopies(manager, computer);
  const sound = copies.filter((copy) => copy.status === 'ok' && copy.state !== 'aside');
  const used = await readUsed(manager, computer);
  const decisions: Decisions = { ...(await readSaid(manager, computer)), used };
  const sorted = await readers.sort(sound.map(asSorted), decisions);
  const known = new Map((await listPlugins(manager, computer)).map((row) => [row.id, row]));
  const added = sorted.plugins.filter(({ id }) => !known.has(id));
  const changed = sorted.plugins.filter((plugin) => {
    const row = known.get(plugin.id);
    return row && !isSame(row, plugin);
  });
  await addPlugins(
    manager,
    added.map((plugin): PluginRow => ({ computerId: computer, arrivedAt: clock(), ...plugin })),
  );
  await moveCopies(
    manager,
    sound.flatMap((copy) => {
      const plugin = sorted.pluginOf.get(copy.id);
      return plugin === undefined || plugin === copy.pluginId ? [] : [{ copy: copy.id, plugin }];
    }),
  );
  await updatePlugins(manager, changed);
  await forgetEmptyPlugins(manager, computer, used);
  await saveDoubts(manager, computer, sorted.doubts);
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
  plainText([row.types, row.grounds]) === plainText([plugin.types, plugin.grounds]);

/** Plugins of which something was made, or that were loaded. */
async function readUsed(manager: EntityManager, computer: string): Promise<Set<string>> {
  const made = usedIn(await readOrder(manager, computer));
  return new Set<string>([...made, ...(await loadedPlugins(manager, computer))]);
}

/** What the user said of copies, spellings and plugins. */
async function readSaid(
  manager: EntityManager,
  computer: string,
): Promise<Omit<Decisions, 'used'>> {
  const belongings = await readBelongings(manager, computer);
  const spellings = await readSpellings(manager, computer);
  const answers = await readAnswers(manager, computer);
  return {
    belongings: new Map(
      belongings.map((row) => [row.copyId, { plugin: row.pluginId, before: row.beforeId }]),
    ),
    spellings: new Map(spellings.map((row) => [row.spelling, row.vendor])),
    answers: new Map(answers.map((row) => [row.pluginId, row satisfies AnswerFacts])),
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
  if (touched.some((record) => record.table === 'belonging')) {
    await moveBelongings(manager, change);
  }
  if (touched.some((record) => record.table === 'belonging' || record.table === 'spelling')) {
    await identifyComputer(manager, sorter, computer);
    return true;
  }
  const answered = answersThatTeach(change);
  if (answered.length > 0) {
    await identifyVendorsOf(manager, computer, answered);
  }
  return answered.length > 0;
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
    plainText([from.types, from.vendor]) !== plainText([to.types, to.vendor]);
  return [
    ...[...added, ...removed].filter(saysSo),
    ...updated.filter(saysOtherwise).map(([, to]) => to),
  ].map((record) => record.id);
}

/** Copies go where the change says; where it takes back what was said, they go where they were. */
async function moveBelongings(manager: EntityManager, change: OrderChange): Promise<void> {
  const to = [...change.added, ...change.updated.map(([, record]) => record)].flatMap((r) =>
    r.table === 'belonging' ? [{ copy: r.id, plugin: r.plugin }] : [],
  );
  const back = change.removed.flatMap((r) =>
    r.table === 'belonging' ? [{ copy: r.id, plugin: r.before }] : [],
  );
  await moveCopies(manager, [...back, ...to]);
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
    const held = byPlugin.get(row.id);
    return held
      ? [
          {
            ...gatherPlugin(row.id, held, said.belongings),
            vendor: row.vendor,
            sameBecause: row.grounds?.sameBecause ?? [],
          },
        ]
      : [];
  });
  const known = new Map(near.map((row) => [row.id, row]));
  await updatePlugins(
    manager,
    identifyPlugins(gathered, said.answers).filter((plugin) => {
      const row = known.get(plugin.id);
      return row && !isSame(row, plugin);
    }),
  );
}
