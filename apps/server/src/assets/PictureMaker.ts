import { fork, type ChildProcess } from 'node:child_process';
import { Inject, Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import { SERVER_LIMITS } from '@gobrel/core';
import { CONFIG, type Config } from '../config.js';
import { invalid } from '../problems/problem.js';
import type { Picture, PictureSize } from './bitmaps.js';
import type { Drawn, Told, Work } from './pictureProcess.js';

/** Megabytes of memory that the process may use for the text of drawings. */
const MEMORY = 300;
/** Milliseconds that a bitmap may take, and after which a process that has nothing to do is ended. */
const LONGEST = 60_000;
const IDLE = 60_000;

/**
 * Reads pictures, makes drawings (SVG) clean, and makes their sizes: one after another, in a process of its own that
 * yields to everything else. A drawing that takes longer than `SERVER_LIMITS.svg.time` is refused and its process ended.
 */
@Injectable()
export class PictureMaker implements BeforeApplicationShutdown {
  #last: Promise<unknown> = Promise.resolve();
  #child: ChildProcess | null = null;
  #begun: Promise<ChildProcess> | null = null;
  #idle: NodeJS.Timeout | null = null;
  #orders = 0;

  constructor(@Inject(CONFIG) private readonly config: Config) {}

  /** The drawing made clean, with its small pictures; null when it is none that may be kept. */
  draw(source: string): Promise<Drawn | null> {
    return this.#have('draw', [source], SERVER_LIMITS.svg.time).catch(ended(() => null));
  }

  /** Checks a bitmap by its content and encodes it anew; refuses with a sentence. */
  readBitmap(file: Buffer): Promise<Picture> {
    return this.#have('readBitmap', [file], LONGEST).catch(ended(tooHard));
  }

  /** Every size that a bitmap is handed out in besides its own. */
  sizesOf(picture: Picture): Promise<PictureSize[]> {
    return this.#have('sizesOf', [picture], LONGEST).catch(ended(tooHard));
  }

  /** A bitmap, or the first frame of an animation, at a width in pixels. */
  sizeOf(whole: Buffer, width: number, format: 'webp' | 'png'): Promise<PictureSize> {
    return this.#have('sizeOf', [whole, width, format], LONGEST).catch(ended(tooHard));
  }

  #have<N extends keyof Work>(
    name: N,
    args: Parameters<Work[N]>,
    longest: number,
  ): Promise<Awaited<ReturnType<Work[N]>>> {
    const made = this.#last.then(() => this.#ask(name, args, longest));
    this.#last = made.catch(() => undefined);
    return made as Promise<Awaited<ReturnType<Work[N]>>>;
  }

  async #ask(name: keyof Work, args: unknown[], longest: number): Promise<unknown> {
    const child = await this.#process();
    const id = ++this.#orders;
    return new Promise((resolve, reject) => {
      const end = (): void => {
        clearTimeout(timer);
        child.off('message', heard).off('exit', gone);
        this.#rest();
      };
      const heard = (told: Told): void => {
        if (told.id !== id) return;
        end();
        if ('done' in told) resolve(told.done);
        else reject('refused' in told ? invalid(told.refused) : new Error(told.failed));
      };
      const gone = (): void => {
        end();
        reject(new Ended());
      };
      const timer = setTimeout(() => child.kill('SIGKILL'), longest);
      child.on('message', heard).once('exit', gone);
      child.send({ id, name, args }, (error) => error && gone());
    });
  }

  /** The process, once it can begin. */
  #process(): Promise<ChildProcess> {
    if (this.#idle) clearTimeout(this.#idle);
    if (this.#begun && this.#child?.connected) return this.#begun;
    const child = fork(this.config.pictureWorker, [], {
      stdio: 'ignore',
      serialization: 'advanced',
      execArgv: [`--max-old-space-size=${MEMORY}`],
      // One heap for all its threads: what a picture took is there for the next.
      env: { MALLOC_ARENA_MAX: '1' },
    });
    // It keeps nobody from going down.
    child.unref();
    child.channel?.unref();
    this.#child = child;
    this.#begun = new Promise((resolve, reject) => {
      const timer = setTimeout(() => child.kill('SIGKILL'), LONGEST);
      child.on('error', () => child.kill('SIGKILL'));
      // Its first word: loading takes its time on a busy machine, and is nobody's fault.
      child.once('message', () => {
        clearTimeout(timer);
        resolve(child);
      });
      child.once('exit', () => {
        clearTimeout(timer);
        if (this.#child === child) this.#child = null;
        reject(new Ended());
      });
    });
    return this.#begun;
  }

  /** What pictures took of memory goes back with the process. */
  #rest(): void {
    if (this.#idle) clearTimeout(this.#idle);
    this.#idle = setTimeout(() => this.#child?.disconnect(), IDLE).unref();
  }

  beforeApplicationShutdown(): void {
    this.#child?.kill();
  }
}

/** The process ended with what it was at. */
class Ended extends Error {}

const ended =
  <T>(then: () => T) =>
  (error: unknown): T => {
    if (error instanceof Ended) return then();
    throw error;
  };
const tooHard = (): never => {
  throw invalid('This picture takes too long to be read. Make it smaller and try again.');
};
