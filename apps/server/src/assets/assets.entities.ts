import { Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn } from 'typeorm';

/** A picture, named by the SHA-256 of what it was made from. */
@Entity('asset')
export class AssetRow {
  @PrimaryColumn('text')
  hash: string;

  @Column('text')
  mediaType: string;

  /** Pixels, or the units of a drawing. */
  @Column('int')
  width: number;

  @Column('int')
  height: number;

  @Column('boolean')
  isAnimated: boolean;

  @Column('bytea')
  bytes: Buffer;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}

/** A picture in another size, made when it was first asked for. */
@Entity('asset_size')
export class AssetSizeRow {
  @PrimaryColumn('text')
  hash: string;

  @PrimaryColumn('int')
  width: number;

  @ManyToOne(() => AssetRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'hash' })
  asset?: AssetRow;

  @Column('text')
  mediaType: string;

  @Column('bytea')
  bytes: Buffer;
}

/** What uses a picture, sound or file; the names are told in `uses.ts`. */
@Entity('asset_use')
// Searched by what it begins with: an order of letters that entities cannot tell.
@Index('asset_use_by_name', { synchronize: false })
export class AssetUseRow {
  @PrimaryColumn('text')
  hash: string;

  @PrimaryColumn('text')
  name: string;
}

/** A file that a deck links to, named by its SHA-256. */
@Entity('file')
export class FileRow {
  @PrimaryColumn('text')
  hash: string;

  @Column('bytea')
  bytes: Buffer;

  @Column('timestamptz', { default: () => 'now()' })
  createdAt: Date;
}
