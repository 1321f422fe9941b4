import { Injectable } from '@nestjs/common';
import { hash, verify } from '@node-rs/argon2';
import { SERVER_LIMITS } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { Throttle } from '../access/Throttle.js';
import type { Teacher } from '../access/guards.js';
import { hashToken, makeToken } from '../access/tokens.js';
import { Turns } from '../access/Turns.js';
import { Problem, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';

const SESSION_DAYS = 30;
/** Checked when there is no such account, so that both answers take the same time. */
const NOBODY = hash('nobody has this password');

@Injectable()
export class AccountsService {
  /** Passwords are dear to check, on purpose. */
  #turns = new Turns(SERVER_LIMITS.passwords);

  constructor(
    private readonly database: DataSource,
    private readonly throttle: Throttle,
    private readonly sync: SyncService,
  ) {}

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
    const rows = await this.database.query<Teacher[]>(
      `INSERT INTO teacher (email, name, password_hash) VALUES ($1, $2, $3)
       ON CONFLICT (email) DO NOTHING RETURNING id, name, email`,
      [email, account.name, await this.#turns.take(() => hash(account.password))],
    );
    const teacher = rows[0];
    if (!teacher) throw refused('There is already an account with this e-mail address.');
    return teacher;
  }

  /** Wrong passwords are counted per address and per account: ten in five minutes. */
  async signIn(email: string, password: string, from: string): Promise<Teacher> {
    const key = `sign-in:${from}:${email.toLowerCase()}`;
    await this.throttle.check(key, 10, 300);
    const [row] = await this.database.query<(Teacher & { password_hash: string })[]>(
      'SELECT id, name, email, password_hash FROM teacher WHERE email = $1',
      [email.toLowerCase()],
    );
    const known = row?.password_hash ?? (await NOBODY);
    const isRight = await this.#turns.take(() => verify(known, password));
    if (!row || !isRight) {
      await this.throttle.record(key);
      throw new Problem(401, 'Not signed in', 'The e-mail address or the password is wrong.');
    }
    return { id: row.id, name: row.name, email: row.email };
  }

  /** A new session's token, for the cookie; it lasts 30 days. */
  async openSession(teacherId: string): Promise<string> {
    const token = makeToken();
    await this.database.query(
      `INSERT INTO session (token_hash, teacher_id, expires_at)
       VALUES ($1, $2, now() + make_interval(days => $3))`,
      [hashToken(token), teacherId, SESSION_DAYS],
    );
    return token;
  }

  async closeSession(token: string): Promise<void> {
    const session = hashToken(token);
    await this.database.query('DELETE FROM session WHERE token_hash = $1', [session]);
    this.sync.hangUpOn({ session });
  }

  async findByEmail(email: string): Promise<Teacher | null> {
    const [row] = await this.database.query<Teacher[]>(
      'SELECT id, name, email FROM teacher WHERE email = $1',
      [email.toLowerCase()],
    );
    return row ?? null;
  }
}
