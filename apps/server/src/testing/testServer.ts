import { randomBytes } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { HocuspocusProvider, HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import type { GivenRole, Mail } from '@gobrel/core';
import { Client } from 'pg';
import WebSocket from 'ws';
import * as Y from 'yjs';
import type { Config } from '../config.js';
import { createApp } from '../app.js';

/** A database of its own on the cluster the tests run on. */
export async function makeDatabase(): Promise<string> {
  const admin = process.env.DATABASE_URL;
  if (!admin) throw new Error('DATABASE_URL is not set: run the tests with npm test.');
  const name = `t_${randomBytes(6).toString('hex')}`;
  const client = new Client({ connectionString: admin });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  return Object.assign(new URL(admin), { pathname: `/${name}` }).toString();
}

export interface TestServer {
  app: NestExpressApplication;
  url: string;
  stop(): Promise<void>;
}

/** The whole server on a free port, over a new database. */
export async function startServer(settings: Partial<Config> = {}): Promise<TestServer> {
  const app = await createApp({
    port: 0,
    host: '127.0.0.1',
    databaseUrl: await makeDatabase(),
    webFolder: '',
    redisUrl: '',
    proxies: 0,
    isSecure: false,
    seedsDemo: false,
    livesDemo: false,
    // As built: a process of its own cannot be run from sources.
    smtpUrl: '',
    mailFrom: 'Gobrel <gobrel@localhost>',
    outbox: 'here',
    publicAddress: '',
    practiceWorker: resolve('apps/server/dist/practice/worker.js'),
    pictureWorker: resolve('apps/server/dist/assets/pictureProcess.js'),
    cuttingWorker: resolve('apps/server/dist/sync/cuttingWorker.js'),
    passwordWorker: resolve('apps/server/dist/accounts/passwordWorker.js'),
    logLevel: 'silent',
    ...settings,
  });
  await app.listen(0, '127.0.0.1');
  const { port } = app.getHttpServer().address() as AddressInfo;
  return {
    app,
    url: `http://127.0.0.1:${port}`,
    stop: () => {
      for (const visitor of visitors) visitor.close();
      visitors.clear();
      return app.close();
    },
  };
}

const visitors = new Set<Visitor>();

export interface Answered<T> {
  status: number;
  body: T;
  headers: Headers;
}

export interface Document {
  doc: Y.Doc;
  provider: HocuspocusProvider;
  /** Resolves when every change made so far has been acknowledged. */
  acknowledged(): Promise<void>;
  close(): void;
}

/** A browser as the server sees one: a jar of cookies, requests, sockets. Keeps all that it receives. */
export class Visitor {
  cookies = new Map<string, string>();
  received: string[] = [];
  #open: Document[] = [];

  constructor(readonly url: string) {
    visitors.add(this);
  }

  get cookie(): string {
    return [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
  }

  async request<T = Record<string, never>>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answered<T>> {
    const isForm = body instanceof FormData;
    const response = await fetch(`${this.url}/api/${path}`, {
      method,
      headers: {
        cookie: this.cookie,
        origin: this.url,
        ...(body === undefined || isForm ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      body: body === undefined ? undefined : isForm ? body : JSON.stringify(body),
    });
    for (const line of response.headers.getSetCookie()) {
      const [pair = ''] = line.split(';');
      const [name = '', value = ''] = pair.split('=');
      if (value) this.cookies.set(name, value);
      else this.cookies.delete(name);
    }
    const text = await response.text();
    this.received.push(text);
    const isJson = response.headers.get('content-type')?.includes('json');
    return {
      status: response.status,
      body: (isJson && text ? JSON.parse(text) : {}) as T,
      headers: response.headers,
    };
  }

  get = <T>(path: string): Promise<Answered<T>> => this.request<T>('GET', path);
  post = <T>(path: string, body?: unknown): Promise<Answered<T>> =>
    this.request<T>('POST', path, body);

  /** Opens a document over a socket of its own; rejects when it is refused. */
  async open(name: string, doc = new Y.Doc()): Promise<Document> {
    const { cookie, url, received } = this;
    class CookieSocket extends WebSocket {
      constructor(address: string) {
        super(address, { headers: { cookie, origin: url } });
        // Closed while it was being opened: the next try is on its way.
        this.on('error', () => undefined);
        this.on('message', (data: Buffer) => received.push(data.toString('latin1')));
      }
    }
    const socket = new HocuspocusProviderWebsocket({
      url: `${url.replace('http', 'ws')}/sync`,
      WebSocketPolyfill: CookieSocket,
      delay: 200,
      minDelay: 100,
      maxDelay: 400,
    });
    const provider = new HocuspocusProvider({
      websocketProvider: socket,
      name,
      document: doc,
      token: 'cookie',
      awareness: null,
    });
    const document: Document = {
      doc,
      provider,
      acknowledged: () => until(() => provider.isSynced && !provider.hasUnsyncedChanges),
      close() {
        provider.destroy();
        // A try that is due comes after the end, too, and would begin anew.
        socket.connect = () => Promise.resolve();
        socket.destroy();
      },
    };
    this.#open.push(document);
    await new Promise<void>((resolve, reject) => {
      provider.on('synced', () => resolve());
      provider.on('authenticationFailed', ({ reason }: { reason: string }) =>
        reject(new Error(reason)),
      );
      provider.on('close', ({ event }: { event: { code: number } }) => {
        if (event.code === 4401) reject(new Error('not-yours'));
      });
      provider.attach();
    });
    return document;
  }

  close(): void {
    for (const document of this.#open) document.close();
  }
}

/** How long a claim is waited for, in milliseconds: long, as a busy machine is no fault of what is tested. */
const PATIENCE = 50_000;

/** Waits for a claim to become true. */
export async function until(claim: () => boolean | Promise<boolean>): Promise<void> {
  const end = Date.now() + PATIENCE;
  while (!(await claim())) {
    if (Date.now() > end) throw new Error(`waited in vain: ${claim.toString()}`);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

let teachers = 0;

export async function signUp(
  url: string,
  name = 'Ines',
): Promise<Visitor & { id: string; email: string }> {
  const visitor = new Visitor(url);
  const email = `teacher${++teachers}@gobrel.example`;
  const { body, status } = await visitor.post<{ id: string }>('accounts', {
    email,
    name,
    password: 'long enough words',
  });
  if (status !== 201) throw new Error(JSON.stringify(body));
  return Object.assign(visitor, { id: body.id, email });
}

/** Invites somebody to a deck by letter, and has them accept. */
export async function share(
  owner: Visitor,
  deckId: string,
  guest: Visitor & { email: string },
  role: GivenRole = 'coauthor',
): Promise<void> {
  await owner.post(`decks/${deckId}/invitations`, { email: guest.email, role });
  await guest.post(`invitations/${await letterTo(owner, guest.email)}/accept`);
}

/** What stands in the newest letter to somebody: the token of its address. */
export async function letterTo(reader: Visitor, email: string): Promise<string> {
  const { body } = await reader.get<Mail[]>('outbox');
  const letter = body.find(({ address }) => address === email);
  return /\/(?:invited|password)\/([\w-]+)/.exec(letter?.words ?? '')?.[1] ?? '';
}
