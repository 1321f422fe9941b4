import { fork, type ChildProcess } from 'node:child_process';
import { Inject, Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import { SERVER_LIMITS } from '@gobrel/core';
import { CONFIG, type Config } from '../config.js';
import type { Drawn } from './drawingProcess.js';

interface Waiting {
  source: string;
  resolve: (drawn: Drawn | null) => void;
}

/** Megabytes of memory that the process that draws may use for the text of drawings. */
const MEMORY = 300;

/**
 * Makes drawings (SVG) clean and draws them small, one after another in a process of its own. One that takes longer than
 * `SERVER_LIMITS.svg.time` is refused and its process ended.
 */
@Injectable()
export class DrawingService implements BeforeApplicationShutdown {
  #waiting: Waiting[] = [];
  #isBusy = false;
  #child: ChildProcess | null = null;
  #orders = 0;

  constructor(@Inject(CONFIG) private readonly config: Config) {}

  /** The drawing made clean, with its small pictures; null when it is none that may be kept. */
  draw(source: string): Promise<Drawn | null> {
    return new Promise((resolve) => {
      this.#waiting.push({ source, resolve });
      if (!this.#isBusy) void this.#run();
    });
  }

  async #run(): Promise<void> {
    this.#isBusy = true;
    for (let next = this.#waiting.shift(); next; next = this.#waiting.shift()) {
      next.resolve(await this.#drawn(next.source));
    }
    this.#isBusy = false;
  }

  #drawn(source: string): Promise<Drawn | null> {
    const child = this.#process();
    const id = ++this.#orders;
    return new Promise((resolve) => {
      const end = (drawn: Drawn | null): void => {
        clearTimeout(timer);
        child.off('message', heard).off('exit', gone);
        resolve(drawn);
      };
      const heard = (told: { id: number; drawn: Drawn | null }): void => {
        if (told.id === id) end(told.drawn);
      };
      const gone = (): void => end(null);
      const timer = setTimeout(() => {
        child.kill('SIGKILL');
        end(null);
      }, SERVER_LIMITS.svg.time);
      child.on('message', heard).once('exit', gone);
      child.send({ id, source }, (error) => error && gone());
    });
  }

  #process(): ChildProcess {
    if (this.#child?.connected) return this.#child;
    const child = fork(this.config.drawingWorker, [], {
      stdio: 'ignore',
      execArgv: [`--max-old-space-size=${MEMORY}`],
      env: {},
    });
    child.once('exit', () => {
      if (this.#child === child) this.#child = null;
    });
    // It keeps nobody from going down.
    child.unref();
    child.channel?.unref();
    this.#child = child;
    return child;
  }

  beforeApplicationShutdown(): void {
    this.#child?.kill();
  }
}
