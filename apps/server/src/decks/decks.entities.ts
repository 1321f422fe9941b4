import type { DeckSummary, Origin, Role } from '@gobrel/core';
import {
  Check,
  Column,
  Entity,
  Index,
  ManyToOne,
  PrimaryColumn,
  PrimaryGeneratedColumn,
} from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';

/** A deck as lists show it; what it holds is the document `deck:<id>`. */
@Entity('deck')
@Index('deck_by_copy_token', ['copyToken'], { unique: true })
export class DeckRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('text')
  title: string;

  @Column('jsonb')
  summary: DeckSummary;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;

  @Column('timestamptz', { default: () => 'now()' })
  changedAt: Date;

  @Column('timestamptz', { nullable: true })
  trashedAt: Date | null;

  /** What it was copied from, the newest last. */
  @Column('jsonb', { default: () => "'[]'" })
  origins: Origin[];

  /** Whoever has it may take a copy; null while nobody may. */
  @Column('text', { nullable: true })
  copyToken: string | null;
}

/** What a teacher is to a deck. */
@Entity('deck_person')
@Index('deck_person_by_teacher', ['teacherId'])
@Check('deck_person_role_check', `role IN ('owner', 'coauthor', 'commenter', 'viewer')`)
export class DeckPersonRow {
  @PrimaryColumn('uuid')
  deckId: string;

  @PrimaryColumn('uuid')
  teacherId: string;

  @ManyToOne(() => DeckRow, { onDelete: 'CASCADE' })
  deck?: DeckRow;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  teacher?: TeacherRow;

  @Column('text')
  role: Role;
}
