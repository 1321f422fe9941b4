import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { startServer, type TestServer, type Visitor } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
let ada: Visitor & { folioId: string };
beforeAll(async () => {
  server = await startServer({ proxies: 1 });
  room = await openClassroom(server);
  ada = await room.join('Ada');
});
afterAll(() => server.stop());

interface Layer {
  route?: { path: string; methods: Record<string, boolean> };
}
/** All routes that the application has. */
function routes(): { method: string; path: string }[] {
  const express = server.app.getHttpAdapter().getInstance() as { router: { stack: Layer[] } };
  return express.router.stack.flatMap(({ route }) =>
    route && route.path.startsWith('/api/')
      ? Object.keys(route.methods).map((method) => ({
          method: method.toUpperCase(),
          path: route.path.slice('/api/'.length),
        }))
      : [],
  );
}

/** The names of everything that any request may carry. */
function fields(): string[] {
  const source = 'apps/server/src';
  const files = readdirSync(source, { recursive: true, encoding: 'utf8' });
  const named = files
    .filter((file) => /(\.dto|Controller)\.ts$/.test(file))
    .flatMap((file) => [
      ...readFileSync(join(source, file), 'utf8').matchAll(/^ {2}(\w+)[?!]?: /gm),
    ]);
  return [...new Set(named.map(([, name]) => name!))];
}

/** A small generator with a seed, so that what is found can be found again (Lehmer, 1951). */
function chance(seed: number): <T>(of: readonly T[]) => T {
  let state = seed;
  return (of) => {
    state = (state * 48271) % 2147483647;
    return of[state % of.length]!;
  };
}

test('whatever is sent to any route, none answers with a fault of its own', async () => {
  const known = [room.deckId, room.lessonId, ada.folioId];
  const uuid = '00000000-0000-4000-8000-00000000dead';
  const odd: unknown[] = [
    ...[
      null,
      true,
      0,
      -1,
      1.5,
      1e308,
      2 ** 53,
      '',
      ' ',
      'x',
      'x'.repeat(5000),
      '\u0000',
      'a\u0000b',
    ],
    ...['\ud800', '%', '../..', 'constructor', '__proto__', '2026-13-45', '1e999', "' OR 1=1 --"],
    ...[[], [null], [[]], {}, { toString: 1 }, { length: -1 }, [{ id: 1 }], ['\u0000']],
    ...[uuid, ...known, 'q', 'sea', 'a'.repeat(64)],
  ];
  const names = fields();
  expect(names.length).toBeGreaterThan(40);
  const pick = chance(20261128);
  const found: string[] = [];
  const all = routes().filter(
    // What ends the lesson or takes the people out would leave nothing to try.
    ({ method, path }) => method !== 'DELETE' || /:\w+.*:\w+/.test(path),
  );
  expect(all.length).toBeGreaterThan(60);
  for (const [at, { method, path }] of all.entries()) {
    // A student and an address for each, so that nobody asks for more than is answered.
    const student = await room.join(`Student ${at}`);
    const address = { 'x-forwarded-for': `10.0.0.${at}` };
    for (let turn = 0; turn < 12; turn++) {
      const where = path.replace(/:(\w+)/g, () =>
        encodeURIComponent(
          pick([...known, ...known, uuid, 'x', '\u0000', '%', 'q', 'x'.repeat(300)]),
        ),
      );
      const query = pick([
        '',
        '',
        `?w=${pick(['x', '-1', '1e9', ''])}`,
        '?has=x&before=%00&from[]=1',
      ]);
      const body =
        turn % 6 === 0
          ? pick(odd)
          : Object.fromEntries(Array.from({ length: 12 }, () => [pick(names), pick(odd)]));
      const who = pick([room.ines, student]);
      const { status } = await who.request(
        method,
        where + query,
        method === 'GET' ? undefined : body,
        address,
      );
      if (status >= 500 || status === 429) {
        found.push(`${status} ${method} ${where}${query} ${JSON.stringify(body)}`);
      }
    }
  }
  expect(found).toEqual([]);
});
