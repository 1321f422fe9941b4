import {
  ask,
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
  type Starter,
} from './starter.js';
import { sure } from '../parts/sure.js';

const group = 'closing';

/** Slides to end a lesson with: what was learned, what is open, what comes next. */
export const CLOSING: readonly Starter[] = [
  {
    id: 'one-sentence',
    group,
    title: 'The lesson in one sentence',
    use: 'What everyone takes home.',
    build: () => [ask('Say in one sentence what today was about.', paragraph(0, 30), MIDDLE)],
  },
  {
    id: 'how-well',
    group,
    title: 'How well can you do it now?',
    use: 'A scale for the own feeling of it.',
    build: () => [
      ask('How well could you explain it to a friend?', scale('not yet', 'very well'), LOW),
    ],
  },
  {
    id: 'still-open',
    group,
    title: 'What is still open?',
    use: 'Questions that are left, for the next lesson.',
    build: () => [ask('What do you still want to ask?', paragraph(), WHOLE)],
  },
  {
    id: 'learned-and-open',
    group,
    title: 'Found and open',
    use: 'What was found out beside what is not clear yet.',
    build: () => [
      ask('I found out …', paragraph(), LEFT),
      ask('Not clear to me yet …', paragraph(), RIGHT),
    ],
  },
  {
    id: 'key-word',
    group,
    title: 'The word of the day',
    use: 'The word that mattered most.',
    build: () => [ask('Which word will you remember?', { kind: 'textEntry', points: 1 }, LOW)],
  },
  {
    id: 'last-check',
    group,
    title: 'One last check',
    use: 'A question that shows whether it has arrived.',
    build: (kit) => {
      const question = choice(kit, ['The right one', 'Nearly', 'Not this one'], {
        isShuffled: true,
      });
      const [right] = question.options;
      return [
        ask('Ask for the heart of the lesson.', question, MIDDLE, {
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
    id: 'sum-up-gaps',
    group,
    title: 'Sum it up',
    use: 'The lesson as a text with gaps.',
    build: () => [
      ask(
        'Fill in the main words.',
        {
          kind: 'gap',
          parts: ['Today we learned that ', ' needs ', ', because ', '.'],
          bank: null,
          points: 1,
        },
        { x: 96, y: 164, w: 1000, h: 300 },
      ),
    ],
  },
  {
    id: 'draw-again',
    group,
    title: 'Draw it again',
    use: 'The drawing from the beginning, with what is known now.',
    build: () => [
      ask('Draw it once more. What has changed?', { kind: 'drawing', points: 2 }, WHOLE),
    ],
  },
  {
    id: 'what-helped',
    group,
    title: 'What helped you?',
    use: 'Ways of working, put in order by the class.',
    build: (kit) => [
      ask(
        'Put on top what helped you most.',
        {
          kind: 'order',
          items: items(
            kit,
            'Trying it myself',
            'Talking with others',
            'The pictures',
            'The explanation',
          ),
          isRow: false,
          points: 1,
        },
        MIDDLE,
      ),
    ],
  },
  {
    id: 'pace',
    group,
    title: 'How was the pace?',
    use: 'For the teacher: too fast, too slow?',
    build: () => [ask('Today was …', scale('too slow', 'too fast'), LOW)],
  },
  {
    id: 'thanks-to',
    group,
    title: 'Thanks to …',
    use: 'Whom everyone wants to thank.',
    build: () => [ask('Who helped you today, and with what?', paragraph(0, 40), MIDDLE)],
  },
  {
    id: 'next-step',
    group,
    title: 'My next step',
    use: 'One thing everyone is going to do.',
    build: (kit) => [
      ask(
        'What will you do next?',
        choice(kit, [
          'Look it over once more',
          'Try a harder one',
          'Explain it to someone',
          'Ask for help',
        ]),
        LEFT,
      ),
      ask('What exactly, and by when?', paragraph(0, 40), RIGHT),
    ],
  },
  {
    id: 'postcard',
    group,
    title: 'A postcard from today',
    use: 'A pattern: a leaf with a picture and a greeting.',
    isPattern: true,
    build: () => [
      words('Greetings from the lesson!', { x: 96, y: 640, w: 900, h: 44 }, { style: 'caption' }),
    ],
  },
];
