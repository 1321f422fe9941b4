import type { INestApplication } from '@nestjs/common';
import {
  almanacDeck,
  CLASS_NAME,
  fogBankDeck,
  lampDeck,
  PICTURES,
  rockPoolDeck,
  RUNNING_CODE,
  STUDENTS,
  TEACHERS,
  walkedFolio,
  weatherDeck,
  type PictureName,
  type Pictures,
} from '@gobrel/demo';
import { idOf, type AssetRef, type FolioId } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';
import { AccountsService } from '../accounts/AccountsService.js';
import { AssetsService } from '../assets/AssetsService.js';
import { ClassesService } from '../classes/ClassesService.js';
import { DecksService } from '../decks/DecksService.js';
import { FoliosService } from '../folios/FoliosService.js';
import { JoiningService } from '../folios/JoiningService.js';
import { LessonsService } from '../lessons/LessonsService.js';
import { PracticeService } from '../practice/PracticeService.js';
import { SharingService } from '../sharing/SharingService.js';
import { SyncService } from '../sync/SyncService.js';
import { UpdateStore } from '../sync/UpdateStore.js';

/** Fills an empty database with Petrel Isle; leaves any other as it is. */
export async function seedDemo(app: INestApplication): Promise<boolean> {
  const database = app.get(DataSource);
  if ((await database.getRepository(TeacherRow).count()) > 0) return false;

  const accounts = app.get(AccountsService);
  const [ines, tomas] = await Promise.all([
    accounts.create(TEACHERS[0], 'demo'),
    accounts.create(TEACHERS[1], 'demo'),
  ]);
  const pictures = await addPictures(app.get(AssetsService));
  const decks = app.get(DecksService);
  const lamp = await decks.adopt(ines.id, lampDeck(pictures), uuid(1));
  await decks.adopt(ines.id, rockPoolDeck(pictures), uuid(2));
  await decks.adopt(ines.id, almanacDeck(pictures), uuid(3));
  await decks.adopt(ines.id, weatherDeck(pictures), uuid(4));
  await decks.adopt(ines.id, fogBankDeck(pictures), uuid(5));
  await app.get(SharingService).give(lamp, tomas.id, 'coauthor');

  const classListId = await app.get(ClassesService).create(ines.id, CLASS_NAME, GROUPED);
  await finishedLesson(app, lamp, classListId);
  await runningLesson(app, lamp, classListId);
  return true;
}

/** Identities that are the same with every fresh start. */
const uuid = (number: number): string =>
  `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`;
/** The lesson that is running. */
export const RUNNING = uuid(102);

async function addPictures(assets: AssetsService): Promise<Pictures> {
  const added: Partial<Record<PictureName, AssetRef>> = {};
  for (const [name, svg] of Object.entries(PICTURES)) {
    added[name as PictureName] = await assets.add(Buffer.from(svg));
  }
  return added as Pictures;
}

/** The class in six groups of four. */
const GROUPED = STUDENTS.map((name, index) => ({
  name,
  group: `Table ${1 + Math.floor(index / 4)}`,
}));

/** All 24 students to an ending, handed in. */
async function finishedLesson(
  app: INestApplication,
  deckId: string,
  classListId: string,
): Promise<void> {
  const lessons = app.get(LessonsService);
  const id = uuid(101);
  await lessons.start({ deckId, classListId, allowsTypedNames: false, joinCode: 'SWAN 237', id });
  await fill(app, id, STUDENTS.length, 60, 100);
  await lessons.end(id);
}

/** Eleven students on their way, two with a hand up and one done; the rest of the class can still join. */
async function runningLesson(
  app: INestApplication,
  deckId: string,
  classListId: string,
): Promise<void> {
  const id = RUNNING;
  await app
    .get(LessonsService)
    .start({ deckId, classListId, allowsTypedNames: true, joinCode: RUNNING_CODE, id });
  await fill(app, id, 11, 7, 200);
  const folios = app.get(FoliosService);
  await folios.handIn(uuid(200_006));
  for (const asks of [uuid(200_002), uuid(200_009)]) await folios.setHand(asks, true);
}

/** So that something happens in the running lesson: a practice class comes in, unless the lesson has been ended or closed to it. */
export async function sendClassIntoDemo(app: INestApplication): Promise<void> {
  const lesson = await app.get(LessonsService).find(RUNNING);
  if (lesson && !lesson.endedAt && lesson.allowsTypedNames) {
    await app.get(PracticeService).start(RUNNING, NEWCOMERS, LEISURE);
  }
}
const NEWCOMERS = 8;
/** They are on their way for about twenty minutes. */
const LEISURE = 15;

async function fill(
  app: INestApplication,
  lessonId: string,
  students: number,
  mostSteps: number,
  seed: number,
): Promise<void> {
  const lessons = app.get(LessonsService);
  const folios = app.get(FoliosService);
  const joining = app.get(JoiningService);
  const lesson = await lessons.require(lessonId);
  const edition = await lessons.edition(lesson.editionId);
  const names = await joining.namesFor(lesson);
  const isWhole = students === names.length;
  for (const [index, { id: classStudentId }] of names.slice(0, students).entries()) {
    const doc = walkedFolio(edition, seed + index, {
      startsAt: Date.now() - 3_600_000,
      mostSteps: isWhole ? mostSteps : 2 + (index % mostSteps),
      // One who hurries is in every class.
      seesAll: isWhole && index % 8 !== 5,
      makesLeaf: isWhole || index % 3 === 0,
    });
    const folio = await joining.join(lesson, {
      classStudentId,
      id: idOf<FolioId>(uuid(seed * 1000 + index)),
    });
    await app.get(UpdateStore).save(`folio:${folio.id}`, doc);
    // Opening a folio projects it into its rows.
    const connection = await app
      .get(SyncService)
      .hocuspocus.openDirectConnection(`folio:${folio.id}`);
    await folios.settle();
    if (isWhole) await folios.handIn(folio.id);
    await connection.disconnect();
  }
}
