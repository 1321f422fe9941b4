import fc from 'fast-check';
import {
  PAPER,
  plain,
  themeNamed,
  THEMES,
  typeInStyle,
  AS_THE_STYLE,
  type RichText,
  type TextStyle,
  type Theme,
} from '../index.js';
import { MeasuredText } from './MeasuredText.js';
import { textHeight } from './textHeight.js';

const word = fc.stringMatching(/^[a-zäöüßéA-Z0-9,.!?’]{1,18}$/);
const line = fc.array(word, { maxLength: 30 }).map((words) => words.join(' '));
interface How {
  theme: Theme;
  style: TextStyle;
  size: number;
  width: number;
  columns: number;
}
const set: fc.Arbitrary<How> = fc.record({
  theme: fc.constantFrom(...THEMES.map((name) => themeNamed(name))),
  style: fc.constantFrom<TextStyle>('title', 'body', 'choice', 'caption'),
  size: fc.integer({ min: 12, max: 90 }),
  width: fc.integer({ min: 40, max: 1200 }),
  columns: fc.integer({ min: 1, max: 3 }),
});

function agrees(text: RichText, { theme, style, size, width, columns }: How): void {
  const type = typeInStyle(AS_THE_STYLE, style, theme);
  const measured = new MeasuredText(text, type).height(width, size, columns);
  expect(measured).toBeCloseTo(textHeight(text, width, { ...type, size }, columns), 3);
}

test('a text that was measured once is as high in every width and size as one measured each time', () => {
  fc.assert(
    fc.property(fc.array(line, { minLength: 1, maxLength: 4 }), set, (lines, how) => {
      agrees(plain(...lines), how);
    }),
    { numRuns: 600 },
  );
});

test('a word that is as wide as the line fits it, measured once or each time', () => {
  // The last word ends where the line does, but for what sums lose in their last digits.
  agrees(plain('ä.Yvö!lé.!!! ßü'), {
    theme: PAPER,
    style: 'body',
    size: 24,
    width: 47,
    columns: 1,
  });
});

test('so are lists, and texts of which single words are bold or have a size of their own', () => {
  const item = (words: string) => ({
    type: 'listItem',
    content: [{ type: 'paragraph', content: [{ type: 'text', text: words }] }],
  });
  fc.assert(
    fc.property(line, line, set, (one, other, how) => {
      agrees(
        {
          type: 'doc',
          content: [{ type: 'bulletList', content: [item(`a${one}`), item(`b${other}`)] }],
        },
        how,
      );
      agrees(
        {
          type: 'doc',
          content: [
            {
              type: 'paragraph',
              content: [
                { type: 'text', text: `a${one} ` },
                { type: 'text', text: `b${other}`, marks: [{ type: 'bold' }] },
                {
                  type: 'text',
                  text: 'tall',
                  marks: [{ type: 'textStyle', attrs: { fontSize: '70px' } }],
                },
              ],
            },
          ],
        },
        how,
      );
    }),
    { numRuns: 200 },
  );
});

test('its widest word is what no narrower column holds', () => {
  const type = typeInStyle(AS_THE_STYLE, 'body', PAPER);
  const measured = new MeasuredText(plain('a lighthouse-keeper b', 'c'), type);
  const { leading } = type;
  const width = measured.widestWord * 30;
  expect(measured.height(width + 0.01, 30, 1)).toBeCloseTo(4 * 30 * leading, 3);
  // What is left of it goes on, and the next word stands behind that.
  expect(measured.height(width / 2 - 1, 30, 1)).toBeGreaterThan(4 * 30 * leading);
  expect(measured.height(width - 1, 30, 1)).toBeCloseTo(4 * 30 * leading, 3);
  expect(measured.height(measured.widestLine * 30 + 0.01, 30, 1)).toBeCloseTo(2 * 30 * leading, 3);
  expect(measured.height(measured.widestLine * 30 - 1, 30, 1)).toBeCloseTo(3 * 30 * leading, 3);
  expect(new MeasuredText(plain(''), type).widestLine).toBe(0);
});
