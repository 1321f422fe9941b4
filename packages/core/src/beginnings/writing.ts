import type { NewElement } from '../elements/registry.js';
import type { Box } from '../parts/place.js';
import { plain } from '../parts/richText.js';
import {
  ask,
  choice,
  items,
  LOW,
  MIDDLE,
  paragraph,
  type StarterKit,
} from '../starters/starter.js';

type Makes = (kit: StarterKit) => NewElement[];

/** A question with right answers among others; each student has them in another order. */
export const pick =
  (prompt: string, right: readonly string[], wrong: readonly string[]): Makes =>
  (kit) => {
    const question = choice(kit, [...right, ...wrong], {
      isMultiple: right.length > 1,
      isShuffled: true,
      points: right.length,
    });
    const { options } = question;
    const optionIds = options.slice(0, right.length).map(({ id }) => id);
    return [
      ask(prompt, question, MIDDLE, {
        key: { kind: 'choice', optionIds, isPartial: right.length > 1 },
      }),
    ];
  };

/** A question that is answered with a number between two. */
export const reckon =
  (prompt: string, low: number, high: number, unit = ''): Makes =>
  () => [
    ask(prompt, { kind: 'number', unit, decimal: '.', points: 1 }, LOW, {
      key: {
        kind: 'number',
        right: low === high ? String(low) : `${low} … ${high}`,
        ranges: [{ low, high }],
      },
    }),
  ];

/** A question that is answered with a word; any of these is right. */
export const nameIt =
  (prompt: string, ...accepted: string[]): Makes =>
  () => [
    ask(prompt, { kind: 'textEntry', points: 1 }, LOW, {
      key: { kind: 'textEntry', accepted, heedsCase: false, heedsAccents: false },
    }),
  ];

/** Things to put in their order, which is that in which they are given. */
export const inTurn =
  (prompt: string, ...texts: string[]): Makes =>
  (kit) => {
    const things = items(kit, ...texts);
    const mixed = [...things].sort((a, b) => (a.id < b.id ? -1 : 1));
    return [
      ask(prompt, { kind: 'order', items: mixed, isRow: false, points: 2 }, MIDDLE, {
        key: { kind: 'order', itemIds: things.map(({ id }) => id), credit: 'pairs' },
      }),
    ];
  };

/** A question without a right answer. */
export const think =
  (prompt: string, mostWords = 60): Makes =>
  () => [ask(prompt, paragraph(0, mostWords), MIDDLE)];

const box = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });

/** Pieces in a row, and below them the zones that they belong into. */
export const sortInto =
  (groups: Readonly<Record<string, readonly string[]>>): Makes =>
  (kit) => {
    const names = Object.keys(groups);
    const texts = Object.values(groups).flat();
    const ids = new Map(texts.map((text) => [text, kit.makeId<NonNullable<NewElement['id']>>()]));
    const wide = 1136 / names.length;
    const zones = names.flatMap((name, at): NewElement[] => {
      const where = box(72 + at * wide, 436, wide - 20, 228);
      return [
        {
          kind: 'zone',
          layer: 'pieces',
          name,
          box: where,
          isVisible: true,
          tidy: 'grid',
          expects: (groups[name] ?? []).flatMap((text) => ids.get(text) ?? []),
        },
        {
          kind: 'text',
          layer: 'background',
          style: 'caption',
          box: box(where.x + 16, where.y + where.h - 44, where.w - 32, 32),
          text: plain(name),
        },
      ];
    });
    const each = Math.min(200, (1136 - 12 * (texts.length - 1)) / texts.length);
    // One of each zone in turn, the last zone first: where a piece lies tells nothing.
    const most = Math.max(...Object.values(groups).map(({ length }) => length));
    const mixed = Array.from({ length: most }, (_, at) =>
      [...names].reverse().flatMap((name) => groups[name]?.[at] ?? []),
    ).flat();
    const pieces = mixed.map((text, at): NewElement => ({
      kind: 'text',
      layer: 'pieces',
      style: 'body',
      id: ids.get(text),
      name: text,
      size: 24,
      box: box(72 + at * (each + 12), 356, each, 64),
      text: plain(text),
    }));
    return [...zones, ...pieces];
  };

/** A region of the slide to fly into, in slide units. */
export const near = (name: string, x: number, y: number, w: number): NewElement => ({
  kind: 'closeup',
  layer: 'content',
  name,
  box: box(x, y, w, (w * 9) / 16),
});

type Drawn = readonly [
  shape: 'ellipse' | 'triangle' | 'rounded' | 'moon',
  x: number,
  y: number,
  w: number,
  h: number,
  fill: string,
];

/** Something small to be found in a scene, drawn of plain shapes and as locked as the scene; its middle foot at a point. */
export const hidden = (x: number, y: number, parts: readonly Drawn[]): NewElement[] =>
  parts.map(([shape, dx, dy, w, h, fill]) => ({
    kind: 'shape',
    layer: 'background',
    shape,
    fill,
    box: box(x + dx, y + dy, w, h),
  }));

/** On a quay of its own. */
export const CAT: readonly Drawn[] = [
  ['rounded', -70, -4, 190, 30, '#3A2C40'],
  ['rounded', -70, -4, 190, 6, '#7A5A6A'],
  ['rounded', 40, -26, 12, 24, '#2A2030'],
  ['moon', 6, -22, 10, 20, '#1D1B22'],
  ['ellipse', -12, -24, 24, 24, '#1D1B22'],
  ['triangle', -10, -42, 8, 10, '#1D1B22'],
  ['triangle', 2, -42, 8, 10, '#1D1B22'],
  ['ellipse', -10, -38, 20, 18, '#1D1B22'],
  ['ellipse', -6, -32, 4, 5, '#F2D27A'],
  ['ellipse', 2, -32, 4, 5, '#F2D27A'],
];

export const FOX: readonly Drawn[] = [
  ['ellipse', 8, -14, 30, 12, '#C9622F'],
  ['ellipse', 28, -15, 12, 10, '#FBF3E2'],
  ['ellipse', -16, -24, 32, 24, '#C9622F'],
  ['triangle', -18, -46, 10, 12, '#C9622F'],
  ['triangle', -2, -46, 10, 12, '#C9622F'],
  ['ellipse', -20, -40, 30, 22, '#C9622F'],
  ['ellipse', -12, -28, 14, 9, '#FBF3E2'],
  ['ellipse', -14, -34, 4, 4, '#1D1B22'],
  ['ellipse', 0, -34, 4, 4, '#1D1B22'],
  ['ellipse', -7, -27, 5, 4, '#1D1B22'],
];

export const HEDGEHOG: readonly Drawn[] = [
  ['ellipse', -22, -28, 44, 28, '#6B4A32'],
  ['triangle', -16, -34, 10, 12, '#4E3524'],
  ['triangle', -4, -36, 10, 12, '#4E3524'],
  ['triangle', 8, -33, 10, 12, '#4E3524'],
  ['ellipse', 12, -18, 20, 16, '#D9B48A'],
  ['ellipse', 28, -13, 5, 5, '#1D1B22'],
  ['ellipse', 20, -16, 3, 4, '#1D1B22'],
  ['ellipse', -2, -44, 14, 13, '#C2402E'],
];

export const LANTERN_BEARER: readonly Drawn[] = [
  ['ellipse', 4, -40, 44, 44, '#F2D27A44'],
  ['rounded', -9, -34, 18, 34, '#7A4A3A'],
  ['ellipse', -8, -50, 16, 17, '#E8B890'],
  ['rounded', -10, -53, 20, 7, '#2B2420'],
  ['rounded', 6, -26, 16, 5, '#7A4A3A'],
  ['rounded', 21, -26, 10, 13, '#FFE39A'],
];

/** The same, drawn on a page that lies on the scene. */
export const drawnOn = (x: number, y: number, parts: readonly Drawn[]): NewElement[] =>
  hidden(x, y, parts).map((one) => ({ ...one, layer: 'content', isLocked: true }));

/** As large as a child draws it. */
export const HEDGEHOG_LARGE: readonly Drawn[] = larger(HEDGEHOG, 5);

const BERRIES: readonly Drawn[] = [
  ['rounded', -4, -180, 8, 180, '#6B4A32'],
  ['rounded', -60, -150, 120, 7, '#6B4A32'],
  ['ellipse', -74, -146, 34, 34, '#C2402E'],
  ['ellipse', -34, -144, 36, 36, '#B23424'],
  ['ellipse', 14, -146, 34, 34, '#C2402E'],
  ['ellipse', 48, -142, 32, 32, '#B23424'],
  ['ellipse', -18, -206, 34, 34, '#C2402E'],
  ['ellipse', -48, -84, 52, 22, '#5E7A4B'],
  ['ellipse', 2, -62, 54, 22, '#6E8A57'],
];

export const BERRIES_LARGE: readonly Drawn[] = larger(BERRIES, 1.7);

function larger(parts: readonly Drawn[], times: number): Drawn[] {
  return parts.map(([shape, x, y, w, h, fill]): Drawn => {
    return [shape, x * times, y * times, w * times, h * times, fill];
  });
}

/** Its words, and where it stands. */
type Frame = readonly [words: string, x: number, y: number, w: number, h: number];

/** Frames on a page, each with what belongs into it; whoever fills it in does not move them. */
export const frames =
  (...all: readonly Frame[]): Makes =>
  () =>
    all.map(([words, x, y, w, h]): NewElement => ({
      kind: 'shape',
      layer: 'content',
      shape: 'rectangle',
      isLocked: true,
      fill: '#FFFDF7',
      outline: { colour: '#8A7B5C', weight: 2, dash: 'dashed' },
      align: 'start',
      upright: 'top',
      // What somebody wrote is larger than what is asked for.
      size: words.length > 40 ? 32 : 24,
      box: box(x, y, w, h),
      text: plain(words),
    }));
