import type { MigrationInterface, QueryRunner } from 'typeorm';

/* How accounts came to be looked after by those whose they are. */

/** Devices that somebody is signed in on are listed; letters for those who have forgotten a password. */
export class Devices1700000000018 implements MigrationInterface {
  name = 'Devices1700000000018';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE session
        ADD COLUMN id uuid NOT NULL DEFAULT gen_random_uuid(),
        ADD COLUMN created_at timestamptz NOT NULL DEFAULT now(),
        ADD COLUMN device text NOT NULL DEFAULT '';
      CREATE TABLE password_letter (
        token_hash text PRIMARY KEY,
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        ends_at timestamptz NOT NULL
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE password_letter;
      ALTER TABLE session DROP COLUMN id, DROP COLUMN created_at, DROP COLUMN device`);
  }
}
