/**
 * Setting aside is an act of the order, on copies: what is known of them stays, and undo takes it
 * back. Copies of files that were set aside count as there until a scan says otherwise.
 */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class SetAside1763900000024 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE set_aside (
      copy_id uuid PRIMARY KEY CONSTRAINT set_aside_copy_id_fkey REFERENCES copy ON DELETE CASCADE)`);
    await runner.query(`INSERT INTO set_aside SELECT id FROM copy WHERE state = 'aside'`);
    await runner.query(`UPDATE copy SET state = 'present' WHERE state = 'aside'`);
    await runner.query('DROP TABLE aside');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE aside (computer_id uuid NOT NULL, path text NOT NULL, name text NOT NULL, at timestamptz NOT NULL, CONSTRAINT aside_pkey PRIMARY KEY (computer_id, path),
      CONSTRAINT aside_computer_id_fkey FOREIGN KEY (computer_id) REFERENCES computer (id) ON DELETE CASCADE)`);
    await runner.query(`INSERT INTO aside SELECT DISTINCT ON (computer_id, path) computer_id, path,
      coalesce(facts->>'name', path), now()
      FROM copy c WHERE EXISTS (SELECT FROM set_aside a WHERE a.copy_id = c.id)
        AND NOT EXISTS (SELECT FROM copy o WHERE o.computer_id = c.computer_id AND o.path = c.path
          AND NOT EXISTS (SELECT FROM set_aside a WHERE a.copy_id = o.id))`);
    await runner.query(`UPDATE copy SET state = 'aside'
      WHERE EXISTS (SELECT FROM aside a WHERE a.computer_id = copy.computer_id AND a.path = copy.path)`);
    await runner.query('DROP TABLE set_aside');
  }
}
