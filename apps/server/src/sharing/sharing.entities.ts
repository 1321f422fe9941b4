import type { GivenRole, InvitationAnswer } from '@gobrel/core';
import { Check, Column, Entity, Index, ManyToOne, PrimaryGeneratedColumn, Unique } from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';
import { DeckRow } from '../decks/decks.entities.js';

/** A deck offered to an e-mail address, once. Whoever has the token in the letter may answer it. */
@Entity('invitation')
@Unique('invitation_deck_id_email_key', ['deckId', 'email'])
@Index('invitation_by_token', ['tokenHash'], { unique: true })
@Check('invitation_role_check', `role IN ('coauthor', 'commenter', 'viewer')`)
@Check('invitation_answer_check', `answer IN ('accepted', 'declined', 'withdrawn')`)
export class InvitationRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  deckId: string;

  @ManyToOne(() => DeckRow, { onDelete: 'CASCADE' })
  deck?: DeckRow;

  @Column('uuid')
  teacherId: string;

  /** Who invites. */
  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  teacher?: TeacherRow;

  @Column('text')
  email: string;

  @Column('text')
  role: GivenRole;

  @Column('text')
  tokenHash: string;

  @Column('text', { nullable: true })
  answer: InvitationAnswer | null;

  @Column('timestamptz')
  endsAt: Date;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}
