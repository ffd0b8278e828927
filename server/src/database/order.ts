/** The order of a computer in its tables: read whole, changed by changes. */
import type { EntityManager } from 'typeorm';
import { asId, orderOf, type CabinetId, type FolderId, type Order, type OrderChange, type OrderRecord, type PluginId } from '@clever-drawer/core';
import { insertMany } from './bulk.ts';
import { CabinetTable, FolderTable, NamingTable, PlacementTable, type CabinetRow, type FolderRow, type NamingRow, type PlacementRow } from './schemas.ts';

/** All records of one computer's order. */
export async function readOrder(manager: EntityManager, computer: string): Promise<Order> {
  const cabinets = await manager.getRepository(CabinetTable).findBy({ computerId: computer });
  const folders: FolderRow[] = await manager.query(
    `SELECT f.id, f.cabinet_id "cabinetId", f.parent_id "parentId", f.form, f.name, f.position, f.rule
       FROM folder f JOIN cabinet c ON c.id = f.cabinet_id WHERE c.computer_id = $1`, [computer]);
  const placements: PlacementRow[] = await manager.query(
    `SELECT p.id, p.folder_id "folderId", p.plugin_id "pluginId", p.position
       FROM placement p JOIN folder f ON f.id = p.folder_id JOIN cabinet c ON c.id = f.cabinet_id WHERE c.computer_id = $1`, [computer]);
  const namings: NamingRow[] = await manager.query(
    `SELECT n.plugin_id "pluginId", n.nickname, n.slot_label "slotLabel" FROM naming n JOIN plugin p ON p.id = n.plugin_id WHERE p.computer_id = $1`, [computer]);
  return orderOf([...cabinets.map(fromCabinet), ...folders.map(fromFolder), ...placements.map(fromPlacement), ...namings.map(fromNaming)]);
}

const fromCabinet = (row: CabinetRow): OrderRecord => ({ table: 'cabinet', id: asId(row.id), name: row.name, position: row.position });
const fromFolder = (row: FolderRow): OrderRecord => ({
  table: 'folder', id: asId(row.id), cabinet: asId(row.cabinetId), parent: row.parentId === null ? null : asId<FolderId>(row.parentId),
  form: row.form, name: row.name, position: row.position, rule: row.rule,
});
const fromPlacement = (row: PlacementRow): OrderRecord => ({ table: 'placement', id: asId(row.id), folder: asId(row.folderId), plugin: asId<PluginId>(row.pluginId), position: row.position });
const fromNaming = (row: NamingRow): OrderRecord => ({ table: 'naming', id: asId(row.pluginId), nickname: row.nickname, slotLabel: row.slotLabel });

/** Writes a change: removed records first, then updated, then added, each in the order of the change. */
export async function applyToTables(manager: EntityManager, computer: string, change: OrderChange): Promise<void> {
  await remove(manager, change.removed);
  for (const [, to] of change.updated) await update(manager, to);
  await add(manager, computer, change.added);
}

async function remove(manager: EntityManager, records: readonly OrderRecord[]): Promise<void> {
  const ids = (table: OrderRecord['table']): string[] => records.filter((r) => r.table === table).map((r) => r.id);
  const del = async (table: string, column: string, list: string[]): Promise<void> => {
    if (list.length > 0) await manager.query(`DELETE FROM "${table}" WHERE "${column}" = ANY($1)`, [list]);
  };
  await del('placement', 'id', ids('placement'));
  await del('naming', 'plugin_id', ids('naming'));
  await del('folder', 'id', ids('folder'));
  await del('cabinet', 'id', ids('cabinet'));
}

async function update(manager: EntityManager, record: OrderRecord): Promise<void> {
  switch (record.table) {
    case 'cabinet': await manager.getRepository(CabinetTable).update({ id: record.id }, { name: record.name, position: record.position }); return;
    case 'folder': await manager.getRepository(FolderTable).update({ id: record.id }, toFolder(record)); return;
    case 'placement': await manager.getRepository(PlacementTable).update({ id: record.id }, toPlacement(record)); return;
    case 'naming': await manager.getRepository(NamingTable).update({ pluginId: record.id }, { nickname: record.nickname, slotLabel: record.slotLabel }); return;
    default: record satisfies never;
  }
}

type Of<T extends OrderRecord['table']> = Extract<OrderRecord, { table: T }>;
const toFolder = (r: Of<'folder'>): FolderRow => ({ id: r.id, cabinetId: r.cabinet, parentId: r.parent, form: r.form, name: r.name, position: r.position, rule: r.rule });
const toPlacement = (r: Of<'placement'>): PlacementRow => ({ id: r.id, folderId: r.folder, pluginId: r.plugin, position: r.position });

async function add(manager: EntityManager, computer: string, records: readonly OrderRecord[]): Promise<void> {
  const of = <T extends OrderRecord['table']>(table: T): Of<T>[] => records.filter((r): r is Of<T> => r.table === table);
  await insertMany(manager, CabinetTable, of('cabinet').map((r): CabinetRow => ({ id: r.id, computerId: computer, name: r.name, position: r.position })));
  for (const level of byDepth(of('folder'))) await insertMany(manager, FolderTable, level.map(toFolder));
  await insertMany(manager, PlacementTable, of('placement').map(toPlacement));
  await insertMany(manager, NamingTable, of('naming').map((r): NamingRow => ({ pluginId: r.id, nickname: r.nickname, slotLabel: r.slotLabel })));
}

/** Folders with those that others stand in first, so that each finds its parent. */
function byDepth(folders: readonly Of<'folder'>[]): Of<'folder'>[][] {
  const levels: Of<'folder'>[][] = [];
  let rest = [...folders];
  while (rest.length > 0) {
    const waiting = new Set<CabinetId | FolderId>(rest.map((f) => f.id));
    const level = rest.filter((f) => f.parent === null || !waiting.has(f.parent));
    if (level.length === 0) throw new Error('folders stand in a circle');
    levels.push(level);
    rest = rest.filter((f) => !level.includes(f));
  }
  return levels;
}

/** The plugins that stand behind some placements of a computer. */
export async function pluginsPlaced(manager: EntityManager, computer: string, placements: readonly string[]): Promise<string[]> {
  const rows: { plugin: string }[] = await manager.query(
    `SELECT p.plugin_id plugin FROM placement p JOIN plugin ON plugin.id = p.plugin_id WHERE plugin.computer_id = $1 AND p.id = ANY($2::uuid[])`, [computer, placements]);
  return rows.map((row) => row.plugin);
}
