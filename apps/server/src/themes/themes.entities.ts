import type { ThemeData } from '@gobrel/core';
import { Column, Entity, ManyToOne, PrimaryGeneratedColumn } from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';

/** A theme that a teacher keeps to show other decks in. */
@Entity('kept_theme')
export class KeptThemeRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  teacherId: string;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  teacher?: TeacherRow;

  @Column('jsonb')
  theme: ThemeData;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}
