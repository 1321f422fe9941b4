import { farTitle } from './farTitle';

test.each([
  ['The pier', 22, 3, 'The pier'],
  ['', 22, 3, ''],
  ['A wire has burnt through', 22, 3, 'A wire has\nburnt\nthrough'],
  ['What the keeper sees from the gallery at night', 22, 2, 'What the\nkeeper…'],
])('%s', (title, size, lines, shown) => {
  expect(farTitle(title, size, lines)).toBe(shown);
});

test('one word that is too long keeps its first letters', () => {
  expect(farTitle('Donaudampfschiffahrt', 36, 1)).toMatch(/^Don\w*…$/);
});
