import { Column, Entity, JoinColumn, ManyToOne, OneToOne, PrimaryColumn, Unique } from 'typeorm';
import { DeckRow } from '../decks/decks.entities.js';
import { EditionRow } from '../lessons/lessons.entities.js';

/** A deck that has, or had, an address for anyone. */
@Entity('publication')
@Unique('publication_code_key', ['code'])
export class PublicationRow {
  @PrimaryColumn('uuid')
  deckId: string;

  @OneToOne(() => DeckRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'deck_id' })
  deck?: DeckRow;

  @Column('text')
  code: string;

  /** Of the edition: an edition may be large, and is read by few who ask. */
  @Column('text')
  title: string;

  @Column('uuid')
  editionId: string;

  @ManyToOne(() => EditionRow)
  edition?: EditionRow;

  /** The deck's document as it was frozen: what copies are made of. */
  @Column('bytea', { select: false })
  document: Buffer;

  /** The picture of its first slide, for link cards. */
  @Column('text', { nullable: true })
  picture: string | null;

  @Column('text', { nullable: true })
  passHash: string | null;

  /** What readers are given who know the pass word; another one with another word. */
  @Column('text', { nullable: true })
  passToken: string | null;

  @Column('boolean')
  allowsTries: boolean;

  @Column('boolean')
  allowsCopies: boolean;

  /** Origins; null for all. */
  @Column('jsonb', { nullable: true })
  sites: string[] | null;

  @Column('timestamptz', { nullable: true })
  endsAt: Date | null;

  @Column('timestamptz', { default: () => 'now()' })
  publishedAt: Date;

  @Column('timestamptz', { nullable: true })
  withdrawnAt: Date | null;
}

/** How often a published deck was opened on a day; by whom is not known. */
@Entity('published_day')
export class PublishedDayRow {
  @PrimaryColumn('uuid')
  deckId: string;

  @ManyToOne(() => PublicationRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'deck_id' })
  publication?: PublicationRow;

  @PrimaryColumn('date')
  day: string;

  @Column('integer')
  openings: number;
}

/** How often readers came to a slide, and by which link. */
@Entity('published_step')
export class PublishedStepRow {
  @PrimaryColumn('uuid')
  deckId: string;

  @ManyToOne(() => PublicationRow, { onDelete: 'CASCADE' })
  @JoinColumn({ name: 'deck_id' })
  publication?: PublicationRow;

  @PrimaryColumn('text')
  slideId: string;

  @PrimaryColumn('text')
  via: string;

  @Column('integer')
  count: number;
}
