import { mkdtempSync, mkdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { serveInterface } from './serveInterface.js';

const folder = mkdtempSync(join(tmpdir(), 'gobrel-web-'));
let server: Server;
let url: string;

/** Lays a build into the folder, as if it had been made at that minute. */
function build(version: string, minute: number): void {
  rmSync(join(folder, 'static'), { recursive: true, force: true });
  mkdirSync(join(folder, 'static'));
  writeFileSync(join(folder, 'static', `index-${version}.js`), `// ${version}`);
  writeFileSync(join(folder, 'index.html'), `<script src="/static/index-${version}.js"></script>`);
  utimesSync(join(folder, 'index.html'), minute * 60, minute * 60);
}

beforeAll(async () => {
  build('one', 1);
  const app = express();
  app.use(serveInterface(folder));
  app.use((_request, response) => void response.status(404).send('nothing'));
  server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

const get = async (path: string): Promise<{ status: number; kept: string; text: string }> => {
  const answer = await fetch(url + path);
  const kept = answer.headers.get('cache-control') ?? '';
  return { status: answer.status, kept, text: await answer.text() };
};

test('the page answers every address, its parts are kept for ever, a part that is gone is told', async () => {
  expect(await get('/deck/1/map')).toMatchObject({ status: 200, kept: 'no-cache' });
  const part = await get('/static/index-one.js');
  expect(part).toMatchObject({ status: 200, text: '// one' });
  expect(part.kept).toContain('immutable');
  expect((await get('/static/index-none.js')).status).toBe(404);
  for (const path of ['/api/nothing', '/sync']) expect((await get(path)).text).toBe('nothing');
});

test('a version that is laid down while the server runs is served whole', async () => {
  build('number-two', 2);
  const page = await get('/join');
  expect(page.text).toContain('/static/index-number-two.js');
  expect((await get('/static/index-number-two.js')).text).toBe('// number-two');
  // What an old page still asks for is gone, and said to be.
  expect((await get('/static/index-one.js')).status).toBe(404);
  // In the middle of being replaced there is no page: what is known stays.
  rmSync(join(folder, 'index.html'));
  expect((await get('/static/index-number-two.js')).status).toBe(200);
});

test('a part of a newer page that somebody else has handed out is found', async () => {
  build('newer', 4);
  expect((await get('/static/index-newer.js')).text).toBe('// newer');
  expect((await get('/static/index-none.js')).status).toBe(404);
});

test('a file that goes while it is asked for ends that answer, not the server', async () => {
  build('three', 5);
  await get('/');
  rmSync(join(folder, 'static', 'index-three.js'));
  await expect(get('/static/index-three.js')).rejects.toThrow();
  expect((await get('/')).text).toContain('index-three.js');
});
