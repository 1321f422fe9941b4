import { AMOUNTS, readDeckTheme, SIDES, themeData, themeOn } from '../index.js';

const OWN = {
  label: 'School colours',
  head: 'rubik',
  light: { paper: '#FFFFFF', ink: '#101010' },
  scenery: 'pool',
  dress: { choice: 'pill', corner: 900 },
};

test('a theme of the deck’s own is drawn with; what is missing in it is as in Paper', () => {
  const deck = readDeckTheme({ ref: 'school/dark', amount: 'full', own: { school: OWN } });
  const theme = themeOn({ theme: null }, deck);
  expect(theme).toMatchObject({ label: 'School colours', side: 'dark', scenery: 'pool' });
  expect(theme.type.title.family).toBe('rubik');
  expect(theme.dress).toMatchObject({ choice: 'pill', corner: 32 });
  expect(theme.colours).toEqual(themeData('paper')!.dark);
  const light = themeOn({ theme: 'school' }, deck);
  expect(light.colours).toMatchObject({ paper: '#FFFFFF', ink: '#101010' });
  expect(light.colours.line).toBe(themeData('paper')!.light.line);
  expect(themeOn({ theme: 'school' }, deck)).toBe(light);
});

test.each([
  ['nothing', undefined],
  ['a list', []],
  ['a theme that is gone', { ref: 'gone', amount: 'loud' }],
  ['a reference that is none', { ref: '../../etc' }],
  [
    'names of every object',
    { ref: '__proto__', own: JSON.parse('{"__proto__":{},"constructor":{}}') },
  ],
  [
    'colours that are scripts',
    { ref: 'x', own: { x: { light: { paper: 'url(//x)' }, scene: 7 } } },
  ],
])('%s is drawn all the same', (_, data) => {
  const theme = themeOn(undefined, readDeckTheme(data));
  expect(AMOUNTS).toContain(theme.amount);
  expect(SIDES).toContain(theme.side);
  for (const colour of Object.values(theme.colours)) expect(colour).toMatch(/^#[\da-f]{6}$/i);
});

test('ours cannot be taken the place of, and there are only so many', () => {
  const own = Object.fromEntries(Array.from({ length: 60 }, (_, at) => [`own${at}`, OWN]));
  const read = readDeckTheme({ own: { paper: OWN, ...own } }).own;
  expect(read.paper).toBeUndefined();
  expect(Object.keys(read).length).toBeLessThanOrEqual(24);
});
