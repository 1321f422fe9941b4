import type { MigrationInterface, QueryRunner } from 'typeorm';

/* How decks came to be shared: by letter, as copies, at an address, with what is said to them. */

/** Decks are offered by letter, and letters that are not sent are kept. */
export class Invitations1700000000013 implements MigrationInterface {
  name = 'Invitations1700000000013';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE invitation (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        deck_id uuid NOT NULL REFERENCES deck ON DELETE CASCADE,
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        email text NOT NULL,
        role text NOT NULL CONSTRAINT invitation_role_check
          CHECK (role IN ('coauthor', 'commenter', 'viewer')),
        token_hash text NOT NULL,
        answer text CONSTRAINT invitation_answer_check
          CHECK (answer IN ('accepted', 'declined', 'withdrawn')),
        ends_at timestamptz NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        UNIQUE (deck_id, email)
      );
      CREATE UNIQUE INDEX invitation_by_token ON invitation (token_hash);
      CREATE TABLE mail (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        address text NOT NULL,
        subject text NOT NULL,
        words text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE invitation; DROP TABLE mail');
  }
}

/** Copies of a deck can be taken by whoever has an address, and know what they were made from. */
export class Copies1700000000014 implements MigrationInterface {
  name = 'Copies1700000000014';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE deck ADD COLUMN origins jsonb NOT NULL DEFAULT '[]', ADD COLUMN copy_token text;
      CREATE UNIQUE INDEX deck_by_copy_token ON deck (copy_token)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE deck DROP COLUMN origins, DROP COLUMN copy_token');
  }
}

/** Decks that have an address for anyone, and how often they are opened and walked. */
export class Publications1700000000015 implements MigrationInterface {
  name = 'Publications1700000000015';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE publication (
        deck_id uuid PRIMARY KEY REFERENCES deck ON DELETE CASCADE,
        code text NOT NULL UNIQUE,
        title text NOT NULL,
        edition_id uuid NOT NULL REFERENCES edition,
        document bytea NOT NULL,
        picture text,
        pass_hash text,
        pass_token text,
        allows_tries boolean NOT NULL,
        allows_copies boolean NOT NULL,
        sites jsonb,
        ends_at timestamptz,
        published_at timestamptz NOT NULL DEFAULT now(),
        withdrawn_at timestamptz
      );
      CREATE TABLE published_day (
        deck_id uuid NOT NULL REFERENCES publication ON DELETE CASCADE,
        day date NOT NULL,
        openings integer NOT NULL,
        PRIMARY KEY (deck_id, day)
      );
      CREATE TABLE published_step (
        deck_id uuid NOT NULL REFERENCES publication ON DELETE CASCADE,
        slide_id text NOT NULL,
        via text NOT NULL,
        count integer NOT NULL,
        PRIMARY KEY (deck_id, slide_id, via)
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      'DROP TABLE published_step; DROP TABLE published_day; DROP TABLE publication',
    );
  }
}

/** What those who have a deck say to its slides. */
export class Comments1700000000016 implements MigrationInterface {
  name = 'Comments1700000000016';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE deck_comment (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        deck_id uuid NOT NULL REFERENCES deck ON DELETE CASCADE,
        under_id uuid REFERENCES deck_comment ON DELETE CASCADE,
        slide_id text NOT NULL,
        element_id text,
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        words text NOT NULL,
        mentions uuid[] NOT NULL DEFAULT '{}',
        created_at timestamptz NOT NULL DEFAULT now(),
        changed_at timestamptz,
        done_at timestamptz
      );
      CREATE INDEX deck_comment_by_deck ON deck_comment (deck_id, created_at)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE deck_comment');
  }
}

/** Shows that are followed, and steered from several devices. */
export class Shows1700000000017 implements MigrationInterface {
  name = 'Shows1700000000017';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE show (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        deck_id uuid NOT NULL REFERENCES deck ON DELETE CASCADE,
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        code text NOT NULL,
        secret text NOT NULL,
        edition_id uuid REFERENCES edition ON DELETE SET NULL,
        place jsonb,
        spent jsonb NOT NULL DEFAULT '{}',
        started_at timestamptz NOT NULL DEFAULT now(),
        ended_at timestamptz
      );
      CREATE UNIQUE INDEX show_by_code ON show (code) WHERE ended_at IS NULL;
      CREATE INDEX show_by_teacher ON show (teacher_id);
      CREATE TABLE show_remote (
        token_hash text PRIMARY KEY,
        show_id uuid NOT NULL REFERENCES show ON DELETE CASCADE,
        code text,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE UNIQUE INDEX show_remote_by_code ON show_remote (code) WHERE code IS NOT NULL`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE show_remote; DROP TABLE show');
  }
}
