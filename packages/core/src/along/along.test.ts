import {
  alongOf,
  alongPage,
  entryAt,
  faceWithin,
  facesFor,
  familiesIn,
  fileNameOf,
  fontFaces,
  hasFormulas,
  markTried,
  neededBy,
  questionsOf,
  readDeck,
} from '../index.js';
import {
  choice,
  choiceQuestion,
  deckNamed,
  leftOut,
  notes,
  scenery,
  slide,
  text,
} from '../testing/builder.js';

const PICTURE = { hash: 'a'.repeat(64), width: 640, height: 480, isAnimated: true };
const pier = readDeck(
  deckNamed(
    'Pier </title><script>alert(1)</script>',
    slide(
      'pier',
      choice('Row', 'sea'),
      notes('Only I know'),
      scenery(PICTURE, 'sky'),
      choiceQuestion('q', 'Which?', ['*this', 'that']),
    ),
    slide('sea', text('</script><!-- <b>waves</b>'), scenery(PICTURE, 'again')),
    slide('hidden', leftOut(), choiceQuestion('h', 'Seen?', ['*no', 'yes'])),
  ),
);

test('what is taken along holds no key and no note, and keys of what is met only where that is wished', () => {
  const plain = JSON.stringify(alongOf(pier, false));
  for (const secret of ['Only I know', 'Seen?', '"optionIds"']) expect(plain).not.toContain(secret);
  const { keys, edition } = alongOf(pier, true);
  expect(Object.keys(keys ?? {})).toEqual([...questionsOf(edition).keys()]);
  expect(JSON.stringify({ keys, edition })).not.toContain('Only I know');
});

test('what is tried is marked by the keys as a lesson would; nothing given, nothing marked', () => {
  const { keys, edition } = alongOf(pier, true);
  const [[id, asked]] = Object.entries(keys!) as [[never, NonNullable<typeof keys>[never]]];
  const on = Object.values(edition.slides).find(({ elements }) =>
    elements.some((one) => one.id === id),
  )!;
  const tried = (optionIds: string[]) =>
    markTried(asked, on, { answer: { kind: 'choice', optionIds } as never, placements: {} });
  expect(tried(['a'])).toMatchObject({ score: 1, points: 1 });
  expect(tried(['b'])).toMatchObject({ score: 0 });
  expect(tried([])).toBeNull();
  expect(entryAt(edition.slides, on.id)).toBe(on);
});

test('each file that a deck needs is named once', () => {
  expect(neededBy(alongOf(pier, false).edition)).toEqual([
    { hash: PICTURE.hash, kind: 'picture', isAnimated: true, size: null },
  ]);
  const sound = { hash: 'b'.repeat(64), type: 'audio/mpeg', size: 12, seconds: 3 };
  const file = { hash: 'c'.repeat(64), name: 'tide.pdf', size: 34 };
  expect(
    neededBy({ within: [{ sound }, file] } as never).map(({ kind, size }) => [kind, size]),
  ).toEqual([
    ['media', 12],
    ['file', 34],
  ]);
});

test('families and formulas of a deck are found', () => {
  expect([...familiesIn(pier)].length).toBeGreaterThan(0);
  expect(hasFormulas(pier)).toBe(false);
  const formula = readDeck(deckNamed('F', slide('pier', text('Ohm: \\(U = R I\\)'))));
  expect(hasFormulas(formula)).toBe(true);
});

const CSS = `p{color:red}@font-face{font-family:'Book Variable';src:url(../static/b.woff2)format("woff2");unicode-range:U+0-FF,U+20AC}
@font-face{font-family:Far;src:url("far.woff2")format("woff2");unicode-range:U+4??}@font-face{font-family:Farther;src:url(f2.woff2);unicode-range:U+430}
@font-face{font-family:Sums;src:url(s.woff2)format("woff2"),url(s.ttf)format("truetype")}
@font-face{font-family:Sums;src:url(s.woff2)format("woff2"),url(s.ttf)format("truetype")}i{top:0}`;

test('a text brings the faces of its families that have letters of it, and one that stands in', () => {
  const { faces, rest } = fontFaces(CSS);
  expect(rest.replace(/\s/g, '')).toBe('p{color:red}i{top:0}');
  expect(faces.map(({ file }) => file)).toEqual([
    '../static/b.woff2',
    'far.woff2',
    'f2.woff2',
    's.woff2',
  ]);
  const files = (families: string[], words: string) =>
    facesFor(faces, new Set(families), ['Far', 'Farther'], words).map(({ file }) => file);
  expect(files(['Book Variable'], 'sea €')).toEqual(['../static/b.woff2']);
  expect(files(['Book Variable'], 'море sea')).toEqual(['../static/b.woff2', 'far.woff2']);
  expect(files(['Farther'], 'а')).toEqual(['f2.woff2']);
  expect(files(['Sums'], '')).toEqual(['s.woff2']);
  expect(faceWithin(faces[3]!, 'AAAA')).toBe(
    '@font-face{font-family:Sums;src:url(data:font/woff2;base64,AAAA) format("woff2")}',
  );
});

test('no words of a deck, a script or a style sheet end the element that they stand in', () => {
  const along = alongOf(pier, true);
  const page = alongPage({
    along,
    style: 'a{}</style><b>',
    script: 'const a = "</script><!--";',
    carried: [{ id: 'x"><script>', type: 'image/png', base64: 'AAAA' }],
  }).join('');
  expect(page.match(/<script/g)).toHaveLength(3);
  expect(page.match(/<\/script>/g)).toHaveLength(3);
  expect(page.match(/<\/(title|style)>/g)).toHaveLength(2);
  expect(page).not.toContain('<!--');
  const [, json] = /id="along">(.*?)<\/script>/s.exec(page)!;
  expect(JSON.parse(json!)).toEqual(JSON.parse(JSON.stringify(along)));
});

test.each([
  ['Keep the Lamp Lit', 'Keep-the-Lamp-Lit.html'],
  ['../Zoë: Über / море?', 'Zoë-Über-море.html'],
  ['  ', 'deck.html'],
  ['x'.repeat(300), `${'x'.repeat(80)}.html`],
])('a deck called %j is saved as %s', (title, name) => {
  expect(fileNameOf(title, 'html')).toBe(name);
});
