import { isRightToLeft } from './isRightToLeft.js';

test.each([
  ['The lamp', false],
  ['المنارة لا تضيء', true],
  ['  „המגדלור“ כבה', true],
  ['12 × 3 המגדלור', true],
  ['Lamp המגדלור', false],
  ['', false],
  ['… 7 🌊', false],
])('%s', (words, isIt) => {
  expect(isRightToLeft(words)).toBe(isIt);
});
