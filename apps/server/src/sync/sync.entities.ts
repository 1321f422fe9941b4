import { Column, Entity, Index, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';

/** A change to a synced document, as it came; they are folded into its state by and by. */
@Entity('doc_update')
@Index('doc_update_by_name', ['name', 'id'])
export class DocUpdateRow {
  /** Later ones have greater numbers; beyond what a number holds exactly. */
  @PrimaryGeneratedColumn('identity', { type: 'bigint', generatedIdentity: 'ALWAYS' })
  id: string;

  @Column('text')
  name: string;

  @Column('bytea')
  data: Buffer;

  @Column('timestamptz', { default: () => 'now()' })
  receivedAt: Date;
}

/** A synced document as far as its changes are folded into one. */
@Entity('doc_state')
export class DocStateRow {
  @PrimaryColumn('text')
  name: string;

  @Column('bytea')
  data: Buffer;

  /** The last change that is in it. */
  @Column('bigint', { default: 0 })
  upTo: string;

  /** When that came. */
  @Column('timestamptz', { nullable: true })
  receivedAt: Date | null;
}
