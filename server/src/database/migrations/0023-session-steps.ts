/** What was done to a session, so that it can be taken back and done again. */
import type { MigrationInterface, QueryRunner } from 'typeorm';

export class SessionSteps1763900000023 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE session_step (
      id uuid PRIMARY KEY,
      computer_id uuid NOT NULL CONSTRAINT session_step_computer_id_fkey REFERENCES computer ON DELETE CASCADE,
      number integer NOT NULL,
      words text NOT NULL,
      is_undone boolean NOT NULL,
      session jsonb NOT NULL,
      CONSTRAINT session_step_number_key UNIQUE (computer_id, number))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE session_step');
  }
}
