import {
  Column,
  Entity,
  Index,
  ManyToOne,
  OneToMany,
  PrimaryGeneratedColumn,
  type Relation,
} from 'typeorm';
import { TeacherRow } from '../accounts/accounts.entities.js';

@Entity('class_list')
export class ClassListRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  teacherId: string;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  teacher?: TeacherRow;

  @Column('text')
  name: string;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;

  @Column('timestamptz', { nullable: true })
  archivedAt: Date | null;

  @OneToMany(() => ClassStudentRow, (student) => student.classList)
  students?: Relation<ClassStudentRow>[];
}

/** A name on a class list. */
@Entity('class_student')
@Index('class_student_by_list', ['classListId'])
export class ClassStudentRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('uuid')
  classListId: string;

  @ManyToOne(() => ClassListRow, (list) => list.students, { onDelete: 'CASCADE' })
  classList?: Relation<ClassListRow>;

  @Column('text')
  name: string;

  /** Empty for none. */
  @Column('text', { default: '' })
  groupName: string;
}
