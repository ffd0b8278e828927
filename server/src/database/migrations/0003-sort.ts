/**
 * What the user says of plugins, copies and vendors; what speaks for how each plugin came out;
 * pictures of the user's own.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const tables = [
  `answer (plugin_id uuid NOT NULL, kind text, types jsonb, vendor text, licence jsonb, tags jsonb NOT NULL, notes text NOT NULL, is_hidden boolean NOT NULL, picture uuid,
     CONSTRAINT answer_pkey PRIMARY KEY (plugin_id), CONSTRAINT answer_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE)`,
  `belonging (copy_id uuid NOT NULL, plugin_id uuid NOT NULL, before_id uuid NOT NULL, CONSTRAINT belonging_pkey PRIMARY KEY (copy_id),
     CONSTRAINT belonging_copy_id_fkey FOREIGN KEY (copy_id) REFERENCES copy (id) ON DELETE CASCADE,
     CONSTRAINT belonging_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE,
     CONSTRAINT belonging_before_id_fkey FOREIGN KEY (before_id) REFERENCES plugin (id) ON DELETE CASCADE)`,
  `spelling (id uuid NOT NULL, computer_id uuid NOT NULL, spelling text NOT NULL, vendor text NOT NULL, CONSTRAINT spelling_pkey PRIMARY KEY (id),
     CONSTRAINT spelling_spelling_key UNIQUE (computer_id, spelling),
     CONSTRAINT spelling_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `picture (id uuid NOT NULL, computer_id uuid NOT NULL, bytes bytea NOT NULL, at timestamptz NOT NULL, CONSTRAINT picture_pkey PRIMARY KEY (id),
     CONSTRAINT picture_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `preference (computer_id uuid NOT NULL, formats jsonb NOT NULL, CONSTRAINT preference_pkey PRIMARY KEY (computer_id),
     CONSTRAINT preference_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
];

export class Sort1763900000003 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of tables) {
      await runner.query(`CREATE TABLE ${table}`);
    }
    await runner.query(
      'ALTER TABLE plugin DROP CONSTRAINT plugin_key_key, DROP COLUMN key, ADD COLUMN grounds jsonb',
    );
    await runner.query('CREATE INDEX plugin_computer_idx ON plugin (computer_id)');
    await runner.query(`ALTER TABLE computer ADD COLUMN doubts jsonb NOT NULL DEFAULT '[]'`);
    await runner.query('ALTER TABLE computer ALTER COLUMN doubts DROP DEFAULT');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE computer DROP COLUMN doubts');
    await runner.query('DROP INDEX plugin_computer_idx');
    await runner.query('ALTER TABLE plugin DROP COLUMN grounds, ADD COLUMN key text');
    await runner.query('UPDATE plugin SET key = id::text');
    await runner.query(
      'ALTER TABLE plugin ALTER COLUMN key SET NOT NULL, ADD CONSTRAINT plugin_key_key UNIQUE (computer_id, key)',
    );
    for (const table of ['preference', 'picture', 'spelling', 'belonging', 'answer']) {
      await runner.query(`DROP TABLE ${table}`);
    }
  }
}
