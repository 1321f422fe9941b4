import fc from 'fast-check';
import * as Y from 'yjs';
import { piecesOf } from './pieces.js';

/** A document that several hands have written in, with texts, things within things, and much deleted again. */
function written(acts: { hand: number; what: string; at: number }[]): Y.Doc {
  const docs = [new Y.Doc(), new Y.Doc(), new Y.Doc()];
  for (const { hand, what, at } of acts) {
    const doc = docs[hand]!;
    const [text, map] = [doc.getText('text'), doc.getMap<Y.Map<unknown>>('map')];
    if (what === 'type') text.insert(at % (text.length + 1), `w${at}`);
    if (what === 'delete' && text.length > 0) text.delete(at % text.length, 1);
    if (what === 'set') map.set(`k${at % 5}`, new Y.Map([['v', at]]));
    if (what === 'within') map.get(`k${at % 5}`)?.set('v', { at });
    if (what === 'drop') map.delete(`k${at % 5}`);
    if (what === 'hear') Y.applyUpdate(docs[(hand + 1) % 3]!, Y.encodeStateAsUpdate(doc));
  }
  for (const doc of docs) Y.applyUpdate(docs[0]!, Y.encodeStateAsUpdate(doc));
  return docs[0]!;
}

const acts = fc.array(
  fc.record({
    hand: fc.nat(2),
    what: fc.constantFrom('type', 'type', 'delete', 'set', 'within', 'drop', 'hear'),
    at: fc.nat(30),
  }),
  { maxLength: 60 },
);

test('an update in pieces is the same update, and no piece brings more than was asked for', () => {
  fc.assert(
    fc.property(acts, fc.integer({ min: 1, max: 7 }), (all, most) => {
      const doc = written(all);
      const update = Y.encodeStateAsUpdate(doc);
      const again = new Y.Doc();
      for (const piece of piecesOf(Y.decodeUpdate(update), most)) {
        expect(Y.decodeUpdate(piece).structs.length).toBeLessThanOrEqual(most);
        Y.applyUpdate(again, piece);
      }
      expect(again.getText('text').toString()).toBe(doc.getText('text').toString());
      expect(again.getMap('map').toJSON()).toEqual(doc.getMap('map').toJSON());
      expect(Y.encodeStateVector(again)).toEqual(Y.encodeStateVector(doc));
      expect(Y.encodeStateAsUpdate(again)).toEqual(update);
    }),
    { numRuns: 300 },
  );
});
