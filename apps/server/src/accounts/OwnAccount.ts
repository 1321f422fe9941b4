import { Injectable, Logger } from '@nestjs/common';
import { SERVER_LIMITS, type Device } from '@gobrel/core';
import { DataSource, LessThan, MoreThan, Not, type Repository } from 'typeorm';
import { Throttle } from '../access/Throttle.js';
import { hashToken, makeToken } from '../access/tokens.js';
import { Outbox } from '../outbox/Outbox.js';
import { notFound, Problem, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { PasswordLetterRow, SessionRow, TeacherRow } from './accounts.entities.js';
import { Passwords } from './Passwords.js';

const NO_LETTER = new Problem(
  404,
  'Not found',
  'This address is good once, and for an hour. Ask for another letter.',
);

/** What somebody does with an account of their own: name, password, and the devices that are signed in. */
@Injectable()
export class OwnAccount {
  readonly #teachers: Repository<TeacherRow>;
  readonly #sessions: Repository<SessionRow>;
  readonly #letters: Repository<PasswordLetterRow>;
  readonly #log = new Logger('accounts');

  constructor(
    private readonly database: DataSource,
    private readonly throttle: Throttle,
    private readonly passwords: Passwords,
    private readonly outbox: Outbox,
    private readonly sync: SyncService,
  ) {
    this.#teachers = database.getRepository(TeacherRow);
    this.#sessions = database.getRepository(SessionRow);
    this.#letters = database.getRepository(PasswordLetterRow);
  }

  async rename(teacherId: string, name: string): Promise<void> {
    await this.#teachers.update({ id: teacherId }, { name });
  }

  /** Every other device is signed out: somebody may have known the old one. */
  async changePassword(
    teacherId: string,
    given: { now: string; password: string },
    session: string,
    from: string,
  ): Promise<void> {
    const key = `password:${teacherId}`;
    await this.throttle.check(key, 10, 300);
    const { passwordHash } = await this.#teachers.findOneByOrFail({ id: teacherId });
    if (!(await this.passwords.isRight(given.now, passwordHash, from))) {
      await this.throttle.record(key);
      throw refused('That is not the password that you have now.');
    }
    const made = await this.passwords.hash(given.password, from);
    await this.#teachers.update({ id: teacherId }, { passwordHash: made });
    await this.signOutOthers(teacherId, session);
  }

  async devices(teacherId: string, session: string): Promise<Device<Date>[]> {
    const rows = await this.#sessions.find({
      where: { teacherId, expiresAt: MoreThan(new Date()) },
      order: { seenAt: 'DESC' },
    });
    return rows.map(({ id, device, createdAt, seenAt, tokenHash }) => ({
      id,
      device,
      since: createdAt,
      seenAt,
      isThis: tokenHash === hashToken(session),
    }));
  }

  async signOut(teacherId: string, id: string): Promise<void> {
    const row = await this.#sessions.findOneBy({ id, teacherId });
    if (!row) throw notFound('device');
    await this.#close([row]);
  }

  async signOutOthers(teacherId: string, session: string): Promise<void> {
    await this.#close(
      await this.#sessions.findBy({ teacherId, tokenHash: Not(hashToken(session)) }),
    );
  }

  async #close(rows: readonly SessionRow[]): Promise<void> {
    for (const { tokenHash } of rows) {
      await this.#sessions.delete({ tokenHash });
      this.sync.hangUpOn({ session: tokenHash });
    }
  }

  /**
   * Sends a letter to somebody who has forgotten a password, if there is such an account: whoever asks is told nothing of
   * that, nor finds out by how long it takes.
   */
  async sendLetter(email: string, here: string, from: string): Promise<void> {
    const { within, perAddress, perPerson } = SERVER_LIMITS.passwordLetters;
    await this.throttle.check(`letter:${from}`, perAddress, within);
    await this.throttle.record(`letter:${from}`);
    const key = `letter-to:${email.toLowerCase()}`;
    if ((await this.throttle.count(key, within)) >= perPerson) return;
    await this.throttle.record(key);
    this.#send(email.toLowerCase(), here).catch((error: unknown) => this.#log.error(String(error)));
  }

  async #send(email: string, here: string): Promise<void> {
    const row = await this.#teachers.findOneBy({ email });
    if (!row) return;
    const { minutes } = SERVER_LIMITS.passwordLetters;
    const token = makeToken();
    await this.#letters.delete({ endsAt: LessThan(new Date()) });
    await this.#letters.insert({
      tokenHash: hashToken(token),
      teacherId: row.id,
      endsAt: new Date(Date.now() + minutes * 60_000),
    });
    await this.outbox.send({
      address: email,
      subject: 'A new password for Gobrel',
      words: [
        `Somebody has asked for a new password for ${row.name}.`,
        `Open this address to make one:\n${here}/password/${token}`,
        'It is good once, and for an hour. Whoever has not asked for it can throw this letter away: the password stays as it is.',
      ].join('\n\n'),
    });
  }

  /** @throws Problem when the letter is not good any more */
  async letter(token: string): Promise<{ email: string }> {
    const row = await this.#letters.findOne({
      where: { tokenHash: hashToken(token), endsAt: MoreThan(new Date()) },
      relations: { teacher: true },
    });
    if (!row?.teacher) throw NO_LETTER;
    return { email: row.teacher.email };
  }

  /** Makes a new password by a letter, which is good no more, as are all others; every device is signed out. */
  async reset(token: string, password: string, from: string): Promise<void> {
    await this.letter(token);
    const passwordHash = await this.passwords.hash(password, from);
    const teacherId = await this.database.transaction(async (rows) => {
      const row = await rows.getRepository(PasswordLetterRow).findOne({
        where: { tokenHash: hashToken(token) },
        lock: { mode: 'pessimistic_write' },
      });
      if (!row) throw NO_LETTER;
      await rows.update(TeacherRow, { id: row.teacherId }, { passwordHash });
      await rows.delete(PasswordLetterRow, { teacherId: row.teacherId });
      return row.teacherId;
    });
    await this.#close(await this.#sessions.findBy({ teacherId }));
  }
}
