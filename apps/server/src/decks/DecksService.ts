import { setImmediate } from 'node:timers/promises';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import {
  addSlide,
  beginningById,
  type Deck,
  type DeckCard,
  deckMap,
  type DeckSummary,
  growFrom,
  type LinkId,
  type Origin,
  plant,
  readDeck,
  renameDeck,
  ROLES,
  SERVER_LIMITS,
  setOut,
  setScenery,
  type SlideId,
  slidesIn,
  slidesMap,
  summarise,
  type Walks,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import * as Y from 'yjs';
import { IS_LIVE } from '../access/livePublication.js';
import { Throttle } from '../access/Throttle.js';
import type { TeacherRow } from '../accounts/accounts.entities.js';
import {
  flag,
  id,
  moment,
  number,
  oneOf,
  orNull,
  rowsOf,
  text,
  written,
} from '../database/rows.js';
import { refused, tooMuch } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { UpdateStore } from '../sync/UpdateStore.js';
import { DeckPersonRow, DeckRow } from './decks.entities.js';

/** The most slides of a written plan that a deck is made with at once. */
const MOST_GROWN = 300;

/** Decks that a copy remembers having come through. */
const MOST_ORIGINS = 20;

@Injectable()
export class DecksService implements OnModuleInit {
  constructor(
    private readonly database: DataSource,
    private readonly store: UpdateStore,
    private readonly sync: SyncService,
    private readonly throttle: Throttle,
  ) {}

  onModuleInit(): void {
    this.sync.keep({
      kind: 'deck',
      onSettled: (deckId, doc) => this.refreshCard(deckId, readDeck(doc)),
    });
  }

  /** Newest change first. */
  async list(teacherId: string, from: 'decks' | 'trash'): Promise<DeckCard<Date>[]> {
    return rowsOf(
      this.database,
      {
        id: text,
        title: text,
        role: oneOf(ROLES),
        summary: written<DeckSummary>(),
        changedAt: moment,
        trashedAt: orNull(moment),
        lessonNow: orNull(number),
        isPublished: flag,
        origins: written<Origin[]>(),
      },
      `SELECT d.id, d.title, p.role, d.summary, d.changed_at AS "changedAt", d.trashed_at AS "trashedAt", d.origins,
         (SELECT count(f.id)::int FROM lesson l LEFT JOIN folio f ON f.lesson_id = l.id
          WHERE l.deck_id = d.id AND l.ended_at IS NULL GROUP BY l.id
          ORDER BY l.started_at DESC LIMIT 1) AS "lessonNow",
         EXISTS (SELECT 1 FROM publication b WHERE b.deck_id = d.id AND ${IS_LIVE}) AS "isPublished"
       FROM deck d JOIN deck_person p ON p.deck_id = d.id AND p.teacher_id = $1
       WHERE (d.trashed_at IS NOT NULL) = $2
       ORDER BY d.changed_at DESC, d.title`,
      [teacherId, from === 'trash'],
    );
  }

  /** A new deck: with one empty first slide, from one of our beginnings, or from a written plan. */
  async create(
    teacherId: string,
    { title, beginning, plan }: { title: string; beginning?: string; plan?: string },
  ): Promise<string> {
    const doc = new Y.Doc();
    renameDeck(doc, title);
    setScenery(doc, null, 'full');
    if (typeof beginning === 'string') {
      const ours = beginningById(beginning);
      if (!ours) throw refused('There is no such beginning.');
      plant(doc, ours, title);
    } else if (typeof plan === 'string') {
      const slides = slidesIn(plan);
      if (slides === 0) throw refused('There is no line with a slide in this plan.');
      if (slides > MOST_GROWN) {
        throw refused(`A deck can begin with ${MOST_GROWN} slides. Paste the rest on its map.`);
      }
      growFrom(doc, plan);
      const slideIds = [...slidesMap(doc).keys()];
      // A few at a time: everybody else is served in between.
      for (let at = 0; at < slideIds.length; at += 8) {
        setOut(doc, slideIds.slice(at, at + 8));
        await setImmediate();
      }
    } else addSlide(doc, { title: '', layout: 'text' });
    return this.adopt(teacherId, doc);
  }

  /** Takes a finished document in as a deck of this teacher. */
  async adopt(teacherId: string, doc: Y.Doc, id?: string, origins: Origin[] = []): Promise<string> {
    const deck = readDeck(doc);
    const deckId = await this.database.transaction(async (rows) => {
      const row = rows.create(DeckRow, {
        id,
        title: deck.title,
        summary: summarise(deck),
        origins,
      });
      await rows.insert(DeckRow, row);
      await rows.insert(DeckPersonRow, { deckId: row.id, teacherId, role: 'owner' });
      return row.id;
    });
    await this.store.save(`deck:${deckId}`, doc);
    return deckId;
  }

  /**
   * All that is in the document, and nothing of its lessons. A copy of somebody else's deck knows whose that was.
   * @param frozen the document as it was published; otherwise as it is now
   */
  async duplicate(teacherId: string, deckId: string, frozen?: Uint8Array): Promise<string> {
    const { title, origins } = await this.database
      .getRepository(DeckRow)
      .findOneByOrFail({ id: deckId });
    const owner = await this.ownerOf(deckId);
    const copy = new Y.Doc();
    const state = frozen ?? Y.encodeStateAsUpdate(await this.sync.read(`deck:${deckId}`));
    Y.applyUpdate(copy, state);
    const isOwn = owner?.id === teacherId;
    if (isOwn) renameDeck(copy, `${String(deckMap(copy).get('title'))} (copy)`);
    const from = isOwn || !owner ? origins : [...origins, { title, by: owner.name }];
    return this.adopt(teacherId, copy, undefined, from.slice(-MOST_ORIGINS));
  }

  /** As `duplicate`, for somebody to whom the deck is offered: so many in a time. */
  async takeCopy(teacherId: string, deckId: string, frozen?: Uint8Array): Promise<string> {
    const { within, perPerson } = SERVER_LIMITS.copies;
    const key = `copy:${teacherId}`;
    if ((await this.throttle.count(key, within)) >= perPerson) throw tooMuch(within);
    await this.throttle.record(key);
    return this.duplicate(teacherId, deckId, frozen);
  }

  async ownerOf(deckId: string): Promise<TeacherRow | null> {
    const row = await this.database
      .getRepository(DeckPersonRow)
      .findOne({ where: { deckId, role: 'owner' }, relations: { teacher: true } });
    return row?.teacher ?? null;
  }

  async walks(deckId: string): Promise<Walks> {
    const rows = await rowsOf(
      this.database,
      { slide_id: id<SlideId>(), via: id<LinkId>(), count: number },
      `SELECT v.slide_id, v.via, count(*)::int AS count
       FROM visit v JOIN folio f ON f.id = v.folio_id JOIN lesson l ON l.id = f.lesson_id
       WHERE l.deck_id = $1 GROUP BY v.slide_id, v.via`,
      [deckId],
    );
    const walks: Walks = { slides: {}, links: {} };
    for (const { slide_id, via, count } of rows) {
      walks.slides[slide_id] = (walks.slides[slide_id] ?? 0) + count;
      walks.links[via] = (walks.links[via] ?? 0) + count;
    }
    return walks;
  }

  /** The deck as it is now, also while it is being worked on. */
  async read(deckId: string): Promise<Deck> {
    return readDeck(await this.sync.read(`deck:${deckId}`));
  }

  async refreshCard(deckId: string, deck: Deck): Promise<void> {
    await this.database
      .getRepository(DeckRow)
      .update(
        { id: deckId },
        { title: deck.title, summary: summarise(deck), changedAt: () => 'now()' },
      );
  }

  async setTrashed(deckId: string, isTrashed: boolean): Promise<void> {
    await this.database
      .getRepository(DeckRow)
      .update({ id: deckId }, { trashedAt: isTrashed ? new Date() : null });
    if (isTrashed) this.sync.hocuspocus.closeConnections(`deck:${deckId}`);
  }
}
