import type { BlockedName } from '@gobrel/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';

/** Names by their letters and digits alone: a dot, a space or an accent makes no other name. */
const keyOf = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]/gu, '')
    .toLocaleLowerCase('und');

/** The names that a teacher keeps out of a lesson. */
@Injectable()
export class BlocksService {
  constructor(private readonly database: DataSource) {}

  async add(lessonId: string, names: readonly string[]): Promise<void> {
    await this.database.query(
      `INSERT INTO lesson_block (lesson_id, name, written)
       SELECT $1, * FROM unnest($2::text[], $3::text[]) ON CONFLICT DO NOTHING`,
      [lessonId, names.map(keyOf), names],
    );
  }

  async lift(lessonId: string, key: string): Promise<void> {
    await this.database.query('DELETE FROM lesson_block WHERE lesson_id = $1 AND name = $2', [
      lessonId,
      key,
    ]);
  }

  list(lessonId: string): Promise<BlockedName[]> {
    return this.database.query<BlockedName[]>(
      `SELECT name AS key, coalesce(written, name) AS name FROM lesson_block
       WHERE lesson_id = $1 ORDER BY name`,
      [lessonId],
    );
  }

  async isBlocked(lessonId: string, names: readonly string[]): Promise<boolean> {
    const rows = await this.database.query<unknown[]>(
      'SELECT 1 FROM lesson_block WHERE lesson_id = $1 AND name = ANY($2::text[])',
      [lessonId, names.map(keyOf)],
    );
    return rows.length > 0;
  }
}
