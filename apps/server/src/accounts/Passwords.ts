import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import { hash } from '@node-rs/argon2';
import { SERVER_LIMITS } from '@gobrel/core';
import { Turns } from '../access/Turns.js';
import { CONFIG, type Config } from '../config.js';
import { tooMuch } from '../problems/problem.js';
import { SideThread } from '../threads/SideThread.js';
import type { PasswordOrder } from './passwordWorker.js';

/** Megabytes of the thread, without the 19 that argon2id takes for a password outside its heap. */
const MEMORY = 64;
/** Checked when there is no such account, so that both answers take the same time. */
const NOBODY = hash('nobody has this password');

/**
 * Passwords, kept as argon2id. They are dear to make and to check, on purpose: a thread does nothing else, one
 * after another, of one address after another.
 */
@Injectable()
export class Passwords implements OnModuleDestroy {
  #turns = new Turns(SERVER_LIMITS.passwords);
  #thread: SideThread<PasswordOrder, string | boolean>;

  constructor(@Inject(CONFIG) { passwordWorker }: Config) {
    this.#thread = new SideThread({ file: passwordWorker, memory: MEMORY, young: 4 });
  }

  async hash(password: string, from: string): Promise<string> {
    return String(await this.#ask({ kind: 'hash', password }, from));
  }

  /** @param known null where there is nothing to compare with: never right */
  async isRight(password: string, known: string | null, from: string): Promise<boolean> {
    const against = known ?? (await NOBODY);
    const isSame = await this.#ask({ kind: 'verify', password, known: against }, from);
    return known !== null && isSame === true;
  }

  async #ask(order: PasswordOrder, from: string): Promise<string | boolean> {
    const answer = await this.#turns.take(() => this.#thread.do(from, order), from);
    if (answer === null) throw tooMuch(10);
    return answer;
  }

  onModuleDestroy(): void {
    this.#thread.close();
  }
}
