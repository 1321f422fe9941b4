import fc from 'fast-check';
import { createHistory, readDeck, setInk, type NewElement, type TextElement } from '../../index.js';
import { deck, element, slide } from '../../testing/builder.js';
import {
  hasMark,
  marked,
  plain,
  readTabbed,
  tableText,
  wordsOf,
  type RichNode,
  type RichText,
} from '../../parts/richText.js';

const WORDS: NewElement = {
  kind: 'text',
  layer: 'content',
  style: 'body',
  box: { x: 0, y: 0, w: 300, h: 60 },
};

describe('marks on all words', () => {
  const text: RichText = {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'low ' },
          { type: 'text', text: 'tide', marks: [{ type: 'bold' }] },
        ],
      },
      {
        type: 'bulletList',
        content: [
          {
            type: 'listItem',
            content: [{ type: 'paragraph', content: [{ type: 'text', text: 'six' }] }],
          },
        ],
      },
    ],
  };

  test('a text has a mark when all its words have it', () => {
    expect(hasMark(text, 'bold')).toBe(false);
    expect(hasMark(marked(text, { type: 'bold' }, true), 'bold')).toBe(true);
    expect(hasMark(plain(''), 'bold')).toBe(false);
  });

  test('marking keeps the words and their structure, and is taken back whole', () => {
    const bold = marked(text, { type: 'bold' }, true);
    expect(wordsOf(bold)).toBe(wordsOf(text));
    expect(bold.content.map(({ type }) => type)).toEqual(['paragraph', 'bulletList']);
    expect(hasMark(marked(bold, { type: 'bold' }, false), 'bold')).toBe(false);
  });

  test('marking twice is marking once', () => {
    const once = marked(text, { type: 'highlight', attrs: { color: '#ffee00' } }, true);
    expect(marked(once, { type: 'highlight', attrs: { color: '#ffee00' } }, true)).toEqual(once);
  });
});

test('the ink of a whole text takes colours off its words, and leaves their sizes', () => {
  const run = (text: string, attrs: Record<string, unknown>): RichNode => ({
    type: 'text',
    text,
    marks: [{ type: 'bold' }, { type: 'textStyle', attrs }],
  });
  const text: RichText = {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          run('low ', { color: '#bf4e2a', fontSize: null }),
          run('tide', { color: '#bf4e2a', fontSize: '40px' }),
        ],
      },
    ],
  };
  const doc = deck(slide('s', element({ ...WORDS, id: 't', text })));
  const history = createHistory(doc);
  expect(setInk(doc, 's', 't', '#17505C').ok).toBe(true);
  const read = (): TextElement =>
    readDeck(doc).slides.s!.elements.find(({ id }) => id === 't') as TextElement;
  expect(read().colour).toBe('#17505C');
  expect(
    read().text.content[0]!.content!.map(({ marks }) => marks!.map(({ type }) => type)),
  ).toEqual([['bold'], ['bold', 'textStyle']]);
  history.undo();
  expect(read()).toMatchObject({ colour: null, text });
});

describe('tables from spreadsheets', () => {
  test.each([
    [
      'a\tb\nc\td',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    [
      'a\tb\r\nc\td\r\n',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    ['a\t', [['a', '']]],
    ['only words', undefined],
    ['a\tb\nc', undefined],
  ])('%j', (text, rows) => {
    expect(readTabbed(text)).toEqual(rows);
  });

  test('every table is rectangular, its first row are heads', () => {
    const rows = fc.array(fc.array(fc.string(), { minLength: 1, maxLength: 5 }), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(rows, (cells) => {
        const made = tableText(cells).content[0]!.content!;
        const widths = new Set(made.map(({ content }) => content!.length));
        expect(widths.size).toBe(1);
        expect(new Set(made[0]!.content!.map(({ type }) => type))).toEqual(
          new Set(['tableHeader']),
        );
      }),
    );
  });
});
