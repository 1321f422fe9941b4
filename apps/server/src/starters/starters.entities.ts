import type { SlideClip } from '@gobrel/core';
import { Column, Entity, ManyToOne, PrimaryGeneratedColumn } from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';

/** A slide that a teacher keeps to begin others with. */
@Entity('starter')
export class StarterRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  teacherId: string;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  teacher?: TeacherRow;

  @Column('text')
  title: string;

  /** One slide as the clipboard has it. */
  @Column('jsonb')
  clip: SlideClip;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}
