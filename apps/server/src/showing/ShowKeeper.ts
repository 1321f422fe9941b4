import { Injectable, Logger, type OnModuleInit } from '@nestjs/common';
import type { Document } from '@hocuspocus/server';
import {
  readShow,
  readSteering,
  restoreShow,
  shownSlide,
  steer,
  tellShow,
  type SlideId,
  type Timing,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import type { LetIn } from '../sync/Intake.js';
import { SyncService } from '../sync/SyncService.js';
import { ShowRow } from './showing.entities.js';
import { ShowsService } from './ShowsService.js';

/** Milliseconds between two times that those who steer are told how many follow, and until a place is kept. */
const TELL = 1000;
const KEEP = 2000;

/** How long what was shown, while its show is open. */
type Clock = Omit<Timing, 'followers' | 'now'> & { here: SlideId | null };

/** Does what devices that steer a show say, and tells everybody in it. */
@Injectable()
export class ShowKeeper implements OnModuleInit {
  #clocks = new Map<string, Clock>();
  #waits = new Map<string, NodeJS.Timeout>();
  #unkept = new Map<string, NodeJS.Timeout>();
  #logger = new Logger('showing');

  constructor(
    private readonly sync: SyncService,
    private readonly shows: ShowsService,
    private readonly database: DataSource,
  ) {}

  onModuleInit(): void {
    this.sync.keep({
      kind: 'show',
      onLoad: (id, doc) => this.#load(id, doc),
      onUnload: (id, doc) => {
        clearTimeout(this.#waits.get(id));
        this.#waits.delete(id);
        if (this.#unkept.has(id)) this.#keep(id, doc);
        this.#clocks.delete(id);
      },
      onPresence: (id, doc) => this.#tellSoon(id, doc),
      onSaid: (id, doc, words) => this.#hear(id, doc, words),
    });
  }

  async #load(id: string, doc: Document): Promise<void> {
    const { place, spent, startedAt, editionId } = await this.shows.require(id);
    restoreShow(doc, place);
    tellShow(doc, { version: editionId ?? '' });
    const here = shownSlide(readShow(doc).place);
    this.#clocks.set(id, {
      startedAt: startedAt.getTime(),
      spent: { ...spent },
      since: Date.now(),
      here,
    });
  }

  #hear(id: string, doc: Document, words: string): void {
    const said = readSteering(words);
    if (!said || readShow(doc).ended) return;
    if (said.kind === 'point') {
      doc.broadcastStateless(JSON.stringify(said));
      return;
    }
    steer(doc, said);
    this.#keepSoon(id, doc);
    const clock = this.#clocks.get(id);
    if (said.kind !== 'place' || !clock) return;
    const here = shownSlide(said);
    if (here === clock.here) return;
    this.#count(clock);
    clock.here = here;
    this.#tell(id, doc);
  }

  /** What the present slide was shown up to now. */
  #count(clock: Clock): void {
    const now = Date.now();
    if (clock.here) clock.spent[clock.here] = (clock.spent[clock.here] ?? 0) + now - clock.since;
    clock.since = now;
  }

  #tellSoon(id: string, doc: Document): void {
    if (this.#waits.has(id)) return;
    const timer = setTimeout(() => {
      this.#waits.delete(id);
      this.#tell(id, doc);
    }, TELL);
    this.#waits.set(id, timer.unref());
  }

  #tell(id: string, doc: Document): void {
    const clock = this.#clocks.get(id);
    if (!clock) return;
    const all = doc.getConnections();
    const steering = all.filter(({ context }) => (context as LetIn).access === 'steer');
    const { startedAt, spent, since } = clock;
    const timing: Timing = {
      followers: all.length - steering.length,
      startedAt,
      spent,
      since,
      now: Date.now(),
    };
    const words = JSON.stringify({ kind: 'timing', ...timing });
    for (const connection of steering) connection.sendStateless(words);
  }

  #keepSoon(id: string, doc: Document): void {
    if (this.#unkept.has(id)) return;
    const timer = setTimeout(() => this.#keep(id, doc), KEEP);
    this.#unkept.set(id, timer.unref());
  }

  /** Writes down where the show is, for when nobody has it open. */
  #keep(id: string, doc: Document): void {
    clearTimeout(this.#unkept.get(id));
    this.#unkept.delete(id);
    const clock = this.#clocks.get(id);
    if (clock) this.#count(clock);
    this.database
      .getRepository(ShowRow)
      .update({ id }, { place: readShow(doc).place, ...(clock ? { spent: clock.spent } : {}) })
      .catch((error: unknown) => this.#logger.error(`show ${id}: ${String(error)}`));
  }
}
