import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { test as withPeople } from './people';

const root = join(import.meta.dirname, '..');
/** One for each of the tests that run side by side, above the port of the server of all. */
const FIRST_PORT = 4380;

/** A server of a test's own over the database of all, which it may kill. */
export class OwnServer {
  #process: ChildProcess | null = null;

  constructor(private readonly port: number) {}

  get baseURL(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Serves what was built, or what lies in another directory. */
  async start(web: string = join(root, 'apps/web/dist')): Promise<void> {
    this.#process = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
      stdio: ['ignore', 'pipe', 'inherit'],
      env: { ...process.env, PORT: String(this.port), GOBREL_WEB: web, LOG_LEVEL: 'warn' },
    });
    await once(this.#process.stdout!, 'data');
  }

  /** Is done when the process is gone, and its port free. */
  async kill(signal: 'SIGKILL' | 'SIGTERM' = 'SIGKILL'): Promise<void> {
    const gone = this.#process;
    this.#process = null;
    if (!gone || gone.exitCode !== null || gone.signalCode !== null) return;
    const ended = once(gone, 'exit');
    gone.kill(signal);
    await ended;
  }
}

/** A test with a server of its own, which runs when it begins. */
export const test = withPeople.extend<{ own: OwnServer }>({
  own: async ({}, use, info) => {
    const own = new OwnServer(FIRST_PORT + info.parallelIndex);
    await own.start();
    await use(own);
    await own.kill('SIGTERM');
  },
});
