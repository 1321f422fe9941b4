import { Injectable } from '@nestjs/common';
import { SERVER_LIMITS } from '@gobrel/core';
import { DataSource, type Repository } from 'typeorm';
import { Throttle } from '../access/Throttle.js';
import type { Teacher } from '../access/guards.js';
import { hashToken, makeToken } from '../access/tokens.js';
import { Problem, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { SessionRow, TeacherRow } from './accounts.entities.js';
import { Passwords } from './Passwords.js';

const SESSION_DAYS = 30;
/** Letters of what a browser says of itself. */
const LONGEST_DEVICE = 300;

@Injectable()
export class AccountsService {
  readonly #teachers: Repository<TeacherRow>;
  readonly #sessions: Repository<SessionRow>;

  constructor(
    database: DataSource,
    private readonly throttle: Throttle,
    private readonly passwords: Passwords,
    private readonly sync: SyncService,
  ) {
    this.#teachers = database.getRepository(TeacherRow);
    this.#sessions = database.getRepository(SessionRow);
  }

  /** Makes an account; passwords are kept as argon2id. */
  async create(
    account: { email: string; name: string; password: string },
    from: string,
  ): Promise<Teacher> {
    const { within, perAddress } = SERVER_LIMITS.signUps;
    const key = `sign-up:${from}`;
    await this.throttle.check(key, perAddress, within);
    await this.throttle.record(key);
    const email = account.email.toLowerCase();
    const passwordHash = await this.passwords.hash(account.password, from);
    const { name } = account;
    const made = await this.#teachers
      .createQueryBuilder()
      .insert()
      .values({ email, name, passwordHash })
      .orIgnore()
      .returning('id')
      .execute();
    const [row] = made.raw as { id: string }[];
    if (!row) throw refused('There is already an account with this e-mail address.');
    return { id: row.id, name, email };
  }

  /** Wrong passwords are counted per address and per account: ten in five minutes. */
  async signIn(email: string, password: string, from: string): Promise<Teacher> {
    const key = `sign-in:${from}:${email.toLowerCase()}`;
    await this.throttle.check(key, 10, 300);
    const row = await this.#teachers.findOneBy({ email: email.toLowerCase() });
    const isRight = await this.passwords.isRight(password, row?.passwordHash ?? null, from);
    if (!row || !isRight) {
      await this.throttle.record(key);
      throw new Problem(401, 'Not signed in', 'The e-mail address or the password is wrong.');
    }
    return { id: row.id, name: row.name, email: row.email };
  }

  /** A new session's token, for the cookie; it lasts 30 days. */
  async openSession(teacherId: string, device: string): Promise<string> {
    const token = makeToken();
    const expiresAt = new Date(Date.now() + SESSION_DAYS * 86_400_000);
    await this.#sessions.insert({
      tokenHash: hashToken(token),
      teacherId,
      expiresAt,
      device: device.slice(0, LONGEST_DEVICE),
    });
    return token;
  }

  async closeSession(token: string): Promise<void> {
    const session = hashToken(token);
    await this.#sessions.delete({ tokenHash: session });
    this.sync.hangUpOn({ session });
  }
}
