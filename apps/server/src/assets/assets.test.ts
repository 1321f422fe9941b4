import sharp from 'sharp';
import {
  addElement,
  addLeaf,
  removeElements,
  SERVER_LIMITS,
  told,
  type AssetRef,
  type Deck,
  type NewElement,
} from '@gobrel/core';
import { deck, element, leftOut, slide } from '@gobrel/core/testing';
import { DataSource } from 'typeorm';
import type * as Y from 'yjs';
import { DecksService } from '../decks/DecksService.js';
import { UpdateStore } from '../sync/UpdateStore.js';
import { openClassroom } from '../testing/classroom.js';
import {
  signUp,
  startServer,
  Visitor,
  type Answered,
  type TestServer,
} from '../testing/testServer.js';
import { sanitiseSvg } from './svg.js';
import { isReadable } from './svgCost.js';
import { letGo } from './uses.js';

let server: TestServer;
let ines: Visitor;
beforeAll(async () => {
  server = await startServer();
  ines = await signUp(server.url);
});
afterAll(() => server.stop());

function send(
  bytes: Buffer | string,
  who = ines,
): Promise<Answered<AssetRef & { detail: string }>> {
  const form = new FormData();
  form.append('file', new Blob([new Uint8Array(Buffer.from(bytes))]), 'picture');
  return who.request('POST', 'assets', form);
}
const serve = (hash: string, query = '', who = ines): Promise<Response> =>
  fetch(`${server.url}/api/assets/${hash}${query}`, { headers: { cookie: who.cookie } });
const plain = (width: number, height: number): ReturnType<typeof sharp> =>
  sharp({ create: { width, height, channels: 3, background: '#17505C' } });

test('what seems to matter in a picture or drawing is told with it, the same each time', async () => {
  const dot = '<circle cx="300" cy="60" r="40" fill="#c44520"/>';
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 200"><rect width="400" height="200" fill="#ecd6aa"/>${dot}</svg>`;
  const photo = await sharp(Buffer.from(drawing)).jpeg().toBuffer();
  for (const file of [Buffer.from(drawing), photo]) {
    const { seems } = (await send(file)).body;
    expect(seems).toEqual((await send(file)).body.seems);
    // The dot is from 260 to 340 of 400, and from 20 to 100 of 200.
    expect(seems!.x).toBeGreaterThan(0.55);
    expect(seems!.x).toBeLessThanOrEqual(0.65);
    expect(seems!.x + seems!.w).toBeGreaterThanOrEqual(0.85);
    expect(seems!.y + seems!.h).toBeLessThan(0.6);
  }
  expect((await send(await plain(80, 60).png().toBuffer())).body).not.toHaveProperty('seems');
});

test('what is so long and thin that no small picture can be made of it is refused in a sentence', async () => {
  const drawing =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 700"><path d="M0 0h9v700z"/></svg>';
  for (const file of [
    drawing,
    await plain(2, 9000).png().toBuffer(),
    await plain(9000, 2).png().toBuffer(),
  ]) {
    const { status, body } = await send(file);
    expect([status, body.detail]).toEqual([
      400,
      expect.stringContaining('times as long as it is wide'),
    ]);
  }
});

test('a photo loses its metadata, is kept once, and comes in the size that is asked for', async () => {
  const photo = await plain(1600, 900)
    .withExif({ IFD0: { Copyright: 'Secret Street 5' } })
    .jpeg()
    .toBuffer();
  expect(photo.toString('latin1')).toContain('Secret Street 5');
  const { status, body } = await send(photo);
  expect([status, body.width, body.height]).toEqual([201, 1600, 900]);
  expect((await send(photo)).body.hash).toBe(body.hash);
  // All sizes are made on the way in: nobody makes the server reckon by asking.
  const kept = await server.app
    .get(DataSource)
    .query<{ width: number }[]>('SELECT width FROM asset_size WHERE hash = $1 ORDER BY width', [
      body.hash,
    ]);
  expect(kept.map(({ width }) => width)).toEqual([48, 272, 320, 640, 1280]);
  const whole = await serve(body.hash);
  expect(whole.headers.get('cache-control')).toContain('immutable');
  expect(Buffer.from(await whole.arrayBuffer()).toString('latin1')).not.toContain('Secret Street');
  for (const [asked, width] of [
    [100, 320],
    [500, 640],
    [1300, 1600],
  ] as const) {
    const sized = await serve(body.hash, `?w=${asked}`);
    expect((await sharp(Buffer.from(await sized.arrayBuffer())).metadata()).width).toBe(width);
  }
});

test('an animated picture keeps moving', async () => {
  const frames = await Promise.all(
    ['#ff0000', '#0000ff'].map((background) =>
      sharp({ create: { width: 40, height: 30, channels: 3, background } })
        .png()
        .toBuffer(),
    ),
  );
  const gif = await sharp(frames, { join: { animated: true } })
    .gif({ delay: [100, 100] })
    .toBuffer();
  const { body } = await send(gif);
  expect(body).toMatchObject({ width: 40, height: 30, isAnimated: true });
  const kept = await sharp(
    Buffer.from(await (await serve(body.hash, '?w=320')).arrayBuffer()),
  ).metadata();
  expect(kept.pages).toBe(2);
  // For those who asked their device for less motion.
  const still = await serve(body.hash, '?still=1&w=320');
  const { pages, width } = await sharp(Buffer.from(await still.arrayBuffer())).metadata();
  expect([pages ?? 1, width]).toEqual([1, 40]);
});

test.each([
  ['text', 'just words', 'no picture'],
  ['nothing', '', 'no picture'],
  ['a page', '<!doctype html><html><script>alert(1)</script></html>', 'no picture'],
  ['half a picture', Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'), 'picture'],
])('%s is refused with a sentence', async (_, bytes, said) => {
  const { status, body } = await send(bytes);
  expect(status).toBe(400);
  expect(body.detail).toContain(said);
});

test('a 60-megapixel picture is refused before it is unpacked', async () => {
  const huge = await plain(10_000, 6000).png({ compressionLevel: 9 }).toBuffer();
  const { status, body } = await send(huge);
  expect(status).toBe(400);
  expect(body.detail).toContain('60 megapixels; 40 are the most');
});

test('a file over 20 MB is refused', async () => {
  expect((await send(Buffer.alloc(20_500_000))).status).toBe(413);
});

test('strangers add nothing; unknown names show nothing', async () => {
  expect((await send('x', new Visitor(server.url))).status).toBe(401);
  expect((await serve('a'.repeat(64))).status).toBe(404);
  expect((await serve('../../etc/passwd')).status).toBe(404);
});

describe('drawings', () => {
  const hostile = `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="120" height="80" onload="alert(1)">
    <script>alert(2)</script><style>@import url(http://evil.example/x.css)</style>
    <foreignObject><body onload="alert(3)"/></foreignObject>
    <a href="javascript:alert(4)"><rect width="9" height="9" fill="url(http://evil.example/p)"/></a>
    <image href="http://evil.example/spy.png"/><use href="http://evil.example/x.svg#a"/><use href="#ok"/>
    <circle id="ok" r="5" fill="url(#g)" onclick="alert(5)"/><path d="M0 0L5 5" style="fill:red"/></svg>`;

  test('keep what draws and lose script, handlers, styles and everything from outside', async () => {
    const { status, body } = await send(hostile);
    expect([status, body.width, body.height]).toEqual([201, 120, 80]);
    const served = await serve(body.hash);
    const svg = await served.text();
    expect(served.headers.get('content-security-policy')).toContain("default-src 'none'");
    expect(svg).toContain('<circle id="ok" r="5" fill="url(#g)"');
    expect(svg).toContain('href="#ok"');
    expect(svg).not.toMatch(/script|alert|evil|onload|onclick|style|foreignObject|javascript/i);
  });

  test('sizes come from the drawing or its view box', () => {
    expect(sanitiseSvg('<svg viewBox="0 0 640 360"></svg>')).toMatchObject({
      width: 640,
      height: 360,
    });
    expect(sanitiseSvg('<p>no drawing</p>')).toBeNull();
  });
});

test('the small colours of photos and drawings can be measured', async () => {
  const photo = await send(await plain(1600, 900).png().toBuffer());
  const drawing = await send(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60"><path fill="#BF4E2A" d="M0 0h90v60H0z"/></svg>',
  );
  for (const [{ body }, colour] of [
    [photo, [0x17, 0x50, 0x5c]],
    [drawing, [0xbf, 0x4e, 0x2a]],
  ] as const) {
    const small = await serve(body.hash, '/small');
    const { data, info } = await sharp(Buffer.from(await small.arrayBuffer()))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, ...data.subarray(0, 3)]).toEqual([48, ...colour]);
  }
  expect((await serve('0'.repeat(64), '/small')).status).toBe(404);
});

test('a file that a deck links to is handed out to be kept, never to be opened in the page', async () => {
  const form = (): FormData => {
    const data = new FormData();
    data.append('file', new Blob(['<script>alert(1)</script>'], { type: 'text/html' }), 'x.html');
    return data;
  };
  const { status, body } = await ines.request<{ hash: string; size: number }>(
    'POST',
    'files',
    form(),
  );
  expect([status, body.size]).toEqual([201, 25]);
  const get = (path: string): Promise<Response> =>
    fetch(`${server.url}/api/files/${path}`, { headers: { cookie: ines.cookie } });
  const kept = await get(`${body.hash}/tide%20table.html`);
  expect(kept.headers.get('content-disposition')).toBe('attachment; filename="tide table.html"');
  expect(kept.headers.get('content-type')).toContain('octet-stream');
  expect(kept.headers.get('x-content-type-options')).toBe('nosniff');
  expect(await kept.text()).toContain('alert');
  const stranger = new Visitor(server.url);
  expect((await stranger.request('POST', 'files', form())).status).toBe(401);
  expect((await get(`${'0'.repeat(64)}/x`)).status).toBe(404);
});

describe('pictures are shown to those who may read what uses them', () => {
  const picture = (asset: AssetRef): NewElement => ({
    kind: 'picture',
    layer: 'content',
    box: { x: 0, y: 0, w: 200, h: 200 },
    asset,
  });
  const ofColour = async (background: string): Promise<Buffer> =>
    sharp({ create: { width: 40, height: 30, channels: 3, background } })
      .png()
      .toBuffer();
  const elementsOn = (doc: Y.Doc, slideId: string): object =>
    (doc.getMap('slides').get(slideId) as Y.Map<Y.Map<unknown>>).get('elements')!.toJSON();
  const sees = async (who: Visitor, hash: string): Promise<boolean> =>
    (await serve(hash, '', who)).status === 200;

  test('a deck’s by its people and the students of its lessons; what is left out by the teacher alone', async () => {
    const [shown, hidden] = [
      (await send(await ofColour('#112233'))).body,
      (await send(await ofColour('#332211'))).body,
    ];
    const doc = deck(
      slide('pier: The pier', element(picture(shown))),
      slide('hidden: Hidden', leftOut(), element(picture(hidden))),
    );
    const room = await openClassroom(server, doc);
    const ada = await room.join('Ada');
    const stranger = await signUp(server.url, 'Tomas');
    const elsewhere = await (await openClassroom(server)).join('Bela');
    expect(await sees(room.ines, shown.hash)).toBe(true);
    expect(await sees(room.ines, hidden.hash)).toBe(true);
    expect(await sees(ada, shown.hash)).toBe(true);
    expect(await sees(ada, hidden.hash)).toBe(false);
    for (const who of [stranger, elsewhere, new Visitor(server.url)]) {
      expect(await sees(who, shown.hash)).toBe(false);
      expect((await serve(shown.hash, '/small', who)).status).toBe(404);
    }
    expect((await serve('../session', '', room.ines)).status).not.toBe(500);
  });

  test('a student’s by that student, the teacher, and the class only where it sees leaves; by nobody once it is out', async () => {
    const room = await openClassroom(server);
    const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
    const asset = (await send(await ofColour('#445566'), ada)).body;
    expect(await sees(ada, asset.hash)).toBe(true);
    expect(await sees(room.ines, asset.hash)).toBe(false);
    const folio = await ada.open(`folio:${ada.folioId}`);
    const { slides } = (await server.app.get(DecksService).read(room.deckId)) as Deck;
    const added = addLeaf(folio.doc, slides.page!, 1);
    if (!added.ok) throw new Error(told(added));
    addElement(folio.doc, added.leafId, picture(asset));
    await folio.acknowledged();
    expect(await sees(room.ines, asset.hash)).toBe(true);
    expect(await sees(bela, asset.hash)).toBe(false);
    await room.ines.request('PUT', `lessons/${room.lessonId}/settings`, { seesLeaves: true });
    expect(await sees(bela, asset.hash)).toBe(true);
    await room.ines.request('DELETE', `lessons/${room.lessonId}/students/${ada.folioId}`);
    for (const who of [ada, bela, room.ines]) expect(await sees(who, asset.hash)).toBe(false);
  });

  test('what nothing uses goes after a while, what is used stays', async () => {
    const [used, unused, fresh] = [
      (await send(await ofColour('#778899'))).body,
      (await send(await ofColour('#998877'))).body,
      (await send(await ofColour('#887799'))).body,
    ];
    const room = await openClassroom(server, deck(slide('a: A', element(picture(used)))));
    const database = server.app.get(DataSource);
    await database.query(
      `UPDATE asset SET created_at = now() - interval '8 days' WHERE hash = ANY($1)`,
      [[used.hash, unused.hash]],
    );
    await letGo(database);
    expect(await sees(room.ines, used.hash)).toBe(true);
    expect(await sees(ines, unused.hash)).toBe(false);
    expect(await sees(ines, fresh.hash)).toBe(true);
    // Folded, a document says exactly what it uses by then.
    const open = await room.ines.open(`deck:${room.deckId}`);
    removeElements(open.doc, 'a', Object.keys(elementsOn(open.doc, 'a')));
    await open.acknowledged();
    await server.app.get(UpdateStore).compact(`deck:${room.deckId}`, 1);
    const uses = await database.query<{ name: string }[]>(
      `SELECT name FROM asset_use WHERE hash = $1 AND name LIKE 'deck:%'`,
      [used.hash],
    );
    expect(uses).toEqual([]);
  });
});

test('a drawing with more tags than any may have is not even read', () => {
  const most = 3 * SERVER_LIMITS.svg.elements;
  expect(isReadable(Buffer.from('<g>'.repeat(most)))).toBe(true);
  expect(isReadable(Buffer.from('<g>'.repeat(most + 1)))).toBe(false);
});
