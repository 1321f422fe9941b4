import type { ClassList, SeenInLesson } from '@gobrel/core';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { isUuid, TEACHES } from '../access/AccessService.js';
import { invalid, notFound } from '../problems/problem.js';

/** A student as a list shall have it; one that is there already goes by its identity. */
export interface GivenStudent {
  id?: string | null;
  name: string;
  group?: string;
}

@Injectable()
export class ClassesService {
  constructor(private readonly database: DataSource) {}

  /** Archived ones come last. */
  async list(teacherId: string): Promise<ClassList<Date>[]> {
    return this.database.query<ClassList<Date>[]>(
      `SELECT c.id, c.name, c.archived_at AS "archivedAt",
         coalesce((SELECT json_agg(json_build_object('id', s.id, 'name', s.name, 'group', s.group_name) ORDER BY s.name)
           FROM class_student s WHERE s.class_list_id = c.id), '[]') AS students
       FROM class_list c WHERE c.teacher_id = $1 ORDER BY c.archived_at IS NOT NULL, c.name`,
      [teacherId],
    );
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
      const [row] = await rows.query<{ id: string }[]>(
        'INSERT INTO class_list (teacher_id, name) VALUES ($1, $2) RETURNING id',
        [teacherId, name],
      );
      await put(rows, row!.id, students);
      return row!.id;
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
      await rows.query('UPDATE class_list SET name = $2 WHERE id = $1', [id, name]);
      const kept = students.flatMap((student) => student.id ?? []);
      await rows.query(
        'DELETE FROM class_student WHERE class_list_id = $1 AND NOT (id = ANY($2::uuid[]))',
        [id, kept],
      );
      await put(rows, id, students);
    });
  }

  async setArchived(teacherId: string, id: string, isArchived: boolean): Promise<void> {
    await this.require(teacherId, id);
    await this.database.query(
      'UPDATE class_list SET archived_at = CASE WHEN $2 THEN now() END WHERE id = $1',
      [id, isArchived],
    );
  }

  /** What the students of a list did, lesson by lesson, the latest first. */
  async lessons(teacherId: string, id: string): Promise<SeenInLesson<Date>[]> {
    await this.require(teacherId, id);
    return this.database.query<SeenInLesson<Date>[]>(
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
