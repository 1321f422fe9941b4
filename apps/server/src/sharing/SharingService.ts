import { Injectable } from '@nestjs/common';
import {
  SERVER_LIMITS,
  type CopyOffer,
  type GivenRole,
  type Invitation,
  type OpenInvitation,
  type Person,
} from '@gobrel/core';
import { DataSource, IsNull, MoreThan, Not, type EntityManager, type Repository } from 'typeorm';
import type { Teacher } from '../access/guards.js';
import { Throttle } from '../access/Throttle.js';
import { hashToken, makeToken } from '../access/tokens.js';
import { DeckPersonRow, DeckRow } from '../decks/decks.entities.js';
import { DecksService } from '../decks/DecksService.js';
import { Outbox } from '../outbox/Outbox.js';
import { Problem, refused, tooMuch } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { InvitationRow } from './sharing.entities.js';

const DAY = 86_400_000;
const WISHES: Record<GivenRole, (deck: string) => string> = {
  viewer: (deck) => `would like to show you the deck ${deck}`,
  commenter: (deck) => `would like to know what you think of the deck ${deck}`,
  coauthor: (deck) => `would like to build the deck ${deck} together with you`,
};
const GONE = new Problem(
  404,
  'Not found',
  'There is no invitation at this address: a newer letter has replaced it, or its deck is gone.',
);

/** Who is what to a deck, and how one becomes it. */
@Injectable()
export class SharingService {
  readonly #decks: Repository<DeckRow>;
  readonly #people: Repository<DeckPersonRow>;
  readonly #invitations: Repository<InvitationRow>;

  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
    private readonly outbox: Outbox,
    private readonly throttle: Throttle,
    private readonly decks: DecksService,
  ) {
    this.#decks = database.getRepository(DeckRow);
    this.#people = database.getRepository(DeckPersonRow);
    this.#invitations = database.getRepository(InvitationRow);
  }

  /** The owner first, then by name. */
  async people(deckId: string): Promise<Person[]> {
    const people = await this.#people.find({
      where: { deckId },
      relations: { teacher: true },
      order: { teacher: { name: 'ASC' } },
    });
    const all = people.flatMap(({ teacher, role }) =>
      teacher ? [{ id: teacher.id, name: teacher.name, email: teacher.email, role }] : [],
    );
    return [...all.filter(isOwner), ...all.filter((person) => !isOwner(person))];
  }

  /** The invitations that wait for an answer. */
  async open(deckId: string): Promise<OpenInvitation<Date>[]> {
    const rows = await this.#invitations.find({
      where: { deckId, answer: IsNull(), endsAt: MoreThan(new Date()) },
      order: { createdAt: 'ASC' },
    });
    return rows.map(({ id, email, role, endsAt }) => ({ id, email, role, endsAt }));
  }

  /**
   * Sends a letter with an address of its own; an earlier one to the same person is good no more. Whether they have an
   * account here makes no difference, and is not told. True when the letter lies in the outbox.
   */
  async invite(
    by: Teacher,
    deckId: string,
    { email, role }: { email: string; role: GivenRole },
    here: string,
  ): Promise<boolean> {
    const known = (await this.people(deckId)).find((person) => person.email === email);
    if (known) {
      throw refused(
        known.role === 'owner'
          ? 'The deck is yours already.'
          : `${known.name} has the deck already. What they may do is changed in the list.`,
      );
    }
    const { within, perPerson, days } = SERVER_LIMITS.invitations;
    const key = `invite:${by.id}`;
    if ((await this.throttle.count(key, within)) >= perPerson) throw tooMuch(within);
    await this.throttle.record(key);
    const token = makeToken();
    const endsAt = new Date(Date.now() + days * DAY);
    const { title } = await this.#decks.findOneByOrFail({ id: deckId });
    const row = { teacherId: by.id, role, tokenHash: hashToken(token), answer: null, endsAt };
    const letter = {
      address: email,
      subject: `${oneLine(by.name)} invites you to “${oneLine(title)}”`,
      words: [
        `${oneLine(by.name)} (${by.email}) ${WISHES[role](`“${oneLine(title)}”`)}.`,
        `Open this address to accept or decline:\n${here}/invited/${token}`,
        `It is good once, for ${days} days, and only for ${email}. Whoever did not expect this letter can throw it away.`,
      ].join('\n\n'),
    };
    // Where the letter cannot be sent nobody is invited. It may take long: the database is not held meanwhile.
    await this.outbox.send(letter);
    await this.#invitations.upsert(
      { deckId, email, ...row, createdAt: new Date() },
      { conflictPaths: ['deckId', 'email'] },
    );
    return this.outbox.isShown;
  }

  async withdraw(deckId: string, id: string): Promise<void> {
    await this.#invitations.update({ deckId, id, answer: IsNull() }, { answer: 'withdrawn' });
  }

  /** @throws Problem when there is none */
  async find(token: string): Promise<Invitation> {
    const row = await this.#withToken(this.database.manager, token);
    const { email, role, answer, endsAt, deck, teacher, deckId } = row;
    return {
      title: deck?.title ?? '',
      by: teacher?.name ?? '',
      email,
      role,
      answer: answer ?? (endsAt < new Date() ? 'over' : null),
      deckId: answer === 'accepted' ? deckId : null,
    };
  }

  /** The deck that one has now. A person who has more already keeps that. */
  accept(token: string, { id: teacherId, email }: Teacher): Promise<string> {
    return this.database.transaction(async (within) => {
      const row = await this.#answered(within, token, 'accepted', email);
      await this.give(row.deckId, teacherId, row.role, within);
      return row.deckId;
    });
  }

  /** Whoever has the deck already keeps what they are to it. */
  async give(
    deckId: string,
    teacherId: string,
    role: GivenRole,
    within: EntityManager = this.database.manager,
  ): Promise<void> {
    await within
      .createQueryBuilder()
      .insert()
      .into(DeckPersonRow)
      .values({ deckId, teacherId, role })
      .orIgnore()
      .execute();
  }

  async decline(token: string): Promise<void> {
    await this.database.transaction((within) => this.#answered(within, token, 'declined'));
  }

  /** What they have open is asked for again at once. The owner stays. */
  async changeRole(deckId: string, teacherId: string, role: GivenRole): Promise<void> {
    await this.#people.update({ deckId, teacherId, role: Not('owner') }, { role });
    this.sync.hangUpOn({ teacherId });
  }

  /** Their open connections close at once. The owner stays. */
  async takeOut(deckId: string, teacherId: string): Promise<void> {
    await this.#people.delete({ deckId, teacherId, role: Not('owner') });
    this.sync.hangUpOn({ teacherId });
  }

  async handOver(deckId: string, from: string, to: string): Promise<void> {
    await this.database.transaction(async (within) => {
      const people = within.getRepository(DeckPersonRow);
      // Who hands it over twice at once has given it away by the second time.
      const given = await people.update(
        { deckId, teacherId: from, role: 'owner' },
        { role: 'coauthor' },
      );
      const taken = await people.update(
        { deckId, teacherId: to, role: Not('owner') },
        { role: 'owner' },
      );
      if (given.affected !== 1 || taken.affected !== 1 || from === to) {
        throw refused('A deck is handed over by its owner, to somebody who has it already.');
      }
    });
    for (const teacherId of [from, to]) this.sync.hangUpOn({ teacherId });
  }

  async copyTokenOf(deckId: string): Promise<string | null> {
    return (await this.#decks.findOneByOrFail({ id: deckId })).copyToken;
  }

  /** An address that is there already stays. */
  async offerCopies(deckId: string): Promise<void> {
    await this.#decks.update({ id: deckId, copyToken: IsNull() }, { copyToken: makeToken() });
  }

  async offerNoCopies(deckId: string): Promise<void> {
    await this.#decks.update({ id: deckId }, { copyToken: null });
  }

  /** @throws Problem when there is no deck at that address, or not any more */
  async copyOffer(copyToken: string): Promise<CopyOffer> {
    const { id, title, summary } = await this.#offered(copyToken);
    const owner = await this.decks.ownerOf(id);
    return { title, by: owner?.name ?? '', summary };
  }

  /** The teacher's own deck, made from it. */
  async takeCopy(copyToken: string, teacherId: string): Promise<string> {
    const { id } = await this.#offered(copyToken);
    return this.decks.takeCopy(teacherId, id);
  }

  async #offered(copyToken: string): Promise<DeckRow> {
    const deck = await this.#decks.findOneBy({ copyToken, trashedAt: IsNull() });
    if (!deck) {
      throw new Problem(
        404,
        'Not found',
        'No deck is given at this address, or not any more. Ask whoever gave it to you.',
      );
    }
    return deck;
  }

  /** Answers an invitation, once, and only by the person whom it was sent to. */
  async #answered(
    within: EntityManager,
    token: string,
    answer: 'accepted' | 'declined',
    email?: string,
  ): Promise<InvitationRow> {
    await within
      .getRepository(InvitationRow)
      .findOne({ where: { tokenHash: hashToken(token) }, lock: { mode: 'pessimistic_write' } });
    const row = await this.#withToken(within, token);
    if (row.answer === 'withdrawn') throw refused('The invitation was taken back.');
    if (row.answer !== null) throw refused('The invitation was answered already.');
    if (row.endsAt < new Date()) {
      throw refused(`The invitation is over. Ask ${row.teacher?.name ?? 'them'} for another one.`);
    }
    if (email !== undefined && email !== row.email) {
      throw refused(
        `The invitation is for ${row.email}, and you are signed in as ${email}. Sign in as the one it was sent to.`,
      );
    }
    await within.getRepository(InvitationRow).update({ id: row.id }, { answer });
    return row;
  }

  async #withToken(within: EntityManager, token: string): Promise<InvitationRow> {
    const row = await within.getRepository(InvitationRow).findOne({
      where: { tokenHash: hashToken(token) },
      relations: { deck: true, teacher: true },
    });
    if (!row?.deck || row.deck.trashedAt !== null) throw GONE;
    return row;
  }
}

const isOwner = ({ role }: Person): boolean => role === 'owner';
/** A subject is one line. */
const oneLine = (words: string): string => words.replace(/\s+/g, ' ').slice(0, 120);
