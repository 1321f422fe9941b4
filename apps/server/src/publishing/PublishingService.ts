import { Injectable } from '@nestjs/common';
import {
  editionChanges,
  makeSayable,
  readDeck,
  readSayable,
  studentView,
  type Deck,
  type LinkId,
  type Publication,
  type SlideId,
} from '@gobrel/core';
import { DataSource, IsNull, type Repository } from 'typeorm';
import * as Y from 'yjs';
import { IS_LIVE } from '../access/livePublication.js';
import { makeToken, random } from '../access/tokens.js';
import { Passwords } from '../accounts/Passwords.js';
import { noteUses } from '../assets/uses.js';
import { DeckRow } from '../decks/decks.entities.js';
import { DecksService } from '../decks/DecksService.js';
import { flag, id, number, orNull, rowOf, rowsOf, text, written } from '../database/rows.js';
import { editionIn, freeze } from '../lessons/editions.js';
import { EditionRow } from '../lessons/lessons.entities.js';
import { Problem, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import type { PublishDto } from './publishing.dto.js';
import { PublicationRow } from './publishing.entities.js';

/** Days of openings that are told. */
const DAYS = 60;

const NONE = new Problem(
  404,
  'Not found',
  'No deck is published at this address. See whether it is written as it was given to you.',
);
const OVER = new Problem(
  410,
  'Not published any more',
  'This deck is not published any more: it was withdrawn, or its time has ended. Ask whoever gave you the address.',
);

/** A published deck, as it is looked up for a reader. */
export interface Live {
  deckId: string;
  editionId: string;
  title: string;
  passHash: string | null;
  passToken: string | null;
  allowsTries: boolean;
  allowsCopies: boolean;
  sites: string[] | null;
  picture: string | null;
}

type Settings = Pick<PublicationRow, 'endsAt' | 'allowsTries' | 'allowsCopies' | 'sites'> &
  Partial<Pick<PublicationRow, 'passHash' | 'passToken'>>;

/** Which decks have an address for anyone, and what stands there. */
@Injectable()
export class PublishingService {
  readonly #publications: Repository<PublicationRow>;

  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
    private readonly passwords: Passwords,
    private readonly decks: DecksService,
  ) {
    this.#publications = database.getRepository(PublicationRow);
  }

  async of(deckId: string): Promise<Publication<Date> | null> {
    const row = await this.#publications.findOneBy({ deckId });
    if (!row) return null;
    const [before, now, openings, walked] = await Promise.all([
      editionIn(this.database, row.editionId),
      this.sync.read(`deck:${deckId}`).then(readDeck),
      rowsOf(
        this.database,
        { day: text, count: number },
        `SELECT day::text, openings AS count FROM published_day
         WHERE deck_id = $1 AND day > current_date - ${DAYS} ORDER BY day`,
        [deckId],
      ),
      rowsOf(
        this.database,
        { slideId: id<SlideId>(), via: id<LinkId>(), count: number },
        `SELECT slide_id AS "slideId", via, count FROM published_step WHERE deck_id = $1`,
        [deckId],
      ),
    ]);
    const walks: Publication['walks'] = { slides: {}, links: {} };
    for (const { slideId, via, count } of walked) {
      walks.slides[slideId] = (walks.slides[slideId] ?? 0) + count;
      walks.links[via] = (walks.links[via] ?? 0) + count;
    }
    const { code, publishedAt, endsAt, allowsTries, allowsCopies, sites } = row;
    return {
      code,
      publishedAt,
      endsAt,
      allowsTries,
      allowsCopies,
      sites,
      isWithdrawn: row.withdrawnAt !== null,
      hasPass: row.passHash !== null,
      changes: editionChanges(before, now),
      openings,
      walks,
    };
  }

  /** Freezes the deck as it is now. An address that it had before is good again. */
  async publish(deckId: string, given: PublishDto, from: string): Promise<void> {
    const settings = await this.#settings(given, from);
    const doc = await this.sync.read(`deck:${deckId}`);
    const deck: Deck = readDeck(doc);
    const view = studentView(deck);
    if (!view.startSlideId) throw refused('This deck has no slide to begin on. Make one first.');
    const document = Buffer.from(Y.encodeStateAsUpdate(doc));
    const picture = given.picture ?? null;
    await this.database.transaction(async (rows) => {
      const publications = rows.getRepository(PublicationRow);
      // Two who publish it for the first time at once give it one address.
      await rows.findOneOrFail(DeckRow, {
        select: { id: true },
        where: { id: deckId },
        lock: { mode: 'pessimistic_write' },
      });
      const before = await publications.findOneBy({ deckId });
      const editionId = await freeze(rows, deckId, deck, view);
      if (picture) await noteUses(rows, [{ hash: picture, name: `edition:${editionId}#student` }]);
      await publications.upsert(
        {
          deckId,
          code: before?.code ?? makeSayable(random),
          title: deck.title,
          editionId,
          document,
          picture,
          publishedAt: new Date(),
          withdrawnAt: null,
          ...settings,
        },
        ['deckId'],
      );
      if (before) await rows.delete(EditionRow, { id: before.editionId });
    });
  }

  async change(deckId: string, given: PublishDto, from: string): Promise<void> {
    const settings = await this.#settings(given, from);
    const { affected } = await this.#publications.update(
      { deckId, withdrawnAt: IsNull() },
      settings,
    );
    if (affected === 0) throw refused('This deck is not published. Publish it first.');
  }

  async withdraw(deckId: string): Promise<void> {
    await this.#publications.update({ deckId, withdrawnAt: IsNull() }, { withdrawnAt: new Date() });
  }

  /** @throws Problem when nothing is published at this address, or not any more */
  async live(typed: string): Promise<Live> {
    const code = readSayable(typed);
    const row =
      code &&
      (await rowOf(
        this.database,
        {
          deckId: text,
          editionId: text,
          title: text,
          passHash: orNull(text),
          passToken: orNull(text),
          allowsTries: flag,
          allowsCopies: flag,
          sites: orNull(written<string[]>()),
          picture: orNull(text),
          isLive: flag,
        },
        `SELECT b.deck_id AS "deckId", b.edition_id AS "editionId", b.title,
           b.pass_hash AS "passHash", b.pass_token AS "passToken", b.allows_tries AS "allowsTries",
           b.allows_copies AS "allowsCopies", b.sites, b.picture, (${IS_LIVE}) AS "isLive"
         FROM publication b JOIN deck d ON d.id = b.deck_id
         WHERE b.code = $1`,
        [code],
      ));
    if (!row) throw NONE;
    if (!row.isLive) throw OVER;
    return row;
  }

  /** A reader's own deck, made from the edition. */
  async copy({ deckId, allowsCopies }: Live, teacherId: string): Promise<string> {
    if (!allowsCopies) throw refused('No copies are taken of this deck.');
    const { document } = await this.#publications.findOneOrFail({
      select: { document: true },
      where: { deckId },
    });
    return this.decks.takeCopy(teacherId, deckId, document);
  }

  async #settings(
    { endsAt, allowsTries, allowsCopies, sites, pass }: PublishDto,
    from: string,
  ): Promise<Settings> {
    if (endsAt && endsAt < new Date()) throw refused('That end has passed already.');
    const settings = { endsAt, allowsTries, allowsCopies, sites };
    if (pass === undefined) return settings;
    if (pass === '') return { ...settings, passHash: null, passToken: null };
    return {
      ...settings,
      passHash: await this.passwords.hash(pass, from),
      // Whoever knows the old word alone does not get in any more.
      passToken: makeToken(),
    };
  }
}
