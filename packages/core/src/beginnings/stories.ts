import type { Beginning } from './beginning.js';
import {
  BERRIES_LARGE,
  CAT,
  drawnOn,
  FOX,
  frames,
  HEDGEHOG,
  HEDGEHOG_LARGE,
  hidden,
  LANTERN_BEARER,
  inTurn,
  nameIt,
  near,
  pick,
  reckon,
  sortInto,
  think,
} from './writing.js';

/** Beginnings that are walked for what happens next. */
export const STORIES: readonly Beginning[] = [
  {
    id: 'choice-story',
    title: 'The last boat',
    use: 'A choice story: every decision leads somewhere, and there are four ways it can end.',
    phase: 'whole lesson',
    minutes: 30,
    ages: [9, 14],
    theme: 'harbour',
    plan: `
- The last boat: The skipper has one seat left, and two people are waiting on the pier.
  - Offer your seat: **A long wait** The boat grows small. Lamps come on one by one.
    - Walk to the light: **The keeper’s door** A woman opens before you knock. Something is boiling over.
      - Help her: **What to carry** The lamp has to burn till morning.
        - Carry it up: **The lamp room** You can see the boat from here, and it can see you. (ending)
      - Ask for a bed: **A bed under the stairs** You sleep as you have not slept for weeks. (ending)
    - Sleep in the shed: **Nets and rain** It drums on the roof all night. (ending)
  - Count the life jackets: **Eight jackets** Eight jackets, nine people.
    - Tell the skipper: **Turned back** Everyone is safe, and cross. (ending)
    - Say nothing: **Open water** The sea is black, and nobody speaks.
      - Look for a light: [The lamp room](#the-lamp-room)`,
    slides: {
      'The last boat': {
        notes:
          'Read the first slide aloud. Let everyone choose alone, then ask who went where and why.',
      },
      'Eight jackets': {
        has: pick(
          'What does the law of the sea ask of a skipper?',
          ['To sail with a jacket for everyone'],
          ['To sail at the hour that was promised', 'To take everyone who has paid'],
        ),
        notes:
          'There is a right answer about the law. What is right to do is for the class to talk about.',
      },
      'What to carry': {
        has: sortInto({
          'Up to the lamp': ['Oil', 'Wick', 'Matches'],
          'Stays below': ['Soup', 'Nets'],
        }),
      },
    },
  },
  {
    id: 'mystery',
    title: 'Who moved the lamp?',
    use: 'A mystery: clues in any order, a suspect to name, and proof that has to be given.',
    phase: 'whole lesson',
    minutes: 35,
    ages: [10, 15],
    theme: 'attic',
    plan: `
- Who moved the lamp?: On Monday it stood in the window. On Tuesday it lies in a trunk under the roof.
  - The window: **The window** The dust shows a clean ring, as wide as the lamp. Beside it lies a feather.
    - Look elsewhere: [Who moved the lamp?](#who-moved-the-lamp)
  - The trunk: **The trunk** Its lock is whole. Someone had the key, or found it.
    - Look elsewhere: [Who moved the lamp?](#who-moved-the-lamp)
  - The stairs: **The stairs** Wet steps going up, dry ones going down.
    - Look elsewhere: [Who moved the lamp?](#who-moved-the-lamp)
  - Put it together: **What we know** Lay every clue where it belongs.
    - Name someone: **It was …** Choose, and say how you know.
      - Hear the answer: **What happened** Anders had the key, was out in the rain, and hid the lamp from the auction. (ending)`,
    slides: {
      'Who moved the lamp?': {
        notes:
          'Clues can be read in any order. Nobody may name a suspect without having seen all three.',
      },
      'What we know': {
        has: sortInto({
          'Was outside': ['Wet steps', 'A feather'],
          'Was inside': ['A clean ring', 'A whole lock'],
        }),
      },
      'It was …': {
        has: pick(
          'Who moved the lamp?',
          ['Anders, who keeps the keys'],
          ['Mira, who slept in the attic', 'The gull at the window', 'Nobody: it fell'],
        ),
        notes: 'Ask for two clues that fit the suspect and one that rules out somebody else.',
      },
    },
  },
  {
    id: 'escape-room',
    title: 'Locked in the tower',
    use: 'An escape room: three locks, each opened by working something out.',
    phase: 'whole lesson',
    minutes: 40,
    ages: [10, 16],
    theme: 'stars/dark',
    plan: `
- Locked in the tower: The door has fallen shut. Three locks, one night, and the stars outside.
  - Try the first lock: **The lock of numbers** The lamp turns once in 12 seconds.
    - The lock clicks: **The lock of words** Four letters are worn away.
      - It opens: **The lock of things** Each thing has its shelf.
        - Push the door: **Out** The night is clear, and the path lies white before you. (ending)
        - Knock and wait: **Found at dawn** The keeper laughs, and makes tea. (ending)`,
    slides: {
      'Locked in the tower': {
        notes: 'Groups of three. A lock counts as open when the answer is marked right.',
      },
      'The lock of numbers': {
        has: reckon('How many times does the lamp turn in 10 minutes?', 50, 50, 'turns'),
        notes:
          '600 seconds by 12 seconds: 50. A hint for those who are stuck: how many turns in one minute?',
      },
      'The lock of words': {
        has: nameIt('It points north, and never moves: the pole …', 'star', 'pole star', 'polaris'),
      },
      'The lock of things': {
        has: sortInto({
          'Gives light': ['Lamp', 'Star', 'Match'],
          'Gives none': ['Moon', 'Mirror', 'Lens'],
        }),
        notes: 'The moon is the one to talk about: it only passes on what the sun gives.',
      },
    },
  },
  {
    id: 'big-picture',
    title: 'Look closer',
    use: 'Big pictures to fly into: four scenes, each with two places that are worth a second look.',
    phase: 'opening',
    minutes: 20,
    ages: [6, 12],
    theme: 'harbour',
    plan: `
- Evening at the harbour
  - On to the hills: **Morning in the hills**
    - On to the orchard: **Noon in the orchard**
      - On to the town: **Night in the town**
        - Tell what you saw: **What did you see?**
          - Sort it: **By day, by night** One thing from every picture. (ending)`,
    slides: {
      'Evening at the harbour': {
        has: () => [
          ...hidden(1150, 690, CAT),
          near('On the water', 400, 496, 380),
          near('Along the quay', 840, 470, 400),
        ],
        notes:
          'Stay half a minute before each flight: what do you expect to find there? In every picture somebody hides.',
      },
      'Morning in the hills': {
        theme: 'meadow',
        has: () => [
          ...hidden(1010, 690, FOX),
          near('Where the path begins', 400, 500, 380),
          near('Behind the pines', 820, 480, 400),
        ],
      },
      'Noon in the orchard': {
        theme: 'orchard',
        has: () => [
          ...hidden(300, 700, HEDGEHOG),
          near('Under the trees', 40, 496, 380),
          near('The full basket', 436, 496, 392),
        ],
      },
      'Night in the town': {
        theme: 'city/dark',
        has: () => [
          ...hidden(330, 712, LANTERN_BEARER),
          near('Who is still awake?', 60, 490, 400),
          near('The last tram', 476, 500, 388),
        ],
      },
      'What did you see?': {
        has: pick(
          'Where was a basket full of fruit?',
          ['In the orchard'],
          ['At the harbour', 'In the town'],
        ),
      },
      'By day, by night': {
        has: sortInto({
          'By day': ['Basket', 'Path'],
          'By night': ['Tram', 'Moon'],
        }),
        notes: 'Sort together on the big screen, then let everyone name one thing more.',
      },
    },
    trail: {
      name: 'From picture to picture',
      stops: [
        'Evening at the harbour',
        'Morning in the hills',
        'Noon in the orchard',
        'Night in the town',
        'What did you see?',
        'By day, by night',
      ],
    },
  },
  {
    id: 'timeline',
    title: 'Down the river',
    use: 'A timeline along a river: from the spring to the sea, one stop for each time.',
    phase: 'working',
    minutes: 30,
    ages: [8, 14],
    theme: 'meadow',
    plan: `
- Down the river: Two hundred years, from the spring to the sea. Every bend is a date.
  - Cast off: **1820: the mill** The first wheel turns. Grain comes by boat.
    - Drift on: **1871: the bridge** Stone by stone, and the ferry is out of work.
      - Drift on: **1934: the dam** The river stands still. Salmon do not come back.
        - Drift on: **2019: the fish ladder** Forty steps of water. In May the first one climbs.
          - To the sea: **What came first?** Put the river in order. (ending)
    - Go ashore: **A day at the mill** Flour on everything, even the cat.
      - Back aboard: [1871: the bridge](#1871-the-bridge)`,
    slides: {
      'Down the river': {
        notes: 'Change the dates and names for a river near you: the map stays.',
      },
      '1871: the bridge': {
        has: reckon('For how many years had the mill been turning?', 51, 51, 'years'),
      },
      'A day at the mill': {
        has: sortInto({ 'Comes by boat': ['Grain', 'Salt'], 'Leaves by cart': ['Flour', 'Bran'] }),
      },
      'What came first?': {
        has: inTurn(
          'From the oldest to the newest:',
          'The mill',
          'The bridge',
          'The dam',
          'The fish ladder',
        ),
        notes: 'Ask what each of them changed for somebody who lived from the river.',
      },
    },
    trail: {
      name: 'Straight down',
      stops: [
        'Down the river',
        '1820: the mill',
        '1871: the bridge',
        '1934: the dam',
        '2019: the fish ladder',
        'What came first?',
      ],
    },
  },
  {
    id: 'class-book',
    title: 'Our island almanac',
    use: 'A class book: everyone writes a page, and all pages become one book.',
    phase: 'whole lesson',
    minutes: 45,
    ages: [7, 14],
    theme: 'almanac',
    plan: `
- Our island almanac: A book about one year on the island. Every page is by one of you.
  - See a page: **October** By Juna, who is nine.
    - What is on it: **How a page is made** What it is about, a picture, and one thing you saw yourself.
      - Try it: **Which season?** Lay each thing into its season.
        - Choose yours: **Which page is yours?** The book wants months, animals and places. Take one that nobody has.
          - A month: **My month** Say which one.
            - I am done: **The book is full** Turn the pages: what do you find in yours that nobody else has? (ending)
          - An animal: **My animal** Say its name.
            - I am done: [The book is full](#the-book-is-full)
          - A place: **My place** Say where it is.
            - I am done: [The book is full](#the-book-is-full)`,
    slides: {
      'Our island almanac': {
        layout: 'title',
        notes: 'Give out the pages first, so that no two are about the same.',
      },
      October: {
        has: (kit) => [
          ...frames(
            ['', 72, 216, 620, 448],
            [
              'The berries are red and the boat is late. On the fourth a hedgehog crossed our path. It did not hurry.',
              ...([712, 216, 496, 448] as const),
            ],
          )(kit),
          ...drawnOn(470, 600, HEDGEHOG_LARGE),
          ...drawnOn(220, 600, BERRIES_LARGE),
        ],
      },
      'Which season?': {
        has: sortInto({
          Spring: ['Lambs', 'Primroses'],
          Autumn: ['Berries', 'Fog'],
          Winter: ['Storms'],
        }),
      },
      'How a page is made': {
        has: pick(
          'What must a page of the almanac have?',
          ['Something you saw yourself'],
          ['A picture from a book', 'At least a hundred words'],
        ),
      },
      'My month': {
        isPattern: true,
        notes:
          'Students make their leaves from this slide. Classmates see them when you allow it in the lesson.',
        has: frames(
          ['What it looks like: draw here', 72, 216, 620, 448],
          ['What grows in it', 712, 216, 496, 214],
          ['One thing that I saw myself', 712, 450, 496, 214],
        ),
      },
      'My animal': {
        isPattern: true,
        has: frames(
          ['Draw it here', 588, 216, 620, 448],
          ['Where it lives', 72, 216, 496, 214],
          ['What it did when I saw it', 72, 450, 496, 214],
        ),
      },
      'My place': {
        isPattern: true,
        has: frames(
          ['A map of it, or a view', 72, 216, 1136, 250],
          ['How to get there', 72, 486, 558, 178],
          ['Why I go there', 650, 486, 558, 178],
        ),
      },
    },
  },
  {
    id: 'debate',
    title: 'A lamp without a keeper?',
    use: 'A debate with two sides: reasons for both, a change of mind allowed.',
    phase: 'whole lesson',
    minutes: 40,
    ages: [11, 16],
    theme: 'city',
    plan: `
- A lamp without a keeper?: The council wants a lamp that lights itself. Tonight it votes.
  - Hear the side for it: **For the new lamp** It never sleeps, it costs less, and nobody has to live out there in winter.
    - Hear the other side: [Against it](#against-it)
    - To the reasons: **Sort the reasons** Which reason helps which side?
      - To the vote: **The vote** You may have changed your mind. That is what a debate is for.
        - Count the votes: **The evening after** Whatever was decided: what would you tell the side that lost? (ending)
  - Hear the side against it: **Against it** A lamp cannot hear somebody calling. A keeper can.
    - Hear the other side: [For the new lamp](#for-the-new-lamp)
    - To the reasons: [Sort the reasons](#sort-the-reasons)`,
    slides: {
      'A lamp without a keeper?': {
        notes: 'Give out the sides by lot. After the reasons everyone may cross the room.',
      },
      'Sort the reasons': {
        has: sortInto({
          'For the new lamp': ['It costs less', 'It never sleeps'],
          'Against it': ['It cannot hear', 'It can break'],
        }),
      },
      'The vote': {
        has: pick(
          'Which of these is a reason, and not only a wish?',
          ['A keeper can hear somebody calling'],
          ['I like the old lamp', 'Everything new is better'],
        ),
      },
      'The evening after': {
        has: think('Write to the side that lost.'),
        notes: 'Three sentences are enough.',
      },
    },
  },
];
