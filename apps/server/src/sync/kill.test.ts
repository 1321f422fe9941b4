import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import {
  addChoice,
  readDeck,
  readDesk,
  readFolio,
  readLessonState,
  told,
  voteFor,
  walkArray,
} from '@gobrel/core';
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
  await until(() => readFolio(reader.doc).walk.length === written);
  expect(readFolio(reader.doc).walk.map((step) => step.slideId)).toEqual(
    Array.from({ length: written }, (_, index) => `s${index}`),
  );
  ada.close();
  ines.close();
  server.kill('SIGTERM');
  const code = await new Promise((resolve) => server.once('exit', resolve));
  expect([0, null]).toContain(code);
});

test('killed during a vote: it is still open afterwards, and what was voted is there', async () => {
  const [databaseUrl, port] = [await makeDatabase(), await freePort()];
  const url = `http://127.0.0.1:${port}`;
  let server = await start(databaseUrl, port);
  const ines = await signUp(url);
  const { body: deck } = await ines.post<{ id: string }>('decks', { title: 'Tides' });
  const document = await ines.open(`deck:${deck.id}`);
  const first = readDeck(document.doc).startSlideId!;
  const [row, wait] = ['Row out', 'Wait'].map((wording) => {
    const added = addChoice(document.doc, first, wording);
    if (!added.ok) throw new Error(told(added));
    return added.linkId;
  });
  await document.acknowledged();
  const { body: lesson } = await ines.post<{ id: string }>(`decks/${deck.id}/lessons`, {
    allowsTypedNames: true,
  });
  const { body } = await ines.get<{ joinCode: string }>(`lessons/${lesson.id}`);
  const students = await Promise.all(
    ['Ada', 'Bela'].map(async (name) => {
      const visitor = new Visitor(url);
      const joined = await visitor.post<{ folioId: string }>('student/join', {
        code: body.joinCode,
        name,
      });
      const { folioId } = joined.body;
      const folio = await visitor.open(`folio:${folioId}`);
      return { visitor, folioId, folio, state: await visitor.open(`lesson:${lesson.id}`) };
    }),
  );
  await ines.post(`lessons/${lesson.id}/pace`, { pace: 'together', slideId: first });
  await ines.post(`lessons/${lesson.id}/vote`, { vote: 'open' });
  const [ada, bela] = students as [(typeof students)[0], (typeof students)[0]];
  await until(() => readLessonState(ada.state.doc)?.vote?.isOpen === true);
  voteFor(ada.folio.doc, first, row!);
  await ada.folio.acknowledged();
  server.kill('SIGKILL');
  await new Promise((resolve) => server.once('exit', resolve));
  voteFor(bela.folio.doc, first, wait!);

  server = await start(databaseUrl, port);
  const desk = await ines.open(`desk:${lesson.id}`);
  const votes = () =>
    Object.fromEntries(readDesk(desk.doc).students.map((one) => [one.name, one.votes[first]]));
  await until(() => votes().Ada === row && votes().Bela === wait);
  expect(readLessonState(bela.state.doc)?.vote).toEqual({ slideId: first, isOpen: true });
  for (const { visitor } of students) visitor.close();
  ines.close();
  server.kill('SIGTERM');
  await new Promise((resolve) => server.once('exit', resolve));
});
