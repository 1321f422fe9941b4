import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm';

/** A letter that would have been sent, if this server knew somebody who sends them. */
@Entity('mail')
export class MailRow {
  @PrimaryGeneratedColumn('uuid')
  id: string;

  @Column('text')
  address: string;

  @Column('text')
  subject: string;

  @Column('text')
  words: string;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}
