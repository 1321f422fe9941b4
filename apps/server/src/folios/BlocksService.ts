import type { BlockedName } from '@gobrel/core';
import { Injectable } from '@nestjs/common';
import { DataSource, type Repository } from 'typeorm';
import { isAny } from '../database/rows.js';
import { LessonBlockRow } from '../lessons/lessons.entities.js';

/** Names by their letters and digits alone: a dot, a space or an accent makes no other name. */
const keyOf = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]/gu, '')
    .toLocaleLowerCase('und');

/** The names that a teacher keeps out of a lesson. */
@Injectable()
export class BlocksService {
  readonly #blocks: Repository<LessonBlockRow>;

  constructor(private readonly database: DataSource) {
    this.#blocks = database.getRepository(LessonBlockRow);
  }

  async add(lessonId: string, names: readonly string[]): Promise<void> {
    await this.#blocks
      .createQueryBuilder()
      .insert()
      .values(names.map((written) => ({ lessonId, name: keyOf(written), written })))
      .orIgnore()
      .execute();
  }

  async lift(lessonId: string, key: string): Promise<void> {
    await this.#blocks.delete({ lessonId, name: key });
  }

  async list(lessonId: string): Promise<BlockedName[]> {
    const blocks = await this.#blocks.find({ where: { lessonId }, order: { name: 'ASC' } });
    return blocks.map(({ name, written }) => ({ key: name, name: written ?? name }));
  }

  async isBlocked(lessonId: string, names: readonly string[]): Promise<boolean> {
    return isAny(
      this.database,
      'SELECT 1 FROM lesson_block WHERE lesson_id = $1 AND name = ANY($2::text[])',
      [lessonId, names.map(keyOf)],
    );
  }
}
