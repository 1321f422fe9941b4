import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { tooMany } from '../problems/problem.js';
import { hashToken } from './tokens.js';

/**
 * Counts wrong tries only: a whole class behind one address may join at once, but nobody guesses for long.
 * Counted in the database, so it holds over several servers and a restart.
 */
@Injectable()
export class FailureThrottle {
  constructor(private readonly database: DataSource) {}

  /** Throws when the key had `most` failures within the last `seconds`. */
  async check(key: string, most: number, seconds: number): Promise<void> {
    const [row] = await this.database.query<{ failures: string }[]>(
      `SELECT count(*) AS failures FROM failure
       WHERE key = $1 AND at > now() - make_interval(secs => $2)`,
      [hashToken(key), seconds],
    );
    if (Number(row?.failures ?? 0) >= most) throw tooMany(seconds);
  }

  async record(key: string): Promise<void> {
    await this.database.query('INSERT INTO failure (key) VALUES ($1)', [hashToken(key)]);
    await this.database.query(`DELETE FROM failure WHERE at < now() - interval '1 day'`);
  }
}
