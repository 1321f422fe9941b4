import { spawn } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort } from '../scripts/postgres.mjs';
import { SERVER_ENVIRONMENT, SERVER_OPTIONS } from '../scripts/serverEnvironment.mjs';

const root = join(import.meta.dirname, '..');

/** What a process and all that it has begun keep in memory; nothing for one that has just gone. @param {number} pid @returns {number} */
function kilobytesOf(pid) {
  try {
    const status = readFileSync(`/proc/${pid}/status`, 'utf8');
    const begun = readdirSync(`/proc/${pid}/task`).flatMap((thread) =>
      readFileSync(`/proc/${pid}/task/${thread}/children`, 'utf8').split(' ').filter(Boolean),
    );
    const own = Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0);
    return begun.reduce((sum, child) => sum + kilobytesOf(Number(child)), own);
  } catch {
    return 0;
  }
}

/**
 * Runs a server in a process of its own until `stop`.
 * @param {string} script path from the project's root
 * @param {Record<string, string>} env
 */
export async function runServer(script, env = {}) {
  const port = await freePort();
  const child = spawn(process.execPath, [...SERVER_OPTIONS, join(root, script)], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...SERVER_ENVIRONMENT, ...process.env, ...env, PORT: String(port), LOG_LEVEL: 'error' },
  });
  await new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk) => String(chunk).includes('listening') && resolve(undefined));
    child.once('exit', () => reject(new Error(`${script} did not start`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    /** Seconds of processor time so far, and megabytes of memory now, with the processes that it has begun. */
    usage() {
      const fields =
        readFileSync(`/proc/${child.pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
      return {
        cpu: (Number(fields[11]) + Number(fields[12])) / 100,
        megabytes: Math.round(kilobytesOf(Number(child.pid)) / 1024),
      };
    },
    async stop() {
      const gone = new Promise((resolve) => child.once('exit', resolve));
      child.kill('SIGTERM');
      await gone;
    },
  };
}

/** A browser's jar of cookies and its requests, as far as the benchmarks need it. */
export class Device {
  cookie = '';

  /** @param {string} url */
  constructor(url) {
    this.url = url;
  }

  /** @param {string} path @param {object} [body] @returns {Promise<any>} */
  async post(path, body) {
    return this.#send('POST', path, body);
  }

  /** @param {string} path @returns {Promise<any>} */
  async get(path) {
    return this.#send('GET', path);
  }

  /** @param {string} method @param {string} path @param {object} [body] */
  async #send(method, path, body) {
    const response = await fetch(`${this.url}/api/${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie: this.cookie, origin: this.url },
      body: body && JSON.stringify(body),
    });
    const given = response.headers.getSetCookie()[0]?.split(';')[0];
    if (given) this.cookie = given;
    const text = await response.text();
    if (!response.ok) throw new Error(`${path}: ${text}`);
    return text ? JSON.parse(text) : null;
  }
}
