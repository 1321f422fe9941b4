import { Worker } from 'node:worker_threads';
import { Rota } from '../access/Rota.js';

/** Milliseconds that one order may take, and after which a thread that has nothing to do is ended. */
const LONGEST = 30_000;
const IDLE = 20_000;

interface Program {
  /** The file that it runs: see `answering`. */
  file: string;
  /** Megabytes that it may take, and for what is new among them. */
  memory: number;
  young: number;
}

type Answer<Done> = { id: number; done: Done };

/**
 * Work that everybody would wait for, done in a thread of its own that lets the others come first: one order after
 * another, of one person after another.
 */
export class SideThread<Order extends object, Done> {
  #waiting = new Rota<() => Promise<void>>();
  #isRunning = false;
  #worker: Worker | null = null;
  #idle: NodeJS.Timeout | null = null;
  #orders = 0;
  #isOver = false;

  constructor(private readonly program: Program) {}

  /** What comes of an order; null for one that the thread is lost over twice. */
  do(who: string, order: Order): Promise<Done | null> {
    return new Promise((resolve) => {
      this.#waiting.add(who, async () => {
        const answer = await this.#ask(order);
        // The thread may have been lost for no fault of this one: once more.
        const again = answer || this.#isOver ? answer : await this.#ask(order);
        resolve(again && again.done);
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

  /** Null when the thread is lost meanwhile. */
  #ask(order: Order): Promise<Answer<Done> | null> {
    const worker = (this.#worker ??= this.#begin());
    const id = ++this.#orders;
    return new Promise((resolve) => {
      const end = (answer: Answer<Done> | null): void => {
        clearTimeout(timer);
        worker.off('message', heard).off('exit', gone);
        resolve(answer);
      };
      const heard = (answer: Answer<Done>): void => {
        if (answer.id === id) end(answer);
      };
      const gone = (): void => end(null);
      const timer = setTimeout(() => void worker.terminate(), LONGEST);
      worker.on('message', heard).once('exit', gone);
      worker.postMessage({ id, order });
    });
  }

  #begin(): Worker {
    const { file, memory, young } = this.program;
    const worker = new Worker(file, {
      resourceLimits: { maxOldGenerationSizeMb: memory, maxYoungGenerationSizeMb: young },
      execArgv: [],
      env: {},
    });
    // Out of memory: it ends, and what it was at twice comes to nothing.
    worker.on('error', () => undefined);
    worker.once('exit', () => {
      if (this.#worker === worker) this.#worker = null;
    });
    worker.unref();
    return worker;
  }

  /** Ends the thread; whatever is ordered next begins another. */
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
