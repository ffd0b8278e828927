/**
 * Which plugins changed, or their copies: the database notes it with every statement, so that who
 * holds a catalog in memory is told what to read again, and nothing can be missed. The note says in
 * which transaction that was (`xid8`): who looks again asks for all since the oldest one that ran when
 * it looked last (PostgreSQL's documentation, “Transaction ID and Snapshot Information Functions”).
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A statement that touches more plugins of a computer than this notes just that: a row without one. */
const many = 500;

interface Noted {
  readonly table: 'plugin' | 'copy';
  readonly event: 'insert' | 'update' | 'delete';
  /** When the trigger fires, with the tables of rows that it is given. */
  readonly fires: string;
  /** A query for the plugins that were touched. */
  readonly touched: string;
}

const plugins = (of: 'before' | 'after', column: 'id' | 'plugin_id'): string =>
  `SELECT computer_id, ${column} plugin_id FROM ${of}`;
const anyStatement = (event: string, tables: string, table: string): string =>
  `AFTER ${event} ON ${table} REFERENCING ${tables} FOR EACH STATEMENT`;
/** What a window is told of a plugin itself. */
const shown = ['name', 'vendor', 'kind', 'types', 'arrived_at'];
const all = (row: 'OLD' | 'NEW'): string => shown.map((column) => `${row}.${column}`).join(', ');

const noted: readonly Noted[] = [
  {
    table: 'plugin',
    event: 'insert',
    fires: anyStatement('INSERT', 'NEW TABLE AS after', 'plugin'),
    touched: plugins('after', 'id'),
  },
  {
    // Row by row: every act marks plugins as remembered, of which no window is told.
    table: 'plugin',
    event: 'update',
    fires: `AFTER UPDATE OF ${shown.join(', ')} ON plugin FOR EACH ROW
      WHEN ((${all('OLD')}) IS DISTINCT FROM (${all('NEW')}))`,
    touched: 'SELECT NEW.computer_id, NEW.id plugin_id',
  },
  {
    table: 'plugin',
    event: 'delete',
    fires: anyStatement('DELETE', 'OLD TABLE AS before', 'plugin'),
    touched: plugins('before', 'id'),
  },
  {
    table: 'copy',
    event: 'insert',
    fires: anyStatement('INSERT', 'NEW TABLE AS after', 'copy'),
    touched: plugins('after', 'plugin_id'),
  },
  {
    table: 'copy',
    event: 'update',
    fires: anyStatement('UPDATE', 'OLD TABLE AS before NEW TABLE AS after', 'copy'),
    touched: `${plugins('before', 'plugin_id')} UNION ${plugins('after', 'plugin_id')}`,
  },
  {
    table: 'copy',
    event: 'delete',
    fires: anyStatement('DELETE', 'OLD TABLE AS before', 'copy'),
    touched: plugins('before', 'plugin_id'),
  },
];

const nameOf = ({ table, event }: Noted): string => `note_touched_${table}_${event}`;

export class TouchedPlugins1763900000019 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE touched (
        computer_id uuid NOT NULL,
        plugin_id uuid,
        at xid8 NOT NULL DEFAULT pg_current_xact_id()
      )`,
    );
    await runner.query('CREATE INDEX touched_idx ON touched (computer_id, at)');
    for (const one of noted) {
      const name = nameOf(one);
      await runner.query(
        `CREATE FUNCTION ${name}() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
          INSERT INTO touched (computer_id, plugin_id)
            SELECT computer_id, unnest(CASE WHEN count(*) > ${many} THEN ARRAY[NULL::uuid]
              ELSE array_agg(plugin_id) END)
              FROM (SELECT DISTINCT * FROM (${one.touched}) rows WHERE plugin_id IS NOT NULL) ids
              GROUP BY computer_id;
          RETURN NULL;
        END $$`,
      );
      await runner.query(`CREATE TRIGGER ${name} ${one.fires} EXECUTE FUNCTION ${name}()`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const one of noted) {
      await runner.query(`DROP TRIGGER ${nameOf(one)} ON ${one.table}`);
      await runner.query(`DROP FUNCTION ${nameOf(one)}()`);
    }
    await runner.query('DROP TABLE touched');
  }
}
