import { Injectable } from '@nestjs/common';
import { makeReturnCode, SERVER_LIMITS, sure, type FolioId, type NameOnList } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { Throttle } from '../access/Throttle.js';
import { hashToken, makeToken, random } from '../access/tokens.js';
import type { Lesson } from '../lessons/lessonRows.js';
import { isDuplicate } from '../lessons/LessonsService.js';
import { notFound, refused } from '../problems/problem.js';
import { BlocksService } from './BlocksService.js';
import { FolioProjector } from './FolioProjector.js';
import { SyncService } from '../sync/SyncService.js';
import { ClassStudentRow } from '../classes/classes.entities.js';
import { flag, number, rowsOf, text, theRow } from '../database/rows.js';
import { findFolio, FOLIO_COLUMNS, folioBy, type JoinedFolio } from './folioRows.js';
import { StudentTokenRow } from './folios.entities.js';

/** Seconds in which wrong return codes are counted together. */
const CODES_WITHIN = 300;

/** How students come into a lesson: by a name that is theirs alone, as a group, or back with their return code. */
@Injectable()
export class JoiningService {
  constructor(
    private readonly database: DataSource,
    private readonly projector: FolioProjector,
    private readonly throttle: Throttle,
    private readonly blocks: BlocksService,
    private readonly sync: SyncService,
  ) {}

  async namesFor(lesson: Lesson): Promise<NameOnList[]> {
    if (!lesson.classListId) return [];
    return rowsOf(
      this.database,
      { id: text, name: text, isTaken: flag },
      `SELECT s.id, s.name, EXISTS (SELECT 1 FROM folio f WHERE f.lesson_id = $1
         AND (f.class_student_id = s.id OR lower(f.name) = lower(s.name))
         AND NOT f.may_add_device) AS "isTaken"
       FROM class_student s WHERE s.class_list_id = $2 ORDER BY s.name`,
      [lesson.id, lesson.classListId],
    );
  }

  /** Opens a folio under a name from the list or a typed one. A name is given to one student only. */
  async join(
    lesson: Lesson,
    who: {
      classStudentId?: string;
      name?: string;
      id?: FolioId;
      isPractice?: boolean;
      key?: string;
    },
  ): Promise<JoinedFolio> {
    const { name, group } = await this.#nameOf(lesson, who);
    const sharedAs = lesson.settings.byGroups && group ? group : null;
    const called = sharedAs ?? name;
    if (await this.blocks.isBlocked(lesson.id, [name, called])) {
      throw refused(`“${name}” does not come into this lesson. Ask your teacher.`);
    }
    const joined = who.key && (await this.#folioOfKey(lesson.id, who.key));
    if (joined) return joined;
    const shared = sharedAs && (await this.#folioOfGroup(lesson.id, sharedAs));
    if (shared) return shared;
    await this.#requireRoom(lesson.id);
    const { hasWaitingRoom } = lesson.settings;
    const status = hasWaitingRoom && !who.isPractice && !who.id ? 'waiting' : 'in';
    for (let attempt = 0; attempt < 20; attempt++) {
      try {
        const made = await folioBy(
          this.database,
          `INSERT INTO folio (id, lesson_id, class_student_id, name, return_code, status, is_practice, group_name, join_key)
           VALUES (coalesce($5::uuid, gen_random_uuid()), $1, $2, $3, $4, $6, $7, $8, $9) RETURNING ${FOLIO_COLUMNS}`,
          [
            lesson.id,
            sharedAs ? null : (who.classStudentId ?? null),
            called,
            makeReturnCode(random),
            who.id ?? null,
            status,
            who.isPractice ?? false,
            sharedAs,
            who.key ?? null,
          ],
        );
        const folio = sure(made, 'what is put in is returned');
        await this.projector.announce(lesson.id, folio.id);
        return folio;
      } catch (error) {
        if (!isDuplicate(error)) throw error;
        if (error.driverError.constraint === 'folio_return_code') continue;
        const known = sharedAs
          ? await this.#folioOfGroup(lesson.id, sharedAs)
          : await this.#letDeviceIn(lesson.id, called, who.key);
        if (known) return known;
        throw refused(
          sharedAs
            ? `Somebody has joined as “${sharedAs}”, which is your group. Tell your teacher.`
            : `“${name}” has joined already. If that is you on another device, use your return code, or ask your teacher to let the device in.`,
        );
      }
    }
    throw refused('No free return code was found.');
  }

  async #requireRoom(lessonId: string): Promise<void> {
    const { peoplePerLesson } = SERVER_LIMITS;
    const { people } = await theRow(
      this.database,
      { people: number },
      'SELECT count(*)::int AS people FROM folio WHERE lesson_id = $1',
      [lessonId],
    );
    if (people >= peoplePerLesson) {
      throw refused(`This lesson is full: ${peoplePerLesson} have joined. Tell your teacher.`);
    }
  }

  /** The folio of a device that asks again, because it never heard that it had joined. */
  #folioOfKey(lessonId: string, joinKey: string): Promise<JoinedFolio | null> {
    return findFolio(this.database, 'lesson_id = $1 AND join_key = $2', [lessonId, joinKey]);
  }

  /** The folio that a group of the class list shares. */
  #folioOfGroup(lessonId: string, groupName: string): Promise<JoinedFolio | null> {
    return findFolio(this.database, 'lesson_id = $1 AND group_name = $2', [lessonId, groupName]);
  }

  /** The folio of this name, if the teacher has said that one more device may come in: that one is used up. */
  #letDeviceIn(lessonId: string, name: string, key?: string): Promise<JoinedFolio | null> {
    // Looked for and used up at once: of two devices that come together one is let in.
    return folioBy(
      this.database,
      `UPDATE folio SET may_add_device = false, join_key = coalesce($3, join_key)
       WHERE lesson_id = $1 AND lower(name) = lower($2) AND group_name IS NULL AND may_add_device
       RETURNING ${FOLIO_COLUMNS}`,
      [lessonId, name, key ?? null],
    );
  }

  async #nameOf(
    lesson: Lesson,
    who: { classStudentId?: string; name?: string },
  ): Promise<{ name: string; group: string }> {
    if (who.classStudentId) {
      const listed =
        lesson.classListId !== null &&
        (await this.database
          .getRepository(ClassStudentRow)
          .findOneBy({ id: who.classStudentId, classListId: lesson.classListId }));
      if (!listed) throw notFound('name on the class list');
      return { name: listed.name, group: listed.groupName };
    }
    if (!lesson.allowsTypedNames) throw refused('Choose your name from the list.');
    return { name: (who.name ?? '').replace(/\s+/g, ' ').trim(), group: '' };
  }

  /** The folio that a return code opens, or null. */
  findByReturnCode(lessonId: string, returnCode: string): Promise<JoinedFolio | null> {
    return findFolio(this.database, 'lesson_id = $1 AND return_code = $2', [lessonId, returnCode]);
  }

  /** Return codes are short: in one lesson no more than sixty wrong ones are taken in five minutes, wherever from. */
  async checkReturnCodes(lessonId: string): Promise<void> {
    await this.throttle.check(`return:${lessonId}`, 60, CODES_WITHIN);
  }

  /** Counts a wrong return code; the desk is told when that looks like guessing. */
  async wrongReturnCode(lessonId: string): Promise<void> {
    const key = `return:${lessonId}`;
    await this.throttle.record(key);
    const failures = await this.throttle.count(key, CODES_WITHIN);
    if (failures >= 10) await this.projector.alarm(lessonId, failures);
  }

  /** A device is given back: it is nobody's until somebody joins on it. */
  async closeDevice(token: string): Promise<void> {
    const session = hashToken(token);
    await this.database.getRepository(StudentTokenRow).delete({ tokenHash: session });
    this.sync.hangUpOn({ session });
  }

  /** A token for one more device of this student. */
  async openDevice(folioId: string): Promise<string> {
    const token = makeToken();
    const device = { tokenHash: hashToken(token), folioId };
    await this.database.getRepository(StudentTokenRow).insert(device);
    return token;
  }
}
