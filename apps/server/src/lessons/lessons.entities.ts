import type { Deck, LessonSettings, LessonState, SlideId, FolioId, ElementId } from '@gobrel/core';
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
import { ClassListRow } from '../classes/classes.entities.js';
import { DeckRow } from '../decks/decks.entities.js';

/** A deck as it was frozen for a lesson. */
@Entity('edition')
export class EditionRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  deckId: string;

  @ManyToOne(() => DeckRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'deck_id' })
  ofDeck?: DeckRow;

  @Column('jsonb')
  deck: Deck;

  /** What students get of it. */
  @Column('jsonb')
  studentView: Deck;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}

@Entity('lesson')
@Index('lesson_running_code', ['joinCode'], { unique: true, where: '(ended_at IS NULL)' })
@Index('lesson_by_deck', ['deckId'])
export class LessonRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  deckId: string;

  @ManyToOne(() => DeckRow, { onDelete: 'CASCADE' })
  deck?: DeckRow;

  @Column('uuid')
  editionId: string;

  @ManyToOne(() => EditionRow)
  edition?: EditionRow;

  @Column('uuid', { nullable: true })
  classListId: string | null;

  @ManyToOne(() => ClassListRow, { onDelete: 'SET NULL', nullable: true })
  classList?: ClassListRow | null;

  @Column('text')
  title: string;

  @Column('text')
  joinCode: string;

  @Column('boolean')
  allowsTypedNames: boolean;

  @Column('jsonb')
  state: LessonState;

  @Column('jsonb', { default: {} })
  settings: Partial<LessonSettings>;

  @Column('timestamptz', { nullable: true })
  opensAt: Date | null;

  @Column('timestamptz', { nullable: true })
  closesAt: Date | null;

  @Column('jsonb', { default: [] })
  lineUp: FolioId[];

  @Column('jsonb', { default: [] })
  asked: SlideId[];

  @Column('jsonb', { default: [] })
  starred: string[];

  @Column('jsonb', { default: {} })
  likened: Record<ElementId, Record<string, string>>;

  @Column('timestamptz', { default: () => 'now()' })
  startedAt: Date;

  @Column('timestamptz', { nullable: true })
  endedAt: Date | null;
}

/** A name that a teacher keeps out of a lesson, by its letters and digits alone. */
@Entity('lesson_block')
export class LessonBlockRow {
  @PrimaryColumn('uuid')
  lessonId: string;

  @ManyToOne(() => LessonRow, { onDelete: 'CASCADE' })
  lesson?: LessonRow;

  @PrimaryColumn('text')
  name: string;

  /** As it was written. */
  @Column('text', { nullable: true })
  written: string | null;
}

/** A screen of a device of its own, once it is paired with a lesson. */
@Entity('screen')
@Unique(['code'])
export class ScreenRow {
  @PrimaryColumn('text')
  tokenHash: string;

  /** Shown until it is used. */
  @Column('text', { nullable: true })
  code: string | null;

  @Column('uuid', { nullable: true })
  lessonId: string | null;

  @ManyToOne(() => LessonRow, { onDelete: 'CASCADE', nullable: true })
  lesson?: LessonRow | null;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}
