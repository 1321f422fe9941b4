import { Injectable } from '@nestjs/common';
import {
  editionChanges,
  makeJoinCode,
  makeReturnCode,
  readDeck,
  readJoinCode,
  readReturnCode,
  SERVER_LIMITS,
  studentView,
  tellShow,
  whatStudentsMeet,
  type GivenShow,
  type SteeredShow,
} from '@gobrel/core';
import { DataSource, IsNull, Not, type Repository } from 'typeorm';
import { AccessService } from '../access/AccessService.js';
import { IS_LIVE } from '../access/livePublication.js';
import { IS_RUNNING, makeFollower } from '../access/runningShow.js';
import { hashToken, makeToken, random } from '../access/tokens.js';
import { number, rowOf, rowsOf, text } from '../database/rows.js';
import { editionIn, freeze } from '../lessons/editions.js';
import { runningWithCode } from '../lessons/lessonRows.js';
import { EditionRow } from '../lessons/lessons.entities.js';
import { notFound, Problem, refused } from '../problems/problem.js';
import { Readings } from '../publishing/Readings.js';
import { SyncService } from '../sync/SyncService.js';
import { ShowRemoteRow, ShowRow } from './showing.entities.js';

const NO_SUCH = new Problem(
  404,
  'Not found',
  'No show has this code now. See how it is written on the screen; a show that is over has none any more.',
);

/** Shows that are followed, and steered from several devices. */
@Injectable()
export class ShowsService {
  readonly #shows: Repository<ShowRow>;
  readonly #remotes: Repository<ShowRemoteRow>;

  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
    private readonly readings: Readings,
    private readonly access: AccessService,
  ) {
    this.#shows = database.getRepository(ShowRow);
    this.#remotes = database.getRepository(ShowRemoteRow);
  }

  /** The show that a teacher gives of a deck now. */
  async given(teacherId: string, deckId: string): Promise<GivenShow | null> {
    return rowOf(
      this.database,
      { id: text, code: text, remotes: number },
      `SELECT s.id, s.code,
         (SELECT count(*)::int FROM show_remote r WHERE r.show_id = s.id AND r.code IS NULL) AS remotes
       FROM show s WHERE s.deck_id = $1 AND s.teacher_id = $2 AND ${IS_RUNNING}
       ORDER BY s.started_at DESC LIMIT 1`,
      [deckId, teacherId],
    );
  }

  /** Opens a show to others; the one that a teacher gives already goes on. */
  async give(teacherId: string, deckId: string): Promise<void> {
    await this.#tidy(teacherId);
    const deck = readDeck(await this.sync.read(`deck:${deckId}`));
    const view = studentView(deck);
    if (!view.startSlideId) throw refused('This deck has no slide to begin on. Make one first.');
    await this.database.transaction(async (rows) => {
      // Two windows that open it at once open one.
      await rows.query('SELECT 1 FROM teacher WHERE id = $1 FOR UPDATE', [teacherId]);
      const running = await rows.find(ShowRow, {
        select: { id: true, deckId: true },
        where: { teacherId, endedAt: IsNull() },
      });
      if (running.some((one) => one.deckId === deckId)) return;
      if (running.length >= SERVER_LIMITS.shows.perPerson) {
        throw refused('You give as many shows as there can be at once. End one first.');
      }
      const editionId = await freeze(rows, deckId, deck, view);
      const code = await this.#freeCode();
      await rows.insert(ShowRow, { deckId, teacherId, code, secret: makeToken(), editionId });
    });
  }

  /** Followers get the deck as it is now, if it is another one. */
  async renew(showId: string): Promise<void> {
    const show = await this.require(showId);
    const before = show.editionId && (await editionIn(this.database, show.editionId));
    const deck = readDeck(await this.sync.read(`deck:${show.deckId}`));
    if (before && editionChanges(before, deck).isSame) return;
    const editionId = await this.database.transaction(async (rows) => {
      const made = await freeze(rows, show.deckId, deck);
      await rows.update(ShowRow, { id: showId }, { editionId: made });
      if (show.editionId) await rows.delete(EditionRow, { id: show.editionId });
      return made;
    });
    await this.sync.write(`show:${showId}`, (doc) => tellShow(doc, { version: editionId }));
  }

  async end(showId: string): Promise<void> {
    const { deckId, editionId } = await this.require(showId);
    await this.#shows.update({ id: showId }, { endedAt: new Date(), editionId: null });
    if (editionId) await this.database.getRepository(EditionRow).delete({ id: editionId });
    const published = await rowOf(
      this.database,
      { code: text },
      `SELECT b.code FROM publication b JOIN deck d ON d.id = b.deck_id
       WHERE b.deck_id = $1 AND ${IS_LIVE}`,
      [deckId],
    );
    await this.sync.write(`show:${showId}`, (doc) =>
      tellShow(doc, { ended: { readAt: published?.code ?? null } }),
    );
  }

  /** @throws Problem when no show has the code now */
  async follow(typed: string): Promise<{ id: string; token: string }> {
    const code = readJoinCode(typed);
    const row =
      code &&
      (await rowOf(
        this.database,
        { id: text, secret: text },
        `SELECT s.id, s.secret FROM show s WHERE s.code = $1 AND ${IS_RUNNING}`,
        [code],
      ));
    if (!row) throw NO_SUCH;
    return { id: row.id, token: makeFollower(row.id, row.secret) };
  }

  /** What followers get of the deck, as JSON: plain and packed by gzip. */
  async followed(showId: string): ReturnType<Readings['sent']> {
    const { editionId } = await this.require(showId);
    if (!editionId) throw notFound('show');
    return this.readings.sent({ editionId, allowsTries: false, allowsCopies: false });
  }

  /** What a device gets that steers. */
  async steered(showId: string): Promise<SteeredShow> {
    const { editionId } = await this.require(showId);
    if (!editionId) throw notFound('show');
    const deck = await editionIn(this.database, editionId);
    return { deck: whatStudentsMeet(deck, 'show').deck, version: editionId };
  }

  /** A code with which one more device may steer: good once, and for some minutes. */
  async inviteRemote(showId: string): Promise<{ code: string }> {
    const { remotes } = SERVER_LIMITS.shows;
    await this.#remotes.delete({ showId, code: Not(IsNull()) });
    if ((await this.#remotes.countBy({ showId })) >= remotes) {
      throw refused(`${remotes} devices steer this show already. Let them go first.`);
    }
    const code = makeReturnCode(random);
    await this.#remotes.insert({ tokenHash: hashToken(makeToken()), showId, code });
    return { code };
  }

  /** @throws Problem when no show asks for a device with this code */
  async pair(typed: string): Promise<{ id: string; token: string }> {
    const code = readReturnCode(typed);
    const token = makeToken();
    const row =
      code &&
      (await rowOf(
        this.database,
        { id: text },
        `UPDATE show_remote r SET code = NULL, token_hash = $2
         FROM show s WHERE s.id = r.show_id AND r.code = $1 AND ${IS_RUNNING}
           AND r.created_at > now() - make_interval(mins => $3) RETURNING s.id`,
        [code, hashToken(token), SERVER_LIMITS.shows.pairing],
      ));
    if (!row) {
      throw new Problem(
        404,
        'Not found',
        'No show waits for a device with this code. A code is good once, and for ten minutes: have a new one shown.',
      );
    }
    return { id: row.id, token };
  }

  /** The show that the bearer of these cookies steers. */
  async steeredBy(cookies: string | undefined): Promise<string | null> {
    return (await this.access.visitorOf(cookies)).remote?.showId ?? null;
  }

  /** No other device steers it from now on. */
  async letRemotesGo(showId: string): Promise<void> {
    await this.#remotes.delete({ showId });
    this.sync.hangUpOn({ remotesOf: showId });
  }

  async require(showId: string): Promise<ShowRow> {
    const show = await this.#shows.findOneBy({ id: showId });
    if (!show) throw notFound('show');
    return show;
  }

  /** What was left running: its time is over, and what it was frozen of goes. */
  async #tidy(teacherId: string): Promise<void> {
    const left = await rowsOf(
      this.database,
      { id: text },
      `SELECT s.id FROM show s WHERE s.teacher_id = $1 AND s.ended_at IS NULL AND NOT (${IS_RUNNING})`,
      [teacherId],
    );
    for (const { id } of left) await this.end(id);
  }

  async #freeCode(): Promise<string> {
    for (let tries = 0; tries < 50; tries++) {
      const code = makeJoinCode(random);
      // Nor one of a lesson: whoever types it means one of them.
      const isTaken =
        (await this.#shows.existsBy({ code, endedAt: IsNull() })) ||
        (await runningWithCode(this.database, code)) !== null;
      if (!isTaken) return code;
    }
    throw refused('There is no free code at the moment. Try again.');
  }
}
