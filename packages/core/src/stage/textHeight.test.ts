import fc from 'fast-check';
import { AS_THE_STYLE } from '../parts/typography.js';
import { plain, type RichText } from '../parts/richText.js';
import { textHeight } from './textHeight.js';
import { PAPER } from '../themes/theme.js';
import { familyWidth, typeInStyle } from '../themes/themes.js';
import { textWidth } from './typeWidths.js';

const TYPE = typeInStyle(AS_THE_STYLE, 'body', PAPER);
const LINE = TYPE.size * TYPE.leading;
const widthOf = (words: string): number =>
  textWidth(words, 'body', TYPE.size) * familyWidth(TYPE.family);

/** Lines of a paragraph set in the plainest way: words cut apart and put on lines one after another. */
function linesOf(text: string, width: number): number {
  let lines = 1;
  let used = 0;
  for (const word of text.split(' ').filter(Boolean)) {
    const between = used === 0 ? 0 : widthOf(' ');
    if (used > 0 && used + between + widthOf(word) > width) {
      lines += 1;
      used = 0;
    } else used += between;
    used += widthOf(word);
    while (used > width) {
      lines += 1;
      used -= width;
    }
  }
  return lines;
}

const word = fc.string({ unit: fc.constantFrom(...'aimWé漢'), minLength: 1, maxLength: 24 });
const sentence = fc.array(word, { minLength: 1, maxLength: 20 }).map((words) => words.join(' '));

test('a text is as high as its words set one after another', () => {
  fc.assert(
    fc.property(sentence, fc.integer({ min: 60, max: 900 }), (text, width) => {
      expect(textHeight(plain(text), width, TYPE)).toBeCloseTo(linesOf(text, width) * LINE, 6);
    }),
    { numRuns: 500 },
  );
});

test('where a text is cut into runs of the same look changes nothing', () => {
  fc.assert(
    fc.property(sentence, fc.integer({ min: 200, max: 900 }), (text, width) => {
      const runs = text.split(/(?= )/).map((words) => ({ type: 'text', text: words }));
      const cut: RichText = { type: 'doc', content: [{ type: 'paragraph', content: runs }] };
      // A word that is wider than a line is broken where it begins, which a cut moves.
      fc.pre(text.split(' ').every((one) => widthOf(one) <= width));
      expect(textHeight(cut, width, TYPE)).toBeCloseTo(textHeight(plain(text), width, TYPE), 6);
    }),
    { numRuns: 300 },
  );
});

test('a break begins a line, empty paragraphs are a line high, large words make theirs higher', () => {
  const run = (text: string, fontSize?: string) => ({
    type: 'text',
    text,
    ...(fontSize ? { marks: [{ type: 'textStyle', attrs: { fontSize } }] } : {}),
  });
  const of = (...content: RichText['content'][number][]): number =>
    textHeight({ type: 'doc', content: [{ type: 'paragraph', content }] }, 600, TYPE);
  expect(of(run('low'), { type: 'hardBreak' }, run('tide'))).toBeCloseTo(2 * LINE, 6);
  expect(textHeight(plain(''), 600, TYPE)).toBeCloseTo(LINE, 6);
  expect(of(run('low '), run('TIDE', '60px'))).toBeCloseTo(60 * TYPE.leading, 6);
});

test('a formula among words takes the room of what is drawn, not of what was typed', () => {
  const height = (words: string): number => textHeight(plain(words), 400, TYPE);
  expect(height('Area: \\(\\mathrm{r}^{2} \\cdot \\pi\\)')).toBe(height('Area: r² π'));
});
