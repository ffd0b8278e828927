import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { HostSession } from '@clever-drawer/core/loading';
import type { Cluster } from './cluster.ts';
import { connect, migrations } from './connect.ts';
import { tables } from './tables.ts';
import { startTestCluster } from '../testing.ts';

describe('the migrations', () => {
  let cluster: Cluster;
  let source: DataSource;
  beforeAll(async () => {
    cluster = await startTestCluster();
    source = await connect(await cluster.database('drift'));
  });
  afterAll(async () => {
    await source.destroy();
    await cluster.stop();
  });
  it('leave nothing between the tables and their schemas', async () => {
    expect(tables.length).toBeGreaterThan(10);
    const { upQueries } = await source.driver.createSchemaBuilder().log();
    expect(upQueries.map((q) => q.query)).toEqual([]);
  });
  it('carry what stands in slots over to the session that its host keeps, and back', async () => {
    const back = async (): Promise<void> => {
      for (
        let i = migrations.findIndex((one) => one.name.startsWith('Practice'));
        i < migrations.length;
        i += 1
      ) {
        await source.undoLastMigration({ transaction: 'all' });
      }
    };
    const [computer, plugin, copy, track, slot] = Array.from({ length: 5 }, () => randomUUID());
    await back();
    await source.query(
      `INSERT INTO computer (id, name, revision, created_at, doubts) VALUES ($1, 'Loft', 0, now(), '[]')`,
      [computer],
    );
    await source.query(
      `INSERT INTO plugin (id, computer_id, name, kind, types, arrived_at)
        VALUES ($1, $2, 'Silt', 'effect', '[]', now())`,
      [plugin, computer],
    );
    await source.query(
      `INSERT INTO copy (id, computer_id, plugin_id, key, format, path, status, state, facts,
        first_seen_at, last_seen_at)
        VALUES ($1, $2, $3, 'k', 'LV2', '/silt.lv2', 'ok', 'present', '{"identity": "urn:silt",
        "name": null, "vendor": "Quoin", "binary": null}', now(), now())`,
      [copy, computer, plugin],
    );
    await source.query(
      `INSERT INTO track (id, computer_id, name, sort, number) VALUES ($1, $2, 'Narrator', 'track', 0)`,
      [track, computer],
    );
    await source.query(
      'INSERT INTO slot (id, track_id, number, plugin_id, copy_id) VALUES ($1, $2, 0, $3, $4)',
      [slot, track, plugin, copy],
    );
    await source.runMigrations({ transaction: 'all' });
    const [row]: { session: HostSession }[] = await source.query(
      'SELECT session FROM practice WHERE computer_id = $1',
      [computer],
    );
    expect(row?.session.tracks).toEqual([
      {
        id: track,
        name: 'Narrator',
        sort: 'track',
        slots: [
          {
            id: slot,
            isBypassed: false,
            problem: null,
            copy: {
              format: 'LV2',
              path: '/silt.lv2',
              identity: 'urn:silt',
              name: 'Silt',
              vendor: 'Quoin',
              binary: null,
            },
          },
        ],
      },
    ]);
    await back();
    expect(await source.query('SELECT id, track_id, number, plugin_id, copy_id FROM slot')).toEqual(
      [{ id: slot, track_id: track, number: 0, plugin_id: plugin, copy_id: copy }],
    );
    await source.runMigrations({ transaction: 'all' });
    await source.query('DELETE FROM computer');
  });
  it('rename kinds of records in tables and stored changes, and no text that reads like one', async () => {
    const [computer, plugin] = [randomUUID(), randomUUID()];
    const undoTo =
      migrations.length - migrations.findIndex((one) => one.name.startsWith('NamesOf'));
    for (let i = 0; i < undoTo; i += 1) {
      await source.undoLastMigration({ transaction: 'all' });
    }
    const nickname = '{"table": "naming"}';
    const record = { table: 'naming', id: plugin, nickname, slotLabel: null };
    await source.query(
      `INSERT INTO computer (id, name, revision, created_at, doubts, is_learning, opening, is_elsewhere,
        kept, put_off) VALUES ($1, 'Loft', 0, now(), '[]', true, '"never"', false, '{}', '[]')`,
      [computer],
    );
    await source.query(
      `INSERT INTO plugin (id, computer_id, name, kind, types, arrived_at, is_remembered)
        VALUES ($1, $2, 'Silt', 'effect', '[]', now(), true)`,
      [plugin, computer],
    );
    await source.query('INSERT INTO naming (plugin_id, nickname) VALUES ($1, $2)', [
      plugin,
      nickname,
    ]);
    await source.query(
      `INSERT INTO change (computer_id, number, at, words, state, change)
        VALUES ($1, 1, now(), 'Name Silt', 'done', $2::jsonb)`,
      [computer, JSON.stringify({ added: [record], updated: [], removed: [] })],
    );
    await source.runMigrations({ transaction: 'all' });
    expect(await source.query('SELECT plugin_id, nickname FROM plugin_names')).toEqual([
      { plugin_id: plugin, nickname },
    ]);
    expect(await source.query('SELECT change FROM change')).toEqual([
      { change: { added: [{ ...record, table: 'plugin-names' }], updated: [], removed: [] } },
    ]);
    await source.query('DELETE FROM plugin_names');
    await source.query('DELETE FROM plugin');
    await source.query('DELETE FROM computer');
  });

  it('give stored folders and answers the new fields, and take them off again', async () => {
    const [computer, id] = [randomUUID(), randomUUID()];
    const folder = { table: 'folder', id, name: 'Night shift' };
    const answer = { table: 'answer', id, notes: '' };
    const before = { added: [folder], updated: [[answer, answer]], removed: [] };
    const stored = async (): Promise<unknown> => {
      const rows: { change: unknown }[] = await source.query('SELECT change FROM change');
      return rows[0]?.change;
    };
    const back = async (): Promise<void> => {
      const from = migrations.findIndex((one) => one.name.startsWith('NamesAndFirst'));
      for (let i = from; i < migrations.length; i += 1) {
        await source.undoLastMigration({ transaction: 'all' });
      }
    };
    await back();
    await source.query(
      `INSERT INTO computer (id, name, revision, created_at, doubts, is_learning, opening, is_elsewhere,
        kept, put_off) VALUES ($1, 'Loft', 0, now(), '[]', true, '"never"', false, '{}', '[]')`,
      [computer],
    );
    await source.query(
      `INSERT INTO change (computer_id, number, at, words, state, change)
        VALUES ($1, 1, now(), 'Remove a folder', 'done', $2::jsonb)`,
      [computer, JSON.stringify(before)],
    );
    await source.runMigrations({ transaction: 'all' });
    const now = { ...answer, alsoCalled: [], firstCopy: null };
    expect(await stored()).toEqual({
      added: [{ ...folder, firstFormat: null, firstCopies: [] }],
      updated: [[now, now]],
      removed: [],
    });
    await back();
    expect(await stored()).toEqual(before);
    await source.runMigrations({ transaction: 'all' });
    await source.query('DELETE FROM computer');
  });

  it('can each be undone and done again', async () => {
    expect(migrations.length).toBeGreaterThan(0);
    for (let left = migrations.length; left > 0; left -= 1) {
      await source.undoLastMigration({ transaction: 'all' });
    }
    const left: { count: number }[] = await source.query(
      `SELECT count(*)::int count FROM information_schema.tables WHERE table_schema = 'public'
        AND table_name <> 'migrations'`,
    );
    expect(left[0]?.count).toBe(0);
    expect(await source.runMigrations({ transaction: 'all' })).toHaveLength(migrations.length);
  });
});
