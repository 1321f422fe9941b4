import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The first schema. Documents live in `doc_update` and `doc_state`; everything else is rows. */
export class FirstSchema1700000000000 implements MigrationInterface {
  name = 'FirstSchema1700000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE teacher (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        email text NOT NULL UNIQUE,
        name text NOT NULL,
        password_hash text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE session (
        token_hash text PRIMARY KEY,
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        expires_at timestamptz NOT NULL
      );
      CREATE TABLE failure (key text NOT NULL, at timestamptz NOT NULL DEFAULT now());
      CREATE INDEX failure_by_key ON failure (key, at);

      CREATE TABLE deck (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        title text NOT NULL,
        summary jsonb NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        changed_at timestamptz NOT NULL DEFAULT now(),
        trashed_at timestamptz
      );
      CREATE TABLE deck_person (
        deck_id uuid NOT NULL REFERENCES deck ON DELETE CASCADE,
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        role text NOT NULL CHECK (role IN ('owner', 'coauthor')),
        PRIMARY KEY (deck_id, teacher_id)
      );
      CREATE INDEX deck_person_by_teacher ON deck_person (teacher_id);

      CREATE TABLE class_list (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        name text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE class_student (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        class_list_id uuid NOT NULL REFERENCES class_list ON DELETE CASCADE,
        name text NOT NULL
      );
      CREATE INDEX class_student_by_list ON class_student (class_list_id);

      CREATE TABLE asset (
        hash text PRIMARY KEY,
        media_type text NOT NULL,
        width int NOT NULL,
        height int NOT NULL,
        is_animated boolean NOT NULL,
        bytes bytea NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE asset_size (
        hash text NOT NULL REFERENCES asset ON DELETE CASCADE,
        width int NOT NULL,
        media_type text NOT NULL,
        bytes bytea NOT NULL,
        PRIMARY KEY (hash, width)
      );

      CREATE TABLE edition (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        deck_id uuid NOT NULL REFERENCES deck ON DELETE CASCADE,
        deck jsonb NOT NULL,
        student_view jsonb NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE lesson (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        deck_id uuid NOT NULL REFERENCES deck ON DELETE CASCADE,
        edition_id uuid NOT NULL REFERENCES edition,
        class_list_id uuid REFERENCES class_list ON DELETE SET NULL,
        title text NOT NULL,
        join_code text NOT NULL,
        allows_typed_names boolean NOT NULL,
        state jsonb NOT NULL,
        line_up jsonb NOT NULL DEFAULT '[]',
        started_at timestamptz NOT NULL DEFAULT now(),
        ended_at timestamptz
      );
      CREATE UNIQUE INDEX lesson_running_code ON lesson (join_code) WHERE ended_at IS NULL;
      CREATE INDEX lesson_by_deck ON lesson (deck_id);

      CREATE TABLE folio (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        lesson_id uuid NOT NULL REFERENCES lesson ON DELETE CASCADE,
        class_student_id uuid REFERENCES class_student ON DELETE SET NULL,
        name text NOT NULL,
        return_code text NOT NULL,
        leaves jsonb NOT NULL DEFAULT '[]',
        joined_at timestamptz NOT NULL DEFAULT now(),
        handed_in_at timestamptz
      );
      CREATE UNIQUE INDEX folio_name ON folio (lesson_id, lower(name));
      CREATE UNIQUE INDEX folio_return_code ON folio (lesson_id, return_code);
      CREATE TABLE student_token (
        token_hash text PRIMARY KEY,
        folio_id uuid NOT NULL REFERENCES folio ON DELETE CASCADE,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE attempt (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        folio_id uuid NOT NULL REFERENCES folio ON DELETE CASCADE,
        number int NOT NULL,
        folio jsonb NOT NULL,
        document bytea NOT NULL,
        handed_in_at timestamptz NOT NULL DEFAULT now(),
        UNIQUE (folio_id, number)
      );
      CREATE TABLE answer (
        folio_id uuid NOT NULL REFERENCES folio ON DELETE CASCADE,
        question_id text NOT NULL,
        answer jsonb NOT NULL,
        score real,
        answered_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (folio_id, question_id)
      );
      CREATE TABLE placement (
        folio_id uuid NOT NULL REFERENCES folio ON DELETE CASCADE,
        slide_id text NOT NULL,
        element_id text NOT NULL,
        x real NOT NULL,
        y real NOT NULL,
        zone_id text,
        PRIMARY KEY (folio_id, slide_id, element_id)
      );
      CREATE TABLE visit (
        folio_id uuid NOT NULL REFERENCES folio ON DELETE CASCADE,
        seq int NOT NULL,
        slide_id text NOT NULL,
        via text NOT NULL,
        at timestamptz NOT NULL,
        PRIMARY KEY (folio_id, seq)
      );

      CREATE TABLE doc_update (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        name text NOT NULL,
        data bytea NOT NULL
      );
      CREATE INDEX doc_update_by_name ON doc_update (name, id);
      CREATE TABLE doc_state (name text PRIMARY KEY, data bytea NOT NULL);
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TABLE doc_state, doc_update, visit, placement, answer, attempt, student_token, folio, lesson,
        edition, asset_size, asset, class_student, class_list, deck_person, deck, failure, session, teacher`);
  }
}
