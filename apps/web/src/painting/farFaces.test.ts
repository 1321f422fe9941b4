import type { addFaces as AddFaces, standIns as StandIns } from './farFaces';

/** What a worker has of fonts, and which addresses give none. */
const fonts: { family: string; source: string; range: string }[] = [];
let gone = new Set<string>();

class FontFaceOfAWorker {
  constructor(
    readonly family: string,
    readonly source: string,
    readonly descriptors: { unicodeRange: string },
  ) {}
  load(): Promise<this> {
    return gone.has(this.source) ? Promise.reject(new Error('gone')) : Promise.resolve(this);
  }
}

let addFaces: typeof AddFaces;
let standIns: typeof StandIns;
beforeEach(async () => {
  fonts.length = 0;
  gone = new Set();
  const add = ({ family, source, descriptors }: FontFaceOfAWorker): void =>
    void fonts.push({ family, source, range: descriptors.unicodeRange });
  Object.assign(globalThis, { self: { fonts: { add } }, FontFace: FontFaceOfAWorker });
  jest.resetModules();
  ({ addFaces, standIns } = await import('./farFaces'));
});

const THAI = { source: 'url(/static/thai.woff2)', range: 'U+E01-E5B' };
const HAN = { source: 'url(/static/han.woff2)', range: 'U+4E00-9FFF' };
const families = (): string[] =>
  standIns()
    .split(', ')
    .filter((name) => name.startsWith('far'));

test('before anything comes, what the device has stands in, its emoji first', async () => {
  expect(families()).toEqual([]);
  expect(standIns()).toMatch(/Emoji.*sans-serif$/);
  await addFaces([]);
  expect(families()).toEqual([]);
});

test('what comes has a name of its own each time, since a canvas keeps what a name was', async () => {
  await addFaces([THAI]);
  const [first] = families();
  await addFaces([HAN]);
  expect(families()).toEqual([first, expect.any(String)]);
  expect(fonts).toEqual([
    { family: families()[0], ...THAI },
    { family: families()[1], ...HAN },
  ]);
});

test('what is there is not fetched again', async () => {
  await addFaces([THAI]);
  await addFaces([THAI]);
  await addFaces([THAI, HAN]);
  expect(fonts.map(({ source }) => source)).toEqual([THAI.source, HAN.source]);
  expect(families()).toHaveLength(2);
});

test('a part that cannot be fetched keeps nobody waiting, and is tried again with the next text', async () => {
  gone.add(THAI.source);
  await addFaces([THAI, HAN]);
  expect(fonts.map(({ source }) => source)).toEqual([HAN.source]);
  gone.clear();
  await addFaces([THAI]);
  expect(fonts.map(({ source }) => source)).toEqual([HAN.source, THAI.source]);
  expect(new Set(families()).size).toBe(2);
});
