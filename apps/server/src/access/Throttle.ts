import { Injectable } from '@nestjs/common';
import { DataSource, LessThan, type Repository } from 'typeorm';
import { FailureRow } from '../accounts/accounts.entities.js';
import { number, theRow } from '../database/rows.js';
import { tooMany } from '../problems/problem.js';
import { hashToken } from './tokens.js';

/** Milliseconds between two times that what is too old to count is taken out. */
const CLEANING = 60_000;
/** Milliseconds that anything counts at the longest. */
const KEPT = 86_400_000;

/**
 * What may be done only so often: wrong tries above all, so that nobody guesses for long while a whole class behind one
 * address may join at once. Counted in the database, so it holds over several servers and a restart.
 */
@Injectable()
export class Throttle {
  #cleanedAt = 0;
  readonly #failures: Repository<FailureRow>;

  constructor(private readonly database: DataSource) {
    this.#failures = database.getRepository(FailureRow);
  }

  /** Throws when it was recorded for the key `most` times within the last `seconds`. */
  async check(key: string, most: number, seconds: number): Promise<void> {
    if ((await this.count(key, seconds)) >= most) throw tooMany(seconds);
  }

  /** How often it was recorded for the key within the last `seconds`. */
  async count(key: string, seconds: number): Promise<number> {
    // By the database's clock, which several servers share.
    const { failures } = await theRow(
      this.database,
      { failures: number },
      `SELECT count(*)::int AS failures FROM failure
       WHERE key = $1 AND at > now() - make_interval(secs => $2)`,
      [hashToken(key), seconds],
    );
    return failures;
  }

  async record(key: string): Promise<void> {
    await this.#failures.insert({ key: hashToken(key) });
    if (Date.now() - this.#cleanedAt < CLEANING) return;
    this.#cleanedAt = Date.now();
    await this.#failures.delete({ at: LessThan(new Date(Date.now() - KEPT)) });
  }
}
