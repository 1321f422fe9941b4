import { asBoolean, asOneOf } from '../../parts/decode.js';
import type { OptionId } from '../../parts/ids.js';
import type { QuestionKind } from '../kind.js';
import { readIds, readItems, readPoints, type Item } from '../parts.js';

/** QTI's orderInteraction: things are arranged in a row or a column. */
export interface OrderQuestion {
  kind: 'order';
  /** In no order that says anything: students begin with one of their own. */
  items: Item[];
  isRow: boolean;
  points: number;
}

export const ORDER_CREDITS = ['exact', 'pairs', 'rank'] as const;

export interface OrderKey {
  kind: 'order';
  itemIds: OptionId[];
  /** All in place or nothing; neighbours that are neighbours; how far things are from their places. */
  credit: (typeof ORDER_CREDITS)[number];
}

export interface OrderAnswer {
  kind: 'order';
  /** All of them, from the first to the last. */
  itemIds: OptionId[];
}

export const MOST_ITEMS = 16;

export const order: QuestionKind<OrderQuestion, OrderKey, OrderAnswer> = {
  kind: 'order',
  label: 'Order',

  fresh: (makeId) => ({
    kind: 'order',
    items: ['First', 'Second', 'Third'].map((text) => ({ id: makeId(), text, picture: null })),
    isRow: false,
    points: 1,
  }),
  read: (raw) => ({
    kind: 'order',
    items: readItems(raw.items, MOST_ITEMS),
    isRow: asBoolean(raw.isRow),
    points: readPoints(raw.points),
  }),

  readKey(raw) {
    const itemIds = readIds<OptionId>(raw.itemIds, MOST_ITEMS);
    return itemIds.length > 1
      ? { kind: 'order', itemIds, credit: asOneOf(raw.credit, ORDER_CREDITS, 'exact') }
      : undefined;
  },

  readAnswer({ items }, raw) {
    if (!Array.isArray(raw.itemIds) || raw.itemIds.length !== items.length) return undefined;
    const itemIds = readIds<OptionId>(raw.itemIds, MOST_ITEMS);
    const isWhole = items.every(({ id }) => itemIds.includes(id));
    return isWhole && itemIds.length === items.length ? { kind: 'order', itemIds } : undefined;
  },

  isBlank: () => false,
  lines: ({ items, isRow }) => (isRow ? [''] : items.map(({ text }) => text)),
  items: ({ items }) => items,
};
