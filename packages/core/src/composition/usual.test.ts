import { refOf, themeNamed, THEMES, waysToSetOut } from '../index.js';
import { EMPTY_CONTENT, slideWith, type SlideContent } from '../testing/contents.js';

const EMPTY: SlideContent = { ...EMPTY_CONTENT, title: 'The last boat' };
const SENTENCE = 'The path forks at the old oak. Mist is coming up.';
const PASSAGE =
  'Salt, wind and birds: whoever lives here lives with all three. In winter the boat comes once a week, in a storm it does not come at all.';
const SHORT = ['Fog', 'Home', 'Row out', 'Wait', 'Shade the water', 'Lift it', 'Climb', 'Count'];
const LONG = [
  'Row out to the reef while there is still light',
  'Ask the observatory what it knows of tides',
  'Climb the tower stairs and light the lamp',
  'Count the life jackets before the storm',
  'Wait longer, in case the mist lifts at noon',
  'Go home along the shore and tell nobody',
  'Shade the water with the old sail cloth',
  'Lift the stone, and look what lives there',
];
const PICTURES = [
  [1600, 1200],
  [1600, 900],
  [1200, 1600],
  [1400, 1400],
] as const;
const questionOf = (options: readonly string[]): SlideContent['question'] => ({
  prompt: 'What does the lamp need most?',
  options,
});
const upTo = (count: number, from = 1): number[] =>
  Array.from({ length: count - from + 1 }, (_, at) => from + at);

/** What slides usually hold, by a name for it. */
const USUAL: Record<string, Partial<SlideContent>> = {
  'a title alone': {},
  'a sentence': { texts: [SENTENCE] },
  'a passage': { texts: [PASSAGE] },
  'two columns': { texts: [SENTENCE, PASSAGE] },
  'compare three': { texts: [SENTENCE, SENTENCE, SENTENCE] },
  'a big number': { texts: ['1871'] },
  'what somebody said': { texts: ['“Nobody has seen the keeper since Tuesday.”'] },
  'a timeline': { texts: ['1871 The lamp is lit', '1902 A storm', '1955 Power', '1988 Nobody'] },
  'a table': { hasTable: true },
  'a chart': { hasChart: true },
  'a table and words': { hasTable: true, texts: [SENTENCE] },
  'a chart and words': { hasChart: true, texts: [SENTENCE] },
  'a table and a chart': { hasTable: true, hasChart: true },
  ...Object.fromEntries(
    upTo(4).flatMap((count) => {
      const pictures = PICTURES.slice(0, count);
      return [
        [`pictures: ${count}`, { pictures }],
        [`pictures and a sentence: ${count}`, { pictures, texts: [SENTENCE] }],
        [`pictures and a passage: ${count}`, { pictures, texts: [PASSAGE] }],
      ];
    }),
  ),
  ...Object.fromEntries(
    upTo(8, 2).flatMap((count) => {
      const [short, long] = [SHORT.slice(0, count), LONG.slice(0, count)];
      const pictures = PICTURES.slice(0, 1);
      return [
        [`short choices: ${count}`, { choices: short }],
        [`long choices: ${count}`, { choices: long }],
        [`short choices and words: ${count}`, { choices: short, texts: [SENTENCE] }],
        [`long choices and words: ${count}`, { choices: long, texts: [SENTENCE] }],
        [`short choices and a picture: ${count}`, { choices: short, pictures }],
        [`long ones, words, a picture: ${count}`, { choices: long, pictures, texts: [SENTENCE] }],
      ];
    }),
  ),
  ...Object.fromEntries(
    [2, 4, 6].flatMap((count) => {
      const question = questionOf(SHORT.slice(0, count));
      const pictures = PICTURES.slice(0, 1);
      return [
        [`a question of ${count}`, { question }],
        [`a long question of ${count}`, { question: questionOf(LONG.slice(0, count)) }],
        [`a question of ${count} and words`, { question, texts: [SENTENCE] }],
        [`a question of ${count} and a picture`, { question, pictures }],
        [`a question of ${count}, words, a picture`, { question, pictures, texts: [SENTENCE] }],
      ];
    }),
  ),
};

test.each(Object.entries(USUAL))('%s: at least six ways in every theme', (_, content) => {
  const { slide } = slideWith({ ...EMPTY, ...content });
  for (const name of THEMES) {
    const ways = waysToSetOut(slide, themeNamed(refOf(name, 'light'), 'full'));
    expect({ name, few: ways.length < 6 ? ways.map((way) => way.name) : [] }).toEqual({
      name,
      few: [],
    });
    // And each is another one.
    expect(new Set(ways.map((way) => way.name)).size).toBe(ways.length);
  }
});
