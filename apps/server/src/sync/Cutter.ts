import { Worker } from 'node:worker_threads';
import { Rota } from '../access/Rota.js';
import type { Cut, ToCut } from './cuttingWorker.js';

/** Milliseconds that one update may take, and after which a thread that has nothing to do is ended. */
const LONGEST = 30_000;
const IDLE = 20_000;
/** Megabytes for what an update is while it is read: of the largest that a teacher may send. */
const MEMORY = 1000;
/** Megabytes for what is new in it. */
const YOUNG = 4;

type Answer = { id: number; cut: Cut | null };

/**
 * Reads large updates and cuts them into small ones in a thread of its own, one after another, of one person after
 * another: reading leaves much for the collector of garbage, for which everybody would wait.
 */
export class Cutter {
  #waiting = new Rota<() => Promise<void>>();
  #isRunning = false;
  #worker: Worker | null = null;
  #idle: NodeJS.Timeout | null = null;
  #orders = 0;
  #isOver = false;

  /** @param program the worker's */
  constructor(private readonly program: string) {}

  /** The update in pieces; null for what is none, or is too much to be read. */
  cut(who: string, order: ToCut): Promise<Cut | null> {
    return new Promise((resolve) => {
      this.#waiting.add(who, async () => {
        const cut = await this.#cut(order);
        // The thread may have been lost for no fault of this one: once more.
        const again = cut === 'lost' && !this.#isOver ? await this.#cut(order) : cut;
        resolve(again === 'lost' ? null : again);
      });
      void this.#run();
    });
  }

  async #run(): Promise<void> {
    if (this.#isRunning) return;
    this.#isRunning = true;
    if (this.#idle) clearTimeout(this.#idle);
    for (let next; (next = this.#waiting.next());) await next();
    this.#isRunning = false;
    this.#idle = setTimeout(() => this.end(), IDLE).unref();
  }

  #cut(order: ToCut): Promise<Cut | null | 'lost'> {
    const worker = (this.#worker ??= this.#begin());
    const id = ++this.#orders;
    return new Promise((resolve) => {
      const end = (cut: Cut | null | 'lost'): void => {
        clearTimeout(timer);
        worker.off('message', heard).off('exit', gone);
        resolve(cut);
      };
      const heard = (answer: Answer): void => {
        if (answer.id === id) end(answer.cut);
      };
      const gone = (): void => end('lost');
      const timer = setTimeout(() => void worker.terminate(), LONGEST);
      worker.on('message', heard).once('exit', gone);
      worker.postMessage({ id, ...order });
    });
  }

  #begin(): Worker {
    const worker = new Worker(this.program, {
      resourceLimits: { maxOldGenerationSizeMb: MEMORY, maxYoungGenerationSizeMb: YOUNG },
      execArgv: [],
      env: {},
    });
    // Out of memory: it ends, and what it was at twice is refused.
    worker.on('error', () => undefined);
    worker.once('exit', () => {
      if (this.#worker === worker) this.#worker = null;
    });
    worker.unref();
    return worker;
  }

  /** Ends the thread; whatever is to be cut next begins another. */
  end(): void {
    void this.#worker?.terminate();
    this.#worker = null;
  }

  /** For good. */
  close(): void {
    this.#isOver = true;
    this.end();
  }
}
