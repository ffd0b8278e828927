/** The order of a computer in its tables: read whole, changed by changes. */
import type { EntityManager } from 'typeorm';
import type { OrderChange } from '@clever-drawer/core/acts';
import {
  orderOf,
  type CopyAssignment,
  type Folder,
  type OrderRecord,
} from '@clever-drawer/core/order';
import { toJsonb } from '../bulk.ts';
import { answers } from './answer.ts';
import { cabinets } from './cabinet.ts';
import { chains } from './chain.ts';
import { copyAssignments } from './copy-assignment.ts';
import { folders } from './folder.ts';
import { placements } from './placement.ts';
import { pluginNames } from './plugin-names.ts';
import { preferences } from './preference.ts';
import { readRecords, removeRecords, writeRecords, type RecordTable } from './record-table.ts';
import { setAside } from './set-aside.ts';
import { settings } from './setting.ts';
import { spellings } from './spelling.ts';

type Kind = OrderRecord['table'];
type RecordOf<K extends Kind> = Extract<OrderRecord, { table: K }>;

/** The tables of all kinds of records. One that is missing does not compile. */
export const recordTables: { readonly [K in Kind]: RecordTable<K> } = {
  cabinet: cabinets,
  folder: folders,
  placement: placements,
  'plugin-names': pluginNames,
  chain: chains,
  setting: settings,
  preference: preferences,
  answer: answers,
  'copy-assignment': copyAssignments,
  'set-aside': setAside,
  spelling: spellings,
};

const kinds = Object.keys(recordTables) as Kind[];

/** All records of one computer's order. */
export async function readOrder(
  manager: EntityManager,
  computer: string,
): Promise<Map<string, OrderRecord>> {
  const records: OrderRecord[] = [];
  for (const kind of kinds) {
    for (const record of await readRecords(manager, recordTables[kind], computer)) {
      records.push(record);
    }
  }
  return orderOf(records);
}

/**
 * Writes a change. Folders and cabinets are added before anything is put into them, and go only
 * when all that stays has been moved out: the database would take their contents with them.
 */
export async function applyToTables(
  manager: EntityManager,
  computer: string,
  { added, updated, removed }: OrderChange,
): Promise<void> {
  const isFrame = ({ table }: OrderRecord): boolean => table === 'folder' || table === 'cabinet';
  const isOther = (record: OrderRecord): boolean => !isFrame(record);
  const changed = updated.map(([, to]) => to);
  await remove(manager, removed.filter(isOther));
  await add(manager, computer, added.filter(isFrame));
  await addParted(manager, [
    ...ofKind(added, 'copy-assignment'),
    ...ofKind(changed, 'copy-assignment'),
  ]);
  for (const kind of kinds) {
    await writeRecords(manager, recordTables[kind], computer, ofKind(changed, kind), true);
  }
  await remove(manager, removed.filter(isFrame));
  await add(manager, computer, added.filter(isOther));
}

const ofKind = <K extends Kind>(records: readonly OrderRecord[], kind: K): RecordOf<K>[] =>
  records.filter((record): record is RecordOf<K> => record.table === kind);

async function remove(manager: EntityManager, records: readonly OrderRecord[]): Promise<void> {
  for (const kind of kinds.toReversed()) {
    await removeRecords(manager, recordTables[kind], ofKind(records, kind));
  }
}

async function add(
  manager: EntityManager,
  computer: string,
  records: readonly OrderRecord[],
): Promise<void> {
  await addToCatalog(manager, computer, ofKind(records, 'chain'));
  await addToCatalog(
    manager,
    computer,
    ofKind(records, 'setting').map(({ id, name }) => ({ id, name, kind: 'unknown' })),
  );
  for (const kind of kinds) {
    const some = ofKind(records, kind);
    const steps = kind === 'folder' ? byDepth(ofKind(records, 'folder')) : [some];
    for (const step of steps) {
      await writeRecords(manager, recordTables[kind], computer, step);
    }
  }
}

/**
 * A plugin without copies for each of these that has none yet. It stays when a chain or a setting is
 * removed, so that it can be made again.
 */
export async function addToCatalog(
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
async function addParted(
  manager: EntityManager,
  assignments: readonly CopyAssignment[],
): Promise<void> {
  if (assignments.length > 0) {
    await manager.query(
      `INSERT INTO plugin (id, computer_id, name, vendor, kind, types, arrived_at, is_remembered)
        SELECT DISTINCT ON (b.plugin) b.plugin, p.computer_id, p.name, p.vendor, p.kind, p.types,
        p.arrived_at, true
       FROM jsonb_to_recordset($1::jsonb) AS b (plugin uuid, before uuid)
         JOIN plugin p ON p.id = b.before ON CONFLICT (id) DO NOTHING`,
      [toJsonb(assignments)],
    );
  }
}

/** Folders with those that others stand in or stand for first. */
function byDepth(added: readonly Folder[]): Folder[][] {
  const levels: Folder[][] = [];
  let rest = [...added];
  while (rest.length > 0) {
    const waiting = new Set<string>(rest.map(({ id }) => id));
    const isReady = ({ parent, shortcutTo }: Folder): boolean =>
      !waiting.has(parent ?? '') && !waiting.has(shortcutTo ?? '');
    const level = rest.filter(isReady);
    if (level.length === 0) {
      throw new Error('folders are below one another in a circle');
    }
    levels.push(level);
    rest = rest.filter((folder) => !level.includes(folder));
  }
  return levels;
}
