import type * as Y from 'yjs';
import {
  addChoice,
  addTrail,
  applyMend,
  Checker,
  createHistory,
  deckMap,
  findingKey,
  FINDING_KINDS,
  linkElement,
  plain,
  readDeck,
  removeElements,
  removeSlides,
  setAside,
  setElement,
  setGround,
  setSlideFlag,
  setText,
  setTrail,
  setBox,
  takeUpAgain,
  toSlide,
  toStep,
  type Box,
  type CheckContext,
  type Licence,
  type Finding,
  type FindingKind,
} from '../index.js';
import {
  bare,
  choice,
  choiceQuestion,
  deck,
  element,
  ending,
  leftOut,
  pattern,
  piece,
  slide,
  text,
  way,
  zone,
  type SlidePart,
} from '../testing/builder.js';

const box = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });
const LOREM = 'The keeper climbed the tower and lit the lamp before the tide came in. ';
const credit = (licence: Licence) => ({ title: '', author: '', source: '', licence });
const picture = (
  settings: { w?: number; h?: number; width?: number; height?: number } & Partial<
    Parameters<typeof element>[0]
  > = {},
): SlidePart => {
  const { w = 300, h = 200, width = 1200, height = 800, ...rest } = settings;
  return element({
    id: 'p',
    kind: 'picture',
    layer: 'content',
    box: box(700, 300, w, h),
    asset: { hash: 'a'.repeat(64), width, height, isAnimated: false },
    alt: 'The lamp',
    ...rest,
  } as Parameters<typeof element>[0]);
};
const sound = (transcript: string): SlidePart =>
  element({
    id: 'm',
    kind: 'media',
    layer: 'content',
    box: box(700, 300, 300, 80),
    transcript,
    media: { hash: 'b'.repeat(64), type: 'audio/ogg', size: 9000, seconds: 4 },
  });
const choosyZone = (settings: object): SlidePart =>
  element({
    id: 'z',
    kind: 'zone',
    layer: 'pieces',
    name: 'boat',
    box: box(700, 200, 400, 200),
    expects: ['o'],
    ...settings,
  });
const end = slide('b', ending());
const withoutCarrier = (doc: Y.Doc, linkId: string): Y.Doc => {
  const { carrier } = readDeck(doc).links[linkId]!;
  if (carrier.kind !== 'none') removeElements(doc, 'a', [carrier.elementId], 'stay');
  return doc;
};
const withTrail = (doc: Y.Doc, slideIds: string[]): Y.Doc => {
  addTrail(doc, { id: 't', name: 'Short', slideIds, followsLinks: true });
  return doc;
};
const linked = (doc: Y.Doc, ...ids: string[]): Y.Doc => {
  for (const id of ids) linkElement(doc, 'a', id, toSlide('b'));
  return doc;
};
/** A picture of two halves: dark on the left, bright on the right. */
/** A slide with so many choices, each to an ending of its own. */
function ways(count: number): Y.Doc {
  const names = Array.from({ length: count }, (_, at) => `way ${at + 1}`);
  return deck(
    slide('a', ...names.map((name, at) => choice(name, `e${at}`))),
    ...names.map((_, at) => slide(`e${at}`, ending())),
  );
}

const HALVES = {
  width: 2,
  height: 1,
  rgba: Uint8Array.from([20, 30, 40, 255, 240, 240, 240, 255]),
};
const pixels = new Map([['a'.repeat(64), HALVES]]);

interface Case {
  shows: () => Y.Doc;
  lacks: () => Y.Doc;
  context?: CheckContext;
}

const CASES: Record<FindingKind, Case> = {
  'no-start': {
    shows: () => {
      const doc = deck(slide('a', ending()));
      deckMap(doc).set('startSlideId', '');
      return doc;
    },
    lacks: () => deck(slide('a', ending())),
  },
  'start-left-out': {
    shows: () => deck(slide('a', leftOut(), choice('go', 'b')), slide('b', ending())),
    lacks: () => deck(slide('a', choice('go', 'b')), end, slide('c', leftOut())),
  },
  'uncarried-link': {
    shows: () =>
      withoutCarrier(
        deck(slide('a', choice('go', 'b'), choice('row', 'c', 'row')), end, slide('c', ending())),
        'row',
      ),
    lacks: () => deck(slide('a', choice('go', 'b'), choice('row', 'c')), end, slide('c', ending())),
  },
  'broken-link': {
    shows: () => {
      const doc = deck(
        slide('a', choice('go', 'b'), choice('stay', 'c')),
        end,
        slide('c', ending()),
      );
      removeSlides(doc, ['b']);
      return doc;
    },
    lacks: () => deck(slide('a', choice('go', 'b')), end),
  },
  'unset-choice': {
    shows: () => deck(slide('a', choice('go', 'b'), way('or', { kind: 'none' })), end),
    lacks: () => deck(slide('a', choice('go', 'b'), way('or', toStep('restart'))), end),
  },
  'bare-choice': {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          text('or stay', { style: 'choice', id: 'x', box: box(96, 500, 400, 64) }),
        ),
        end,
      ),
    lacks: () => deck(slide('a', choice('go', 'b')), end),
  },
  'dead-end': {
    shows: () => deck(slide('a', choice('go', 'b')), slide('b')),
    lacks: () => deck(slide('a', choice('go', 'b'), choice('p', 'p')), end, slide('p', pattern())),
  },
  'endless-loop': {
    shows: () =>
      deck(
        slide('a', choice('go', 'b'), choice('end', 'd')),
        slide('b', choice('on', 'c')),
        slide('c', choice('back', 'b')),
        slide('d', ending()),
      ),
    lacks: () =>
      deck(
        slide('a', choice('go', 'b')),
        slide('b', choice('on', 'c')),
        slide('c', choice('back', 'b'), choice('out', 'd')),
        slide('d', ending()),
      ),
  },
  'gone-deck': {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          way('other', { kind: 'deck', deckId: 'gone', slideId: '', title: 'Old' }),
        ),
        end,
      ),
    lacks: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          way('other', { kind: 'deck', deckId: 'here', slideId: '', title: 'New' }),
        ),
        end,
      ),
    context: { readableDecks: new Set(['here']) },
  },
  unreachable: {
    shows: () => deck(slide('a', choice('go', 'b')), end, slide('c', ending())),
    lacks: () =>
      deck(
        slide('a', choice('go', 'b')),
        end,
        slide('c', ending(), leftOut()),
        slide('d', pattern()),
      ),
  },
  'runs-on': {
    shows: () => {
      const doc = deck(slide('a', choice('go', 'b'), choice('or', 'c')), end, slide('c', ending()));
      setSlideFlag(doc, 'a', 'runsOn', true);
      return doc;
    },
    lacks: () => {
      const doc = deck(slide('a', choice('go', 'b')), end);
      setSlideFlag(doc, 'a', 'runsOn', true);
      return doc;
    },
  },
  'trail-off-links': {
    shows: () =>
      withTrail(
        deck(slide('a', choice('go', 'b')), slide('b', choice('on', 'c')), slide('c', ending())),
        ['a', 'c'],
      ),
    lacks: () => {
      const doc = withTrail(
        deck(slide('a', choice('go', 'b')), slide('b', choice('on', 'c')), slide('c', ending())),
        ['a', 'b', 'c'],
      );
      addTrail(doc, { name: 'Free', slideIds: ['a', 'c'] });
      return doc;
    },
  },
  'same-wording': {
    shows: () =>
      deck(
        slide('a', choice('Row', 'b'), choice('row', 'c', 'second')),
        end,
        slide('c: Cave', ending()),
      ),
    lacks: () =>
      deck(slide('a', choice('Row', 'b'), choice('Swim', 'c')), end, slide('c', ending())),
  },
  'same-target': {
    shows: () => deck(slide('a', choice('Row', 'b'), choice('Swim', 'b')), end),
    lacks: () =>
      deck(slide('a', choice('Row', 'b'), choice('Swim', 'c')), end, slide('c', ending())),
  },
  'closed-link': {
    shows: () =>
      deck(
        slide('a', choice('go', 'b'), choice('spare', 'c')),
        end,
        slide('c', ending(), leftOut()),
      ),
    lacks: () =>
      deck(
        slide('a', choice('go', 'b')),
        end,
        slide('c', leftOut(), choice('x', 'd')),
        slide('d', leftOut()),
      ),
  },
  'off-stage-link': {
    shows: () =>
      linked(
        deck(
          slide('a', choice('go', 'b'), text('Boat', { id: 'x', box: box(1300, 80, 200, 80) })),
          end,
        ),
        'x',
      ),
    lacks: () =>
      deck(
        slide('a', choice('go', 'b'), text('Spare', { id: 'x', box: box(1300, 80, 200, 80) })),
        end,
      ),
  },
  covered: {
    shows: () =>
      linked(
        deck(
          slide(
            'a',
            text('Boat', { id: 'x', box: box(600, 300, 200, 80) }),
            element({
              id: 'y',
              kind: 'shape',
              shape: 'rounded',
              layer: 'content',
              box: box(590, 290, 300, 120),
            }),
          ),
          end,
        ),
        'x',
      ),
    lacks: () =>
      linked(
        deck(
          slide(
            'a',
            element({
              id: 'y',
              kind: 'shape',
              shape: 'rounded',
              layer: 'content',
              box: box(590, 290, 300, 120),
            }),
            text('Boat', { id: 'x', box: box(600, 300, 200, 80) }),
          ),
          end,
        ),
        'x',
      ),
  },
  overlap: {
    shows: () => {
      const doc = deck(
        slide(
          'a',
          choice('go', 'b'),
          element({
            id: 'x',
            kind: 'hotspot',
            layer: 'content',
            box: box(900, 600, 200, 100),
            name: 'door',
          }),
        ),
        end,
        slide('c', ending()),
      );
      setBox(doc, 'a', 'x', box(400, 320, 200, 100));
      linkElement(doc, 'a', 'x', toSlide('c'));
      return doc;
    },
    lacks: () => {
      const doc = deck(
        slide(
          'a',
          choice('go', 'b'),
          element({
            id: 'x',
            kind: 'hotspot',
            layer: 'content',
            box: box(496, 320, 200, 100),
            name: 'door',
          }),
        ),
        end,
        slide('c', ending()),
      );
      linkElement(doc, 'a', 'x', toSlide('c'));
      return doc;
    },
  },
  crowded: {
    shows: () => ways(40),
    lacks: () => ways(8),
  },
  'small-area': {
    shows: () =>
      linked(
        deck(
          slide(
            'a',
            element({ id: 'x', kind: 'hotspot', layer: 'content', box: box(600, 320, 40, 90) }),
          ),
          end,
        ),
        'x',
      ),
    lacks: () =>
      linked(
        deck(
          slide(
            'a',
            element({ id: 'x', kind: 'hotspot', layer: 'content', box: box(600, 320, 64, 64) }),
          ),
          end,
        ),
        'x',
      ),
  },
  'off-stage': {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          text('Over the edge', { id: 'x', box: box(1100, 600, 300, 60) }),
        ),
        end,
      ),
    lacks: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          text('Near the edge', { id: 'x', box: box(960, 600, 300, 60) }),
        ),
        end,
      ),
  },
  overflow: {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          text(LOREM.repeat(3), { id: 'x', box: box(600, 200, 400, 120) }),
        ),
        end,
      ),
    lacks: () =>
      deck(
        slide('a', choice('go', 'b'), text(LOREM, { id: 'x', box: box(600, 200, 600, 120) })),
        end,
      ),
  },
  'low-contrast': {
    shows: () => {
      const doc = deck(
        slide(
          'a',
          choice('go', 'b'),
          picture(),
          text('Over the sea', { id: 'x', box: box(700, 300, 150, 60) }),
        ),
        end,
      );
      return doc;
    },
    lacks: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          picture(),
          text('On land', { id: 'x', box: box(860, 320, 130, 60) }),
        ),
        end,
      ),
    context: { pixels },
  },
  'small-text': {
    shows: () =>
      deck(slide('a', choice('go', 'b'), text('Small print', { id: 'x', size: 16 })), end),
    lacks: () =>
      deck(slide('a', choice('go', 'b'), text('Large print', { id: 'x', size: 24 })), end),
  },
  'missing-letters': {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          text('The sea: море', { id: 'x', box: box(96, 150, 600, 60) }),
        ),
        end,
      ),
    lacks: () =>
      deck(
        slide('a', choice('go', 'b'), text('Море и маяк', { id: 'x', box: box(96, 150, 600, 60) })),
        end,
      ),
  },
  'many-words': {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          text(LOREM.repeat(6), { id: 'x', box: box(96, 150, 1100, 400) }),
        ),
        end,
      ),
    lacks: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          text(LOREM.repeat(4), { id: 'x', box: box(96, 150, 1100, 400) }),
        ),
        end,
      ),
  },
  'low-resolution': {
    shows: () => deck(slide('a', choice('go', 'b'), picture({ width: 200, height: 133 })), end),
    lacks: () => deck(slide('a', choice('go', 'b'), picture({ width: 450, height: 300 })), end),
  },
  stretched: {
    shows: () => deck(slide('a', choice('go', 'b'), picture({ w: 500, fit: 'stretch' })), end),
    lacks: () => deck(slide('a', choice('go', 'b'), picture({ fit: 'stretch' })), end),
  },
  'unknown-licence': {
    shows: () => deck(slide('a', choice('go', 'b'), picture()), end),
    lacks: () =>
      deck(
        slide('a', choice('go', 'b'), picture({ credit: { ...credit('unknown'), author: 'Ada' } })),
        end,
      ),
  },
  'no-credit': {
    shows: () => deck(slide('a', choice('go', 'b'), picture({ credit: credit('cc-by-sa') })), end),
    lacks: () => deck(slide('a', choice('go', 'b'), picture({ credit: credit('cc0') })), end),
  },
  'no-transcript': {
    shows: () => deck(slide('a', choice('go', 'b'), sound('')), end),
    lacks: () => deck(slide('a', choice('go', 'b'), sound('The horn, twice.')), end),
  },
  'no-alt': {
    shows: () => deck(slide('a', choice('go', 'b'), picture({ alt: '' })), end),
    lacks: () => deck(slide('a', choice('go', 'b'), picture({ alt: '', isDecoration: true })), end),
  },
  'key-not-among': {
    shows: () => {
      const doc = deck(
        slide(
          'a',
          choice('go', 'b'),
          choiceQuestion('q', 'Which?', ['*one', 'two'], { box: box(600, 170, 400, 300) }),
        ),
        end,
      );
      setElement(doc, 'a', 'q', {
        key: { kind: 'choice', optionIds: ['a', 'gone'], isPartial: false },
      });
      return doc;
    },
    lacks: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          choiceQuestion('q', 'Which?', ['*one', 'two'], { box: box(600, 170, 400, 300) }),
        ),
        end,
      ),
  },
  'zone-closed': {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          piece('o', 'oar', box(700, 500, 200, 60)),
          choosyZone({ takes: [] }),
        ),
        end,
      ),
    lacks: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          piece('o', 'oar', box(700, 500, 200, 60)),
          choosyZone({ takes: ['o'], most: 1 }),
        ),
        end,
      ),
  },
  'zone-too-small': {
    shows: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          piece('o', 'oar', box(700, 500, 200, 60)),
          zone('z', 'boat', box(700, 200, 150, 100), ['o']),
        ),
        end,
      ),
    lacks: () =>
      deck(
        slide(
          'a',
          choice('go', 'b'),
          piece('o', 'oar', box(700, 500, 200, 60)),
          zone('z', 'boat', box(700, 200, 250, 100), ['o']),
        ),
        end,
      ),
  },
  'question-unseen': {
    shows: () =>
      deck(
        slide('a', choice('go', 'b')),
        end,
        slide('c', ending(), choiceQuestion('q', 'Which?', ['*one', 'two'])),
      ),
    lacks: () =>
      deck(
        slide('a', choice('go', 'c')),
        slide('c', ending(), choiceQuestion('q', 'Which?', ['*one', 'two'])),
      ),
  },
  'key-impossible': {
    shows: () =>
      deck(
        slide(
          'a',
          ending(),
          piece('o', 'oar', box(700, 500, 100, 60)),
          zone('z', 'boat', box(700, 200, 250, 100), ['o']),
          zone('y', 'pier', box(300, 200, 250, 100), ['o']),
        ),
      ),
    lacks: () =>
      deck(
        slide(
          'a',
          ending(),
          piece('o', 'oar', box(700, 500, 100, 60)),
          piece('p', 'rope', box(900, 500, 100, 60)),
          zone('z', 'boat', box(700, 200, 250, 100), ['o']),
          zone('y', 'pier', box(300, 200, 250, 100), ['p']),
        ),
      ),
  },
  'no-key': {
    shows: () => deck(slide('a', ending(), choiceQuestion('q', 'Which?', ['one', 'two']))),
    lacks: () => deck(slide('a', ending(), choiceQuestion('q', 'Which?', ['*one', 'two']))),
  },
  'piece-unwanted': {
    shows: () =>
      deck(
        slide(
          'a',
          ending(),
          piece('o', 'oar', box(700, 500, 100, 60)),
          piece('p', 'rope', box(900, 500, 100, 60)),
          zone('z', 'boat', box(700, 200, 250, 100), ['o']),
        ),
      ),
    lacks: () =>
      deck(
        slide(
          'a',
          ending(),
          piece('o', 'oar', box(700, 500, 100, 60)),
          piece('p', 'rope', box(900, 500, 100, 60)),
          zone('z', 'anywhere', box(700, 200, 250, 100)),
        ),
      ),
  },
};

const check = (doc: Y.Doc, context?: CheckContext) => new Checker().check(readDeck(doc), context);
const ofKind = (doc: Y.Doc, kind: FindingKind, context?: CheckContext): Finding[] =>
  check(doc, context).findings.filter((finding) => finding.kind === kind);

describe.each(Object.entries(CASES) as [FindingKind, Case][])(
  '%s',
  (kind, { shows, lacks, context }) => {
    test('is found on the smallest deck that shows it, and not on one that lacks it', () => {
      const [found] = ofKind(shows(), kind, context);
      expect(found?.why).toMatch(/\.$/);
      expect(FINDING_KINDS[kind].title).not.toBe('');
      expect(ofKind(lacks(), kind, context)).toEqual([]);
    });

    const mends = ofKind(shows(), kind, context)[0]?.mends.map(({ label }) => label) ?? [];
    if (mends.length > 0) {
      test.each(mends)('“%s” makes it go away, in one step that can be undone', (label) => {
        const doc = shows();
        const before = readDeck(doc);
        const history = createHistory(doc);
        const [finding] = ofKind(doc, kind, context);
        const mend = finding!.mends.find((candidate) => candidate.label === label)!;
        expect(applyMend(doc, mend, 'An answer')).toEqual(expect.objectContaining({ ok: true }));
        expect(ofKind(doc, kind, context).map(findingKey)).not.toContain(findingKey(finding!));
        history.undo();
        expect(readDeck(doc)).toEqual(before);
      });
    }
  },
);

test('a sound deck has no findings, nor has an empty one', () => {
  expect(check(deck(slide('a', choice('go', 'b')), end)).findings).toEqual([]);
  expect(check(deck()).findings).toEqual([]);
});

test('findings of one kind stand in the order of the map', () => {
  const doc = deck(slide('a', choice('x', 'b'), choice('y', 'c')), slide('b'), slide('c'));
  expect(ofKind(doc, 'dead-end').map(({ slideId }) => slideId)).toEqual(['b', 'c']);
});

test('words on an unknown picture are not judged, on a known one they are measured', () => {
  const { shows } = CASES['low-contrast'];
  expect(ofKind(shows(), 'low-contrast')).toEqual([]);
  expect(ofKind(shows(), 'low-contrast', { pixels })[0]?.why).toMatch(/by 1\.\d to 1/);
  const brief = deck(bare(slide('a', ending(), text('Faint', { id: 'x', colour: '#DDDDDD' }))));
  expect(ofKind(brief, 'low-contrast')).toHaveLength(1);
  setElement(brief, 'a', 'x', { colour: '#333333' });
  expect(ofKind(brief, 'low-contrast')).toEqual([]);
});

test.each([
  // To the right, downwards, to the lower right, to the lower left: where it ends words cannot be read.
  [0, [false, true, false, true]],
  [90, [false, false, true, true]],
  [45, [false, false, false, true]],
  [135, [false, false, true, false]],
])('words over a fill that darkens at %i° are judged where they stand', (angle, dark) => {
  const doc = deck(bare(slide('a', ending())));
  setGround(doc, ['a'], {
    fill: { from: '#FFFFFF', to: '#111111', angle, isRadial: false },
  });
  const corners = [box(40, 40, 120, 60), box(1120, 40, 120, 60), box(40, 620, 120, 60)];
  for (const [at, where] of [...corners, box(1120, 620, 120, 60)].entries()) {
    const id = `x${at}`;
    text('Sea', { id, box: where, colour: '#222222' }).apply(doc, 'a');
    expect([
      id,
      ofKind(doc, 'low-contrast').some(({ elementIds }) => elementIds?.includes(id)),
    ]).toEqual([id, dark[at]]);
  }
});

test('a zone that takes too few of the pieces it waits for says for how many', () => {
  const [one, two] = [box(700, 500, 200, 60), box(700, 580, 200, 60)];
  const waiting = (...pieces: string[]): Y.Doc =>
    deck(
      slide(
        'a',
        choice('go', 'b'),
        piece('o', 'oar', one),
        piece('p', 'lamp', two),
        choosyZone({ takes: [], expects: pieces }),
      ),
      end,
    );
  expect(ofKind(waiting('o'), 'zone-closed')[0]?.why).toContain('waits for a piece that');
  expect(ofKind(waiting('o', 'p'), 'zone-closed')[0]?.why).toContain('waits for 2 pieces that');
});

describe('setting aside', () => {
  const doc = (): Y.Doc =>
    deck(slide('a', ending(), text(LOREM.repeat(3), { id: 'x', box: box(600, 200, 400, 120) })));

  test('a finding rests with its reason, until it is taken up again', () => {
    const one = doc();
    const [finding] = ofKind(one, 'overflow');
    expect(setAside(one, finding!, ' ').ok).toBe(false);
    setAside(one, finding!, 'It is meant to run out.');
    const report = check(one);
    expect(report.findings).toEqual([]);
    expect(report.setAside).toEqual([{ finding, reason: 'It is meant to run out.' }]);
    takeUpAgain(one, finding!);
    expect(ofKind(one, 'overflow')).toHaveLength(1);
  });

  test('it comes back when the place changes, and not when another does', () => {
    const one = doc();
    setAside(one, ofKind(one, 'overflow')[0]!, 'Fine.');
    addChoice(one, 'a', 'On', { slideId: 'a' });
    expect(ofKind(one, 'overflow')).toEqual([]);
    setText(one, 'a', 'x', plain(LOREM.repeat(5)));
    expect(ofKind(one, 'overflow')).toHaveLength(1);
    setBox(one, 'a', 'x', box(300, 100, 900, 500));
    expect(ofKind(one, 'overflow')).toEqual([]);
  });
});

test('checking again after a change gives what a fresh check gives', () => {
  const doc = deck(
    slide('a', choice('go', 'b'), text(LOREM.repeat(3), { id: 'x', box: box(600, 200, 400, 120) })),
    slide('b'),
  );
  const checker = new Checker();
  checker.check(readDeck(doc));
  setSlideFlag(doc, 'b', 'isEnding', true);
  withTrail(doc, ['b', 'a']);
  const again = checker.check(readDeck(doc));
  expect(again).toEqual(new Checker().check(readDeck(doc)));
  setTrail(doc, 't', { followsLinks: false });
  expect(ofKind(doc, 'trail-off-links')).toEqual([]);
});
