import { Rota } from '../access/Rota.js';

/** How many times as long as a step took the lane rests after it: four fifths of the time are everybody else's. */
const RESTS_TIMES = 4;
/** Milliseconds that a step counts at least. */
const LEAST = 0.25;

/**
 * Work that takes long, done step by step: one step at a time on the whole server, of one person after another, and
 * after each the lane rests. However many send much, those who send little do not wait for it.
 */
export class SlowLane {
  #waiting = new Rota<() => void>();
  #isRunning = false;

  /** Does a step when its turn has come; a few milliseconds of work at the most. */
  step<T>(who: string, work: () => T): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      this.#waiting.add(who, () => {
        try {
          resolve(work());
        } catch (error) {
          reject(error instanceof Error ? error : new Error(String(error)));
        }
      });
      void this.#run();
    });
  }

  async #run(): Promise<void> {
    if (this.#isRunning) return;
    this.#isRunning = true;
    for (let step; (step = this.#waiting.next());) {
      const from = performance.now();
      step();
      const took = Math.max(LEAST, performance.now() - from);
      await new Promise((resolve) => setImmediate(resolve));
      await new Promise((resolve) => setTimeout(resolve, took * RESTS_TIMES));
    }
    this.#isRunning = false;
  }
}
