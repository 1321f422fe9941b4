import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { readFolio, walkArray } from '@gobrel/core';
import { createServer } from 'node:net';
import { makeDatabase, signUp, until, Visitor } from '../testing/testServer.js';

const main = join(process.cwd(), 'apps/server/dist/main.js');

async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

async function start(databaseUrl: string, port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, [main], {
    env: { ...process.env, DATABASE_URL: databaseUrl, PORT: String(port), LOG_LEVEL: 'silent' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve, reject) => {
    server.stdout!.on('data', (data: Buffer) => String(data).includes('listening') && resolve());
    server.once('exit', () => reject(new Error('the server did not start')));
  });
  return server;
}

test('killed in the middle of a student’s typing, nothing acknowledged is lost and the rest arrives', async () => {
  expect(existsSync(main)).toBe(true);
  const [databaseUrl, port] = [await makeDatabase(), await freePort()];
  const url = `http://127.0.0.1:${port}`;
  let server = await start(databaseUrl, port);
  const ines = await signUp(url);
  const deck = await ines.post<{ id: string }>('decks', { title: 'Tides' });
  const lesson = await ines.post<{ id: string }>(`decks/${deck.body.id}/lessons`, {
    allowsTypedNames: true,
  });
  const { body } = await ines.get<{ joinCode: string }>(`lessons/${lesson.body.id}`);
  const ada = new Visitor(url);
  const joined = await ada.post<{ folioId: string }>('student/join', {
    code: body.joinCode,
    name: 'Ada',
  });
  const folio = await ada.open(`folio:${joined.body.folioId}`);

  let written = 0;
  let acknowledged = 0;
  folio.provider.on('unsyncedChanges', ({ number }: { number: number }) => {
    if (folio.provider.isSynced) acknowledged = Math.max(acknowledged, written - number);
  });
  const typing = setInterval(() => {
    walkArray(folio.doc).push([{ slideId: `s${written++}`, at: 1, via: 'start' }]);
  }, 2);
  await until(() => acknowledged > 150);
  server.kill('SIGKILL');
  await new Promise((resolve) => server.once('exit', resolve));
  const sure = acknowledged;
  const late = written;
  await until(() => written > late + 50);
  clearInterval(typing);

  server = await start(databaseUrl, port);
  const reader = await ines.open(`folio:${joined.body.folioId}`);
  const first = readFolio(reader.doc).walk.length;
  expect(first).toBeGreaterThanOrEqual(sure);
  await until(() => readFolio(reader.doc).walk.length === written, 15_000);
  expect(readFolio(reader.doc).walk.map((step) => step.slideId)).toEqual(
    Array.from({ length: written }, (_, index) => `s${index}`),
  );
  ada.close();
  ines.close();
  server.kill('SIGTERM');
  const code = await new Promise((resolve) => server.once('exit', resolve));
  expect([0, null]).toContain(code);
}, 60_000);
