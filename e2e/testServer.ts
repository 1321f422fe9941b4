import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { Client } from 'pg';

const root = join(import.meta.dirname, '..');

/** A server over the database of the tests that run one after the other. */
export class TestServer {
  #process: ChildProcess | null = null;

  constructor(private readonly port: number) {}

  get baseURL(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Serves what was built, or what lies in another directory. */
  async start(web: string = join(root, 'apps/web/dist')): Promise<void> {
    this.#process = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
      stdio: ['ignore', 'pipe', 'inherit'],
      env: {
        ...process.env,
        PORT: String(this.port),
        GOBREL_DEMO: '1',
        GOBREL_WEB: web,
        LOG_LEVEL: 'warn',
      },
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

/** The database of the tests that run one after the other, `index` of those side by side; made when it is not there. */
export async function databaseOf(index: number): Promise<string> {
  const url = new URL(process.env.DATABASE_URL!);
  if (index === 0) return url.href;
  const client = new Client({ connectionString: url.href });
  await client.connect();
  try {
    const name = `${url.pathname.slice(1)}_${index}`;
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    if (!rowCount) await client.query(`CREATE DATABASE ${client.escapeIdentifier(name)}`);
    url.pathname = `/${name}`;
    return url.href;
  } finally {
    await client.end();
  }
}
