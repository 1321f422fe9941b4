import { PITCH, spotInRowBelow } from './cards.js';

test('what is asked on the fly stands in rows below all other cards, no two on one place', () => {
  const cards = [
    { x: -100, y: 0 },
    { x: 700, y: 300 },
  ];
  const row: { x: number; y: number }[] = [];
  for (let n = 0; n < 9; n++) row.push(spotInRowBelow(cards, row));
  expect(row[0]).toEqual({ x: -100, y: 300 + PITCH.y });
  expect(row[1]).toEqual({ x: -100 + PITCH.x, y: 300 + PITCH.y });
  expect(new Set(row.map(({ x, y }) => `${x} ${y}`)).size).toBe(9);
  expect(Math.max(...row.map(({ x }) => x))).toBeLessThanOrEqual(700);
  expect(spotInRowBelow([], [])).toEqual({ x: 0, y: 0 });
});
