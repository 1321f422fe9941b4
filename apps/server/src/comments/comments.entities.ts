import type { ElementId, SlideId } from '@gobrel/core';
import { Column, Entity, Index, ManyToOne, PrimaryGeneratedColumn } from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';
import { DeckRow } from '../decks/decks.entities.js';

/** What somebody says to a slide of a deck, or to a thing on it. */
@Entity('deck_comment')
@Index('deck_comment_by_deck', ['deckId', 'createdAt'])
export class CommentRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  deckId: string;

  @ManyToOne(() => DeckRow, { onDelete: 'CASCADE' })
  deck?: DeckRow;

  /** The first comment of the thread, where this is an answer. */
  @Column('uuid', { nullable: true })
  underId: string | null;

  @ManyToOne(() => CommentRow, { onDelete: 'CASCADE', nullable: true })
  under?: CommentRow | null;

  @Column('text')
  slideId: SlideId;

  @Column('text', { nullable: true })
  elementId: ElementId | null;

  @Column('uuid')
  teacherId: string;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  teacher?: TeacherRow;

  @Column('text')
  words: string;

  /** Whom it calls by name. */
  @Column('uuid', { array: true, default: {} })
  mentions: string[];

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;

  @Column('timestamptz', { nullable: true })
  changedAt: Date | null;

  @Column('timestamptz', { nullable: true })
  doneAt: Date | null;
}
