import type { Answer, DeskEntry, ElementId, Folio, LinkId, SlideId, FolioId } from '@gobrel/core';
import {
  Column,
  Entity,
  Index,
  JoinColumn,
  ManyToOne,
  PrimaryColumn,
  PrimaryGeneratedColumn,
  Unique,
} from 'typeorm';
import { ClassStudentRow } from '../classes/classes.entities.js';
import { LessonRow } from '../lessons/lessons.entities.js';

/** What a student, or a group that shares it, does in a lesson; its work is the document `folio:<id>`. */
@Entity('folio')
@Index('folio_return_code', ['lessonId', 'returnCode'], { unique: true })
@Index('folio_group', ['lessonId', 'groupName'], {
  unique: true,
  where: '(group_name IS NOT NULL)',
})
@Index('folio_join_key', ['lessonId', 'joinKey'], {
  unique: true,
  where: '(join_key IS NOT NULL)',
})
// One name once, large or small: of an expression, which entities cannot tell.
@Index('folio_name', { synchronize: false })
export class FolioRow {
  @PrimaryGeneratedColumn('uuid')
  id: FolioId;

  @Column('uuid')
  lessonId: string;

  @ManyToOne(() => LessonRow, { onDelete: 'CASCADE' })
  lesson?: LessonRow;

  @Column('uuid', { nullable: true })
  classStudentId: string | null;

  @ManyToOne(() => ClassStudentRow, { onDelete: 'SET NULL', nullable: true })
  classStudent?: ClassStudentRow | null;

  @Column('text')
  name: string;

  @Column('text')
  returnCode: string;

  /** The titles of its leaves, as the desk shows them. */
  @Column('jsonb', { default: [] })
  leaves: DeskEntry['leaves'];

  @Column('timestamptz', { default: () => 'now()' })
  joinedAt: Date;

  @Column('timestamptz', { nullable: true })
  handedInAt: Date | null;

  @Column('text', { default: 'in' })
  status: DeskEntry['status'];

  @Column('timestamptz', { nullable: true })
  handUpAt: Date | null;

  /** Of a practice class. */
  @Column('boolean', { default: false })
  isPractice: boolean;

  /** When its last device went. */
  @Column('timestamptz', { nullable: true })
  activeAt: Date | null;

  /** The next device that gives the name is let in with it. */
  @Column('boolean', { default: false })
  mayAddDevice: boolean;

  /** The group that shares it. */
  @Column('text', { nullable: true })
  groupName: string | null;

  /** The last change to its document that is in the rows below. */
  @Column('bigint', { default: 0 })
  projectedTo: string;

  /** Who joins twice with the same key has joined once. */
  @Column('uuid', { nullable: true })
  joinKey: string | null;

  /** Of pictures that were sent. */
  @Column('bigint', { default: 0 })
  uploadedBytes: string;
}

/** A device on which a student has joined. */
@Entity('student_token')
export class StudentTokenRow {
  @PrimaryColumn('text')
  tokenHash: string;

  @Column('uuid')
  folioId: string;

  @ManyToOne(() => FolioRow, { onDelete: 'CASCADE' })
  folio?: FolioRow;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}

/** A folio as it was handed in, counted from 1. */
@Entity('attempt')
@Unique(['folioId', 'number'])
export class AttemptRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  folioId: string;

  @ManyToOne(() => FolioRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'folio_id' })
  ofFolio?: FolioRow;

  @Column('int')
  number: number;

  @Column('jsonb')
  folio: Folio;

  /** The document, as one change. */
  @Column('bytea')
  document: Buffer;

  @Column('timestamptz', { default: () => 'now()' })
  handedInAt: Date;
}

/** What is told of a folio by a key of its own. */
abstract class OfFolio {
  @PrimaryColumn('uuid')
  folioId: string;

  @ManyToOne(() => FolioRow, { onDelete: 'CASCADE' })
  folio?: FolioRow;
}

/** What a student answered last. */
@Entity('answer')
export class AnswerRow extends OfFolio {
  @PrimaryColumn('text')
  questionId: ElementId;

  @Column('jsonb')
  answer: Answer;

  /** 0 to 1; null where the question has no key. */
  @Column('real', { nullable: true })
  score: number | null;

  @Column('timestamptz', { default: () => 'now()' })
  answeredAt: Date;

  @Column('boolean', { default: false })
  isLate: boolean;

  /** Its student is done with it, and sees its mark. */
  @Column('boolean', { default: false })
  isDone: boolean;

  @Column('boolean', { default: false })
  isLocked: boolean;
}

/** What a teacher gives by hand: it goes before what the key gives. */
@Entity('mark')
export class MarkRow extends OfFolio {
  @PrimaryColumn('text')
  questionId: ElementId;

  @Column('real', { nullable: true })
  score: number | null;

  @Column('text', { default: '' })
  comment: string;

  /** Empty for none. */
  @Column('text', { default: '' })
  stamp: string;

  @Column('timestamptz', { default: () => 'now()' })
  markedAt: Date;
}

/** Where a student has put a piece, in slide units. */
@Entity('placement')
export class PlacementRow extends OfFolio {
  @PrimaryColumn('text')
  slideId: SlideId;

  @PrimaryColumn('text')
  elementId: ElementId;

  @Column('real')
  x: number;

  @Column('real')
  y: number;

  @Column('text', { nullable: true })
  zoneId: ElementId | null;
}

/** A step of a student's walk, counted from 0. */
@Entity('visit')
export class VisitRow extends OfFolio {
  @PrimaryColumn('int')
  seq: number;

  @Column('text')
  slideId: SlideId;

  /** The link that led there, or `start`, `back`, `teacher`. */
  @Column('text')
  via: string;

  @Column('timestamptz')
  at: Date;
}

/** The way that a student votes for on a slide. */
@Entity('vote')
export class VoteRow extends OfFolio {
  @PrimaryColumn('text')
  slideId: SlideId;

  @Column('text')
  linkId: LinkId;
}
