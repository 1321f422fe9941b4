import { titleOf } from './titleOf.js';

test.each([
  [{ title: 'The lamp goes out' }, 'The lamp goes out'],
  [{ title: '' }, 'Untitled'],
  [null, 'Untitled'],
  [undefined, 'Untitled'],
  [{ title: 'Why \\(a^2\\) is an area' }, 'Why a² is an area'],
  [{ title: 'Only \\( is none' }, 'Only \\( is none'],
])('%j is called %s', (slide, expected) => {
  expect(titleOf(slide)).toBe(expected);
});
