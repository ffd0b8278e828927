/** The first tables: computers, places, copies, plugins, the order, scans, the practice session and loads. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

const tables = [
  `computer (id uuid CONSTRAINT computer_pkey PRIMARY KEY, name text NOT NULL, revision integer NOT NULL, created_at timestamptz NOT NULL)`,
  `place (id uuid CONSTRAINT place_pkey PRIMARY KEY, computer_id uuid NOT NULL, path text NOT NULL, formats jsonb NOT NULL, added_at timestamptz NOT NULL,
     CONSTRAINT place_path_key UNIQUE (computer_id, path),
     CONSTRAINT place_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `bundle (computer_id uuid NOT NULL, format text NOT NULL, path text NOT NULL, place_id uuid, fingerprint text NOT NULL,
     CONSTRAINT bundle_pkey PRIMARY KEY (computer_id, format, path),
     CONSTRAINT bundle_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE,
     CONSTRAINT bundle_place_id_fkey FOREIGN KEY (place_id) REFERENCES place (id) ON DELETE SET NULL)`,
  `plugin (id uuid CONSTRAINT plugin_pkey PRIMARY KEY, computer_id uuid NOT NULL, key text NOT NULL, name text NOT NULL, vendor text, kind text NOT NULL,
     types jsonb NOT NULL, arrived_at timestamptz NOT NULL,
     CONSTRAINT plugin_key_key UNIQUE (computer_id, key),
     CONSTRAINT plugin_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `copy (id uuid CONSTRAINT copy_pkey PRIMARY KEY, computer_id uuid NOT NULL, plugin_id uuid, place_id uuid, key text NOT NULL, format text NOT NULL,
     path text NOT NULL, status text NOT NULL, state text NOT NULL, facts jsonb NOT NULL, first_seen_at timestamptz NOT NULL, last_seen_at timestamptz NOT NULL,
     CONSTRAINT copy_key_key UNIQUE (computer_id, key),
     CONSTRAINT copy_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE,
     CONSTRAINT copy_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE SET NULL,
     CONSTRAINT copy_place_id_fkey FOREIGN KEY (place_id) REFERENCES place (id) ON DELETE SET NULL)`,
  `cabinet (id uuid CONSTRAINT cabinet_pkey PRIMARY KEY, computer_id uuid NOT NULL, name text NOT NULL, position text NOT NULL,
     CONSTRAINT cabinet_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `folder (id uuid CONSTRAINT folder_pkey PRIMARY KEY, cabinet_id uuid NOT NULL, parent_id uuid, form text NOT NULL, name text NOT NULL, position text NOT NULL, rule jsonb,
     CONSTRAINT folder_cabinet_id_fkey FOREIGN KEY (cabinet_id) REFERENCES cabinet (id) ON DELETE CASCADE,
     CONSTRAINT folder_parent_id_fkey FOREIGN KEY (parent_id) REFERENCES folder (id) ON DELETE CASCADE)`,
  `placement (id uuid CONSTRAINT placement_pkey PRIMARY KEY, folder_id uuid NOT NULL, plugin_id uuid NOT NULL, position text NOT NULL,
     CONSTRAINT placement_plugin_key UNIQUE (folder_id, plugin_id),
     CONSTRAINT placement_folder_id_fkey FOREIGN KEY (folder_id) REFERENCES folder (id) ON DELETE CASCADE,
     CONSTRAINT placement_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE)`,
  `naming (plugin_id uuid NOT NULL, nickname text, slot_label text, CONSTRAINT naming_pkey PRIMARY KEY (plugin_id),
     CONSTRAINT naming_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE)`,
  `change (computer_id uuid NOT NULL, number integer NOT NULL, at timestamptz NOT NULL, words text NOT NULL, state text NOT NULL, change jsonb NOT NULL,
     CONSTRAINT change_pkey PRIMARY KEY (computer_id, number),
     CONSTRAINT change_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `scan (id uuid CONSTRAINT scan_pkey PRIMARY KEY, computer_id uuid NOT NULL, started_at timestamptz NOT NULL, ended_at timestamptz, state text NOT NULL,
     looked integer NOT NULL, counts jsonb NOT NULL,
     CONSTRAINT scan_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `finding (id uuid CONSTRAINT finding_pkey PRIMARY KEY, scan_id uuid NOT NULL, number integer NOT NULL, sort text NOT NULL, plugin_id uuid, name text NOT NULL,
     vendor text, format text NOT NULL, path text NOT NULL, "from" text, "to" text, problem jsonb,
     CONSTRAINT finding_scan_id_fkey FOREIGN KEY (scan_id) REFERENCES scan (id) ON DELETE CASCADE,
     CONSTRAINT finding_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE SET NULL)`,
  `track (id uuid CONSTRAINT track_pkey PRIMARY KEY, computer_id uuid NOT NULL, name text NOT NULL, sort text NOT NULL, number integer NOT NULL,
     CONSTRAINT track_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`,
  `slot (id uuid CONSTRAINT slot_pkey PRIMARY KEY, track_id uuid NOT NULL, number integer NOT NULL, plugin_id uuid NOT NULL, copy_id uuid,
     CONSTRAINT slot_track_id_fkey FOREIGN KEY (track_id) REFERENCES track (id) ON DELETE CASCADE,
     CONSTRAINT slot_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE,
     CONSTRAINT slot_copy_id_fkey FOREIGN KEY (copy_id) REFERENCES copy (id) ON DELETE SET NULL)`,
  `load (id uuid CONSTRAINT load_pkey PRIMARY KEY, computer_id uuid NOT NULL, plugin_id uuid NOT NULL, copy_id uuid, at timestamptz NOT NULL, track text NOT NULL,
     after_plugin_id uuid, typed text, keys integer,
     CONSTRAINT load_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE,
     CONSTRAINT load_plugin_id_fkey FOREIGN KEY (plugin_id) REFERENCES plugin (id) ON DELETE CASCADE,
     CONSTRAINT load_copy_id_fkey FOREIGN KEY (copy_id) REFERENCES copy (id) ON DELETE SET NULL,
     CONSTRAINT load_after_plugin_id_fkey FOREIGN KEY (after_plugin_id) REFERENCES plugin (id) ON DELETE SET NULL)`,
];
const indices = [
  'copy_plugin_idx ON copy (plugin_id)',
  'placement_plugin_idx ON placement (plugin_id)',
  'finding_scan_idx ON finding (scan_id)',
  'load_plugin_idx ON load (plugin_id)',
];

export class FirstOrder1763900000001 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of tables) {
      await runner.query(`CREATE TABLE ${table}`);
    }
    for (const index of indices) {
      await runner.query(`CREATE INDEX ${index}`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [...tables].reverse()) {
      await runner.query(`DROP TABLE "${table.slice(0, table.indexOf(' '))}"`);
    }
  }
}
