/** The order of a computer in its tables: read whole, changed by changes. */
import type { EntityManager } from 'typeorm';
import type { OrderChange } from '@clever-drawer/core/acts';
import type { Answer } from '@clever-drawer/core/catalog';
import {
  asId,
  type CabinetId,
  type FolderId,
  type PluginId,
  type SpellingId,
} from '@clever-drawer/core/id';
import { orderOf, type OrderRecord, type Setting } from '@clever-drawer/core/order';
import { insertMany, toJsonb } from './bulk.ts';
import {
  AnswerTable,
  BelongingTable,
  CabinetTable,
  ChainTable,
  FolderTable,
  NamingTable,
  PlacementTable,
  PreferenceTable,
  SettingTable,
  SpellingTable,
  type AnswerRow,
  type BelongingRow,
  type CabinetRow,
  type ChainRow,
  type FolderRow,
  type NamingRow,
  type PlacementRow,
  type PreferenceRow,
  type SettingRow,
  type SpellingRow,
} from './order-tables.ts';

/** All records of one computer's order. */
export async function readOrder(
  manager: EntityManager,
  computer: string,
): Promise<Map<string, OrderRecord>> {
  const cabinets = await manager.getRepository(CabinetTable).findBy({ computerId: computer });
  const folders: FolderRow[] = await manager.query(
    `SELECT f.id, f.cabinet_id "cabinetId", f.parent_id "parentId", f.form, f.name, f.position,
      f.rule, f.sorted_by "sortedBy", f.is_pinned "isPinned", f.notes, f.shortcut_to "shortcutTo",
      f.always_in "alwaysIn", f.always_out "alwaysOut", f.at_most "atMost"
       FROM folder f JOIN cabinet c ON c.id = f.cabinet_id WHERE c.computer_id = $1`,
    [computer],
  );
  const placements: PlacementRow[] = await manager.query(
    `SELECT p.id, p.folder_id "folderId", p.plugin_id "pluginId", p.position
       FROM placement p JOIN folder f ON f.id = p.folder_id JOIN cabinet c ON c.id = f.cabinet_id
         WHERE c.computer_id = $1`,
    [computer],
  );
  const namings: NamingRow[] = await manager.query(
    `SELECT n.plugin_id "pluginId", n.nickname, n.slot_label "slotLabel" FROM naming n
      JOIN plugin p ON p.id = n.plugin_id WHERE p.computer_id = $1`,
    [computer],
  );
  const chains: ChainRow[] = await manager.query(
    `SELECT c.plugin_id "pluginId", c.name, c.kind, c.plugins FROM chain c
      JOIN plugin p ON p.id = c.plugin_id WHERE p.computer_id = $1`,
    [computer],
  );
  const settings: SettingRow[] = await manager.query(
    `SELECT s.plugin_id "pluginId", s.name, s.owner_id "ownerId", s.bank, s.format, s.path,
      s.identity, s.state FROM setting s JOIN plugin p ON p.id = s.plugin_id
      WHERE p.computer_id = $1`,
    [computer],
  );
  const preference = await findPreference(manager, computer);
  const said: OrderRecord[] = [
    ...(preference ? [fromPreference(preference)] : []),
    ...(await readAnswers(manager, computer)).map(fromAnswer),
    ...(await readBelongings(manager, computer)).map(fromBelonging),
    ...(await readSpellings(manager, computer)).map(fromSpelling),
  ];
  return orderOf([
    ...cabinets.map(fromCabinet),
    ...folders.map(fromFolder),
    ...placements.map(fromPlacement),
    ...namings.map(fromNaming),
    ...chains.map(fromChain),
    ...settings.map(fromSetting),
    ...said,
  ]);
}

/** What is said of plugins on a computer. */
export const readAnswers = (manager: EntityManager, computer: string): Promise<AnswerRow[]> =>
  manager.query(
    `SELECT a.plugin_id "pluginId", a.kind, a.types, a.vendor, a.licence, a.tags, a.notes,
      a.is_hidden "isHidden", a.picture FROM answer a JOIN plugin p ON p.id = a.plugin_id
      WHERE p.computer_id = $1`,
    [computer],
  );
/** What is said of a plugin. */
export const findAnswer = (manager: EntityManager, plugin: string): Promise<AnswerRow | null> =>
  manager.getRepository(AnswerTable).findOneBy({ pluginId: plugin });
/** A chain of a computer. */
export const findChain = async (
  manager: EntityManager,
  computer: string,
  plugin: string,
): Promise<ChainRow | null> =>
  (
    await manager.query<ChainRow[]>(
      `SELECT c.plugin_id "pluginId", c.name, c.kind, c.plugins FROM chain c
        JOIN plugin p ON p.id = c.plugin_id WHERE p.computer_id = $1 AND c.plugin_id = $2`,
      [computer, plugin],
    )
  )[0] ?? null;
/** What is said of where copies belong on a computer. */
export const readBelongings = (manager: EntityManager, computer: string): Promise<BelongingRow[]> =>
  manager.query(
    `SELECT b.copy_id "copyId", b.plugin_id "pluginId", b.before_id "beforeId" FROM belonging b
      JOIN copy c ON c.id = b.copy_id WHERE c.computer_id = $1`,
    [computer],
  );
/** The user's order of formats on a computer. */
export const findPreference = (
  manager: EntityManager,
  computer: string,
): Promise<PreferenceRow | null> =>
  manager.getRepository(PreferenceTable).findOneBy({ computerId: computer });
/** What is said of spellings on a computer. */
export const readSpellings = (manager: EntityManager, computer: string): Promise<SpellingRow[]> =>
  manager.getRepository(SpellingTable).findBy({ computerId: computer });

const fromCabinet = (row: CabinetRow): OrderRecord => ({
  table: 'cabinet',
  id: asId(row.id),
  name: row.name,
  position: row.position,
  opensFor: row.opensFor,
  sortedBy: row.sortedBy,
});
const fromFolder = (row: FolderRow): OrderRecord => ({
  table: 'folder',
  id: asId(row.id),
  cabinet: asId(row.cabinetId),
  parent: row.parentId === null ? null : asId<FolderId>(row.parentId),
  form: row.form,
  name: row.name,
  position: row.position,
  rule: row.rule,
  sortedBy: row.sortedBy,
  isPinned: row.isPinned,
  notes: row.notes,
  shortcutTo: row.shortcutTo === null ? null : asId<FolderId>(row.shortcutTo),
  alwaysIn: row.alwaysIn.map((id) => asId<PluginId>(id)),
  alwaysOut: row.alwaysOut.map((id) => asId<PluginId>(id)),
  atMost: row.atMost,
});
const fromPlacement = (row: PlacementRow): OrderRecord => ({
  table: 'placement',
  id: asId(row.id),
  folder: asId(row.folderId),
  plugin: asId<PluginId>(row.pluginId),
  position: row.position,
});
const fromNaming = (row: NamingRow): OrderRecord => ({
  table: 'naming',
  id: asId(row.pluginId),
  nickname: row.nickname,
  slotLabel: row.slotLabel,
});

const fromChain = (row: ChainRow): OrderRecord => ({
  table: 'chain',
  id: asId(row.pluginId),
  name: row.name,
  kind: row.kind,
  plugins: row.plugins.map((id) => asId<PluginId>(id)),
});
const fromSetting = ({ pluginId, ownerId, ...row }: SettingRow): Setting => ({
  table: 'setting',
  id: asId(pluginId),
  plugin: asId(ownerId),
  ...row,
});
/** A setting of which something was made. */
export const findKeptSetting = async (
  manager: EntityManager,
  id: string,
): Promise<Setting | null> => {
  const row = await manager.getRepository(SettingTable).findOneBy({ pluginId: id });
  return row && fromSetting(row);
};
/** The record of a row. */
export const fromAnswer = ({ pluginId, ...row }: AnswerRow): Answer => ({
  table: 'answer',
  id: asId(pluginId),
  ...row,
});
const fromBelonging = (row: BelongingRow): OrderRecord => ({
  table: 'belonging',
  id: asId(row.copyId),
  plugin: asId<PluginId>(row.pluginId),
  before: asId<PluginId>(row.beforeId),
});
const fromPreference = (row: PreferenceRow): OrderRecord => ({
  table: 'preference',
  id: asId(row.computerId),
  formats: row.formats,
});
const fromSpelling = (row: SpellingRow): OrderRecord => ({
  table: 'spelling',
  id: asId<SpellingId>(row.id),
  spelling: row.spelling,
  vendor: row.vendor,
});

/**
 * Writes a change. Folders and cabinets are added before anything is put into them, and go only
 * when all that stays has been moved out: the database would take their contents with them.
 */
export async function applyToTables(
  manager: EntityManager,
  computer: string,
  change: OrderChange,
): Promise<void> {
  const isFrame = (record: OrderRecord): boolean =>
    record.table === 'folder' || record.table === 'cabinet';
  await remove(
    manager,
    change.removed.filter((record) => !isFrame(record)),
  );
  await add(manager, computer, change.added.filter(isFrame));
  const written = [...change.added, ...change.updated.map(([, to]) => to)];
  await makePlugins(
    manager,
    written.filter((record) => record.table === 'belonging'),
  );
  for (const [, to] of change.updated) {
    await update(manager, to);
  }
  await remove(manager, change.removed.filter(isFrame));
  await add(
    manager,
    computer,
    change.added.filter((record) => !isFrame(record)),
  );
}

async function remove(manager: EntityManager, records: readonly OrderRecord[]): Promise<void> {
  const keys = {
    placement: 'id',
    naming: 'plugin_id',
    chain: 'plugin_id',
    setting: 'plugin_id',
    answer: 'plugin_id',
    belonging: 'copy_id',
    spelling: 'id',
    preference: 'computer_id',
    folder: 'id',
    cabinet: 'id',
  } as const;
  for (const [table, column] of Object.entries(keys)) {
    const ids = records.filter((record) => record.table === table).map((record) => record.id);
    if (ids.length > 0) {
      await manager.query(`DELETE FROM "${table}" WHERE "${column}" = ANY($1)`, [ids]);
    }
  }
}

async function update(manager: EntityManager, record: OrderRecord): Promise<void> {
  switch (record.table) {
    case 'cabinet':
      await manager.getRepository(CabinetTable).update(
        { id: record.id },
        {
          name: record.name,
          position: record.position,
          opensFor: record.opensFor,
          sortedBy: record.sortedBy,
        },
      );
      return;
    case 'folder':
      await manager.getRepository(FolderTable).update({ id: record.id }, toFolder(record));
      return;
    case 'placement':
      await manager.getRepository(PlacementTable).update({ id: record.id }, toPlacement(record));
      return;
    case 'naming':
      await manager
        .getRepository(NamingTable)
        .update(
          { pluginId: record.id },
          { nickname: record.nickname, slotLabel: record.slotLabel },
        );
      return;
    case 'chain':
      await manager
        .getRepository(ChainTable)
        .update({ pluginId: record.id }, { name: record.name, plugins: record.plugins });
      return;
    case 'setting':
      await manager.getRepository(SettingTable).save(toSetting(record));
      return;
    case 'answer':
      await manager.getRepository(AnswerTable).save(toAnswer(record));
      return;
    case 'belonging':
      await manager
        .getRepository(BelongingTable)
        .update({ copyId: record.id }, { pluginId: record.plugin, beforeId: record.before });
      return;
    case 'spelling':
      await manager
        .getRepository(SpellingTable)
        .update({ id: record.id }, { vendor: record.vendor });
      return;
    case 'preference':
      await manager
        .getRepository(PreferenceTable)
        .save({ computerId: record.id, formats: record.formats });
      return;
    default:
      record satisfies never;
  }
}

type Of<T extends OrderRecord['table']> = Extract<OrderRecord, { table: T }>;
const toFolder = (r: Of<'folder'>): FolderRow => {
  const {
    id,
    cabinet,
    parent,
    form,
    name,
    position,
    rule,
    sortedBy,
    isPinned,
    notes,
    shortcutTo,
    alwaysIn,
    alwaysOut,
    atMost,
  } = r;
  return {
    id,
    cabinetId: cabinet,
    parentId: parent,
    form,
    name,
    position,
    rule,
    sortedBy,
    isPinned,
    notes,
    shortcutTo,
    alwaysIn,
    alwaysOut,
    atMost,
  };
};
const toPlacement = (r: Of<'placement'>): PlacementRow => ({
  id: r.id,
  folderId: r.folder,
  pluginId: r.plugin,
  position: r.position,
});

const toSetting = ({ id, plugin, ...r }: Of<'setting'>): SettingRow => ({
  pluginId: id,
  ownerId: plugin,
  name: r.name,
  bank: r.bank,
  format: r.format,
  path: r.path,
  identity: r.identity,
  state: r.state,
});

const toAnswer = ({
  id,
  kind,
  types,
  vendor,
  licence,
  tags,
  notes,
  isHidden,
  picture,
}: Of<'answer'>): AnswerRow => ({
  pluginId: id,
  kind,
  types,
  vendor,
  licence,
  tags,
  notes,
  isHidden,
  picture,
});

async function add(
  manager: EntityManager,
  computer: string,
  records: readonly OrderRecord[],
): Promise<void> {
  const of = <T extends OrderRecord['table']>(table: T): Of<T>[] =>
    records.filter((r): r is Of<T> => r.table === table);
  await insertMany(
    manager,
    CabinetTable,
    of('cabinet').map(
      (r): CabinetRow => ({
        id: r.id,
        computerId: computer,
        name: r.name,
        position: r.position,
        opensFor: r.opensFor,
        sortedBy: r.sortedBy,
      }),
    ),
  );
  for (const level of byDepth(of('folder'))) {
    await insertMany(manager, FolderTable, level.map(toFolder));
  }
  await makeChains(manager, computer, of('chain'));
  await makeSettings(manager, computer, of('setting'));
  await insertMany(manager, PlacementTable, of('placement').map(toPlacement));
  await insertMany(
    manager,
    NamingTable,
    of('naming').map(
      (r): NamingRow => ({ pluginId: r.id, nickname: r.nickname, slotLabel: r.slotLabel }),
    ),
  );
  await insertMany(manager, AnswerTable, of('answer').map(toAnswer));
  await insertMany(
    manager,
    BelongingTable,
    of('belonging').map(
      (r): BelongingRow => ({ copyId: r.id, pluginId: r.plugin, beforeId: r.before }),
    ),
  );
  await insertMany(
    manager,
    PreferenceTable,
    of('preference').map((r): PreferenceRow => ({ computerId: r.id, formats: r.formats })),
  );
  await insertMany(
    manager,
    SpellingTable,
    of('spelling').map(
      (r): SpellingRow => ({
        id: r.id,
        computerId: computer,
        spelling: r.spelling,
        vendor: r.vendor,
      }),
    ),
  );
}

/**
 * A chain stands in the catalog as a plugin of its own, which stays when the chain is taken back,
 * so that it can be made again.
 */
async function makeChains(
  manager: EntityManager,
  computer: string,
  chains: readonly Of<'chain'>[],
): Promise<void> {
  await standInCatalog(manager, computer, chains);
  await insertMany(
    manager,
    ChainTable,
    chains.map(
      (r): ChainRow => ({ pluginId: r.id, name: r.name, kind: r.kind, plugins: r.plugins }),
    ),
  );
}

/** So does a setting. */
async function makeSettings(
  manager: EntityManager,
  computer: string,
  settings: readonly Of<'setting'>[],
): Promise<void> {
  await standInCatalog(
    manager,
    computer,
    settings.map(({ id, name }) => ({ id, name, kind: 'unknown' })),
  );
  await insertMany(manager, SettingTable, settings.map(toSetting));
}

/** A plugin without copies for each of these that has none yet. */
export async function standInCatalog(
  manager: EntityManager,
  computer: string,
  things: readonly { readonly id: string; readonly name: string; readonly kind: string }[],
): Promise<void> {
  if (things.length > 0) {
    await manager.query(
      `INSERT INTO plugin (id, computer_id, name, vendor, kind, types, arrived_at, is_remembered)
        SELECT c.id, $2, c.name, NULL, c.kind, '[]', now(), true
        FROM jsonb_to_recordset($1::jsonb) AS c (id uuid, name text, kind text)
        ON CONFLICT (id) DO NOTHING`,
      [toJsonb(things), computer],
    );
  }
}

/** A part of a plugin that becomes one of its own starts with what its plugin is; sorting tells more. */
async function makePlugins(
  manager: EntityManager,
  belongings: readonly Of<'belonging'>[],
): Promise<void> {
  if (belongings.length > 0) {
    await manager.query(
      `INSERT INTO plugin (id, computer_id, name, vendor, kind, types, arrived_at, is_remembered)
        SELECT DISTINCT ON (b.plugin) b.plugin, p.computer_id, p.name, p.vendor, p.kind, p.types,
        p.arrived_at, true
       FROM jsonb_to_recordset($1::jsonb) AS b (plugin uuid, before uuid)
         JOIN plugin p ON p.id = b.before ON CONFLICT (id) DO NOTHING`,
      [toJsonb(belongings)],
    );
  }
}

/** Folders with those that others stand in or stand for first. */
function byDepth(folders: readonly Of<'folder'>[]): Of<'folder'>[][] {
  const levels: Of<'folder'>[][] = [];
  let rest = [...folders];
  while (rest.length > 0) {
    const waiting = new Set<CabinetId | FolderId>(rest.map((f) => f.id));
    const level = rest.filter(
      (f) =>
        (f.parent === null || !waiting.has(f.parent)) &&
        (!f.shortcutTo || !waiting.has(f.shortcutTo)),
    );
    if (level.length === 0) {
      throw new Error('folders stand in a circle');
    }
    levels.push(level);
    rest = rest.filter((f) => !level.includes(f));
  }
  return levels;
}
