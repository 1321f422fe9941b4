import { noteUses, hashesIn } from '../assets/uses.js';
import { readPlainDeck, studentView, sure } from '@gobrel/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { Devices1700000000018 } from './AccountsSchema.js';
import { FirstSchema1700000000000 } from './FirstSchema.js';
import {
  Comments1700000000016,
  Shows1700000000017,
  Copies1700000000014,
  Invitations1700000000013,
  Publications1700000000015,
} from './SharingSchema.js';

/** Files that decks link to, and the trails and sections that decks have since. */
export class FilesAndTrails1700000000001 implements MigrationInterface {
  name = 'FilesAndTrails1700000000001';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE file (
        hash text PRIMARY KEY,
        bytes bytea NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      UPDATE edition SET
        deck = '{"sections": {}, "trails": [], "defaultTrailId": null, "setAside": {}}' || deck,
        student_view =
          '{"sections": {}, "trails": [], "defaultTrailId": null, "setAside": {}}' || student_view;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE file');
  }
}

/** Sounds and videos, in parts that are handed out one by one; editions as slides are read since. */
export class MediaAndStage1700000000002 implements MigrationInterface {
  name = 'MediaAndStage1700000000002';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE media (
        hash text PRIMARY KEY,
        media_type text NOT NULL,
        size int NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      CREATE TABLE media_part (
        hash text NOT NULL REFERENCES media ON DELETE CASCADE,
        part int NOT NULL,
        bytes bytea NOT NULL,
        PRIMARY KEY (hash, part)
      );
    `);
    await readEditionsAnew(runner);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE media_part, media');
  }
}

/** What lessons, their classes and their results have since: settings, joining, marks by hand, starters. */
export class LessonsAndResults1700000000003 implements MigrationInterface {
  name = 'LessonsAndResults1700000000003';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE starter (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        title text NOT NULL,
        clip jsonb NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      ALTER TABLE lesson
        ADD COLUMN settings jsonb NOT NULL DEFAULT '{}',
        ADD COLUMN opens_at timestamptz,
        ADD COLUMN closes_at timestamptz,
        ADD COLUMN asked jsonb NOT NULL DEFAULT '[]',
        ADD COLUMN starred jsonb NOT NULL DEFAULT '[]',
        ADD COLUMN likened jsonb NOT NULL DEFAULT '{}';
      ALTER TABLE folio
        ADD COLUMN status text NOT NULL DEFAULT 'in',
        ADD COLUMN hand_up_at timestamptz,
        ADD COLUMN is_practice boolean NOT NULL DEFAULT false,
        ADD COLUMN active_at timestamptz,
        ADD COLUMN may_add_device boolean NOT NULL DEFAULT false;
      ALTER TABLE answer ADD COLUMN is_late boolean NOT NULL DEFAULT false;
      CREATE TABLE mark (
        folio_id uuid NOT NULL REFERENCES folio ON DELETE CASCADE,
        question_id text NOT NULL,
        score real,
        comment text NOT NULL DEFAULT '',
        stamp text NOT NULL DEFAULT '',
        marked_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (folio_id, question_id)
      );
      CREATE TABLE vote (
        folio_id uuid NOT NULL REFERENCES folio ON DELETE CASCADE,
        slide_id text NOT NULL,
        link_id text NOT NULL,
        PRIMARY KEY (folio_id, slide_id)
      );
      CREATE TABLE lesson_block (
        lesson_id uuid NOT NULL REFERENCES lesson ON DELETE CASCADE,
        name text NOT NULL,
        PRIMARY KEY (lesson_id, name)
      );
      CREATE TABLE screen (
        token_hash text PRIMARY KEY,
        code text UNIQUE,
        lesson_id uuid REFERENCES lesson ON DELETE CASCADE,
        created_at timestamptz NOT NULL DEFAULT now()
      );
      ALTER TABLE class_list ADD COLUMN archived_at timestamptz;
      ALTER TABLE class_student ADD COLUMN group_name text NOT NULL DEFAULT '';
    `);
    await readEditionsAnew(runner);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DROP TABLE starter, mark, vote, lesson_block, screen;
      ALTER TABLE lesson DROP COLUMN settings, DROP COLUMN opens_at, DROP COLUMN closes_at,
        DROP COLUMN asked, DROP COLUMN starred, DROP COLUMN likened;
      ALTER TABLE folio DROP COLUMN status, DROP COLUMN hand_up_at, DROP COLUMN is_practice, DROP COLUMN active_at,
        DROP COLUMN may_add_device;
      ALTER TABLE answer DROP COLUMN is_late;
      ALTER TABLE class_list DROP COLUMN archived_at;
      ALTER TABLE class_student DROP COLUMN group_name;
    `);
  }
}

/** A folio that a group shares is known by its group: a name that is typed or changed later says nothing. */
export class SharedFolios1700000000004 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE folio ADD COLUMN group_name text;
      CREATE UNIQUE INDEX folio_group ON folio (lesson_id, group_name) WHERE group_name IS NOT NULL;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE folio DROP COLUMN group_name');
  }
}

/**
 * How far the rows of a folio follow its document, so that what was stored and never projected is found without
 * anybody opening it; and what makes joining repeatable.
 */
export class RowsFollowDocuments1700000000005 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE folio
        ADD COLUMN projected_to bigint NOT NULL DEFAULT 0,
        ADD COLUMN join_key uuid,
        ADD COLUMN uploaded_bytes bigint NOT NULL DEFAULT 0;
      CREATE UNIQUE INDEX folio_join_key ON folio (lesson_id, join_key) WHERE join_key IS NOT NULL;
      ALTER TABLE lesson_block ADD COLUMN written text;
      ALTER TABLE session ADD COLUMN seen_at timestamptz NOT NULL DEFAULT now();
      ALTER TABLE doc_update ADD COLUMN received_at timestamptz NOT NULL DEFAULT now();
      ALTER TABLE doc_state ADD COLUMN up_to bigint NOT NULL DEFAULT 0, ADD COLUMN received_at timestamptz;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE folio DROP COLUMN projected_to, DROP COLUMN join_key, DROP COLUMN uploaded_bytes;
      ALTER TABLE lesson_block DROP COLUMN written;
      ALTER TABLE session DROP COLUMN seen_at;
      ALTER TABLE doc_update DROP COLUMN received_at;
      ALTER TABLE doc_state DROP COLUMN up_to, DROP COLUMN received_at;
    `);
  }
}

/** Answers that their student is done with: they show their mark at once, and stand where the lesson says so. */
export class DoneAnswers1700000000006 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE answer
        ADD COLUMN is_done boolean NOT NULL DEFAULT false,
        ADD COLUMN is_locked boolean NOT NULL DEFAULT false;
    `);
    await readEditionsAnew(runner);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE answer DROP COLUMN is_done, DROP COLUMN is_locked');
  }
}

/** What uses each picture: it is shown to those who may read that, and goes when nothing does. */
export class PictureUses1700000000007 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE asset_use (
        hash text NOT NULL,
        name text NOT NULL,
        PRIMARY KEY (hash, name)
      );
      CREATE INDEX asset_use_by_name ON asset_use (name text_pattern_ops);
    `);
    await noteUsesOfAll(runner);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE asset_use');
  }
}

/**
 * Changes on their way into a document, pictures and sounds are stored as they come: the first are folded soon, the
 * others are packed already, and packing took more of the database's time than all else about a large one.
 */
export class StoreAsTheyCome1700000000008 implements MigrationInterface {
  name = 'StoreAsTheyCome1700000000008';

  async up(runner: QueryRunner): Promise<void> {
    for (const column of PACKED_ALREADY)
      await runner.query(`ALTER TABLE ${column} SET STORAGE EXTERNAL`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const column of PACKED_ALREADY)
      await runner.query(`ALTER TABLE ${column} SET STORAGE EXTENDED`);
  }
}
const PACKED_ALREADY = [
  'doc_update ALTER COLUMN data',
  'asset ALTER COLUMN bytes',
  'asset_size ALTER COLUMN bytes',
  'media_part ALTER COLUMN bytes',
  'file ALTER COLUMN bytes',
];

/** Sounds and files, too, are given to those who may read what uses them, and go when nothing does. */
export class UsesOfAll1700000000009 implements MigrationInterface {
  name = 'UsesOfAll1700000000009';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE asset_use DROP CONSTRAINT IF EXISTS asset_use_hash_fkey');
    await noteUsesOfAll(runner);
    // Nobody knows who brought what is there: it has its time of grace from now on.
    await runner.query('UPDATE media SET created_at = now(); UPDATE file SET created_at = now()');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `DELETE FROM asset_use u WHERE NOT EXISTS (SELECT 1 FROM asset a WHERE a.hash = u.hash);
       ALTER TABLE asset_use ADD CONSTRAINT asset_use_hash_fkey
         FOREIGN KEY (hash) REFERENCES asset ON DELETE CASCADE`,
    );
  }
}

/** A deck can be shared with people who comment on it, or look at it. */
export class MoreRoles1700000000010 implements MigrationInterface {
  name = 'MoreRoles1700000000010';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE deck_person DROP CONSTRAINT deck_person_role_check, ADD CONSTRAINT deck_person_role_check
         CHECK (role IN ('owner', 'coauthor', 'commenter', 'viewer'))`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `DELETE FROM deck_person WHERE role NOT IN ('owner', 'coauthor');
       ALTER TABLE deck_person DROP CONSTRAINT deck_person_role_check, ADD CONSTRAINT deck_person_role_check
         CHECK (role IN ('owner', 'coauthor'))`,
    );
  }
}

/** Every row has a name of its own. */
export class FailureIds1700000000011 implements MigrationInterface {
  name = 'FailureIds1700000000011';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE failure ADD COLUMN id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE failure DROP COLUMN id');
  }
}

/** Themes of their own that teachers keep for other decks. */
export class KeptThemes1700000000012 implements MigrationInterface {
  name = 'KeptThemes1700000000012';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE kept_theme (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        teacher_id uuid NOT NULL REFERENCES teacher ON DELETE CASCADE,
        theme jsonb NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE kept_theme');
  }
}

/** From the first to the last. */
export const MIGRATIONS = [
  FirstSchema1700000000000,
  FilesAndTrails1700000000001,
  MediaAndStage1700000000002,
  LessonsAndResults1700000000003,
  SharedFolios1700000000004,
  RowsFollowDocuments1700000000005,
  DoneAnswers1700000000006,
  PictureUses1700000000007,
  StoreAsTheyCome1700000000008,
  UsesOfAll1700000000009,
  MoreRoles1700000000010,
  FailureIds1700000000011,
  KeptThemes1700000000012,
  Invitations1700000000013,
  Copies1700000000014,
  Publications1700000000015,
  Comments1700000000016,
  Shows1700000000017,
  Devices1700000000018,
];

/** Reads off all that is stored what it uses. */
async function noteUsesOfAll(runner: QueryRunner): Promise<void> {
  // One at a time: documents and editions may be large.
  for (const [list, read] of [
    ['SELECT id, name FROM doc_update', 'SELECT data AS stored FROM doc_update WHERE id = $1'],
    [
      'SELECT name AS id, name FROM doc_state',
      'SELECT data AS stored FROM doc_state WHERE name = $1',
    ],
    [
      `SELECT id, 'edition:' || id AS name FROM edition`,
      'SELECT deck::text AS stored FROM edition WHERE id = $1',
    ],
    [
      `SELECT id, 'edition:' || id || '#student' AS name FROM edition`,
      'SELECT student_view::text AS stored FROM edition WHERE id = $1',
    ],
    [
      `SELECT id, 'starter:' || id AS name FROM starter`,
      'SELECT clip::text AS stored FROM starter WHERE id = $1',
    ],
    [
      `SELECT folio_id || '#' || number AS id, 'folio:' || folio_id || '#' || number AS name FROM attempt`,
      `SELECT document AS stored FROM attempt WHERE folio_id || '#' || number = $1`,
    ],
  ] as const) {
    for (const { id, name } of (await runner.query(list)) as { id: string; name: string }[]) {
      const [row] = (await runner.query(read, [id])) as { stored: Buffer | string }[];
      const uses = hashesIn(sure(row, 'what is listed is stored').stored).map((hash) => ({
        hash,
        name,
      }));
      await noteUses(runner, uses);
    }
  }
}

/** Editions as decks are read by now: what slides and questions have since is there, as in an old deck. */
async function readEditionsAnew(runner: QueryRunner): Promise<void> {
  const editions = (await runner.query('SELECT id FROM edition')) as { id: string }[];
  for (const { id } of editions) {
    const [row] = (await runner.query('SELECT deck FROM edition WHERE id = $1', [id])) as {
      deck: unknown;
    }[];
    const deck = readPlainDeck(sure(row, 'what is listed is stored').deck);
    await runner.query('UPDATE edition SET deck = $2, student_view = $3 WHERE id = $1', [
      id,
      JSON.stringify(deck),
      JSON.stringify(studentView(deck)),
    ]);
  }
}
