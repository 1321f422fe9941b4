import { tooMuch } from '../problems/problem.js';

/** Lets so many pieces of work run at the same time, and so many wait for their turn; refuses what comes beyond. */
export class Turns {
  #running = 0;
  #waiting: (() => void)[] = [];
  #of = new Map<string, number>();

  /** @param most.perPerson how many of those that run or wait may be one person's */
  constructor(private readonly most: { atOnce: number; waiting: number; perPerson?: number }) {}

  async take<T>(work: () => Promise<T>, person = ''): Promise<T> {
    const { atOnce, waiting, perPerson = Infinity } = this.most;
    const own = this.#of.get(person) ?? 0;
    const isFull = this.#running >= atOnce && this.#waiting.length >= waiting;
    if (isFull || (person && own >= perPerson)) throw tooMuch(10);
    this.#of.set(person, own + 1);
    try {
      if (this.#running >= atOnce) await new Promise<void>((turn) => this.#waiting.push(turn));
      else this.#running++;
      return await work();
    } finally {
      const next = this.#waiting.shift();
      if (next) next();
      else this.#running--;
      const left = (this.#of.get(person) ?? 1) - 1;
      if (left > 0) this.#of.set(person, left);
      else this.#of.delete(person);
    }
  }
}
