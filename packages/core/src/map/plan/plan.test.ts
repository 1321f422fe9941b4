import * as fc from 'fast-check';
import * as Y from 'yjs';
import {
  addSlide,
  applyPlan,
  createHistory,
  inOrder,
  parsePlan,
  planBase,
  planChange,
  planOf,
  printPlan,
  readDeck,
  removeLink,
  renameSlide,
  rewordLink,
  routeGraph,
  slideOf,
  slugger,
  wordsOf,
  type PlanItem,
  type SlideId,
} from '../../index.js';
import { at, choice, deck, ending, slide, text, way, words } from '../../testing/builder.js';

const textOf = (doc: Y.Doc): string => {
  const read = readDeck(doc);
  return printPlan(planOf(read, routeGraph(read)));
};
const changeOf = (doc: Y.Doc, plan: string) => {
  const read = readDeck(doc);
  const { items, problems } = parsePlan(plan);
  const change = planChange(read, planBase(read, routeGraph(read)), items);
  return { ...change, problems: [...problems, ...change.problems] };
};
const write = (doc: Y.Doc, plan: string, how?: 'with removals') => {
  const change = changeOf(doc, plan);
  applyPlan(doc, change, how);
  return change;
};
const titles = (doc: Y.Doc): Record<SlideId, string> =>
  Object.fromEntries(Object.values(readDeck(doc).slides).map(({ id, title }) => [id, title]));

test('what is written on top stays there, before what only a loop leads to', () => {
  const doc = deck(
    at(0, 0, slide('pier', choice('In', 'cave'))),
    at(0, 500, slide('tide', choice('Again', 'ebb'))),
    at(0, 600, slide('ebb', choice('Again', 'tide'))),
    at(0, 900, slide('cave')),
  );
  slideOf(doc, 'cave')!.set('trunkId', 'top');
  const tops = planOf(readDeck(doc), routeGraph(readDeck(doc))).map(({ title }) => title);
  expect(tops).toEqual(['pier', 'cave', 'tide']);
});

const STORY = `- The pier: Rain, and a boat.
  - Row out: **At sea** Nothing but grey.
    The oars creak.
    - Turn back: [The pier](#the-pier)
    - Go on: **The cave** (ending)
  - Wait: The tide falls. (ending)
  - Look it up: [petrel.example](https://petrel.example/)
  - Later: []()
`;

test('a typed plan becomes slides, choices, joins and endings, and copies out as it was typed', () => {
  const doc = new Y.Doc();
  expect(write(doc, STORY).problems).toEqual([]);
  const read = readDeck(doc);
  expect(
    Object.values(read.slides)
      .map(({ title }) => title)
      .sort(),
  ).toEqual(['At sea', 'The cave', 'The pier', 'Wait']);
  expect(read.slides[read.startSlideId!]?.title).toBe('The pier');
  expect(
    Object.values(read.links)
      .map(({ wording }) => wording)
      .sort(),
  ).toEqual(['Go on', 'Later', 'Look it up', 'Row out', 'Turn back', 'Wait']);
  expect(textOf(doc)).toBe(STORY);
  expect(changeOf(doc, STORY).steps).toEqual([]);
});

describe('reading', () => {
  test.each([
    ['numbers, stars and tabs', '1. A\n\t* B\n\t\t+ C\n', ['A', 'B', 'C']],
    ['Windows line ends and blank lines', '- A\r\n\r\n  - B\r\n', ['A', 'B']],
    [
      'an uneven indent belongs to the nearest slide above',
      '- A\n    - B\n  - C\n',
      ['A', 'B', 'C'],
    ],
  ])('%s', (_, plan, wanted) => {
    const { items, problems } = parsePlan(plan);
    expect(problems).toEqual([]);
    expect([...inOrder(items)].map(({ title }) => title)).toEqual(wanted);
  });

  test.each([
    ['# A heading\n- A\n', 1, 'A slide begins with'],
    ['- A\nnot further in\n', 2, 'A slide begins with'],
    ['- A\n  - \n', 2, 'nothing on this line'],
    ['- A\n  - go: [B](#b)\n', 2, 'No slide of this plan is called “B”'],
    ['- A\n  - go: [x](javascript:alert(1))\n', 2, ''],
    ['- A\n  - go: [x](javascript:alert)\n', 2, 'javascript:'],
    ['- A\n  - go: [x](step:sideways)\n', 2, 'no step “sideways”'],
    ['- A\n  - go: [A](#a)\n    - on: B\n', 3, 'no choices of its own'],
    ['- A\n  - go: [A](#a)\n    more\n', 3, 'no text of its own'],
    ['- [A](#a)\n', 1, 'left edge'],
    [`- A\n  - ${'x'.repeat(400)}: B\n`, 2, '300 letters'],
  ])('a wrong line is told, the rest is read: %j', (plan, line, reason) => {
    const doc = new Y.Doc();
    const { problems } = changeOf(doc, plan);
    if (reason === '') return;
    expect(problems).toEqual([{ line, reason: expect.stringContaining(reason) as string }]);
    expect(parsePlan(`${plan}- Z\n`).items.at(-1)?.title).toBe('Z');
  });
});

describe('keeping what is built', () => {
  const built = (): Y.Doc =>
    deck(
      slide('pier: The pier', text('Rain.', { id: 't' }), choice('Row out', 'sea', 'row')),
      slide('sea: At sea', choice('Turn back', 'pier', 'back'), choice('On', 'cave', 'on')),
      slide('cave: The cave', ending()),
    );

  test('a slide keeps its identity when it is renamed, reworded, retold or moved', () => {
    const cases: [string, (plan: string) => string, Record<string, string>][] = [
      [
        'renamed',
        (plan) => plan.replace('**At sea**', '**On the water**'),
        { sea: 'On the water' },
      ],
      ['reworded', (plan) => plan.replace('Row out', 'Take the boat'), { sea: 'At sea' }],
      ['retold', (plan) => plan.replace('Rain.', 'Sunshine.'), { pier: 'The pier' }],
      [
        'both at once',
        (plan) => plan.replace('Row out: **At sea**', 'Swim: **In the water**'),
        { sea: 'In the water' },
      ],
    ];
    for (const [, edit, wanted] of cases) {
      const doc = built();
      const change = write(doc, edit(textOf(doc)));
      expect([change.removed, change.problems]).toEqual([[], []]);
      expect(titles(doc)).toMatchObject(wanted);
      expect(Object.keys(titles(doc))).toHaveLength(3);
    }
  });

  test('a branch that is cut and pasted elsewhere is the same branch', () => {
    const doc = built();
    const plan =
      '- The pier: Rain.\n  - Row out: **At sea**\n    - Turn back: [The pier](#the-pier)\n  - Look: **The cave** (ending)\n';
    const { removed } = write(doc, plan);
    expect(removed).toEqual([]);
    expect(Object.keys(titles(doc)).sort()).toEqual(['cave', 'pier', 'sea']);
    expect(textOf(doc)).toBe(plan);
  });

  test('a slide that the plan drops stays until that is agreed to, and the way to it with it', () => {
    const doc = built();
    const plan =
      '- The pier: Rain.\n  - Row out: **At sea**\n    - Turn back: [The pier](#the-pier)\n';
    const { removed } = write(doc, plan);
    expect(removed).toEqual(['cave']);
    expect(readDeck(doc).slides.cave).toBeDefined();
    expect(readDeck(doc).links.on).toBeDefined();
    write(doc, plan, 'with removals');
    expect(readDeck(doc).slides.cave).toBeUndefined();
    expect(textOf(doc)).toBe(plan);
  });

  test('choices stand in the order that is written', () => {
    const doc = built();
    const [first, second] = [
      '    - Turn back: [The pier](#the-pier)\n',
      '    - On: **The cave** (ending)\n',
    ];
    const plan = textOf(doc).replace(first + second, second + first);
    expect(plan).not.toBe(textOf(doc));
    write(doc, plan);
    expect(textOf(doc)).toBe(plan);
  });

  test('one plan is one step to undo', () => {
    const doc = built();
    const before = readDeck(doc);
    const history = createHistory(doc);
    write(doc, STORY, 'with removals');
    history.undo();
    expect(readDeck(doc)).toEqual(before);
  });

  test('the words of a link inside a text are changed there, not in the plan', () => {
    const doc = deck(
      slide('pier: The pier', text('The boat', { id: 't' }), words('t', 'boat', 'sea')),
      slide('sea: At sea'),
    );
    const { problems } = write(doc, textOf(doc).replace('boat: **At', 'ship: **At'));
    expect(problems[0]?.reason).toContain('stands in a text');
  });

  test('a wrong join cuts nothing while it is being written', () => {
    const doc = built();
    const { problems } = write(
      doc,
      textOf(doc).replace('[The pier](#the-pier)', '[The pi](#the-pi)'),
    );
    expect(problems).toHaveLength(1);
    expect(readDeck(doc).links.back).toBeDefined();
  });
});

test('what is done on the map shows in the plan', () => {
  const doc = new Y.Doc();
  write(doc, STORY);
  const sea = Object.values(readDeck(doc).slides).find(({ title }) => title === 'At sea')!;
  renameSlide(doc, sea.id, 'On the water');
  const back = Object.values(readDeck(doc).links).find(({ wording }) => wording === 'Turn back')!;
  rewordLink(doc, back.id, 'Row home');
  const wait = Object.values(readDeck(doc).links).find(({ wording }) => wording === 'Wait')!;
  removeLink(doc, wait.id);
  addSlide(doc, { title: 'Spare' });
  expect(textOf(doc)).toBe(`- The pier: Rain, and a boat.
  - Row out: **On the water** Nothing but grey.
    The oars creak.
    - Row home: [The pier](#the-pier)
    - Go on: **The cave** (ending)
  - Look it up: [petrel.example](https://petrel.example/)
  - Later: []()
- Spare
- Wait: The tide falls. (ending)
`);
});

test('steps and other decks are written too', () => {
  const doc = deck(
    slide(
      'a: A',
      way('Again', { kind: 'step', step: 'restart' }),
      way('Other', { kind: 'deck', deckId: 'd1', slideId: 's2', title: 'Rock [pools]' }),
      way('Write', { kind: 'web', address: 'mailto:ines@petrel.example' }),
    ),
  );
  const plan = textOf(doc);
  expect(plan).toContain('- Again: [start over](step:restart)');
  expect(plan).toContain('- Other: [Rock \\[pools\\]](deck:d1/s2)');
  expect(changeOf(doc, plan)).toMatchObject({ steps: [], problems: [], removed: [] });
});

test('a formula is typed into a plan as everywhere, and stands in it so', () => {
  const doc = deck(
    slide('a: Why \\(a^2\\) is an area', choice('Go on to \\(\\pi r\\)', 'a', 'on')),
  );
  const plan = textOf(doc);
  expect(plan).toContain('- Why \\(a^2\\) is an area');
  expect(plan).toContain('Go on to \\(\\pi r\\)');
  expect(changeOf(doc, plan)).toMatchObject({ steps: [], problems: [], removed: [] });
  const anew = deck(slide('x'));
  const change = changeOf(anew, '- Round \\(\\frac{1}{2}\\): It is \\(r^2\\), not \\(no formula.');
  expect(JSON.stringify(change.steps)).toContain(
    JSON.stringify('Round \\(\\frac{1}{2}\\)').slice(1, -1),
  );
  expect(JSON.stringify(change.steps)).toContain(
    JSON.stringify('It is \\(r^2\\), not (no formula.').slice(1, -1),
  );
});

test('a formula that never ends is read at once, however long it is', () => {
  const endless = `\\(${'\\alphabet '.repeat(4000)}`.trim();
  const { steps } = changeOf(deck(slide('x')), `- Title: ${endless}`);
  expect(JSON.stringify(steps)).toContain('alphabet');
});

// ── round trips

const WORDS = fc
  .array(
    fc.constantFrom(
      'boat',
      'Row out',
      'a: b',
      'https://x.example',
      '*star*',
      '[box]',
      '(ending)',
      '\\',
      '- dash',
      '->',
      '→',
      '1. one',
      'é日本',
      '#',
      '** **',
      '](',
      '\\(a^2\\)',
      '\\(\\pi r\\)',
      '\\(x: y\\)',
      '\\(',
      '\\)',
    ),
    { minLength: 1, maxLength: 4 },
  )
  .map((parts) => parts.join(' ').trim());

interface Node {
  wording: string;
  title: string;
  text: string[];
  isEnding: boolean;
  children: (Node | { wording: string; joins: number })[];
}
const { tree } = fc.letrec<{ tree: Node }>((tie) => ({
  tree: fc.record({
    wording: WORDS,
    title: fc.oneof(WORDS, fc.constant('')),
    text: fc.array(WORDS, { maxLength: 2 }),
    isEnding: fc.boolean(),
    children: fc.array(
      fc.oneof(
        { depthSize: 'small', withCrossShrink: true },
        fc.record({ wording: WORDS, joins: fc.nat(20) }),
        tie('tree'),
      ),
      { maxLength: 3 },
    ),
  }),
}));

/** Makes the items of a plan of a generated tree; joins lead to any slide of it. */
function itemsOf(root: Node): PlanItem[] {
  const slides: PlanItem[] = [];
  const joins: { item: PlanItem; to: number }[] = [];
  const build = (node: Node, wording: string | null): PlanItem => {
    const item: PlanItem = {
      line: 0,
      wording,
      title: node.title,
      text: node.text.join('\n'),
      isEnding: node.isEnding,
      join: null,
      isWrong: false,
      written: '',
      children: [],
    };
    slides.push(item);
    // Two choices of one slide that say the same and lead to the same are one.
    const said = new Set<string>();
    for (const child of node.children) {
      if (said.has(child.wording)) continue;
      said.add(child.wording);
      if ('joins' in child) {
        const joined: PlanItem = {
          line: 0,
          wording: child.wording,
          title: '',
          text: '',
          isEnding: false,
          join: { kind: 'heading', slug: '', words: '' },
          children: [],
          isWrong: false,
          written: '',
        };
        joins.push({ item: joined, to: child.joins });
        item.children.push(joined);
      } else item.children.push(build(child, child.wording));
    }
    return item;
  };
  const items = [build(root, null)];
  const slugOf = slugger();
  const slugs = new Map<PlanItem, string>();
  for (const item of inOrder(items)) if (!item.join) slugs.set(item, slugOf(item.title));
  for (const { item, to } of joins) {
    const goal = slides[to % slides.length]!;
    item.join = { kind: 'heading', slug: slugs.get(goal)!, words: goal.title };
  }
  return items;
}
const bareOf = ({ line: _line, written: _written, children, ...item }: PlanItem): unknown => ({
  ...item,
  children: children.map(bareOf),
});

test('any plan that is printed reads as it was', () => {
  fc.assert(
    fc.property(tree, (root) => {
      const items = itemsOf(root);
      const read = parsePlan(printPlan(items));
      expect(read.problems).toEqual([]);
      expect(read.items.map(bareOf)).toEqual(items.map(bareOf));
    }),
    { numRuns: 500 },
  );
});

test('any plan that is typed into an empty deck copies out the same, and asks for nothing more', () => {
  fc.assert(
    fc.property(tree, (root) => {
      const plan = printPlan(itemsOf(root));
      const doc = new Y.Doc();
      write(doc, plan);
      expect(textOf(doc)).toBe(plan);
      expect(changeOf(doc, plan)).toMatchObject({ steps: [], removed: [], cut: [], problems: [] });
    }),
    { numRuns: 200 },
  );
});

test('a line that stays as it is leads to the slide that has the name now, when the one before is taken out', () => {
  const doc = new Y.Doc();
  write(doc, '- **Pier**\n  - boat: [](#untitled)\n  - row: ****\n');
  const plan = '- ****\n  - boat: [](#untitled)\n';
  write(doc, plan, 'with removals');
  expect(textOf(doc)).toBe(plan);
});

test('any plan over any other deck: taken with its removals, the deck says what the plan says', () => {
  fc.assert(
    fc.property(tree, tree, (before, after) => {
      const doc = new Y.Doc();
      write(doc, printPlan(itemsOf(before)));
      const plan = printPlan(itemsOf(after));
      write(doc, plan, 'with removals');
      // A line that stays as it is follows its slide when that is renamed, also where another slide has the name
      // then; the text says so, and what is asked for once more is done.
      if (textOf(doc) !== plan) write(doc, plan, 'with removals');
      expect(textOf(doc)).toBe(plan);
      for (const item of Object.values(readDeck(doc).slides)) {
        for (const element of item.elements) if ('text' in element) wordsOf(element.text);
      }
    }),
    { numRuns: 200 },
  );
});
