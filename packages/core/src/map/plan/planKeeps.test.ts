import * as fc from 'fast-check';
import * as Y from 'yjs';
import {
  applyPlan,
  fragmentOf,
  elementOf,
  inOrder,
  linksMap,
  parsePlan,
  planBase,
  planChange,
  planOf,
  planText,
  printPlan,
  readDeck,
  readFragment,
  renameSlide,
  routeGraph,
  setElement,
  writeFragment,
  type Deck,
  type PlanBase,
  type RichText,
  type SlideId,
} from '../../index.js';
import { choice, deck, ending, slide, text, words } from '../../testing/builder.js';

/** Somebody who writes in the plan beside the map: what is typed is compared with what was taken before. */
class Writer {
  base: PlanBase;
  text: string;

  constructor(readonly doc: Y.Doc) {
    const read = readDeck(doc);
    this.base = planBase(read, routeGraph(read));
    this.text = printPlan(planOf(read, routeGraph(read)));
  }

  type(to: string | ((text: string) => string), how?: 'with removals') {
    this.text = typeof to === 'string' ? to : to(this.text);
    const { items, problems } = parsePlan(this.text);
    const change = planChange(readDeck(this.doc), this.base, items);
    applyPlan(this.doc, change, how);
    this.base = change.after;
    return { ...change, problems: [...problems, ...change.problems] };
  }
}

const RICH: RichText = {
  type: 'doc',
  content: [
    {
      type: 'paragraph',
      attrs: { textAlign: 'center' },
      content: [
        { type: 'text', text: 'The ' },
        { type: 'text', text: 'boat', marks: [{ type: 'wayOut', attrs: { linkId: 'l' } }] },
        { type: 'text', text: ' is ' },
        { type: 'text', text: 'verry old', marks: [{ type: 'bold' }] },
        { type: 'text', text: ', and it leaks.' },
      ],
    },
    {
      type: 'bulletList',
      content: ['a bucket', 'two oars'].map((said) => ({
        type: 'listItem',
        content: [{ type: 'paragraph', content: [{ type: 'text', text: said }] }],
      })),
    },
    {
      type: 'paragraph',
      content: [
        { type: 'text', text: 'Mind' },
        { type: 'hardBreak', content: [] },
        { type: 'text', text: 'the tide.', marks: [{ type: 'italic' }] },
      ],
    },
  ],
};
const harbour = (): Y.Doc => {
  const doc = deck(
    slide('pier: The pier', text('x', { id: 't', style: 'body' }), choice('Row out', 'sea', 'row')),
    slide(
      'sea: At sea',
      text('Grey.', { id: 'u' }),
      choice('On', 'cave', 'on'),
      choice('Back', 'pier', 'back'),
    ),
    slide('cave: The cave', text('Dark.', { id: 'v' }), ending()),
  );
  doc.transact(() => {
    writeFragment(fragmentOf(elementOf(doc, 'pier', 't')!)!, RICH);
    const link = new Y.Map<unknown>();
    linksMap(doc).set('l', link);
    for (const [key, value] of Object.entries({
      from: 'pier',
      carrier: { kind: 'words', elementId: 't' },
      target: { kind: 'slide', slideId: 'cave' },
      wording: 'boat',
    })) {
      link.set(key, value);
    }
  });
  return doc;
};
const richOf = (doc: Y.Doc): RichText => readFragment(fragmentOf(elementOf(doc, 'pier', 't')!)!);

describe('the text on a slide', () => {
  const said = (text: RichText, from: string, to: string): RichText =>
    JSON.parse(JSON.stringify(text).replace(from, to)) as RichText;

  test.each([
    ['a typo in bold words', 'verry', 'very', 'verry', 'very'],
    ['a typo before linked words', 'The boat', 'Thee boat', 'The ', 'Thee '],
    ['linked words', 'boat is', 'boats is', '"boat"', '"boats"'],
    ['an item of a list', 'two oars', 'two long oars', 'two oars', 'two long oars'],
    ['a line after a break', 'the tide.', 'the spring tide.', 'the tide.', 'the spring tide.'],
  ])('%s: nothing else changes', (_, from, to, rawFrom, rawTo) => {
    const doc = harbour();
    const { problems } = new Writer(doc).type((plan) => plan.replace(from, to));
    expect(problems).toEqual([]);
    expect(richOf(doc)).toEqual(said(RICH, rawFrom, rawTo));
  });

  test('a line more in a list is an item, a line less takes its item out', () => {
    const doc = harbour();
    const writer = new Writer(doc);
    writer.type((plan) => plan.replace('two oars', 'two oars\n  a rope'));
    expect(richOf(doc).content[1]?.content).toHaveLength(3);
    writer.type((plan) => plan.replace(/ *a bucket\n/, ''));
    expect(JSON.stringify(richOf(doc).content[1])).not.toContain('bucket');
    writer.type((plan) => plan.replace(/ *two oars\n *a rope\n/, ''));
    expect(richOf(doc).content.map(({ type }) => type)).toEqual(['paragraph', 'paragraph']);
  });

  test('any other paragraphs come out as they are said', () => {
    const line = fc.stringMatching(/^[a-z é😀]{0,12}$/);
    fc.assert(
      fc.property(fc.array(line, { maxLength: 6 }), (lines) => {
        const doc = harbour();
        const body = planText(readDeck(doc).slides.pier!)!;
        const fragment = fragmentOf(elementOf(doc, 'pier', body.id)!)!;
        const change = { do: 'text' as const, slideId: 'pier', text: lines.join('\n') };
        applyPlan(doc, { steps: [change], removed: [], cut: [] });
        const wanted = lines.map((one) => one.replace(/\s+/g, ' ').trim()).filter(Boolean);
        const read = readDeck(doc);
        expect(planOf(read, routeGraph(read))[0]!.text).toBe(wanted.join('\n'));
        expect(fragment.length).toBeGreaterThan(0);
      }),
      { numRuns: 200 },
    );
  });

  test('a locked text says so, and the rest of the plan is taken', () => {
    const doc = harbour();
    setElement(doc, 'pier', 't', { isLocked: true });
    const writer = new Writer(doc);
    const plan = (from: string): string => from.replace('verry', 'very').replace('Grey.', 'Blue.');
    expect(writer.type(plan).problems).toEqual([
      { line: 1, reason: expect.stringContaining('locked') as string },
    ]);
    expect(JSON.stringify(richOf(doc))).toContain('verry');
    expect(writer.text).toContain('Blue.');
    expect(printPlan(planOf(readDeck(doc), routeGraph(readDeck(doc))))).toContain('Blue.');
    // It is told until it is let go, and taken then.
    expect(writer.type((text) => text).problems).toHaveLength(1);
    setElement(doc, 'pier', 't', { isLocked: false });
    expect(writer.type((text) => text).problems).toEqual([]);
    expect(JSON.stringify(richOf(doc))).toContain('very old');
  });
});

describe('nothing is cut, nothing hangs elsewhere', () => {
  test.each([
    ['not a bullet', (plan: string) => plan.replace('  - Row out', '  Row out')],
    ['an empty item', (plan: string) => plan.replace(/- Row out.*/, '- ')],
    ['half a link', (plan: string) => plan.replace('[The pier](#the-pier)', '[The pier](#the-')],
    ['a step that is none', (plan: string) => plan.replace('(#the-pier)', '(step:sideways)')],
    [
      'a title that is none',
      (plan: string) => plan.replace('[The pier](#the-pier)', '[Nowhere](#nowhere)'),
    ],
  ])('a line that is wrong leaves everything as it was: %s', (_, spoil) => {
    const doc = harbour();
    const before = readDeck(doc);
    const writer = new Writer(doc);
    const plan = writer.text;
    expect(writer.type(spoil).problems).toHaveLength(1);
    expect(readDeck(doc)).toEqual(before);
    expect(writer.type(plan)).toMatchObject({ steps: [], removed: [], cut: [], problems: [] });
    expect(readDeck(doc)).toEqual(before);
  });

  test('a branch that is cut, and pasted elsewhere after a while, is the same branch', () => {
    const doc = harbour();
    const writer = new Writer(doc);
    const row = writer.text.indexOf('  - Row out');
    const branch = writer.text.slice(row);
    const { removed } = writer.type(writer.text.slice(0, row));
    expect(removed).toContain('sea');
    expect(Object.keys(readDeck(doc).slides)).toHaveLength(3);
    writer.type((plan) => `${plan}- New\n${branch}`);
    const read = readDeck(doc);
    expect(read.slides.sea?.title).toBe('At sea');
    expect(Object.keys(read.slides)).toHaveLength(4);
    expect(read.links.row).toBeUndefined();
    expect(read.links.on).toMatchObject({ from: 'sea', target: { slideId: 'cave' } });
  });

  test('a choice that joins a slide is cut only when that is agreed to', () => {
    const doc = harbour();
    const writer = new Writer(doc);
    const without = writer.text.replace(/ *- Back.*\n/, '');
    expect(writer.type(without)).toMatchObject({ removed: [], cut: ['back'] });
    expect(readDeck(doc).links.back).toBeDefined();
    writer.type(without, 'with removals');
    expect(readDeck(doc).links.back).toBeUndefined();
  });

  test('what others do meanwhile stays', () => {
    const doc = harbour();
    const writer = new Writer(doc);
    renameSlide(doc, 'cave', 'The deep cave');
    writer.type((plan) => plan.replace('Grey.', 'Grey and cold.'));
    expect(readDeck(doc).slides.cave?.title).toBe('The deep cave');
  });

  test('a slide that takes the name of another leaves the ways to that one alone', () => {
    const doc = harbour();
    const writer = new Writer(doc);
    writer.type((plan) => plan.replace('**At sea**', '**The pier**'));
    expect(readDeck(doc).links.back).toMatchObject({ target: { slideId: 'pier' } });
  });

  test.each([
    ['- At 8:15 the bus: Rain.\n', 'At 8:15 the bus', 'Rain.'],
    ['- Ratio 3:4\n', 'Ratio 3:4', ''],
    ['- A line\u2028and a half: Rain\u2029falls.\n', 'A line and a half', 'Rain falls.'],
  ])('%j', (plan, title, text) => {
    const { items, problems } = parsePlan(plan);
    expect(problems).toEqual([]);
    expect(items).toMatchObject([{ title, text }]);
    expect(parsePlan(printPlan(items)).items).toMatchObject([{ title, text }]);
  });

  test('an address with brackets goes out and in', () => {
    const plan = '- A\n  - Look: [petrel.example/a_(b)](<https://petrel.example/a_(b)>)\n';
    const doc = new Y.Doc();
    const writer = new Writer(doc);
    expect(writer.type(plan).problems).toEqual([]);
    expect(printPlan(planOf(readDeck(doc), routeGraph(readDeck(doc))))).toBe(plan);
    const bare = parsePlan('- A\n  - Look: [x](https://petrel.example/a_(b))\n');
    expect(bare.items[0]!.children[0]!.join).toMatchObject({
      target: { address: 'https://petrel.example/a_(b)' },
    });
  });
});

// ── any edit

const island = (): Y.Doc =>
  deck(
    slide(
      'a: The pier',
      text('Rain.\nA boat.', { id: 'ta' }),
      choice('Row out', 'b', 'ab'),
      choice('Wait', 'c', 'ac'),
    ),
    slide(
      'b: At sea',
      text('Grey.', { id: 'tb' }),
      choice('Go on', 'd', 'bd'),
      choice('Turn back', 'a', 'ba'),
    ),
    slide(
      'c: The tide',
      text('It falls.', { id: 'tc' }),
      choice('Walk', 'd', 'cd'),
      choice('Sleep', 'e', 'ce'),
    ),
    slide('d: The cave', text('Dark.', { id: 'td' }), words('td', 'Dark', 'e')),
    slide('e: At home', text('Soup.', { id: 'te' }), ending()),
    slide('f: Spare', text('Not used.', { id: 'tf' })),
  );
const PUT = fc.oneof(
  fc.constantFrom(
    '',
    'x',
    ':',
    ': ',
    '[',
    ']',
    '(',
    '**',
    '\\',
    '(ending)',
    '- ',
    'The cave',
    '#',
    '\\(a^2\\)',
  ),
  fc.string({ maxLength: 4 }).map((said) => said.replace(/[\r\n]/g, ' ')),
);

/** What a slide says of its own: without the lines of its choices. */
function ownOf(read: Deck, slideId: SlideId): unknown {
  const { title, isEnding, elements } = read.slides[slideId]!;
  const own = elements.filter((one) => one.kind !== 'text' || one.style !== 'choice');
  return { title, isEnding, elements: own };
}

test('an edit inside one line changes only what stands on that line', () => {
  fc.assert(
    fc.property(
      fc.nat(),
      fc.nat(),
      fc.nat(6),
      PUT,
      fc.boolean(),
      (line, column, taken, put, isAgain) => {
        const doc = island();
        const before = readDeck(doc);
        const writer = new Writer(doc);
        const lines = writer.text.trimEnd().split('\n');
        const at = line % lines.length;
        // After the bullet: without it, it goes on with the line above.
        const start = /^ *(?:- )?/.exec(lines[at]!)![0].length;
        const from = start + (column % (lines[at]!.length - start + 1));
        const edited = [...lines];
        edited[at] = lines[at]!.slice(0, from) + put + lines[at]!.slice(from + taken);
        const items = [...inOrder(writer.base.items)];
        const touched = items.findLast((item) => lineOf(items, item) <= at)!;
        writer.type(`${edited.join('\n')}\n`);
        if (isAgain) writer.type((plan) => plan);
        const after = readDeck(doc);
        for (const slideId of Object.keys(before.slides)) {
          if (slideId === touched.slideId) continue;
          expect(ownOf(after, slideId)).toEqual(ownOf(before, slideId));
        }
        for (const link of Object.values(before.links)) {
          // Words that carry a link are words of the text.
          const isInText = link.carrier.kind === 'words' && link.from === touched.slideId;
          if (link.id === touched.link?.id || isInText) continue;
          expect(after.links[link.id]).toEqual(link);
        }
      },
    ),
    { numRuns: 400 },
  );
});

/** The index of an item's first line. */
function lineOf(items: readonly { written: string }[], item: { written: string }): number {
  let at = 0;
  for (const one of items) {
    if (one === item) return at;
    at += one.written.split('\n').length;
  }
  return at;
}

test('any edit, of several lines too, leaves the slides whose lines it does not touch as they are', () => {
  const anything = fc.oneof(
    PUT,
    fc.constantFrom('\n', '\n- ', '\n  - ', '\n    - y', '  ', '\n\n'),
  );
  fc.assert(
    fc.property(
      fc.nat(),
      fc.nat(60),
      fc.array(anything, { maxLength: 3 }),
      fc.boolean(),
      (place, taken, puts, isUndone) => {
        const doc = island();
        const before = readDeck(doc);
        const writer = new Writer(doc);
        const plan = writer.text;
        const from = place % plan.length;
        const items = [...inOrder(writer.base.items)];
        const first = plan.slice(0, from).split('\n').length - 1;
        const last = plan.slice(0, from + taken).split('\n').length - 1;
        writer.type(plan.slice(0, from) + puts.join('') + plan.slice(from + taken));
        if (isUndone) writer.type(plan);
        const after = readDeck(doc);
        // No slide is ever lost without a word.
        expect(Object.keys(after.slides)).toEqual(
          expect.arrayContaining(Object.keys(before.slides)),
        );
        items.forEach((item) => {
          const top = lineOf(items, item);
          const end = top + item.written.split('\n').length - 1;
          if (!item.slideId || (end >= first - 1 && top <= last + 1)) return;
          expect(ownOf(after, item.slideId)).toEqual(ownOf(before, item.slideId));
        });
        if (isUndone) {
          for (const slideId of Object.keys(before.slides)) {
            const { title } = after.slides[slideId]!;
            expect(title).toBe(before.slides[slideId]!.title);
          }
        }
      },
    ),
    { numRuns: 400 },
  );
});
