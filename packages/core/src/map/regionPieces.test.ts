import * as fc from 'fast-check';
import { CARD, meets, type Box } from '../index.js';
import { piecesAround } from './regionPieces.js';

const at = (x: number, y: number) => ({ x: x * 200, y: y * 160 });
const cardAt = ({ x, y }: { x: number; y: number }): Box => ({
  x,
  y,
  w: CARD.width,
  h: CARD.height,
});

test('cards with nothing between them have one region, with room round them and more above', () => {
  expect(piecesAround([at(0, 0), at(1, 1)], [at(4, 4)], 20, 40)).toEqual([
    { x: -20, y: -40, w: 390, h: 330 },
  ]);
});

test('a region goes round a card of others: in pieces, and with less room where that card is close', () => {
  const pieces = piecesAround(
    [at(0, 0), at(1, 0), at(2, 0), at(0, 1), at(2, 1)],
    [at(1, 1)],
    20,
    40,
  );
  expect(pieces).toHaveLength(3);
  for (const piece of pieces) expect(meets(piece, cardAt(at(1, 1)))).toBe(false);
  const [close] = piecesAround([at(0, 0)], [{ x: 160, y: 0 }], 20, 40);
  expect(close!.x + close!.w).toBeLessThan(160);
  expect(close!.x).toBeLessThan(0);
});

test('a card of others that lies on one of the section leaves its region as it would be', () => {
  const alone = piecesAround([at(0, 0)], [], 20, 40);
  expect(piecesAround([at(0, 0)], [{ x: 30, y: 10 }], 20, 40)).toEqual(alone);
});

const spots = fc.uniqueArray(fc.tuple(fc.nat(7), fc.nat(7)), {
  minLength: 2,
  maxLength: 40,
  selector: ([x, y]) => `${x} ${y}`,
});

test('wherever cards lie, each of a section is in a piece and none of another', () => {
  fc.assert(
    fc.property(spots, fc.integer({ min: 1, max: 39 }), (places, count) => {
      const all = places.map(([x, y]) => at(x, y));
      const [members, strangers] = [all.slice(0, count), all.slice(count)];
      const pieces = piecesAround(members, strangers, 22, 48);
      for (const { x, y } of members) {
        const isIn = (piece: Box): boolean =>
          x >= piece.x &&
          y >= piece.y &&
          x + CARD.width <= piece.x + piece.w &&
          y + CARD.height <= piece.y + piece.h;
        expect(pieces.some(isIn)).toBe(true);
      }
      for (const stranger of strangers) {
        expect(pieces.some((piece) => meets(piece, cardAt(stranger)))).toBe(false);
      }
    }),
  );
});
