import { Injectable, Logger } from '@nestjs/common';
import {
  can,
  COMMENTED,
  idOf,
  SERVER_LIMITS,
  type DeckComments,
  type ElementId,
  type SlideId,
} from '@gobrel/core';
import { DataSource, IsNull, type Repository } from 'typeorm';
import type { Teacher } from '../access/guards.js';
import { Throttle } from '../access/Throttle.js';
import { DeckRow } from '../decks/decks.entities.js';
import { Outbox } from '../outbox/Outbox.js';
import { notFound, refused, tooMuch } from '../problems/problem.js';
import { SharingService } from '../sharing/SharingService.js';
import { SyncService } from '../sync/SyncService.js';
import type { CommentChangeDto, CommentDto } from './comments.dto.js';
import { CommentRow } from './comments.entities.js';

/** Comments on decks. They lie in rows, not in the deck: students and copies have none, and who only comments writes no deck. */
@Injectable()
export class CommentsService {
  readonly #comments: Repository<CommentRow>;
  readonly #log = new Logger('comments');

  constructor(
    private readonly database: DataSource,
    private readonly sharing: SharingService,
    private readonly sync: SyncService,
    private readonly outbox: Outbox,
    private readonly throttle: Throttle,
  ) {
    this.#comments = database.getRepository(CommentRow);
  }

  async all(deckId: string): Promise<DeckComments<Date>> {
    const [rows, people] = await Promise.all([
      this.#comments.find({
        where: { deckId },
        relations: { teacher: true },
        order: { createdAt: 'ASC' },
      }),
      this.#whoMay(deckId),
    ]);
    const names = new Map(people.map(({ id, name }) => [id, name]));
    return {
      comments: rows.map((row) => ({
        id: row.id,
        slideId: row.slideId,
        elementId: row.elementId,
        underId: row.underId,
        by: { id: row.teacherId, name: row.teacher?.name ?? '' },
        words: row.words,
        mentions: row.mentions.flatMap((id) => {
          const name = names.get(id);
          return name === undefined ? [] : [{ id, name }];
        }),
        at: row.createdAt,
        changedAt: row.changedAt,
        doneAt: row.doneAt,
      })),
      people: people.map(({ id, name }) => ({ id, name })),
    };
  }

  /** An answer lies where its thread does; it takes a thread that was done up again. */
  async say(by: Teacher, deckId: string, given: CommentDto, here: string): Promise<string> {
    const { perDeck, within, perPerson } = SERVER_LIMITS.comments;
    const key = `comment:${by.id}`;
    if ((await this.throttle.count(key, within)) >= perPerson) throw tooMuch(within);
    await this.throttle.record(key);
    if ((await this.#comments.countBy({ deckId })) >= perDeck) {
      throw refused('This deck has as many comments as it can have. Remove some first.');
    }
    const thread = given.underId ? await this.#first(deckId, given.underId) : null;
    const called = (await this.#whoMay(deckId)).filter(
      ({ id }) => id !== by.id && given.mentions?.includes(id),
    );
    const row = await this.#comments.save({
      deckId,
      underId: thread?.id ?? null,
      slideId: thread?.slideId ?? idOf<SlideId>(given.slideId),
      elementId: thread
        ? thread.elementId
        : given.elementId === undefined
          ? null
          : idOf<ElementId>(given.elementId),
      teacherId: by.id,
      words: given.words,
      mentions: called.map(({ id }) => id),
    });
    if (thread?.doneAt) await this.#comments.update({ id: thread.id }, { doneAt: null });
    this.sync.tell(`deck:${deckId}`, COMMENTED);
    await this.#write(by, row, called, here);
    return row.id;
  }

  /** Words are changed by those who wrote them; a thread is done for everybody. */
  async change(by: string, deckId: string, id: string, given: CommentChangeDto): Promise<void> {
    const row = await this.#one(deckId, id);
    if (given.words !== undefined && row.teacherId !== by) {
      throw refused('Only who wrote a comment changes its words.');
    }
    if (given.isDone !== undefined && row.underId !== null) {
      throw refused('A thread is done as a whole.');
    }
    await this.#comments.update(
      { id },
      {
        ...(given.words === undefined ? {} : { words: given.words, changedAt: new Date() }),
        ...(given.isDone === undefined ? {} : { doneAt: given.isDone ? new Date() : null }),
      },
    );
    this.sync.tell(`deck:${deckId}`, COMMENTED);
  }

  /** @param by who may remove only what they wrote and nobody has answered; null for the deck's owner */
  async remove(by: string | null, deckId: string, id: string): Promise<void> {
    const row = await this.#one(deckId, id);
    if (by !== null) {
      if (row.teacherId !== by) throw refused('Only who wrote a comment removes it.');
      if (await this.#comments.existsBy({ underId: id })) {
        throw refused('This was answered. Say that it is done instead.');
      }
    }
    await this.#comments.delete({ id });
    this.sync.tell(`deck:${deckId}`, COMMENTED);
  }

  /** Those who see comments of a deck. */
  async #whoMay(deckId: string): ReturnType<SharingService['people']> {
    return (await this.sharing.people(deckId)).filter(({ role }) => can([role], 'deck:comment'));
  }

  async #one(deckId: string, id: string): Promise<CommentRow> {
    const row = await this.#comments.findOneBy({ deckId, id });
    if (!row) throw notFound('comment');
    return row;
  }

  async #first(deckId: string, id: string): Promise<CommentRow> {
    const row = await this.#comments.findOneBy({ deckId, id, underId: IsNull() });
    if (!row) throw refused('What you answer is not there any more.');
    return row;
  }

  /** Letters to those who are called by name. What was said stands, whether they get one or not. */
  async #write(
    by: Teacher,
    { deckId, slideId, words }: CommentRow,
    called: readonly { email: string }[],
    here: string,
  ): Promise<void> {
    if (called.length === 0) return;
    const { title } = await this.database.getRepository(DeckRow).findOneByOrFail({ id: deckId });
    const key = `mention:${by.id}`;
    for (const { email } of called) {
      if ((await this.throttle.count(key, 3600)) >= SERVER_LIMITS.comments.letters) return;
      await this.throttle.record(key);
      const letter = {
        address: email,
        subject: `${by.name} asks you about “${title}”`.replace(/\s+/g, ' ').slice(0, 200),
        words: [
          `${by.name} writes to a slide of “${title}”:`,
          words,
          `Open it:\n${here}/deck/${deckId}/slide/${slideId}?comments`,
        ].join('\n\n'),
      };
      await this.outbox
        .send(letter)
        .catch((error: unknown) =>
          this.#log.error(error instanceof Error ? error.message : String(error)),
        );
    }
  }
}
