/**
 * How one kind of record of the order is stored. A row has the properties of its record, so nothing
 * is translated between them: only the columns have names of their own.
 */
import type { EntityManager, EntitySchema, EntitySchemaOptions, ObjectLiteral } from 'typeorm';
import type { OrderRecord } from '@clever-drawer/core/order';
import { insertMany } from '../bulk.ts';
import { schema, type Columns } from '../columns.ts';

type Kind = OrderRecord['table'];
type RecordOf<K extends Kind> = Extract<OrderRecord, { table: K }>;

/** The table of one kind of record. */
export interface RecordTable<K extends Kind = Kind> {
  readonly kind: K;
  readonly schema: EntitySchema<ObjectLiteral>;
  /** Which rows `r` belong to the computer $1, as a condition of SQL. */
  readonly ofComputer: string;
}

/**
 * A table with a column for each property of the record; `computer` may be one more, which is
 * written and not read.
 */
export function recordTable<K extends Kind>(
  kind: K,
  name: string,
  columns: Columns<Omit<RecordOf<K>, 'table'>> & { readonly computer?: object },
  ofComputer: string,
  more: Partial<EntitySchemaOptions<ObjectLiteral>> = {},
): RecordTable<K> {
  return { kind, schema: schema<ObjectLiteral>(name, columns, more), ofComputer };
}

/** Rows of plugins, copies, folders and cabinets, which belong to the computer that theirs belong to. */
export const within = {
  plugin: (column: string): string =>
    `r.${column} IN (SELECT id FROM plugin WHERE computer_id = $1)`,
  copy: (column: string): string => `r.${column} IN (SELECT id FROM copy WHERE computer_id = $1)`,
  cabinet: 'r.cabinet_id IN (SELECT id FROM cabinet WHERE computer_id = $1)',
  folder:
    'r.folder_id IN (SELECT f.id FROM folder f JOIN cabinet c ON c.id = f.cabinet_id WHERE c.computer_id = $1)',
  computer: 'r.computer_id = $1',
} as const;

/** All records of a kind on a computer, or only that of an id. */
export async function readRecords<K extends Kind>(
  manager: EntityManager,
  table: RecordTable<K>,
  computer: string,
  id: string | null = null,
): Promise<RecordOf<K>[]> {
  const { columns, tableName } = manager.dataSource.getMetadata(table.schema);
  const selected = columns
    .filter(({ propertyName }) => propertyName !== 'computer')
    .map(({ databaseName, propertyName }) => `r."${databaseName}" "${propertyName}"`);
  const isWanted = id === null ? '' : ` AND r."${keyOf(manager, table)}" = $2`;
  const rows: object[] = await manager.query(
    `SELECT ${selected.join(', ')} FROM "${tableName}" r WHERE ${table.ofComputer}${isWanted}`,
    id === null ? [computer] : [computer, id],
  );
  return rows.map((row) => ({ table: table.kind, ...row }) as RecordOf<K>);
}

/** One record of a computer; null where there is none. */
export const findRecord = async <K extends Kind>(
  manager: EntityManager,
  table: RecordTable<K>,
  computer: string,
  id: string,
): Promise<RecordOf<K> | null> => (await readRecords(manager, table, computer, id))[0] ?? null;

/** Adds records of a kind; with `isUpdate` in the place of those that have their ids. */
export async function writeRecords<K extends Kind>(
  manager: EntityManager,
  table: RecordTable<K>,
  computer: string,
  records: readonly RecordOf<K>[],
  isUpdate = false,
): Promise<void> {
  const rows = records.map((record): ObjectLiteral => ({ ...record, computer }));
  await insertMany(manager, table.schema, rows, isUpdate ? ['id'] : undefined);
}

/** Removes records of a kind. */
export async function removeRecords<K extends Kind>(
  manager: EntityManager,
  table: RecordTable<K>,
  records: readonly RecordOf<K>[],
): Promise<void> {
  if (records.length > 0) {
    const { tableName } = manager.dataSource.getMetadata(table.schema);
    await manager.query(
      `DELETE FROM "${tableName}" WHERE "${keyOf(manager, table)}" = ANY($1::uuid[])`,
      [records.map(({ id }) => id)],
    );
  }
}

/** The column of the id. */
const keyOf = (manager: EntityManager, { schema: entity }: RecordTable): string =>
  manager.dataSource.getMetadata(entity).primaryColumns[0]?.databaseName ?? 'id';
