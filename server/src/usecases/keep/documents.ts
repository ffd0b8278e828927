/** The order out of the application as a document, and documents into it. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import {
  allPlacements,
  allSettings,
  allSpellings,
  answerIn,
  asId,
  copyKey,
  describeChange,
  failed,
  fold,
  grouped,
  matchPlugins,
  mergeRecords,
  ok,
  pluginsOfChange,
  withAnswer,
  type ComputerId,
  type CopyId,
  type FoundCopy,
  type Match,
  type MatchView,
  type MergeMode,
  type Order,
  type OrderChange,
  type OrderPreview,
  type OrderStep,
  type PlacementId,
  type Plugin,
  type PluginId,
  type Result,
  type ToMatch,
} from '@clever-drawer/core';
import {
  copyFound,
  documentOf,
  foldersOfDocument,
  identityOf,
  matchFolders,
  printDocument,
  readDocument,
  readOutline,
  readTable,
  recordsOf,
  writeOutline,
  writeTable,
  type IdsHere,
  type KeptFields,
  type OrderDocument,
  type ReadDocument,
} from '@clever-drawer/core/documents';
import type { CopyRow, PluginRow } from '../../database/catalog-tables.ts';
import {
  addPlugins,
  allCopies,
  listPlugins,
  readCatalog,
  saveCopies,
  takenIds,
  wherePluginsAre,
} from '../../database/catalog.ts';
import { pluginNames } from '../../database/changes.ts';
import { findComputer, saveKept } from '../../database/computers.ts';
import { readOrder } from '../../database/order.ts';
import { addPicture, findOwnPicture, ownPictures } from '../../database/pictures.ts';
import { settingIdOf, settingsOfPlugins } from '../../database/settings.ts';
import { loggable } from '../../log.ts';
import type { Parts } from '../../parts.ts';
import { isUuid } from '../../uuid.ts';
import { step, type Worked } from '../order/step.ts';
import { readTree } from '../../shelf/index.ts';
import { loadsForDocument, takeLoads } from './document-loads.ts';
import { orderOfPoint } from './points.ts';
import { documentOfTree } from './tree-document.ts';

/** Which document is wanted: of the order as it is, or as it was at a point; with loads or without. */
export interface DocumentWish {
  readonly point: string | null;
  readonly withLoads: boolean;
}

/** The document of a computer's order. */
export function exportDocument(
  { database }: Parts,
  computer: string,
  { point, withLoads }: DocumentWish,
): Promise<Result<string>> {
  return database.transaction('REPEATABLE READ', async (manager) => {
    const order =
      point === null
        ? await readOrder(manager, computer)
        : await orderOfPoint(manager, computer, point);
    const document = order && (await documentHere(manager, computer, order, withLoads));
    return document
      ? ok(printDocument(document))
      : failed({ code: 'unknown-record', at: 'point', what: 'point' });
  });
}

async function documentHere(
  manager: EntityManager,
  computer: string,
  order: Order,
  withLoads: boolean,
): Promise<OrderDocument> {
  const row = await findComputer(manager, computer);
  const plugins = await listPlugins(manager, computer);
  const copies = await allCopies(manager, computer);
  const pictures = await ownPictures(manager, computer);
  const said = new Set(
    [...order.values()].flatMap((record) =>
      record.table === 'answer' && record.picture !== null ? [record.picture] : [],
    ),
  );
  return documentOf(order, {
    computer: { id: computer, name: row?.name ?? '' },
    plugins: plugins.map((plugin) => ({ ...plugin, id: asId<PluginId>(plugin.id) })),
    copies: copies
      .filter(({ status }) => status === 'ok')
      .map(({ id, pluginId, facts }) => ({ id, plugin: pluginId, facts })),
    kept: row?.kept ?? {},
    pictures: pictures
      .filter(({ id }) => said.has(id))
      .map(({ id, bytes }) => ({ id, data: bytes.toString('base64') })),
    loads: withLoads ? await loadsForDocument(manager, computer) : [],
  });
}

/**
 * What is to be read in: the text of a document, outline or table, the path of a tree of directories,
 * or the order of another computer here.
 */
export interface Incoming {
  readonly form?: 'document' | 'outline' | 'table' | 'tree' | undefined;
  readonly text?: string | undefined;
  readonly computer?: string | undefined;
  readonly how: MergeMode;
  /** What plugins of the document are here, where somebody said so; null leaves one out. */
  readonly choices: Readonly<Record<string, string | null>>;
  /** Whether loads and habits come along; they do unless somebody says no. */
  readonly hasLoads?: boolean | undefined;
}

/** Puts a document into the order, as one change. */
export async function mergeDocument(
  parts: Parts,
  computer: string,
  incoming: Incoming,
): Promise<Result<OrderStep>> {
  const merged = await step(parts, computer, async (manager, order) => {
    const worked = await workOut(parts, manager, computer, order, incoming);
    return worked.ok ? ok({ ...worked.value, pointBefore: 'before-document' }) : worked;
  });
  if (merged.ok) {
    // Places that wait are plugins of the catalog.
    parts.events.tell(computer, { event: 'catalog' });
    parts.events.tell(computer, { event: 'usage' });
  }
  return merged;
}

/** What that would do. Everything is done and taken back again, so that it is just what would be. */
export async function previewDocument(
  parts: Parts,
  computer: string,
  incoming: Incoming,
): Promise<Result<OrderPreview>> {
  const runner = parts.database.createQueryRunner();
  await runner.connect();
  await runner.startTransaction('REPEATABLE READ');
  try {
    const before = await readOrder(runner.manager, computer);
    const worked = await workOut(parts, runner.manager, computer, before, incoming);
    if (!worked.ok) {
      return worked;
    }
    const { change, matches, computer: from, loads } = worked.value;
    const names = await pluginNames(runner.manager, computer, pluginsOfChange(change));
    return ok({
      change: describeChange(before, change, (id) => names.get(id)),
      matches,
      computer: from,
      loads,
    });
  } finally {
    await runner.rollbackTransaction().catch((error: unknown) => {
      parts.log.warn({ error: loggable(error) }, 'a preview could not be taken back');
    });
    await runner.release();
  }
}

interface WorkedOut extends Worked {
  readonly matches: readonly MatchView[];
  /** The computer it is of, by its name. */
  readonly computer: string;
  readonly loads: number;
}

async function workOut(
  { clock }: Pick<Parts, 'clock'>,
  manager: EntityManager,
  computer: string,
  before: Order,
  incoming: Incoming,
): Promise<Result<WorkedOut>> {
  if (incoming.form === 'table') {
    return workOutTable(manager, computer, before, incoming.text ?? '');
  }
  const read = await readIncoming(manager, computer, incoming);
  if (!read.ok) {
    return read;
  }
  const { document, kept } = read.value;
  const now = clock();
  const catalog = await catalogOf(manager, computer);
  const matches = matchDocument(
    document,
    catalog,
    incoming.choices,
    await knownHere(manager, computer, document),
  );
  const pluginOf = await placesFor(manager, computer, document, matches, incoming.choices, now);
  const pictures = await takePictures(manager, computer, document, now);
  const settings = await matchSettings(manager, computer, before, document, pluginOf);
  const known = { pluginOf, settings, copies: catalog.copies };
  const ids = await idsHere(manager, computer, document, before, known);
  const records = recordsOf(pictures(document), ids);
  const change: OrderChange = mergeRecords(before, records, incoming.how);
  await keepFields(manager, computer, kept, ids);
  const loads =
    incoming.hasLoads === false ? 0 : await takeLoads(manager, computer, document, pluginOf);
  const from = document.computer === '' ? '' : ` of ${document.computer}`;
  return ok({
    change,
    words: `Read the order${from}: ${howWords[incoming.how]}`,
    matches: viewsOf(matches, document, catalog),
    computer: document.computer,
    loads,
  });
}

const howWords: Readonly<Record<MergeMode, string>> = {
  add: 'what was not here',
  theirs: 'it wins',
  mine: 'this one wins',
  replace: 'instead of this one',
};

/** What an edited table asks for: it is of this computer, so there is nothing to be matched. */
async function workOutTable(
  manager: EntityManager,
  computer: string,
  before: Order,
  text: string,
): Promise<Result<WorkedOut>> {
  const read = readTable(text, before, await pluginsAsSaid(manager, computer, before), randomUUID);
  return read.ok
    ? ok({
        change: read.value,
        words: 'Read a table',
        matches: [],
        loads: 0,
        computer: (await findComputer(manager, computer))?.name ?? '',
      })
    : read;
}

async function pluginsAsSaid(
  manager: EntityManager,
  computer: string,
  order: Order,
): Promise<Plugin[]> {
  const plugins = await readCatalog(manager, computer);
  return plugins.map((plugin) => withAnswer(plugin, answerIn(order, plugin.id)));
}

/** The plugins of a computer as a table; of those ids only, and in that order, where some are given. */
export function exportTable(
  { database }: Parts,
  computer: string,
  ids: readonly string[] | null,
): Promise<string> {
  return database.transaction('REPEATABLE READ', async (manager) => {
    const order = await readOrder(manager, computer);
    const plugins = await pluginsAsSaid(manager, computer, order);
    const byId = new Map(plugins.map((plugin) => [plugin.id as string, plugin]));
    return writeTable(order, ids ? ids.flatMap((id) => byId.get(id) ?? []) : plugins);
  });
}

/** All copies of a computer as lines, as `scan` writes what is found; pictures lie where they lie. */
export async function exportCopies({ database }: Parts, computer: string): Promise<string> {
  const rows = await allCopies(database.manager, computer);
  return rows
    .filter(({ state }) => state === 'present')
    .toSorted((a, b) => (a.key < b.key ? -1 : 1))
    .map(({ facts }) => `${JSON.stringify({ ...facts, picture: undefined })}\n`)
    .join('');
}

/** The cabinets of a computer as an outline. */
export function exportOutline({ database }: Parts, computer: string): Promise<string> {
  return database.transaction('REPEATABLE READ', async (manager) =>
    writeOutline(await documentHere(manager, computer, await readOrder(manager, computer), false)),
  );
}

async function readOutlineHere(
  manager: EntityManager,
  here: string,
  text: string,
): Promise<Result<ReadDocument>> {
  const names = new Set((await readCatalog(manager, here)).map(({ name }) => fold(name)));
  const read = readOutline(text, (name) => names.has(fold(name)));
  return read.ok ? ok({ document: read.value, kept: {} }) : read;
}

async function readIncoming(
  manager: EntityManager,
  here: string,
  { text, computer, form, hasLoads = true }: Incoming,
): Promise<Result<ReadDocument>> {
  if (text !== undefined && form === 'tree') {
    const tree = await readTree(text);
    return tree.ok
      ? ok({ document: documentOfTree(tree.value, await allCopies(manager, here)), kept: {} })
      : tree;
  }
  if (text !== undefined && form === 'outline') {
    return readOutlineHere(manager, here, text);
  }
  if (text !== undefined) {
    return readDocument(text);
  }
  const other = computer === undefined ? null : await findComputer(manager, computer);
  return other
    ? ok({
        document: await documentHere(
          manager,
          other.id,
          await readOrder(manager, other.id),
          hasLoads,
        ),
        kept: {},
      })
    : failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
}

interface CatalogHere {
  readonly plugins: ReadonlyMap<string, ToMatch>;
  readonly copies: readonly CopyRow[];
}

async function catalogOf(manager: EntityManager, computer: string): Promise<CatalogHere> {
  const copies = (await allCopies(manager, computer)).filter(({ status }) => status === 'ok');
  const held = grouped(copies.map((copy) => [copy.pluginId ?? '', copy.facts] as const));
  const plugins = (await listPlugins(manager, computer)).filter(({ id }) => held.has(id));
  return {
    copies,
    plugins: new Map(
      plugins.map(({ id, name, vendor }) => [id, { id, name, vendor, copies: held.get(id) ?? [] }]),
    ),
  };
}

/** Plugins of the document that are here by their very ids, and where their copies are now. */
async function knownHere(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
): Promise<Map<string, string>> {
  const ids = document.plugins.map(({ id }) => id).filter(isUuid);
  const where = await wherePluginsAre(manager, computer, ids);
  return new Map([...where].map(([id, { now }]) => [id, now]));
}

function matchDocument(
  document: OrderDocument,
  { plugins }: CatalogHere,
  choices: Incoming['choices'],
  known: ReadonlyMap<string, string>,
): Match[] {
  const wanted = document.plugins.map(
    ({ id, name, vendor, copies }): ToMatch => ({
      id,
      name,
      vendor,
      copies: copies.map(copyFound),
    }),
  );
  const open = wanted.filter(({ id }) => !known.has(id));
  const found = new Map(
    matchPlugins(open, [...plugins.values()]).map((match) => [match.from, match]),
  );
  return wanted.map(({ id }): Match => {
    const chosen = choices[id];
    const here = known.get(id);
    if (typeof chosen === 'string' && plugins.has(chosen)) {
      const because = 'you said so';
      return { from: id, how: 'same', choices: [{ plugin: chosen, probability: 1, because }] };
    }
    if (here !== undefined) {
      const because = 'it is the very same plugin of this computer';
      return { from: id, how: 'same', choices: [{ plugin: here, probability: 1, because }] };
    }
    return found.get(id) ?? { from: id, how: 'missing', choices: [] };
  });
}

/** The matches as they are shown, each with the folders that its plugin stands in. */
function viewsOf(
  matches: readonly Match[],
  document: OrderDocument,
  { plugins }: CatalogHere,
): MatchView[] {
  const wanted = new Map(document.plugins.map((plugin) => [plugin.id, plugin]));
  const foldersOf = grouped(
    foldersOfDocument(document).flatMap((folder) =>
      [...new Set(folder.plugins)].map((id) => [id, folder.name] as const),
    ),
  );
  return matches.map((match) => {
    const from = wanted.get(match.from);
    return {
      from: { id: match.from, name: from?.name ?? '', vendor: from?.vendor ?? null },
      how: match.how,
      choices: match.choices.map((choice) => {
        const plugin = plugins.get(choice.plugin);
        return {
          ...choice,
          name: plugin?.name ?? from?.name ?? '',
          vendor: plugin?.vendor ?? null,
          formats: [...new Set((plugin?.copies ?? []).map(({ format }) => format))],
        };
      }),
      folders: foldersOf.get(match.from) ?? [],
    };
  });
}

/**
 * What each plugin of the document is here. One that is missing, or was asked about in vain, gets a
 * place that waits: a plugin whose copies are gone, which a scan that finds one of them fills.
 */
async function placesFor(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
  matches: readonly Match[],
  choices: Incoming['choices'],
  now: Date,
): Promise<Map<string, PluginId | null>> {
  const places = new Map<string, PluginId | null>();
  const waiting: OrderDocument['plugins'][number][] = [];
  for (const [at, plugin] of document.plugins.entries()) {
    const { how, choices: found } = matches[at] ?? { how: 'missing', choices: [] };
    const best = found[0]?.plugin;
    if (choices[plugin.id] === null) {
      places.set(plugin.id, null);
    } else if (best !== undefined && how !== 'ask') {
      places.set(plugin.id, asId(best));
    } else if (plugin.copies.length === 0) {
      // Nothing tells what it is, so nothing could ever take its place.
      places.set(plugin.id, null);
    } else {
      places.set(plugin.id, asId(randomUUID()));
      waiting.push(plugin);
    }
  }
  const rows = waiting.map(
    (plugin): PluginRow => ({
      id: places.get(plugin.id) ?? randomUUID(),
      computerId: computer,
      name: plugin.name,
      vendor: plugin.vendor,
      kind: plugin.kind,
      types: plugin.types,
      arrivedAt: now,
      grounds: null,
      wentInto: null,
      isRemembered: true,
    }),
  );
  await addPlugins(manager, rows);
  const known = new Set((await allCopies(manager, computer)).map(({ key }) => key));
  const copies = waiting.flatMap((plugin) =>
    plugin.copies
      .map(copyFound)
      .map((facts) => waitingCopy(facts, computer, places.get(plugin.id) ?? null, now))
      .filter(({ key }) => !known.has(key) && known.add(key)),
  );
  await saveCopies(manager, copies);
  return places;
}

const waitingCopy = (
  facts: FoundCopy,
  computer: string,
  plugin: string | null,
  now: Date,
): CopyRow => ({
  id: randomUUID(),
  computerId: computer,
  pluginId: plugin,
  placeId: null,
  key: copyKey(facts),
  format: facts.format,
  path: facts.path,
  status: 'ok',
  state: 'gone',
  facts,
  firstSeenAt: now,
  lastSeenAt: now,
});

/** Puts the document's pictures in; what is said of them then names the ones of here. */
async function takePictures(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
  now: Date,
): Promise<(document: OrderDocument) => OrderDocument> {
  const ids = new Map<string, string>();
  for (const { id, data } of document.pictures ?? []) {
    const isHere = isUuid(id) && (await findOwnPicture(manager, computer, id)) !== null;
    ids.set(id, isHere ? id : randomUUID());
    if (!isHere) {
      const bytes = Buffer.from(data, 'base64');
      await addPicture(manager, { id: ids.get(id) ?? '', computerId: computer, bytes, at: now });
    }
  }
  const said = <T extends Pick<OrderDocument['plugins'][number], 'said'>>(one: T): T =>
    one.said?.picture
      ? { ...one, said: { ...one.said, picture: ids.get(one.said.picture) ?? null } }
      : one;
  return (whole) => ({
    ...whole,
    plugins: whole.plugins.map(said),
    chains: whole.chains.map(said),
    ...(whole.settings ? { settings: whole.settings.map(said) } : {}),
  });
}

/** What of a document is known to be here, and the copies it may speak of. */
interface KnownHere {
  readonly pluginOf: ReadonlyMap<string, PluginId | null>;
  readonly settings: ReadonlyMap<string, PluginId>;
  readonly copies: readonly CopyRow[];
}

/** Ids of here for everything in the document: what is known, what is free to be taken, new ones. */
async function idsHere(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
  before: Order,
  { pluginOf, settings, copies }: KnownHere,
): Promise<IdsHere> {
  const here = matchFolders(before, document);
  const chains = new Map(
    [...before.values()].flatMap((record) =>
      record.table === 'chain' ? [[record.id as string, record] as const] : [],
    ),
  );
  const wanted = [
    ...document.cabinets.map(({ id }) => id),
    ...foldersOfDocument(document).map(({ id }) => id),
    ...document.chains.map(({ id }) => id),
    ...(document.settings ?? []).map(({ id }) => id),
  ].filter(isUuid);
  const taken = await takenIds(manager, wanted);
  const made = new Map<string, string>();
  const fresh = (id: string): string => {
    const known = made.get(id) ?? (isUuid(id) && !taken.has(id) ? id : randomUUID());
    made.set(id, known);
    return known;
  };
  const chainHere = (id: string): PluginId => {
    const chain = document.chains.find((one) => one.id === id);
    const alike = [...chains.values()].find(({ name }) => name === chain?.name);
    return chains.get(id)?.id ?? alike?.id ?? asId(fresh(id));
  };
  const spellings = new Map(allSpellings(before).map(({ spelling, id }) => [spelling, id]));
  const placements = new Map(
    allPlacements(before).map(({ id, folder, plugin }) => [`${folder} ${plugin}`, id]),
  );
  const byIdentity = new Map(copies.map((copy) => [identityOf(copy.facts), copy]));
  return {
    computer: asId<ComputerId>(computer),
    plugin: (id) => pluginOf.get(id) ?? null,
    chain: chainHere,
    setting: (id) => settings.get(id) ?? asId(fresh(id)),
    cabinet: (id) => here.cabinets.get(id) ?? asId(fresh(id)),
    folder: (id) => here.folders.get(id) ?? asId(fresh(id)),
    placement: (folder, plugin) =>
      placements.get(`${folder} ${plugin}`) ?? asId<PlacementId>(randomUUID()),
    spelling: (spelling) => spellings.get(spelling) ?? asId(randomUUID()),
    copy: (copy) => {
      const row = byIdentity.get(identityOf(copy));
      return row?.pluginId ? { id: asId<CopyId>(row.id), plugin: asId(row.pluginId) } : null;
    },
  };
}

/**
 * Settings of a document that are here: kept already, or found for the plugin that theirs is here, by
 * URI, else by path, else by name and bank.
 */
async function matchSettings(
  manager: EntityManager,
  computer: string,
  before: Order,
  document: OrderDocument,
  pluginOf: ReadonlyMap<string, PluginId | null>,
): Promise<Map<string, PluginId>> {
  const { settings = [] } = document;
  if (settings.length === 0) {
    return new Map();
  }
  const kept = allSettings(before);
  // Not those that are held: plugins that wait were put in a moment ago.
  const found = await settingsOfPlugins(manager, computer);
  const candidates = [
    ...kept,
    ...found.map((one) => ({ ...one, id: asId<PluginId>(one.id), state: null })),
  ];
  const here = settings.flatMap((setting) => {
    const { id, name, format, bank = null, path = null, identity = null, state = null } = setting;
    const same = candidates.filter(
      (one) => one.plugin === pluginOf.get(setting.plugin) && one.format === format,
    );
    const match =
      kept.find((one) => one.id === id) ??
      same.find((one) => identity !== null && one.identity === identity) ??
      same.find((one) => path !== null && one.path === path && one.name === name) ??
      same.find((one) => one.name === name && one.bank === bank && one.state === state);
    const owner = document.plugins.find((one) => one.id === setting.plugin);
    const plugin = owner?.copies.find((copy) => copy.format === format)?.identity ?? null;
    const awaited =
      identity !== null && plugin !== null
        ? settingIdOf(computer, { format, plugin, identity })
        : null;
    const known = match?.id ?? awaited;
    return known === null ? [] : [[id, asId<PluginId>(known)] as const];
  });
  return new Map(here);
}

/** Keeps what is not ours, at the ids of here. */
async function keepFields(
  manager: EntityManager,
  computer: string,
  kept: KeptFields,
  ids: IdsHere,
): Promise<void> {
  if (Object.keys(kept).length === 0) {
    return;
  }
  const here = (at: string): string | null => {
    const [what = '', id = ''] = at.split(/ (.*)/s);
    switch (what) {
      case '':
        return '';
      case 'cabinet':
        return `cabinet ${ids.cabinet(id)}`;
      case 'folder':
        return `folder ${ids.folder(id)}`;
      case 'chain':
        return `chain ${ids.chain(id)}`;
      case 'setting':
        return `setting ${ids.setting(id)}`;
      default: {
        const plugin = ids.plugin(id);
        return plugin && `plugin ${plugin}`;
      }
    }
  };
  const row = await findComputer(manager, computer);
  const entries = Object.entries(kept).flatMap(([at, fields]) => {
    const place = here(at);
    return place === null ? [] : [[place, fields] as const];
  });
  await saveKept(manager, computer, { ...row?.kept, ...Object.fromEntries(entries) });
}
