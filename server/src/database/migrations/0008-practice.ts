/**
 * A session is what its host says of it, kept whole; sessions can be saved; loads tell how long
 * they took, and learning can be off.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const settings = `'{"formats": ["VST2", "VST3", "AU", "CLAP", "LV2", "LADSPA"], "takes32Bit": false}'::jsonb`;

const up = [
  `practice (computer_id uuid CONSTRAINT practice_pkey PRIMARY KEY, session jsonb NOT NULL, CONSTRAINT practice_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `saved_session (id uuid CONSTRAINT saved_session_pkey PRIMARY KEY, computer_id uuid NOT NULL, name text NOT NULL, saved_at timestamptz NOT NULL, session jsonb NOT NULL,
     CONSTRAINT saved_session_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
].map((table) => `CREATE TABLE ${table}`);

/** What stood in slots, as hosts name it. */
const slots = `coalesce((SELECT jsonb_agg(jsonb_build_object('id', s.id, 'isBypassed', false, 'problem', null, 'copy', jsonb_build_object('format', c.format, 'path', c.path, 'identity', c.facts->'identity', 'binary', c.facts->'binary', 'vendor', c.facts->'vendor', 'name', coalesce(c.facts->>'name', p.name))) ORDER BY s.number)
    FROM slot s JOIN copy c ON c.id = s.copy_id JOIN plugin p ON p.id = s.plugin_id WHERE s.track_id = t.id), '[]')`;

export class Practice1763900000008 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) {
      await runner.query(statement);
    }
    await runner.query(`INSERT INTO practice (computer_id, session) SELECT c.id, jsonb_build_object('name', 'Practice session', 'settings', ${settings}, 'tracks',
      coalesce((SELECT jsonb_agg(jsonb_build_object('id', t.id, 'name', t.name, 'sort', t.sort, 'slots', ${slots}) ORDER BY t.number) FROM track t WHERE t.computer_id = c.id), '[]')) FROM computer c`);
    await runner.query('DROP TABLE slot');
    await runner.query('DROP TABLE track');
    await runner.query('ALTER TABLE load ADD COLUMN took integer');
    await runner.query('ALTER TABLE computer ADD COLUMN is_learning boolean NOT NULL DEFAULT true');
    await runner.query('ALTER TABLE computer ALTER COLUMN is_learning DROP DEFAULT');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE computer DROP COLUMN is_learning');
    await runner.query('ALTER TABLE load DROP COLUMN took');
    await runner.query(`CREATE TABLE track (id uuid CONSTRAINT track_pkey PRIMARY KEY, computer_id uuid NOT NULL, name text NOT NULL, sort text NOT NULL, number integer NOT NULL,
      CONSTRAINT track_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`);
    await runner.query(`CREATE TABLE slot (id uuid CONSTRAINT slot_pkey PRIMARY KEY, track_id uuid NOT NULL, number integer NOT NULL, plugin_id uuid NOT NULL, copy_id uuid,
      CONSTRAINT slot_track_id_fkey FOREIGN KEY (track_id) REFERENCES track (id) ON DELETE CASCADE, CONSTRAINT slot_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE,
      CONSTRAINT slot_copy_id_fkey FOREIGN KEY (copy_id) REFERENCES copy (id) ON DELETE SET NULL)`);
    await runner.query(
      `INSERT INTO track (id, computer_id, name, sort, number) SELECT (t.value->>'id')::uuid, p.computer_id, t.value->>'name', t.value->>'sort', t.ordinality - 1 FROM practice p, jsonb_array_elements(p.session->'tracks') WITH ORDINALITY t`,
    );
    await runner.query(`INSERT INTO slot (id, track_id, number, plugin_id, copy_id) SELECT (s.value->>'id')::uuid, (t->>'id')::uuid, s.ordinality - 1, c.plugin_id, c.id FROM practice p, jsonb_array_elements(p.session->'tracks') t, jsonb_array_elements(t->'slots') WITH ORDINALITY s
      JOIN copy c ON c.path = s.value->'copy'->>'path' AND c.format = s.value->'copy'->>'format' AND c.plugin_id IS NOT NULL AND c.facts->'identity' = s.value->'copy'->'identity' WHERE c.computer_id = p.computer_id`);
    await runner.query('DROP TABLE saved_session');
    await runner.query('DROP TABLE practice');
  }
}
