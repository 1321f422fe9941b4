import { answer, SERVER_LIMITS, readDesk, slidesMap } from '@gobrel/core';
import * as encoding from 'lib0/encoding';
import WebSocket from 'ws';
import * as Y from 'yjs';
import { SyncService } from './SyncService.js';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { startServer, until, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
});
beforeEach(async () => {
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const picks = (...optionIds: string[]) => ({ kind: 'choice' as const, optionIds });

/** A socket as a program that is not ours opens it. */
function bare(visitor: Visitor): { socket: WebSocket; closed: Promise<number> } {
  const socket = new WebSocket(`${visitor.url.replace('http', 'ws')}/sync`, {
    headers: { cookie: visitor.cookie, origin: visitor.url },
  });
  socket.on('error', () => undefined);
  return { socket, closed: new Promise((resolve) => socket.once('close', resolve)) };
}
const opened = (socket: WebSocket): Promise<void> =>
  new Promise((resolve) => socket.once('open', () => resolve()));

function message(
  name: string,
  type: number,
  ...parts: (number | string | Uint8Array)[]
): Uint8Array {
  const encoder = encoding.createEncoder();
  encoding.writeVarString(encoder, name);
  encoding.writeVarUint(encoder, type);
  for (const part of parts) {
    if (typeof part === 'number') encoding.writeVarUint(encoder, part);
    else if (typeof part === 'string') encoding.writeVarString(encoder, part);
    else encoding.writeVarUint8Array(encoder, part);
  }
  return encoding.toUint8Array(encoder);
}

/** An honest student answers, and the desk sees it: whatever somebody else is doing. */
async function classWorks(): Promise<void> {
  const ada = await room.join(`Ada ${Math.random()}`);
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const folio = await ada.open(`folio:${ada.folioId}`);
  answer(folio.doc, 'q', picks('a'), Date.now());
  await folio.acknowledged();
  await until(() =>
    readDesk(desk.doc).students.some((one) => one.folioId === ada.folioId && one.answers.q),
  );
  ada.close();
  desk.close();
}

test('a socket of nobody is closed at once', async () => {
  const { closed } = bare(new Visitor(server.url));
  expect(await closed).toBe(4401);
});

test('messages for a document that was never opened do not pile up', async () => {
  const mallory = await room.join('Mallory');
  const { socket, closed } = bare(mallory);
  await opened(socket);
  for (let index = 0; index < 300; index += 1) {
    socket.send(message(`folio:${mallory.folioId}`, 0, 2, new Uint8Array(100)));
  }
  expect(await closed).toBe(4429);
  await classWorks();
});

test('who asks for the same large folio again and again is answered in measure', async () => {
  const mallory = await room.join('Mallory');
  const mine = await mallory.open(`folio:${mallory.folioId}`);
  for (let part = 0; part < 2; part += 1) {
    mine.doc.getMap('answers').set(`x${part}`, 'x'.repeat(1_400_000));
    await mine.acknowledged();
  }
  const { socket } = bare(mallory);
  await opened(socket);
  let received = 0;
  socket.on('message', (data: Buffer) => (received += data.length));
  const name = `folio:${mallory.folioId}`;
  socket.send(message(name, 2, 0, 'cookie'));
  await until(() => received > 0);
  for (let index = 0; index < 40; index += 1) socket.send(message(name, 0, 0, new Uint8Array([0])));
  await classWorks();
  await new Promise((resolve) => setTimeout(resolve, 1000));
  expect(received).toBeLessThan(25_000_000);
  socket.terminate();
  mallory.close();
});

test('who sends a flood of messages is not listened to for a while, also over another socket', async () => {
  const mallory = await room.join('Mallory');
  const folio = await mallory.open(`folio:${mallory.folioId}`);
  const taken = (): number =>
    server.app
      .get(SyncService)
      .hocuspocus.documents.get(`folio:${mallory.folioId}`)!
      .getArray('walk').length;
  for (let index = 0; index < 6000; index += 1) {
    folio.doc.getArray('walk').push([{ slideId: 'sea', at: index, via: 'x'.repeat(60) }]);
  }
  await until(() => taken() > 0);
  await classWorks();
  expect(taken()).toBeLessThan(3000);
  const again = bare(mallory);
  await opened(again.socket);
  for (let index = 0; index < 3; index += 1) {
    again.socket.send(message(`folio:${mallory.folioId}`, 2, 0, 'cookie'));
  }
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(taken()).toBeLessThan(3000);
  again.socket.terminate();
  mallory.close();
});

test('presence of invented devices is taken in no lesson, and in a deck of so many', async () => {
  const mallory = await room.join('Mallory');
  const name = `folio:${mallory.folioId}`;
  const { socket } = bare(mallory);
  await opened(socket);
  let isIn = false;
  socket.on('message', () => (isIn = true));
  socket.send(message(name, 2, 0, 'cookie'));
  await until(() => isIn);
  const invented = encoding.createEncoder();
  encoding.writeVarUint(invented, 1000);
  for (let client = 1; client <= 1000; client += 1) {
    encoding.writeVarUint(invented, client);
    encoding.writeVarUint(invented, 1);
    encoding.writeVarString(invented, '{}');
  }
  socket.send(message(name, 1, encoding.toUint8Array(invented)));
  await classWorks();
  socket.terminate();
});

test('a leaf of thousands of nested groups holds up nobody, also after a restart', async () => {
  const mallory = await room.join('Mallory');
  const folio = await mallory.open(`folio:${mallory.folioId}`);
  folio.doc.transact(() => {
    const leaf = new Y.Map<unknown>();
    slidesMap(folio.doc).set('leaf', leaf);
    leaf.set('patternId', 'page');
    const elements = new Y.Map<unknown>();
    leaf.set('elements', elements);
    for (let at = 0; at < 4000; at += 1) {
      const group = new Y.Map<unknown>();
      elements.set(`g${at}`, group);
      group.set('kind', 'group');
      if (at > 0) group.set('groupId', `g${at - 1}`);
    }
  });
  await folio.acknowledged();
  await classWorks();
  mallory.close();
  await classWorks();
});

test('a folio that cannot be read fails alone, and its teacher is told', async () => {
  const [mallory, ada] = [await room.join('Mallory'), await room.join('Ada')];
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const [bad, good] = [
    await mallory.open(`folio:${mallory.folioId}`),
    await ada.open(`folio:${ada.folioId}`),
  ];
  const live = await server.app
    .get((await import('./SyncService.js')).SyncService)
    .read(`folio:${mallory.folioId}`);
  // Whatever it is that no reading is prepared for.
  live.getMap('votes').forEach = undefined as never;
  Object.defineProperty(live.getMap('answers'), Symbol.iterator, {
    value: () => {
      throw new Error('unreadable');
    },
  });
  answer(bad.doc, 'q', picks('a'), Date.now());
  answer(good.doc, 'q', picks('a'), Date.now());
  const student = (name: string) => readDesk(desk.doc).students.find((one) => one.name === name);
  await until(() => student('Ada')?.answers.q !== undefined);
  await until(() => student('Mallory')?.isUnreadable === true);
});

describe('drawings', () => {
  const send = async (svg: string): Promise<number> => {
    const form = new FormData();
    form.append('file', new Blob([svg]), 'drawing.svg');
    return (await room.ines.request('POST', 'assets', form)).status;
  };
  const svg = (inside: string): string =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${inside}</svg>`;

  test.each([
    ['thousands of groups in each other', svg('<g>'.repeat(100_000) + '</g>'.repeat(100_000))],
    [
      'references that double at each step',
      svg(
        `<g id="a0"><path d="M0 0h9"/></g>${Array.from({ length: 40 }, (_, at) => `<g id="a${at + 1}"><use href="#a${at}"/><use href="#a${at}"/></g>`).join('')}<use href="#a40"/>`,
      ),
    ],
    ['a ring of references', svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')],
    [
      'patterns in patterns',
      svg(
        `${Array.from({ length: 30 }, (_, at) => `<pattern id="p${at + 1}" width="1" height="1"><rect fill="url(#p${at})" width="9" height="9"/><rect fill="url(#p${at})" width="9" height="9"/></pattern>`).join('')}<rect fill="url(#p30)" width="9" height="9"/>`,
      ),
    ],
  ])('%s: refused in a moment', async (_, drawing) => {
    expect(await send(drawing)).toBe(400);
    await classWorks();
  });

  test('an ordinary one with references is kept', async () => {
    expect(
      await send(svg('<defs><path id="p" d="M0 0h9"/></defs><use href="#p"/><use href="#p"/>')),
    ).toBe(201);
  });
});

test('who guesses codes is held back by device; the others behind the same address are not', async () => {
  const guesser = new Visitor(server.url);
  let last = 0;
  for (let guess = 0; guess < 45 && last !== 429; guess += 1) {
    last = (await guesser.post('student/look', { code: `AUK ${100 + guess}` })).status;
  }
  expect(last).toBe(429);
  expect((await guesser.post('student/look', { code: room.joinCode })).status).toBe(429);
  expect((await new Visitor(server.url).post('student/look', { code: room.joinCode })).status).toBe(
    200,
  );
  expect(SERVER_LIMITS.socket.perAddress).toBeGreaterThan(600);
});

test('who is refused again and again is told so later, and keeps nobody waiting who is not', async () => {
  const guesser = new Visitor(server.url);
  const timed = async (ask: () => Promise<{ status: number }>): Promise<[number, number]> => {
    const from = performance.now();
    const { status } = await ask();
    return [status, performance.now() - from];
  };
  const { refusals } = SERVER_LIMITS;
  // What is known here by a cookie has few refusals at once; what an address has is used up by new cookies, too.
  const student = await room.join('Guesser');
  let isLate = false;
  for (let turn = 0; turn < 4 * refusals.student.atOnce && !isLate; turn++) {
    const [status, took] = await timed(() => student.get('student/nothing'));
    expect(status).toBe(404);
    isLate = took >= refusals.after - 5;
    expect(isLate && turn < refusals.student.atOnce).toBe(false);
  }
  expect(isLate).toBe(true);
  // All at once, none of them known.
  const guesses = await Promise.all(
    Array.from({ length: refusals.address.atOnce }, () =>
      timed(() => guesser.post('student/nothing')),
    ),
  );
  expect(guesses.filter(([, took]) => took >= refusals.after - 5).length).toBeGreaterThan(20);
  const [status] = await timed(() => room.ines.get('decks'));
  expect(status).toBe(200);
  expect((await student.get('student/lesson')).status).toBe(200);
});

test('who asks for more than their share waits, and what they send meanwhile is not even answered', async () => {
  const asker = await room.join('Asker');
  const ask = (): Promise<{ status: number }> => asker.get('student/lesson');
  const { atOnce, underWay } = SERVER_LIMITS.requests.student;
  let status = 200;
  for (let turn = 0; turn < 10 * atOnce && status !== 429; turn++) ({ status } = await ask());
  expect(status).toBe(429);
  // All at once: the refusals that are told at once are used up among them, however slow the machine.
  const many = SERVER_LIMITS.refusals.student.atOnce + 3 * underWay;
  const told = await Promise.allSettled(Array.from({ length: many }, ask));
  expect(told.filter((one) => one.status === 'rejected').length).toBeGreaterThan(0);
});
