import * as fc from 'fast-check';
import { flatTex, flatWords, formulasIn, spokenTex } from '../../index.js';

test.each([
  ['a^2 + b^2 = c^2', 'a squared plus b squared equals c squared', 'a²+b²=c²'],
  [
    'x = \\frac{-b \\pm \\sqrt{b^2 - 4ac}}{2a}',
    'x equals minus b plus or minus the square root of b squared minus 4 a c over 2 a',
    'x=(−b±√(b²−4ac))/2a',
  ],
  ['H_2O', 'H sub 2 O', 'H₂O'],
  ['\\sum_{i=1}^{n} i', 'the sum from i equals 1 to n i', '∑_(i=1)^n i'],
  ['x^{10}', 'x to the power of 10', 'x¹⁰'],
  ['90^\\circ', '90 degrees', '90°'],
  ['\\sqrt[3]{8} \\leq \\pi', 'root 3 of 8 is at most pi', '3√8≤π'],
  ['v = 3{,}5\\,\\text{km per h}', 'v equals 3 , 5 km per h', 'v=3,5km per h'],
  ['\\vec{F} = m \\cdot \\vec{a}', 'vector F equals m times vector a', 'F=m·a'],
  ['', '', ''],
])('%s', (tex, spoken, flat) => {
  expect(spokenTex(tex)).toBe(spoken);
  expect(flatTex(tex)).toBe(flat.replace('^n i', '^ni'));
});

test('what is no formula breaks nothing, however it is nested', () => {
  const part = fc.constantFrom(
    '{',
    '}',
    '\\frac',
    '^',
    '_',
    '\\sqrt',
    '[',
    ']',
    'x',
    '2',
    ' ',
    '\\',
  );
  fc.assert(
    fc.property(fc.array(part, { maxLength: 300 }), (parts) => {
      expect(typeof spokenTex(parts.join(''))).toBe('string');
      expect(typeof flatTex(parts.join(''))).toBe('string');
    }),
  );
  expect(() => spokenTex('{'.repeat(1000))).not.toThrow();
  expect(() => spokenTex('\\frac'.repeat(200))).not.toThrow();
});

test('formulas among words are found, and nothing else is', () => {
  expect(formulasIn('Is \\(x^2\\) more than \\( 2x \\)?')).toEqual([
    'Is ',
    { tex: 'x^2' },
    ' more than ',
    { tex: '2x' },
    '?',
  ]);
  expect(formulasIn('5 $ or (6)')).toEqual(['5 $ or (6)']);
  expect(formulasIn('not closed \\(x')).toEqual(['not closed \\(x']);
  expect(flatWords('Is \\(x^2\\) large?')).toBe('Is x² large?');
  fc.assert(
    fc.property(fc.string(), (words) => {
      const back = formulasIn(words)
        .map((one) => (typeof one === 'string' ? one : `\\(${one.tex}\\)`))
        .join('');
      expect(back.replace(/\s/g, '')).toBe(words.replace(/\s/g, ''));
    }),
  );
});
