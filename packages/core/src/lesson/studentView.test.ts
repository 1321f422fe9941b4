import * as fc from 'fast-check';
import { readDeck, setElement, setNotes, studentView, type Deck } from '../index.js';
import {
  choice,
  choiceQuestion,
  deck,
  leftOut,
  notes,
  pattern,
  piece,
  slide,
  spare,
  text,
  zone,
} from '../testing/builder.js';

const box = { x: 0, y: 0, w: 100, h: 40 };

test('students get slides, questions, pieces and patterns, and no key, note or left-out slide', () => {
  const view = studentView(
    readDeck(
      deck(
        slide(
          'pier',
          choice('Row', 'sea'),
          choice('Peek', 'secret'),
          notes('Only I know'),
          spare('an unused oar'),
        ),
        slide(
          'sea',
          choiceQuestion('q', 'Which?', ['*this', 'that']),
          piece('p', 'oar', box),
          zone('z', 'boat', box, ['p']),
        ),
        slide('secret', leftOut(), text('hidden words')),
        slide('page', pattern()),
      ),
    ),
  );
  expect(Object.keys(view.slides).sort()).toEqual(['page', 'pier', 'sea']);
  expect(Object.values(view.links).map((link) => link.wording)).toEqual(['Row']);
  const seen = JSON.stringify(view);
  for (const secret of ['Only I know', 'hidden words', 'unused oar', 'Peek', '"optionIds"']) {
    expect(seen).not.toContain(secret);
  }
  const zoneSeen = view.slides.sea!.elements.find((element) => element.id === 'z');
  expect(zoneSeen).toMatchObject({ kind: 'zone', expects: null });
});

test('a start that is left out gives way to one that is there', () => {
  const view = studentView(readDeck(deck(slide('a', leftOut()), slide('b'))));
  expect(view.startSlideId).toBe('b');
});

test('no planted secret is ever in it', () => {
  const secret = fc.uuid();
  fc.assert(
    fc.property(secret, secret, secret, secret, fc.nat(2), (note, hidden, aside, key, where) => {
      const slides = ['a', 'b', 'c'];
      const doc = deck(
        ...slides.map((id, index) =>
          slide(
            id,
            ...(index === where ? [leftOut(), text(hidden)] : [text('seen')]),
            notes(note),
            spare(aside),
            choiceQuestion(`q-${id}`, 'Which?', ['one', 'two']),
            zone(`z-${id}`, 'there', box),
          ),
        ),
      );
      for (const id of slides) {
        setNotes(doc, id, note);
        setElement(doc, id, `q-${id}`, {
          key: { kind: 'choice', optionIds: [key], isPartial: false },
        });
        setElement(doc, id, `z-${id}`, { expects: [key] });
      }
      const edition: Deck = readDeck(doc);
      expect(JSON.stringify(edition)).toContain(key);
      const seen = JSON.stringify(studentView(edition));
      for (const planted of [note, hidden, aside, key]) expect(seen).not.toContain(planted);
    }),
    { numRuns: 50 },
  );
});
