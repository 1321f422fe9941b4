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
    const options = question.kind === 'choice' ? question.options : [];
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
