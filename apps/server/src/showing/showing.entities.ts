import type { SlideId } from '@gobrel/core';
import {
  Column,
  Entity,
  Index,
  JoinColumn,
  ManyToOne,
  PrimaryColumn,
  PrimaryGeneratedColumn,
} from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';
import { DeckRow } from '../decks/decks.entities.js';
import { EditionRow } from '../lessons/lessons.entities.js';

/** A show that others follow, or that several devices steer. */
@Entity('show')
@Index('show_by_code', ['code'], { unique: true, where: 'ended_at IS NULL' })
@Index('show_by_teacher', ['teacherId'])
export class ShowRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  deckId: string;

  @ManyToOne(() => DeckRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'deck_id' })
  deck?: DeckRow;

  @Column('uuid')
  teacherId: string;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'teacher_id' })
  teacher?: TeacherRow;

  /** What followers type. */
  @Column('text')
  code: string;

  /** Signs what followers' devices hold. */
  @Column('text')
  secret: string;

  /** What followers are given of the deck; null once it is over. */
  @Column('uuid', { nullable: true })
  editionId: string | null;

  @ManyToOne(() => EditionRow, { onDelete: 'SET NULL', nullable: true })
  @JoinColumn({ name: 'edition_id' })
  edition?: EditionRow | null;

  /** Where it was when somebody last looked. */
  @Column('jsonb', { nullable: true })
  place: object | null;

  /** Milliseconds that each slide was shown. */
  @Column('jsonb', { default: () => "'{}'" })
  spent: Record<SlideId, number>;

  @Column('timestamptz', { default: () => 'now()' })
  startedAt: Date;

  @Column('timestamptz', { nullable: true })
  endedAt: Date | null;
}

/** A device that steers a show: paired by a code that is good once. */
@Entity('show_remote')
@Index('show_remote_by_code', ['code'], { unique: true, where: 'code IS NOT NULL' })
export class ShowRemoteRow {
  /** Of what the device holds; of a code that nobody has typed yet, of nothing that there is. */
  @PrimaryColumn('text')
  tokenHash: string;

  @Column('uuid')
  showId: string;

  @ManyToOne(() => ShowRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'show_id' })
  show?: ShowRow;

  @Column('text', { nullable: true })
  code: string | null;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}
