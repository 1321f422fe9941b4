import type { AssetRef, Credit } from '@gobrel/core';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';
import { DRAWINGS, svgOf } from './drawings/drawings.js';

interface Listed {
  id: string;
  title: string;
  tags: string[];
  licence: string;
}

let server: TestServer;
let ines: Visitor;
beforeAll(async () => {
  server = await startServer();
  ines = await signUp(server.url);
});
afterAll(() => server.stop());

const search = async (query: string): Promise<Listed[]> =>
  (await ines.request<Listed[]>('GET', `picture-box?${query}`)).body;
const titles = async (query: string): Promise<string[]> =>
  (await search(query)).map(({ title }) => title);

test('the box holds eighty drawings at least, each with a name, tags and an open licence', () => {
  expect(DRAWINGS.length).toBeGreaterThanOrEqual(80);
  expect(new Set(DRAWINGS.map(({ id }) => id)).size).toBe(DRAWINGS.length);
  for (const drawing of DRAWINGS) {
    expect(drawing.title).not.toBe('');
    expect(drawing.tags.length).toBeGreaterThan(0);
    expect(['cc0', 'cc-by', 'cc-by-sa']).toContain(drawing.licence);
    // A number that went wrong would leave a hole in the drawing.
    expect(svgOf(drawing)).not.toMatch(/NaN|undefined/);
  }
});

test('it is searched by words of title and tags, the best match first, and by licence', async () => {
  expect((await titles('words=boat'))[0]).toMatch(/boat/i);
  expect(await titles('words=bird+sea')).toEqual(expect.arrayContaining(['Gull', 'Storm petrel']));
  expect(await titles('words=bird+sea')).not.toContain('Owl');
  expect(await titles('words=zeppelin')).toEqual([]);
  for (const { licence } of await search('licence=cc-by-sa')) expect(licence).toBe('cc-by-sa');
  expect((await search('')).length).toBe(DRAWINGS.length);
});

test('a drawing that is taken becomes a picture with its credit; twice it is the same picture', async () => {
  const take = () =>
    ines.request<{ asset: AssetRef; credit: Credit }>('POST', 'picture-box/lighthouse', {});
  const { status, body } = await take();
  expect(status).toBe(201);
  expect(body.credit).toEqual({
    title: 'Lighthouse',
    author: 'Gobrel picture box',
    source: '',
    licence: 'cc-by',
  });
  const served = await fetch(`${server.url}/api/assets/${body.asset.hash}`, {
    headers: { cookie: ines.cookie },
  });
  expect(served.headers.get('content-type')).toContain('svg');
  expect(await served.text()).toContain('<path');
  expect((await take()).body.asset.hash).toBe(body.asset.hash);
});

test('strangers do not search it, and there is no drawing by a made-up name', async () => {
  expect((await new Visitor(server.url).request('GET', 'picture-box')).status).toBe(401);
  expect((await ines.request('POST', 'picture-box/..%2F..%2Fetc', {})).status).toBe(404);
  expect((await fetch(`${server.url}/api/picture-box/nothing.svg`)).status).toBe(404);
});
