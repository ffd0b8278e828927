/** Rows out of a database into a backup, and out of a backup into a database that is empty. */
import { once } from 'node:events';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import type { Client } from 'pg';
import { from as copyFrom, to as copyTo, type CopyStreamQuery } from 'pg-copy-streams';
import {
  lastLine,
  magic,
  withoutBackup,
  rowsIn,
  type Contents,
  type Header,
  type Row,
  type TableInBackup,
} from './backup-file.ts';
import { writePieces } from '../files/index.ts';
import { asAdministrator } from './cluster.ts';
import { connect, migrations, type DatabaseAddress } from './connect.ts';
import { SetupError } from './setup-error.ts';

/** How values are written, whatever the session's habits are. */
const plainly =
  "SET datestyle = 'ISO'; SET intervalstyle = 'postgres'; SET extra_float_digits = 1; SET bytea_output = 'hex'; SET client_encoding = 'UTF8'";

/** Writes everything in a database, as it is at one moment, into an open file. */
export async function writeRows(address: DatabaseAddress, file: number, at: Date): Promise<void> {
  await asAdministrator(address, async (client) => {
    await client.query(`${plainly}; BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY`);
    const header = await headerOf(client, at);
    await pipeline(
      Readable.from(textOf(client, header)),
      createGzip(),
      (packed: AsyncIterable<Buffer>) => writePieces(file, packed),
    );
  });
}

async function headerOf(client: Client, at: Date): Promise<Header> {
  const done = await client.query<{ name: string }>(
    'SELECT name FROM migrations ORDER BY timestamp',
  );
  const sequences = await client.query<{ name: string; last: string }>(
    `SELECT sequencename "name", last_value::text "last" FROM pg_sequences
      WHERE schemaname = 'public' AND last_value IS NOT NULL AND sequencename <> 'migrations_id_seq'`,
  );
  const tables: TableInBackup[] = [];
  for (const [name, columns] of await columnsOf(client)) {
    if (!withoutBackup.has(name)) {
      tables.push({ name, columns, rows: await countRows(client, name) });
    }
  }
  return {
    backup: magic,
    version: 2,
    at: at.toISOString(),
    migrations: done.rows.map((row) => row.name),
    tables,
    sequences: Object.fromEntries(sequences.rows.map(({ name, last }) => [name, last])),
  };
}

/** The columns of each table, in their order. */
async function columnsOf(client: Client): Promise<Map<string, string[]>> {
  const { rows } = await client.query<{ name: string; columns: string[] }>(
    `SELECT c.relname::text "name", array_agg(a.attname::text ORDER BY a.attnum) "columns"
       FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped
       WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r'
       GROUP BY c.relname ORDER BY c.relname`,
  );
  return new Map(rows.map(({ name, columns }) => [name, columns]));
}

async function countRows(client: Client, table: string): Promise<number> {
  const { rows } = await client.query<{ n: string }>(
    `SELECT count(*)::text n FROM ${client.escapeIdentifier(table)}`,
  );
  return Number(rows[0]?.n);
}

const copied = (client: Client, table: string, columns: readonly string[]): string =>
  `COPY public.${client.escapeIdentifier(table)} (${columns.map((one) => client.escapeIdentifier(one)).join(', ')})`;

async function* textOf(client: Client, header: Header): AsyncGenerator<Buffer | string> {
  yield `${JSON.stringify(header)}\n`;
  for (const { name, columns } of header.tables) {
    const rows = client.query(copyTo(`${copied(client, name, columns)} TO STDOUT`));
    yield* rows as AsyncIterable<Buffer>;
  }
  yield `${lastLine}\n`;
}

/** What is read in, and from where. */
export interface Filling {
  readonly file: number;
  readonly path: string;
  readonly contents: Contents;
  /** Breaks off when it is aborted. */
  readonly signal?: AbortSignal | undefined;
}

/**
 * Makes the tables of a backup in an empty database as its owner, who may run no program, fills them, and
 * brings them up to today. Throws a SetupError where it is of a newer program, or cannot be taken.
 */
export async function fillDatabase(address: DatabaseAddress, filling: Filling): Promise<void> {
  const { contents, path } = filling;
  const known = migrations.slice(0, contents.migrations.length);
  if (known.some((one, at) => one.name !== contents.migrations[at])) {
    throw new SetupError(
      `${path} was written by a newer Clever Drawer, whose tables this one does not know. Install that one first.`,
    );
  }
  await (await connect(address, known)).destroy();
  await asAdministrator(address, async (client) => {
    await client.query(`${plainly}; BEGIN`);
    await refuseOthers(client, filling);
    await loosely(client, () => readRows(client, filling));
    await client.query('COMMIT');
    await refuseMiscount(client, filling);
  });
  await (await connect(address)).destroy();
}

/** A table or column that is not of those tables can have come from nowhere. */
async function refuseOthers(client: Client, { contents, path }: Filling): Promise<void> {
  const there = await columnsOf(client);
  const wrong = contents.tables.filter(
    ({ name, columns }) =>
      withoutBackup.has(name) || !columns.every((column) => there.get(name)?.includes(column)),
  );
  const missing = [...there.keys()].filter(
    (name) => !withoutBackup.has(name) && !contents.tables.some((table) => table.name === name),
  );
  const names = [...wrong.map(({ name }) => name), ...missing];
  if (names.length > 0) {
    throw new SetupError(`${path} does not hold the tables of a studio (${names.join(', ')}).`);
  }
}

/** With references checked at the end: tables come in any order, and a folder may lie in a later one. */
async function loosely(client: Client, work: () => Promise<void>): Promise<void> {
  const { rows } = await client.query<{ at: string }>(
    `SELECT format('ALTER TABLE %s ALTER CONSTRAINT %I', conrelid::regclass, conname) "at"
       FROM pg_constraint WHERE contype = 'f' AND connamespace = 'public'::regnamespace`,
  );
  for (const { at } of rows) {
    await client.query(`${at} DEFERRABLE INITIALLY DEFERRED`);
  }
  await work();
  await client.query('SET CONSTRAINTS ALL IMMEDIATE');
  for (const { at } of rows) {
    await client.query(`${at} NOT DEFERRABLE`);
  }
}

async function readRows(client: Client, filling: Filling): Promise<void> {
  const { file, path, contents, signal } = filling;
  let table: TableStream | null = null;
  try {
    for await (const row of rowsIn(file, path)) {
      signal?.throwIfAborted();
      if (table?.name !== row.table) {
        await table?.end();
        table = new TableStream(client, row);
      }
      await table.write(row);
    }
    await table?.end();
  } catch (error) {
    table?.abandon();
    throw isOfDatabase(error)
      ? new SetupError(`${path} holds a value that no studio has: ${error.message}.`)
      : error;
  }
  for (const [sequence, last] of Object.entries(contents.sequences)) {
    await client.query('SELECT setval($1::regclass, $2::bigint)', [`public.${sequence}`, last]);
  }
  // Tables as they were before version numbers note with triggers what was filled in.
  const notes = await client.query<{ is: boolean }>(
    `SELECT to_regclass('public.touched') IS NOT NULL "is"`,
  );
  if (notes.rows[0]?.is) {
    await client.query('DELETE FROM touched');
  }
}

/** Errors about data (class 22), of constraints (23), and of names (42), by PostgreSQL's codes. */
const isOfDatabase = (error: unknown): error is Error =>
  /^(?:22|23|42)/.test((error as { code?: string }).code ?? '');

/** Rows on their way into one table. */
class TableStream {
  readonly name: string;
  readonly #stream: CopyStreamQuery;
  #error: Error | null = null;

  constructor(client: Client, { table, columns }: Row) {
    this.name = table;
    this.#stream = client.query(copyFrom(`${copied(client, table, columns)} FROM STDIN`));
    this.#stream.on('error', (error: Error) => {
      this.#error = error;
    });
  }

  async write({ bytes }: Row): Promise<void> {
    this.#stream.write(bytes);
    const hasRoom = this.#stream.write('\n');
    this.#refuse();
    if (!hasRoom) {
      await once(this.#stream, 'drain');
    }
  }

  async end(): Promise<void> {
    const finished = once(this.#stream, 'finish');
    this.#stream.end();
    await finished;
    this.#refuse();
  }

  abandon(): void {
    this.#stream.destroy();
  }

  #refuse(): void {
    if (this.#error) {
      throw this.#error;
    }
  }
}

async function refuseMiscount(client: Client, { contents, path }: Filling): Promise<void> {
  for (const { name, rows } of contents.tables) {
    if ((await countRows(client, name)) !== rows) {
      throw new SetupError(`What was restored of ${name} is not what ${path} holds.`);
    }
  }
}
