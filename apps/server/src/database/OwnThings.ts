import type {
  DataSource,
  EntityTarget,
  FindOptionsOrder,
  FindOptionsSelect,
  FindOptionsWhere,
} from 'typeorm';
import { notFound, refused } from '../problems/problem.js';
import { rowOf, text } from './rows.js';

/** A row that a teacher keeps for their own use. */
interface OwnRow {
  id: string;
  teacherId: string;
  createdAt: Date;
}

/** What teachers keep for themselves besides their decks, each so many at the most. */
export class OwnThings<Row extends OwnRow> {
  constructor(
    private readonly database: DataSource,
    private readonly entity: EntityTarget<Row>,
    private readonly called: string,
    private readonly most: number,
  ) {}

  /** The last one kept comes first. */
  list<Key extends keyof Row & string>(
    teacherId: string,
    ...fields: Key[]
  ): Promise<Pick<Row, Key>[]> {
    const select = Object.fromEntries(fields.map((field) => [field, true]));
    return this.database.getRepository(this.entity).find({
      select: select as FindOptionsSelect<Row>,
      where: { teacherId } as FindOptionsWhere<Row>,
      order: { createdAt: 'DESC' } as FindOptionsOrder<Row>,
    });
  }

  /** Keeps one more, given by its columns; refused where there are as many as may be. */
  async keep(
    teacherId: string,
    columns: Readonly<Record<string, string>>,
  ): Promise<{ id: string }> {
    const { tableName } = this.database.getMetadata(this.entity);
    const names = Object.keys(columns);
    const places = names.map((_, at) => `$${at + 2}`);
    const row = await rowOf(
      this.database,
      { id: text },
      // Counted and put in at once: two that come together are not both the last.
      `INSERT INTO ${tableName} (teacher_id, ${names.join(', ')})
       SELECT $1::uuid, ${places.join(', ')}
       WHERE (SELECT count(*) FROM ${tableName} WHERE teacher_id = $1::uuid) < ${this.most}
       RETURNING id`,
      [teacherId, ...Object.values(columns)],
    );
    if (row) return row;
    throw refused(`${this.most} ${this.called}s of your own are kept. Take one out first.`);
  }

  async remove(teacherId: string, id: string): Promise<void> {
    const own = { id, teacherId } as FindOptionsWhere<Row>;
    const { affected } = await this.database.getRepository(this.entity).delete(own);
    if (!affected) throw notFound(this.called);
  }
}
