import type { ClassList, SeenInLesson } from '@gobrel/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, Not, type EntityManager, type Repository } from 'typeorm';
import { isUuid, TEACHES } from '../access/AccessService.js';
import { moment, number, orNull, rowsOf, text } from '../database/rows.js';
import { invalid, notFound } from '../problems/problem.js';
import { ClassListRow, ClassStudentRow } from './classes.entities.js';

/** A student as a list shall have it; one that is there already goes by its identity. */
export interface GivenStudent {
  id?: string | null;
  name: string;
  group?: string;
}

@Injectable()
export class ClassesService {
  readonly #lists: Repository<ClassListRow>;

  constructor(private readonly database: DataSource) {
    this.#lists = database.getRepository(ClassListRow);
  }

  /** Archived ones come last. */
  async list(teacherId: string): Promise<ClassList<Date>[]> {
    const lists = await this.#lists
      .createQueryBuilder('list')
      .leftJoinAndSelect('list.students', 'student')
      .where('list.teacherId = :teacherId', { teacherId })
      .orderBy('list.archivedAt IS NOT NULL')
      .addOrderBy('list.name')
      .addOrderBy('student.name')
      .getMany();
    return lists.map(({ id, name, archivedAt, students = [] }) => ({
      id,
      name,
      archivedAt,
      students: students.map((one) => ({ id: one.id, name: one.name, group: one.groupName })),
    }));
  }

  async require(teacherId: string, id: string): Promise<ClassList<Date>> {
    const found = isUuid(id) && (await this.list(teacherId)).find((entry) => entry.id === id);
    if (!found) throw notFound('class list');
    return found;
  }

  /** Names are trimmed, empty lines passed over; the same name twice is refused, nothing is changed. */
  async create(teacherId: string, name: string, given: readonly GivenStudent[]): Promise<string> {
    // Whoever stands in a new list is new: an identity that comes along may be anybody's.
    const students = tidied(given).map((student) => ({ ...student, id: null }));
    return this.database.transaction(async (rows) => {
      const list = await rows.getRepository(ClassListRow).save({ teacherId, name });
      await put(rows, list.id, students);
      return list.id;
    });
  }

  /** The list as it shall be: who is not named any more is taken out, who is named stays who they are. */
  async change(
    teacherId: string,
    id: string,
    name: string,
    given: readonly GivenStudent[],
  ): Promise<void> {
    const list = await this.require(teacherId, id);
    const students = tidied(given);
    const known = new Set(list.students.map((student) => student.id));
    if (students.some((student) => student.id && !known.has(student.id))) {
      throw invalid('A student of another class stands in the list.');
    }
    await this.database.transaction(async (rows) => {
      await rows.getRepository(ClassListRow).update({ id }, { name });
      const kept = students.flatMap((student) => student.id ?? []);
      await rows.getRepository(ClassStudentRow).delete({ classListId: id, id: Not(In(kept)) });
      await put(rows, id, students);
    });
  }

  async setArchived(teacherId: string, id: string, isArchived: boolean): Promise<void> {
    await this.require(teacherId, id);
    await this.#lists.update({ id }, { archivedAt: isArchived ? new Date() : null });
  }

  /** What the students of a list did, lesson by lesson, the latest first. */
  async lessons(teacherId: string, id: string): Promise<SeenInLesson<Date>[]> {
    await this.require(teacherId, id);
    return rowsOf(
      this.database,
      {
        studentId: text,
        lessonId: text,
        title: text,
        startedAt: moment,
        handedInAt: orNull(moment),
        answered: number,
      },
      `SELECT f.class_student_id AS "studentId", l.id AS "lessonId", l.title, l.started_at AS "startedAt",
         f.handed_in_at AS "handedInAt",
         (SELECT count(*)::int FROM answer a WHERE a.folio_id = f.id) AS answered
       FROM folio f JOIN lesson l ON l.id = f.lesson_id JOIN class_student s ON s.id = f.class_student_id
       JOIN deck_person p ON p.deck_id = l.deck_id AND p.teacher_id = $2 AND ${TEACHES}
       WHERE s.class_list_id = $1 ORDER BY l.started_at DESC`,
      [id, teacherId],
    );
  }
}

function tidied(
  given: readonly GivenStudent[],
): { id: string | null; name: string; group: string }[] {
  const spaced = (text: string): string => text.replace(/\s+/g, ' ').trim();
  const students = given
    .map(({ id, name, group = '' }) => ({
      id: id ?? null,
      name: spaced(name),
      group: spaced(group),
    }))
    .filter(({ name }) => name !== '');
  const names = students.map(({ name }) => name.toLocaleLowerCase('und'));
  const twice = students.find((_, index) => names.indexOf(names[index]!) !== index);
  if (twice) {
    throw invalid(`“${twice.name}” stands in the list twice. Tell the two apart, then try again.`);
  }
  return students;
}

async function put(
  rows: EntityManager,
  listId: string,
  students: readonly { id: string | null; name: string; group: string }[],
): Promise<void> {
  // A whole class in one statement; a name of another list is left alone.
  await rows.query(
    `INSERT INTO class_student (id, class_list_id, name, group_name)
     SELECT coalesce(given.id, gen_random_uuid()), $1, given.name, given.group_name
     FROM unnest($2::uuid[], $3::text[], $4::text[]) AS given (id, name, group_name)
     ON CONFLICT (id) DO UPDATE SET name = excluded.name, group_name = excluded.group_name
       WHERE class_student.class_list_id = excluded.class_list_id`,
    [
      listId,
      students.map(({ id }) => id),
      students.map(({ name }) => name),
      students.map(({ group }) => group),
    ],
  );
}
