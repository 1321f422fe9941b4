import type { Beginning } from './beginning.js';
import { nameIt, pick, reckon, sortInto, think } from './writing.js';

/** Beginnings that are walked to find out, to practise or to look back. */
export const LESSONS: readonly Beginning[] = [
  {
    id: 'stations',
    title: 'Five stations on the shore',
    use: 'Stations from a menu: in any order, at one’s own pace, and back to the menu each time.',
    phase: 'working',
    minutes: 45,
    ages: [7, 12],
    theme: 'pool',
    plan: `
- Five stations on the shore: Choose where to begin. Come back here after each one.
  - The rock pool: **The rock pool** Lie down, wait, and look. Four animals will show themselves.
    - Back to the shore: [Five stations on the shore](#five-stations-on-the-shore)
  - The tide line: **The tide line** What the sea brought, and what it will take again.
    - Back to the shore: [Five stations on the shore](#five-stations-on-the-shore)
  - The wave count: **The wave count** Count for one minute, three times.
    - Back to the shore: [Five stations on the shore](#five-stations-on-the-shore)
  - The gull watch: **The gull watch** Two gulls, one fish. Who gets it, and how?
    - Back to the shore: [Five stations on the shore](#five-stations-on-the-shore)
  - The names: **The names** It walks sideways and carries its house on its back. Or does it?
    - Back to the shore: [Five stations on the shore](#five-stations-on-the-shore)
  - I have been everywhere: **Home again** Empty your shoes, and tell one thing that you did not know this morning. (ending)`,
    slides: {
      'Five stations on the shore': {
        notes: 'Own pace. A bell after nine minutes helps those who stay too long.',
      },
      'The rock pool': {
        has: pick('Who lives here?', ['Sea star', 'Shore crab'], ['Herring', 'Puffin']),
      },
      'The tide line': {
        has: sortInto({
          'Grew in the sea': ['Shell', 'Weed'],
          'Was made by us': ['Rope', 'Bottle'],
        }),
      },
      'The wave count': {
        has: reckon(
          'Seven waves in one minute: how many in a quarter of an hour?',
          105,
          105,
          'waves',
        ),
        notes:
          '7 waves by 15 minutes: 105. Who counted something else outside may reckon with that.',
      },
      'The names': {
        has: nameIt(
          'Which animal lives in a shell that it has found?',
          'hermit crab',
          'a hermit crab',
          'hermit',
        ),
      },
    },
  },
  {
    id: 'lab-protocol',
    title: 'Does the rope hold?',
    use: 'A lab protocol: guess, measure, reckon, and say how sure you are.',
    phase: 'whole lesson',
    minutes: 45,
    ages: [11, 16],
    theme: 'blueprint/dark',
    plan: `
- Does the rope hold?: A wet rope is to lift 900 kg of slate. Find out before anybody stands below it.
  - Begin with a guess: **What we expect** Write it down before you measure.
    - Set it up: **What we need** Lay out the table.
      - Measure: **What we measured** Dry: 1,200 kg. Wet: 15 per cent less.
        - Write it up: **What it means** The rope holds, with 120 kg to spare. Would you stand below it? (ending)
        - Measure again: **Once more** Twice is no proof, but it is better than once.
          - Compare: [What we measured](#what-we-measured)`,
    slides: {
      'Does the rope hold?': { notes: 'Put your own experiment in: the five steps stay the same.' },
      'What we expect': { has: think('I expect that … because …') },
      'What we need': {
        has: sortInto({ 'For measuring': ['Scale', 'Ruler'], 'For safety': ['Goggles', 'Gloves'] }),
      },
      'What we measured': {
        has: reckon('How many kilograms does the wet rope hold?', 1010, 1030, 'kg'),
        notes: '1,200 kg less 15 per cent: 1,020 kg. Anything from 1,010 to 1,030 counts.',
      },
    },
  },
  {
    id: 'vocabulary-trail',
    title: 'Words of the sea',
    use: 'A vocabulary trail: meet a word, use it, and bring it home.',
    phase: 'working',
    minutes: 20,
    ages: [8, 15],
    theme: 'paper',
    plan: `
- Words of the sea: Six words that sailors need, and you soon have.
  - Meet them: **Fore and aft** The bow goes first. The stern comes last. Port is left, starboard is right.
    - Find their places: **Where on the boat?** Lay each word where it belongs.
      - Say one yourself: **One word is missing**
        - Use them: **In one sentence** Make it short, and make it true. (ending)
        - See them again: [Fore and aft](#fore-and-aft)`,
    slides: {
      'Words of the sea': {
        layout: 'title',
        notes: 'Swap the six words for yours: text, pieces and key.',
      },
      'Where on the boat?': {
        has: sortInto({
          'In front': ['Bow', 'Figurehead'],
          Behind: ['Stern', 'Rudder'],
          'At the sides': ['Port', 'Starboard'],
        }),
      },
      'One word is missing': { has: nameIt('Right of the boat, looking forward: …', 'starboard') },
      'In one sentence': {
        has: think('A sentence with at least two of the words.', 25),
        notes: 'Read three of them aloud, without names.',
      },
    },
    trail: {
      name: 'All words',
      stops: [
        'Words of the sea',
        'Fore and aft',
        'Where on the boat?',
        'One word is missing',
        'In one sentence',
      ],
    },
  },
  {
    id: 'field-walk',
    title: 'Along the orchard wall',
    use: 'A field walk: look, count and note on a phone, then lay everything together.',
    phase: 'whole lesson',
    minutes: 60,
    ages: [7, 13],
    theme: 'orchard',
    plan: `
- Along the orchard wall: Walk slowly. Four stops, and your eyes are the only tool.
  - To the gate: **The gate** Stand still for one minute. What do you hear first?
    - Along the wall: **The wall** Moss on one side only. Which way is north?
      - To the old tree: **The old tree** Put your arms around it. How many of you does it take?
        - To the bench: **On the bench** Lay together what everybody found.
          - Go home: **What stays** One thing that was there last year, and one that was not. (ending)
      - Straight to the bench: [On the bench](#on-the-bench)`,
    slides: {
      'Along the orchard wall': {
        notes: 'Works on phones without a network: answers are kept and sent later.',
      },
      'The wall': {
        has: pick(
          'Where does moss grow best?',
          ['On the side in the shade'],
          ['On the side in the sun', 'On both sides alike'],
        ),
      },
      'The old tree': {
        has: reckon(
          'Three children reach 4.2 m around. How far does one reach, in metres?',
          1.4,
          1.4,
          'm',
        ),
      },
      'On the bench': {
        has: sortInto({
          'Fell from a tree': ['Leaf', 'Apple'],
          'Came by itself': ['Snail', 'Beetle'],
        }),
        notes: 'Let everyone lay one thing and say where it was.',
      },
    },
  },
  {
    id: 'exit-questions',
    title: 'Before you go',
    use: 'Exit questions: three minutes that tell you how tomorrow should begin.',
    phase: 'closing',
    minutes: 5,
    ages: [7, 18],
    theme: 'chalk/dark',
    plan: `
- Before you go: Four short questions, and you are out of the door.
  - Begin: **What stuck?**
    - Next: **Sure or not?** Lay each part of the lesson where it is for you.
      - Next: **One to check**
        - Next: **And tomorrow?** Thank you. See you in the morning. (ending)`,
    slides: {
      'Before you go': {
        layout: 'title',
        notes: 'Set it as ending of any lesson: five minutes before the bell.',
      },
      'What stuck?': { has: think('One thing that you will still know in a week.', 30) },
      'Sure or not?': {
        has: sortInto({
          'I could explain it': ['Part 1', 'Part 2'],
          'Once more, please': ['Part 3'],
        }),
      },
      'One to check': {
        has: pick('When is the water highest?', ['At high tide'], ['At noon', 'At low tide']),
        notes: 'Put the one question here that shows you whether the lesson has worked.',
      },
      'And tomorrow?': { has: think('What should we begin with?', 30) },
    },
  },
  {
    id: 'revision-trail',
    title: 'What the tide does',
    use: 'A revision trail: straight through for those who know it, side trips for those who want them.',
    phase: 'working',
    minutes: 30,
    ages: [10, 15],
    theme: 'paper/dark',
    plan: `
- What the tide does: Everything about the tide in four slides. Side trips wherever you like.
  - Go on: **Twice a day** The water rises and falls twice in about 25 hours.
    - I want to see why: **Why twice?** The moon pulls the near side most, and the far side least.
      - Back on the trail: [Spring and neap](#spring-and-neap)
    - I know that: **Spring and neap** When sun and moon pull together, the tide is highest.
      - Try it: **Which is which?** Lay each into its week.
        - Go on: **The test** (ending)`,
    slides: {
      'What the tide does': {
        notes: 'Those who are done early take the side trip and explain it to a neighbour.',
      },
      'Twice a day': {
        has: reckon(
          'High water at 6:00. About how many hours until the next one?',
          12,
          13,
          'hours',
        ),
      },
      'Which is which?': {
        has: sortInto({ 'Spring tide': ['New moon', 'Full moon'], 'Neap tide': ['Half moon'] }),
      },
      'The test': {
        has: pick(
          'What makes a spring tide?',
          ['Sun and moon pull together'],
          ['The wind of spring', 'Sun and moon pull across each other'],
        ),
        notes: 'Whoever is wrong here walks the side trip once more.',
      },
    },
    trail: {
      name: 'Straight through',
      stops: [
        'What the tide does',
        'Twice a day',
        'Spring and neap',
        'Which is which?',
        'The test',
      ],
    },
  },
  {
    id: 'comparison',
    title: 'Two lighthouses',
    use: 'A comparison: one after the other, then side by side, then a judgement.',
    phase: 'working',
    minutes: 25,
    ages: [9, 15],
    theme: 'workshop',
    plan: `
- Two lighthouses: One on the rock, one on the hill. Which would you rather keep?
  - The one on the rock: **On the rock** Built of granite. Waves reach the gallery in winter. The boat comes twice a month.
    - Now the other: [On the hill](#on-the-hill)
    - Side by side: **Side by side** What is true of which?
      - Judge: **Which would you keep?** There is no right answer, only good reasons. (ending)
  - The one on the hill: **On the hill** Built of brick. A road leads up to it. In fog its lamp cannot be seen from the sea.
    - Now the other: [On the rock](#on-the-rock)
    - Side by side: [Side by side](#side-by-side)`,
    slides: {
      'Two lighthouses': {
        notes: 'Half of the class begins with each, then they tell each other.',
      },
      'On the rock': { has: reckon('How many boats come in a year?', 24, 24, 'boats') },
      'On the hill': {
        has: pick(
          'Why is a low lamp better in fog?',
          ['It shines below the cloud'],
          ['It is warmer there', 'It is easier to paint'],
        ),
      },
      'Side by side': {
        has: sortInto({ Rock: ['Granite', 'Boat'], Hill: ['Brick', 'Road'], Both: ['Lamp'] }),
        notes: '“Both” is the zone that tells most: what makes a lighthouse one?',
      },
      'Which would you keep?': { has: think('Say which, and give two reasons.') },
    },
  },
];
