import {
  Column,
  Entity,
  Generated,
  Index,
  JoinColumn,
  ManyToOne,
  PrimaryColumn,
  PrimaryGeneratedColumn,
} from 'typeorm';

@Entity('teacher')
export class TeacherRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  /** In lower case. */
  @Column('text', { unique: true })
  email: string;

  @Column('text')
  name: string;

  /** argon2id, with its salt and parameters. */
  @Column('text')
  passwordHash: string;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}

/** A device on which a teacher is signed in. */
@Entity('session')
export class SessionRow {
  @PrimaryColumn('text')
  tokenHash: string;

  /** What it is called by where its devices are listed. */
  @Column('uuid')
  @Generated('uuid')
  id: string;

  @Column('uuid')
  teacherId: string;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  teacher?: TeacherRow;

  @Column('timestamptz')
  expiresAt: Date;

  @Column('timestamptz', { default: () => 'now()' })
  seenAt: Date;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;

  /** What the browser says of itself. */
  @Column('text', { default: '' })
  device: string;
}

/** A letter with which somebody who has forgotten a password makes a new one: good once, for an hour. */
@Entity('password_letter')
export class PasswordLetterRow {
  @PrimaryColumn('text')
  tokenHash: string;

  @Column('uuid')
  teacherId: string;

  @ManyToOne(() => TeacherRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'teacher_id' })
  teacher?: TeacherRow;

  @Column('timestamptz')
  endsAt: Date;
}

/** Something that may be done only so often was done: the key says what and by whom, hashed. */
@Entity('failure')
@Index('failure_by_key', ['key', 'at'])
export class FailureRow {
  @PrimaryGeneratedColumn('identity', { type: 'bigint', generatedIdentity: 'ALWAYS' })
  id: string;

  @Column('text')
  key: string;

  @Column('timestamptz', { default: () => 'now()' })
  at: Date;
}
