import * as fc from 'fast-check';
import * as Y from 'yjs';
import {
  LINK_MARK,
  linkedWords,
  linkWords,
  plain,
  readFragment,
  relinkWords,
  wordsOf,
  writeFragment,
  type RichNode,
  type RichText,
} from '../index.js';

const run = fc.record({
  type: fc.constant('text'),
  text: fc.string({ minLength: 1, maxLength: 12 }),
  marks: fc.subarray([
    { type: 'bold' },
    { type: 'italic' },
    { type: LINK_MARK, attrs: { linkId: 'l1' } },
  ]),
});
const paragraph = fc
  .array(run, { maxLength: 4 })
  .map((content): RichNode => ({ type: 'paragraph', content: joined(content) }));
const item = paragraph.map((content): RichNode => ({ type: 'listItem', content: [content] }));
const list = fc
  .array(item, { minLength: 1, maxLength: 3 })
  .map((content): RichNode => ({ type: 'bulletList', content }));
const aText = fc
  .array(fc.oneof(paragraph, list), { minLength: 1, maxLength: 4 })
  .map((content): RichText => ({ type: 'doc', content }));

/** Neighbouring runs with the same marks are one run, as in the document. */
function joined(runs: RichNode[]): RichNode[] {
  const out: RichNode[] = [];
  for (const next of runs) {
    const marks = [...(next.marks ?? [])].sort((a, b) => (a.type < b.type ? -1 : 1));
    const last = out.at(-1);
    if (last && JSON.stringify(last.marks ?? []) === JSON.stringify(marks)) {
      last.text = `${last.text}${next.text}`;
    } else out.push({ type: 'text', text: next.text, ...(marks.length > 0 ? { marks } : {}) });
  }
  return out;
}

/** Marks have no order of their own. */
const sorted = (node: RichNode): RichNode => ({
  ...node,
  ...(node.marks ? { marks: [...node.marks].sort((a, b) => (a.type < b.type ? -1 : 1)) } : {}),
  ...(node.content ? { content: node.content.map(sorted) } : {}),
});

function fragmentWith(text: RichText): Y.XmlFragment {
  const fragment = new Y.Doc().getXmlFragment('text');
  writeFragment(fragment, text);
  return fragment;
}

test('a rich text written into a document reads back as it was', () => {
  fc.assert(
    fc.property(aText, (text) => {
      const read = readFragment(fragmentWith(text));
      expect(read.content.map(sorted)).toEqual(text.content.map(sorted));
    }),
  );
});

test('writing replaces what was there', () => {
  const fragment = fragmentWith(plain('before', 'and more'));
  writeFragment(fragment, plain('after'));
  expect(wordsOf(readFragment(fragment))).toBe('after');
});

test.each([
  [plain('one', 'two'), 'one\ntwo'],
  [plain(''), ''],
  [
    {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'a' },
            { type: 'hardBreak' },
            { type: 'text', text: 'b' },
          ],
        },
      ],
    },
    'a\nb',
  ],
  [
    {
      type: 'doc',
      content: [
        {
          type: 'bulletList',
          content: [
            {
              type: 'listItem',
              content: [{ type: 'paragraph', content: [{ type: 'text', text: 'crab' }] }],
            },
            {
              type: 'listItem',
              content: [{ type: 'paragraph', content: [{ type: 'text', text: 'weed' }] }],
            },
          ],
        },
      ],
    },
    'crab\nweed',
  ],
] as [RichText, string][])('the words of %j', (text, words) => expect(wordsOf(text)).toBe(words));

describe('words that carry a link', () => {
  test('are found, handed to another link, and let go', () => {
    const fragment = fragmentWith(plain('Row to the boat', 'or wait'));
    expect(linkWords(fragment, 'the boat', 'l1')).toBe(true);
    expect(linkWords(fragment, 'a whale', 'l2')).toBe(false);
    expect([...linkedWords(readFragment(fragment))]).toEqual([['l1', 'the boat']]);
    relinkWords(fragment, 'l1', 'l2');
    expect([...linkedWords(readFragment(fragment))]).toEqual([['l2', 'the boat']]);
    relinkWords(fragment, 'l2', null);
    expect(linkedWords(readFragment(fragment)).size).toBe(0);
    expect(wordsOf(readFragment(fragment))).toBe('Row to the boat\nor wait');
  });

  test('may be split over other marks and still are one wording', () => {
    const marks = [{ type: LINK_MARK, attrs: { linkId: 'l1' } }];
    const fragment = fragmentWith({
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'the ', marks },
            { type: 'text', text: 'boat', marks: [...marks, { type: 'bold' }] },
          ],
        },
      ],
    });
    expect(linkedWords(readFragment(fragment)).get('l1')).toBe('the boat');
  });
});
