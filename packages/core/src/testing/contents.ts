import { seeded } from '../parts/seeded.js';
import type { Slide } from '../deck/types.js';
import { readDeck } from '../deck/readDeck.js';
import { idOf, type ElementId, type SlideId } from '../parts/ids.js';
import type { Box } from '../parts/place.js';
import type { NewElement } from '../elements/registry.js';
import {
  choice,
  choiceQuestion,
  deck,
  element,
  ending,
  OWN,
  slide,
  text,
  type SlidePart,
} from './builder.js';

/** What a slide for a test or a picture sheet has on it. */
export interface SlideContent {
  title: string;
  texts: readonly string[];
  choices: readonly string[];
  /** Width by height in pixels. */
  pictures: readonly (readonly [number, number])[];
  /** What matters in the first of them, in shares. */
  matters?: Box;
  /** And what it was guessed to be, of all of them. */
  seems?: Box;
  question: { prompt: string; options: readonly string[] } | null;
  hasTable: boolean;
  hasChart: boolean;
}

/** Nothing on a slide yet. */
export const EMPTY_CONTENT: SlideContent = {
  title: '',
  texts: [],
  choices: [],
  pictures: [],
  question: null,
  hasTable: false,
  hasChart: false,
};

const SAID = [
  'Lie down, wait, and look. Four animals will show themselves.',
  'The path forks at the old oak. Mist is coming up from the valley.',
  'The skipper has one seat left, and two people are waiting on the pier.',
  'Leaves in pairs, red berries in a bunch.',
  '1871',
  'The lamp burns four litres of oil in a night. Reckon how long the barrel lasts, and say how sure you are.',
  'Nobody has seen the keeper since Tuesday.',
  'Salt, wind and birds: whoever lives here lives with all three. In winter the boat comes once a week, in a storm it does not come at all, and the bread is baked at home.',
];
const TITLES = [
  'Who lives here?',
  'The last boat',
  'Which way over the hill?',
  'What the barometer says, and what it does not say about tomorrow',
  'Fog',
  'Name the tree',
];
const WAYS = [
  'Lift the stone',
  'Wait longer',
  'Row out to the reef while there is still light enough to see the marks',
  'Ask the observatory',
  'Home',
  'Count the life jackets',
  'Shade the water',
  'Climb the tower stairs',
];
const FORMS = [
  [1600, 1200],
  [1600, 900],
  [1200, 1600],
  [1400, 1400],
  [2400, 1000],
  [480, 360],
] as const;

const SPOTS: Box[] = [
  { x: 0.6, y: 0.35, w: 0.3, h: 0.3 },
  { x: 0.05, y: 0.3, w: 0.25, h: 0.5 },
  { x: 0.4, y: 0.4, w: 0.2, h: 0.2 },
  { x: 0.3, y: 0.02, w: 0.4, h: 0.3 },
];

/** A content drawn by a seed: the usual ones come often, the rare ones sometimes. */
export function contentBySeed(seed: number): SlideContent {
  const draw = seeded(seed);
  const one = <T>(of: readonly T[]): T => of[Math.floor(draw() * of.length)]!;
  const some = <T>(count: number, of: readonly T[]): T[] => {
    const from = Math.floor(draw() * of.length);
    return Array.from({ length: count }, (_, at) => of[(from + at) % of.length]!);
  };
  const kind = Math.floor(draw() * 8);
  const hasQuestion = kind === 5 || kind === 6;
  const pictures =
    kind === 1 || kind === 2 || kind === 6 ? 1 + Math.floor(draw() * (kind === 2 ? 4 : 1)) : 0;
  return {
    title: one(TITLES),
    texts: some(kind === 4 ? 2 + Math.floor(draw() * 3) : Math.floor(draw() * 2), SAID),
    choices: hasQuestion ? [] : some(draw() < 0.3 ? 0 : 1 + Math.floor(draw() * 8), WAYS),
    pictures: some(pictures, FORMS),
    ...(draw() < 0.5 ? { matters: one(SPOTS) } : {}),
    question: hasQuestion
      ? { prompt: 'What does the lamp need most?', options: some(2 + Math.floor(draw() * 4), WAYS) }
      : null,
    hasTable: kind === 7 && draw() < 0.5,
    hasChart: kind === 7 && draw() < 0.6,
    ...(draw() < 0.5 ? { seems: one(SPOTS) } : {}),
  };
}

/** A hash that stands for a picture that nobody has. */
const hashOf = (at: number): string => String(at).padStart(64, '0');

export const partsWith = (content: SlideContent, goal: string): SlidePart[] => {
  const { texts, choices, pictures, matters, seems, question, hasTable, hasChart } = content;
  const box = { x: 300, y: 300, w: 300, h: 200 };
  const things: NewElement[] = [
    ...pictures.map(([width, height], at): NewElement => ({
      kind: 'picture',
      layer: 'content',
      id: idOf<ElementId>(`picture${at}`),
      box,
      asset: { hash: hashOf(at), width, height, isAnimated: false, ...(seems ? { seems } : {}) },
      matters: at === 0 ? (matters ?? null) : null,
      alt: 'A drawing of the shore',
      credit: OWN,
    })),
    ...(hasTable
      ? [
          {
            kind: 'table',
            layer: 'content',
            id: idOf<ElementId>('table'),
            box: { x: 100, y: 200, w: 640, h: 240 },
          } as const,
        ]
      : []),
    ...(hasChart
      ? [
          {
            kind: 'chart',
            layer: 'content',
            id: idOf<ElementId>('chart'),
            box,
            form: 'bars',
          } as const,
        ]
      : []),
  ];
  return [
    ...texts.map((words, at) => text(words, { id: `text${at}` })),
    ...things.map(element),
    ...(question
      ? [
          choiceQuestion(
            'question',
            question.prompt,
            question.options.map((words) => words),
          ),
        ]
      : []),
    ...choices.map((words) => choice(words, goal)),
  ];
};

/** The slide with a content, as it comes before it is set out. */
export function slideWith(content: SlideContent): {
  doc: ReturnType<typeof deck>;
  slideId: SlideId;
  slide: Slide;
} {
  const doc = deck(
    { ...slide('s', ...partsWith(content, 'goal')), title: content.title },
    slide('goal', ending()),
  );
  const slideId = idOf<SlideId>('s');
  return { doc, slideId, slide: readDeck(doc).slides[slideId]! };
}
