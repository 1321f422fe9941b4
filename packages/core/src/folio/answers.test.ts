import fc from 'fast-check';
import * as Y from 'yjs';
import { deckNamed, slide } from '../testing/builder.js';
import { readDeck } from '../deck/readDeck.js';
import { changedStretch } from '../deck/text/sharedText.js';
import type { QuestionElement } from '../elements/question/question.js';
import { answer, draft } from './answers.js';
import { readFolio } from './folio.js';
import { FolioProjection } from './projection.js';

const text = (written: string) => ({ kind: 'extendedText', text: written }) as const;

function sync(...docs: Y.Doc[]): void {
  for (const from of docs) for (const to of docs) Y.applyUpdate(to, Y.encodeStateAsUpdate(from));
}

describe('a changed stretch', () => {
  it('makes the one text out of the other, and never parts a letter of two code units', () => {
    const words = fc.string({ unit: fc.constantFrom('a', 'b', '👍', '👎', '🇸') });
    fc.assert(
      fc.property(words, words, (before, after) => {
        const { from, taken, put } = changedStretch(before, after);
        expect(before.slice(0, from) + put + before.slice(from + taken)).toBe(after);
        for (const part of [before.slice(0, from), put, before.slice(from + taken)]) {
          expect(() => encodeURIComponent(part)).not.toThrow();
        }
      }),
    );
  });
});

describe('answers in a folio', () => {
  it('keep what two devices type into one long text at the same time', () => {
    const [a, b] = [new Y.Doc(), new Y.Doc()];
    answer(a, 'q', text('The lamp is out.'), 1);
    sync(a, b);
    answer(a, 'q', text('Tonight: The lamp is out.'), 2);
    answer(b, 'q', text('The lamp is out. Who climbs?'), 3);
    sync(a, b);
    const both = text('Tonight: The lamp is out. Who climbs?');
    expect(readFolio(a).answers).toEqual({ q: both });
    expect(readFolio(b).answers).toEqual({ q: both });
  });

  it('grow by a letter with each letter', () => {
    const doc = new Y.Doc();
    answer(doc, 'q', text('word '.repeat(1000)), 1);
    let bytes = 0;
    doc.on('update', (update: Uint8Array) => (bytes += update.length));
    for (let letters = 1; letters <= 100; letters++) {
      answer(doc, 'q', text('word '.repeat(1000) + 'x'.repeat(letters)), 1);
    }
    expect(bytes).toBeLessThan(100 * 120);
  });

  it('are read as older folios have them, and changed from there', () => {
    const doc = new Y.Doc();
    doc.getMap('answers').set('q', { value: text('From last week.'), at: 1 });
    expect(readFolio(doc).answers).toEqual({ q: text('From last week.') });
    answer(doc, 'q', text('From last week, and more.'), 2);
    expect(readFolio(doc).answers).toEqual({ q: text('From last week, and more.') });
  });

  it('a draft stands beside the answer that counts until another one is given', () => {
    const doc = new Y.Doc();
    const number = (written: string) => ({ kind: 'number', text: written }) as const;
    answer(doc, 'q', number('1,5'), 1);
    draft(doc, 'q', number('150 cm'), 2);
    expect(readFolio(doc)).toMatchObject({
      answers: { q: number('1,5') },
      drafts: { q: number('150 cm') },
    });
    answer(doc, 'q', number('150'), 3);
    expect(readFolio(doc)).toMatchObject({ answers: { q: number('150') }, drafts: {} });
  });

  it('are told anew when only the text of another device has come', () => {
    const deck = readDeck(deckNamed('Essay', slide('a')));
    const question: QuestionElement = {
      ...({ id: 'q', kind: 'question', text: [], isFinal: false } as unknown as QuestionElement),
      question: { kind: 'extendedText', fewestWords: 0, mostWords: 0, points: 1 },
    };
    const [server, a, b] = [new Y.Doc(), new Y.Doc(), new Y.Doc()];
    a.clientID = 2;
    b.clientID = 1;
    const projection = new FolioProjection(server, deck, new Map([['q', question]]));
    answer(a, 'q', text('one '), 1);
    sync(a, b, server);
    projection.take();
    answer(a, 'q', text('one two '), 2);
    answer(b, 'q', text('zero one '), 2);
    sync(a, server);
    projection.take();
    sync(b, server);
    expect(projection.take().answers.map((given) => given.answer)).toEqual([text('zero one two ')]);
  });
});
