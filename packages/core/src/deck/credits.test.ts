import { creditsOf, readDeck, studentView, type CreditedAsset } from '../index.js';
import { deck, question, slide } from '../testing/builder.js';

const drawn = (author: string): CreditedAsset => ({
  hash: author.length.toString(16).repeat(64),
  width: 40,
  height: 30,
  isAnimated: false,
  credit: { title: 'Tern', author, source: '', licence: 'cc-by' },
});

test('the pictures of questions, and of what is picked, arranged and joined, keep their credits', () => {
  const item = (id: string, picture: CreditedAsset | null) => ({ id, text: id, picture });
  const doc = deck(
    slide(
      's',
      question(
        'c',
        '?',
        {
          kind: 'choice',
          isMultiple: false,
          isShuffled: false,
          points: 1,
          options: [item('a', drawn('Ann')), item('b', null)],
        },
        null,
        undefined,
        { picture: drawn('Bertil') },
      ),
      question('o', '?', {
        kind: 'order',
        isRow: false,
        points: 1,
        items: [item('x', drawn('Cleo')), item('y', drawn('Ann'))],
      }),
      question('m', '?', {
        kind: 'match',
        points: 1,
        lefts: [item('l', drawn('Dagmar'))],
        rights: [item('r', { ...drawn('Nobody'), credit: undefined })],
      }),
    ),
  );
  const lines = ['Ann', 'Bertil', 'Cleo', 'Dagmar'].map((who) => `“Tern” by ${who}, CC BY 4.0`);
  expect(creditsOf(readDeck(doc))).toEqual(lines);
  // Students see them, too.
  expect(creditsOf(studentView(readDeck(doc)))).toEqual(lines);
});
