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

const group = 'opening';

/** Slides to begin a lesson with: who is here, what is known, what is wondered at. */
export const OPENING: readonly Starter[] = [
  {
    id: 'how-are-you',
    group,
    title: 'How are you today?',
    use: 'A scale to see how the class is.',
    build: () => [ask('Move the marker to where you are.', scale('foggy', 'bright'), LOW)],
  },
  {
    id: 'weather-inside',
    group,
    title: 'The weather in you',
    use: 'One picture word for how everyone feels.',
    build: (kit) => [
      ask(
        'Which weather are you in?',
        choice(kit, ['Clear sky', 'A light breeze', 'Drizzle', 'Fog', 'Storm']),
        MIDDLE,
      ),
    ],
  },
  {
    id: 'one-word',
    group,
    title: 'One word',
    use: 'What comes to mind first: the class’s words side by side.',
    build: () => [
      ask('Write the first word that comes to you.', { kind: 'textEntry', points: 1 }, LOW),
    ],
  },
  {
    id: 'what-i-know',
    group,
    title: 'What I know already',
    use: 'Sentences to start from, for the teacher to read.',
    build: () => [ask('Write down what you know about this.', paragraph(), WHOLE)],
  },
  {
    id: 'what-i-wonder',
    group,
    title: 'What I want to find out',
    use: 'Questions of the class before the lesson.',
    build: () => [ask('What would you like to know by the end?', paragraph(0, 60), WHOLE)],
  },
  {
    id: 'guess-the-number',
    group,
    title: 'Guess the number',
    use: 'An estimate before anything is measured.',
    build: () => [
      ask(
        'How many do you think? Guess without counting.',
        { kind: 'number', unit: '', decimal: '.', points: 1 },
        LOW,
      ),
    ],
  },
  {
    id: 'look-closely',
    group,
    title: 'Look closely',
    use: 'Markers on a picture: what catches the eye.',
    drawing: 'lighthouse',
    build: ({ picture }) => [
      ask(
        'Put three markers on what you notice first.',
        { kind: 'selectPoint', marker: 'dot', most: 3, points: 1 },
        WHOLE,
        { picture, pictureAlt: 'The picture of the lesson' },
      ),
    ],
  },
  {
    id: 'which-belongs',
    group,
    title: 'Which one is the odd one?',
    use: 'Four things, and no single right answer: reasons count.',
    build: (kit) => [
      ask('Which one does not belong?', choice(kit, ['Gull', 'Crab', 'Buoy', 'Seal']), LEFT),
      ask('Say why.', paragraph(0, 40), RIGHT),
    ],
  },
  {
    id: 'true-or-not',
    group,
    title: 'True or not?',
    use: 'A claim to take sides on before the lesson.',
    build: (kit) => [
      words(
        '“Put a claim here that sounds right.”',
        { x: 96, y: 170, w: 1088, h: 80 },
        { style: 'heading' },
      ),
      ask('What do you think?', choice(kit, ['It is true', 'It is not', 'I am not sure']), {
        x: 96,
        y: 280,
        w: 524,
        h: 330,
      }),
      ask('How sure are you?', scale('guessing', 'certain'), { x: 660, y: 280, w: 524, h: 230 }),
    ],
  },
  {
    id: 'last-time',
    group,
    title: 'Last time',
    use: 'A text with gaps to remember by.',
    build: () => [
      ask(
        'Fill in what we found out last time.',
        {
          kind: 'gap',
          parts: ['Last time we looked at ', '. We found out that ', '.'],
          bank: null,
          points: 1,
        },
        { x: 96, y: 164, w: 1000, h: 300 },
      ),
    ],
  },
  {
    id: 'draw-what-you-see',
    group,
    title: 'Draw what you see in your mind',
    use: 'A first drawing, to come back to at the end.',
    build: () => [
      ask('Draw it as you imagine it. Name the parts.', { kind: 'drawing', points: 2 }, WHOLE),
    ],
  },
  {
    id: 'rank-interests',
    group,
    title: 'What first?',
    use: 'The class puts topics in the order it wants them.',
    build: (kit) => [
      ask(
        'Put what interests you most on top.',
        {
          kind: 'order',
          items: items(kit, 'How it began', 'How it works', 'Who needs it', 'What can go wrong'),
          isRow: false,
          points: 1,
        },
        MIDDLE,
      ),
    ],
  },
  {
    id: 'agreement',
    group,
    title: 'How we work together',
    use: 'Rules picked by the class.',
    build: (kit) => [
      ask(
        'Which three matter most today?',
        choice(
          kit,
          [
            'We let each other finish',
            'We ask when we are lost',
            'We try before we look it up',
            'We share tools',
            'We keep our voices low',
          ],
          { isMultiple: true },
        ),
        MIDDLE,
      ),
    ],
  },
];
