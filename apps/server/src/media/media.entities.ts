import { Column, Entity, JoinColumn, ManyToOne, PrimaryColumn } from 'typeorm';

/** A sound or video, named by its SHA-256. */
@Entity('media')
export class MediaRow {
  @PrimaryColumn('text')
  hash: string;

  @Column('text')
  mediaType: string;

  /** Bytes. */
  @Column('int')
  size: number;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}

/** A stretch of a sound or video, counted from 0. */
@Entity('media_part')
export class MediaPartRow {
  @PrimaryColumn('text')
  hash: string;

  @PrimaryColumn('int')
  part: number;

  @ManyToOne(() => MediaRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'hash' })
  media?: MediaRow;

  @Column('bytea')
  bytes: Buffer;
}
