import { createHash } from 'node:crypto';
import { DataSource } from 'typeorm';
import {
  signUp,
  startServer,
  Visitor,
  type Answered,
  type TestServer,
} from '../testing/testServer.js';
import { stretchOf } from './MediaController.js';

let server: TestServer;
let ines: Visitor;
beforeAll(async () => {
  server = await startServer();
  ines = await signUp(server.url);
});
afterAll(() => server.stop());

interface Kept {
  hash: string;
  type: string;
  size: number;
  detail: string;
}

function send(bytes: Buffer, who = ines): Promise<Answered<Kept>> {
  const form = new FormData();
  form.append('file', new Blob([new Uint8Array(bytes)]), 'sound.webm');
  return who.request('POST', 'media', form);
}
const play = (hash: string, range?: string): Promise<Response> =>
  fetch(`${server.url}/api/media/${hash}`, {
    headers: { cookie: ines.cookie, ...(range ? { Range: range } : {}) },
  });

/** A WAV of so many samples: a head, and a slow saw tooth. */
function wav(samples: number): Buffer {
  const head = Buffer.from(
    '524946460000000057415645666d74201000000001000100401f0000401f0000010008006461746100000000',
    'hex',
  );
  return Buffer.concat([head, Buffer.from(Array.from({ length: samples }, (_, at) => at % 251))]);
}
/** The beginning of a WebM, with the codec of one track. */
const webm = (codec: string): Buffer =>
  Buffer.concat([
    Buffer.from('1a45dfa3934282', 'hex'),
    Buffer.from([0x84]),
    Buffer.from('webm'),
    Buffer.alloc(20),
    Buffer.from(codec),
    Buffer.alloc(200),
  ]);

test('a sound is kept in parts and handed out in the stretches that players ask for', async () => {
  const sound = wav(2_500_000);
  const { status, body } = await send(sound);
  expect([status, body.type, body.size]).toEqual([201, 'audio/wav', sound.length]);
  expect(body.hash).toBe(createHash('sha256').update(sound).digest('hex'));
  expect((await send(sound)).body.hash).toBe(body.hash);

  const whole = await play(body.hash);
  expect(whole.headers.get('content-type')).toBe('audio/wav');
  expect(Buffer.from(await whole.arrayBuffer()).equals(sound)).toBe(true);
  for (const [range, start, end] of [
    ['bytes=0-99', 0, 99],
    ['bytes=999990-1000010', 999_990, 1_000_010],
    ['bytes=-50', sound.length - 50, sound.length - 1],
    ['bytes=2400000-', 2_400_000, sound.length - 1],
  ] as const) {
    const part = await play(body.hash, range);
    expect(part.status).toBe(206);
    expect(part.headers.get('content-range')).toBe(`bytes ${start}-${end}/${sound.length}`);
    const bytes = Buffer.from(await part.arrayBuffer());
    expect(bytes.equals(sound.subarray(start, end + 1))).toBe(true);
  }
  expect((await play(body.hash, 'bytes=9999999-')).status).toBe(416);
});

test.each([
  ['bytes=0-4', { start: 0, end: 4 }],
  ['bytes=5-', { start: 5, end: 9 }],
  ['bytes=-3', { start: 7, end: 9 }],
  ['bytes=-30', { start: 0, end: 9 }],
  ['bytes=3-99', { start: 3, end: 9 }],
  ['bytes=10-', 'outside'],
  ['bytes=6-5', 'outside'],
  ['bytes=-0', 'outside'],
  ['bytes=0-1,3-4', null],
  ['bytes=-', null],
  ['lines=1-2', null],
  [undefined, null],
])('of ten bytes %s is %j', (range, stretch) => {
  expect(stretchOf(range, 10)).toEqual(stretch);
});

test('a sound in a WebM is told from a film', async () => {
  expect((await send(webm('A_OPUS'))).body.type).toBe('audio/webm');
  expect((await send(webm('V_VP9'))).body.type).toBe('video/webm');
});

test('what is no sound or video in an open format is refused by its contents, and nothing is kept', async () => {
  const mp4 = Buffer.concat([
    Buffer.from('00000018', 'hex'),
    Buffer.from('ftypisom'),
    Buffer.alloc(64),
  ]);
  for (const [bytes, words] of [
    [mp4, /kind MP4/],
    [Buffer.from('<script>alert(1)</script>'), /no sound or video/],
    [Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'), /PNG|no sound/],
    [Buffer.alloc(0), /empty/],
  ] as const) {
    const { status, body } = await send(bytes);
    expect(status).toBe(400);
    expect(body.detail).toMatch(words);
  }
  const database = server.app.get(DataSource);
  const [row] = await database.query<{ count: string }[]>(
    "SELECT count(*) FROM media WHERE media_type NOT LIKE 'audio/%' AND media_type <> 'video/webm'",
  );
  expect(row!.count).toBe('0');
});

test('too large a file is refused while it comes in', async () => {
  const { status, body } = await send(Buffer.alloc(60_000_001));
  expect(status).toBe(413);
  expect(body.detail).not.toMatch(/20 MB/);
});

test('only teachers send sounds; a played one runs nothing by itself', async () => {
  expect((await send(wav(100), new Visitor(server.url))).status).toBe(401);
  const { body } = await send(wav(100));
  const played = await play(body.hash);
  expect(played.headers.get('content-security-policy')).toContain('sandbox');
  expect((await play('0'.repeat(64))).status).toBe(404);
  expect((await play("' OR 1=1")).status).toBe(404);
});
