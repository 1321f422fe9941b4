import type { ElementId } from '../parts/ids.js';
import {
  ask,
  card,
  choice,
  items,
  LEFT,
  LOW,
  MIDDLE,
  paragraph,
  RIGHT,
  scale,
  WHOLE,
  words,
  zone,
  type Starter,
} from './starter.js';
import { sure } from '../parts/sure.js';

const group = 'working';

/** Slides to work on: checks, sorting, arranging, explaining, predicting. */
export const WORKING: readonly Starter[] = [
  {
    id: 'quick-check',
    group,
    title: 'Quick check',
    use: 'One right answer of four, everyone in an order of their own.',
    build: (kit) => {
      const question = choice(
        kit,
        ['The right one', 'A likely mistake', 'Another mistake', 'A last one'],
        { isShuffled: true },
      );
      const [right] = question.options;
      return [
        ask('Ask something with one right answer.', question, MIDDLE, {
          key: {
            kind: 'choice',
            optionIds: [sure(right, 'a choice has options').id],
            isPartial: false,
          },
        }),
      ];
    },
  },
  {
    id: 'pick-all',
    group,
    title: 'Pick all that fit',
    use: 'Several right answers; wrong picks cost.',
    build: (kit) => {
      const question = choice(kit, ['Fits', 'Fits too', 'Does not fit', 'Does not fit either'], {
        isMultiple: true,
        isShuffled: true,
        points: 2,
      });
      const right = question.options.slice(0, 2);
      return [
        ask('Which of these …? Pick all that fit.', question, MIDDLE, {
          key: { kind: 'choice', optionIds: right.map(({ id }) => id), isPartial: true },
        }),
      ];
    },
  },
  {
    id: 'name-it',
    group,
    title: 'Name it',
    use: 'A picture and the word for it.',
    drawing: 'storm-petrel',
    build: ({ picture }) => [
      ask('What is this called?', { kind: 'textEntry', points: 1 }, MIDDLE, {
        picture,
        pictureAlt: 'What is to be named',
        key: {
          kind: 'textEntry',
          accepted: ['storm petrel', 'petrel'],
          heedsCase: false,
          heedsAccents: false,
        },
      }),
    ],
  },
  {
    id: 'work-it-out',
    group,
    title: 'Work it out',
    use: 'A number with its unit, and room for how.',
    build: () => [
      ask(
        'How much is it?',
        { kind: 'number', unit: 'm', decimal: '.', points: 2 },
        { x: 96, y: 164, w: 524, h: 240 },
        {
          key: { kind: 'number', right: '10 ± 5 %', ranges: [{ low: 9.5, high: 10.5 }] },
        },
      ),
      ask('Show how you worked it out.', paragraph(), RIGHT),
    ],
  },
  {
    id: 'sort-in-two',
    group,
    title: 'Sort into two',
    use: 'Pieces into two zones.',
    build: ({ makeId }) => {
      const ids = Array.from({ length: 6 }, () => makeId<ElementId>());
      const pieces = ids.map((id, at) => ({
        ...card(`piece ${at + 1}`, 96 + (at % 3) * 224, 566 + Math.floor(at / 3) * 72),
        id,
      }));
      return [
        ...zone('here', { x: 96, y: 270, w: 524, h: 276 }, ids.slice(0, 3)),
        ...zone('there', { x: 660, y: 270, w: 524, h: 276 }, ids.slice(3)),
        ...pieces,
        ask(
          'Which belongs where?',
          { kind: 'sort', credit: 'piece', points: 2, pieces: [], zones: [] },
          { x: 96, y: 146, w: 1088, h: 112 },
          { isForThinking: false },
        ),
      ];
    },
  },
  {
    id: 'sort-in-three',
    group,
    title: 'Sort into three',
    use: 'Pieces into three zones, and one that belongs nowhere.',
    build: ({ makeId }) => {
      const ids = Array.from({ length: 7 }, () => makeId<ElementId>());
      const pieces = ids.map((id, at) => ({
        ...card(
          at === 6 ? 'odd one' : `piece ${at + 1}`,
          96 + (at % 4) * 224,
          566 + Math.floor(at / 4) * 72,
        ),
        id,
      }));
      return [
        ...['one', 'two', 'three'].flatMap((name, at) =>
          zone(name, { x: 96 + at * 372, y: 270, w: 344, h: 276 }, ids.slice(at * 2, at * 2 + 2)),
        ),
        ...pieces,
        ask(
          'Sort them. One belongs nowhere.',
          { kind: 'sort', credit: 'piece', points: 3, pieces: [], zones: [] },
          { x: 96, y: 146, w: 1088, h: 112 },
          { isForThinking: false },
        ),
      ];
    },
  },
  {
    id: 'put-in-order',
    group,
    title: 'Put in order',
    use: 'Steps or events, in a column.',
    build: (kit) => {
      const things = items(kit, 'First', 'Second', 'Third', 'Fourth', 'Fifth');
      return [
        ask(
          'What comes first, what comes last?',
          {
            kind: 'order',
            items: [...things].sort((a, b) => (a.id < b.id ? -1 : 1)),
            isRow: false,
            points: 2,
          },
          MIDDLE,
          { key: { kind: 'order', itemIds: things.map(({ id }) => id), credit: 'pairs' } },
        ),
      ];
    },
  },
  {
    id: 'small-to-large',
    group,
    title: 'From small to large',
    use: 'Things in a row, marked by how far they are off.',
    build: (kit) => {
      const things = items(kit, 'limpet', 'crab', 'gull', 'seal', 'whale');
      return [
        ask(
          'Put them in a row, the smallest first.',
          {
            kind: 'order',
            items: [...things].sort((a, b) => (a.id < b.id ? -1 : 1)),
            isRow: true,
            points: 2,
          },
          { x: 96, y: 164, w: 1088, h: 260 },
          { key: { kind: 'order', itemIds: things.map(({ id }) => id), credit: 'rank' } },
        ),
      ];
    },
  },
  {
    id: 'what-belongs',
    group,
    title: 'What belongs together',
    use: 'Two columns to join.',
    build: (kit) => {
      const lefts = items(kit, 'a lamp', 'an anchor', 'a buoy');
      const rights = items(
        kit,
        'shows the way',
        'holds the boat',
        'marks the shallows',
        'carries the mail',
      );
      return [
        ask(
          'Join each thing to what it does.',
          {
            kind: 'match',
            lefts,
            rights: [...rights].sort((a, b) => (a.id < b.id ? -1 : 1)),
            points: 3,
          },
          WHOLE,
          {
            key: {
              kind: 'match',
              pairs: Object.fromEntries(lefts.map(({ id }, at) => [id, [rights[at]!.id]])),
            },
          },
        ),
      ];
    },
  },
  {
    id: 'fill-the-gaps',
    group,
    title: 'Fill the gaps',
    use: 'A text with a bank of words.',
    build: () => [
      ask(
        'Fill in what is missing.',
        {
          kind: 'gap',
          parts: ['The ', ' sends its ', ' out to ', '.'],
          bank: ['harbour', 'lamp', 'light', 'sea'],
          points: 3,
        },
        { x: 96, y: 164, w: 1000, h: 320 },
        {
          key: {
            kind: 'gap',
            accepted: [['lamp'], ['light'], ['sea']],
            heedsCase: false,
            heedsAccents: false,
          },
        },
      ),
    ],
  },
  {
    id: 'find-it',
    group,
    title: 'Find it in the picture',
    use: 'Areas of a picture to pick from.',
    drawing: 'island',
    build: ({ picture, makeId }) => {
      const areas = [
        ['left part', 0],
        ['middle', 1 / 3],
        ['right part', 2 / 3],
      ].map(([label, x]) => ({
        id: makeId<ElementId>(),
        label: String(label),
        shape: 'box' as const,
        corners: [],
        x: Number(x),
        y: 0.1,
        w: 1 / 3,
        h: 0.8,
      }));
      return [
        ask(
          'Where is it? Pick the place.',
          { kind: 'hotspot', areas, most: 1, isOutlined: true, points: 1 },
          WHOLE,
          {
            picture,
            pictureAlt: 'The picture to look at',
            key: { kind: 'hotspot', areaIds: [areas[1]!.id], isPartial: false },
          },
        ),
      ];
    },
  },
  {
    id: 'point-at-it',
    group,
    title: 'Point at it',
    use: 'A marker on a picture, marked by how near it comes.',
    drawing: 'compass',
    build: ({ picture }) => [
      ask(
        'Put the cross where it belongs.',
        { kind: 'selectPoint', marker: 'cross', most: 1, points: 2 },
        WHOLE,
        {
          picture,
          pictureAlt: 'The picture to mark',
          key: {
            kind: 'selectPoint',
            areas: [],
            target: { x: 0.5, y: 0.5, near: 0.06, far: 0.25 },
          },
        },
      ),
    ],
  },
  {
    id: 'how-high',
    group,
    title: 'How high?',
    use: 'A line across a picture: levels, tides, times.',
    drawing: 'thermometer',
    build: ({ picture }) => [
      ask(
        'Draw the line where you expect it.',
        { kind: 'selectPoint', marker: 'line', most: 1, points: 1 },
        WHOLE,
        { picture, pictureAlt: 'What is to be read off' },
      ),
    ],
  },
  {
    id: 'label-the-drawing',
    group,
    title: 'Label the drawing',
    use: 'Ink and words on a picture.',
    drawing: 'sailing-boat',
    build: ({ picture }) => [
      ask('Name the parts, and draw in what is missing.', { kind: 'drawing', points: 3 }, WHOLE, {
        picture,
        pictureAlt: 'The drawing to label',
        isForThinking: false,
      }),
    ],
  },
  {
    id: 'before-and-after',
    group,
    title: 'Predict, then look',
    use: 'A scale before and after seeing it.',
    build: ({ makeId }) => {
      const first = makeId<ElementId>();
      const again = scale('not at all', 'wholly');
      return [
        {
          ...ask('Before: how much do you expect?', scale('not at all', 'wholly'), {
            x: 96,
            y: 164,
            w: 524,
            h: 250,
          }),
          id: first,
        },
        ask('After: how much was it?', { ...again, before: first } as typeof again, {
          x: 660,
          y: 164,
          w: 524,
          h: 250,
        }),
        ask('What surprised you?', paragraph(), { x: 96, y: 440, w: 1088, h: 230 }),
      ];
    },
  },
  {
    id: 'explain-why',
    group,
    title: 'Explain why',
    use: 'Sentences with reasons, marked by hand.',
    build: () => [
      ask('Say what happens, and why. Use “because”.', paragraph(20, 120), WHOLE, {
        isForThinking: false,
      }),
    ],
  },
  {
    id: 'two-sides',
    group,
    title: 'Two sides',
    use: 'What speaks for it, what against.',
    build: () => [
      ask('What speaks for it?', paragraph(), LEFT),
      ask('What speaks against it?', paragraph(), RIGHT),
    ],
  },
  {
    id: 'my-page',
    group,
    title: 'A page of my own',
    use: 'A pattern: every student makes a leaf from it.',
    isPattern: true,
    build: () => [
      words(
        'Say here what the page is to show.',
        { x: 96, y: 640, w: 900, h: 44 },
        { style: 'caption' },
      ),
    ],
  },
  {
    id: 'where-to-next',
    group,
    title: 'Where to next?',
    use: 'A class vote on the way to go on.',
    build: (kit) => [
      ask(
        'Which way shall we take?',
        choice(kit, ['Down to the harbour', 'Up the tower', 'Along the shore']),
        LOW,
      ),
    ],
  },
];
