import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { isUuid } from '../access/AccessService.js';
import { invalid, notFound } from '../problems/problem.js';

export interface ClassList {
  id: string;
  name: string;
  students: { id: string; name: string }[];
}

@Injectable()
export class ClassesService {
  constructor(private readonly database: DataSource) {}

  async list(teacherId: string): Promise<ClassList[]> {
    return this.database.query<ClassList[]>(
      `SELECT c.id, c.name, coalesce((SELECT json_agg(json_build_object('id', s.id, 'name', s.name) ORDER BY s.name)
         FROM class_student s WHERE s.class_list_id = c.id), '[]') AS students
       FROM class_list c WHERE c.teacher_id = $1 ORDER BY c.name`,
      [teacherId],
    );
  }

  async require(teacherId: string, id: string): Promise<ClassList> {
    const found = isUuid(id) && (await this.list(teacherId)).find((entry) => entry.id === id);
    if (!found) throw notFound('class list');
    return found;
  }

  /** Names are trimmed, empty lines passed over; the same name twice is refused, nothing is changed. */
  async create(teacherId: string, name: string, names: string[]): Promise<string> {
    const students = names.map((entry) => entry.replace(/\s+/g, ' ').trim()).filter(Boolean);
    const twice = students.find((entry, index) => students.indexOf(entry) !== index);
    if (twice)
      throw invalid(`“${twice}” stands in the list twice. Tell the two apart, then try again.`);
    return this.database.transaction(async (rows) => {
      const [row] = await rows.query<{ id: string }[]>(
        'INSERT INTO class_list (teacher_id, name) VALUES ($1, $2) RETURNING id',
        [teacherId, name],
      );
      await rows.query(
        'INSERT INTO class_student (class_list_id, name) SELECT $1, unnest($2::text[])',
        [row!.id, students],
      );
      return row!.id;
    });
  }
}
