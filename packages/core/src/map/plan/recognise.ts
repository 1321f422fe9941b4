import { inOrder } from './inOrder.js';
import { type DeckItem } from './planOf.js';
import type { PlanItem } from './planText.js';

/**
 * Which item of before each item of a plan is. Lines that are written as they were are the same ones, wherever they
 * stand now; a line between two such lines is the one that stood between them, written anew. What is left is known by
 * its title, its choice, its text, or its place among its neighbours, in this order.
 */
export function recognise(
  base: { items: readonly DeckItem[]; dropped: readonly DeckItem[] },
  items: readonly PlanItem[],
): Map<PlanItem, DeckItem> {
  const before = [...inOrder(base.items)];
  const now = [...inOrder(items)];
  const kept = new Map<PlanItem, DeckItem>();
  const free = new Set([...before, ...inOrder(base.dropped)]);
  const keep = (item: PlanItem, old: DeckItem): void => {
    kept.set(item, old);
    free.delete(old);
  };
  keepUnchanged(before, now, keep);
  keepOnce(
    [...free],
    now.filter((item) => !kept.has(item)),
    keep,
  );
  keepBetween(before, now, kept, keep);
  keepByWords(base.items, items, kept, free, keep);
  return kept;
}

type Keep = (item: PlanItem, old: DeckItem) => void;

/** What is written the same before the first and after the last line that has changed. */
function keepUnchanged(before: DeckItem[], now: PlanItem[], keep: Keep): void {
  const shorter = Math.min(before.length, now.length);
  let first = 0;
  while (first < shorter && before[first]!.written === now[first]!.written) {
    keep(now[first]!, before[first]!);
    first += 1;
  }
  let tail = 1;
  while (tail <= shorter - first && before.at(-tail)!.written === now.at(-tail)!.written) {
    keep(now.at(-tail)!, before.at(-tail)!);
    tail += 1;
  }
}

/** What is written the same and only once on both sides. */
function keepOnce(before: DeckItem[], now: PlanItem[], keep: Keep): void {
  const once = <Item extends PlanItem>(items: Item[]): Map<string, Item | null> => {
    const found = new Map<string, Item | null>();
    for (const item of items) {
      if (item.written) found.set(item.written, found.has(item.written) ? null : item);
    }
    return found;
  };
  const olds = once(before);
  for (const [written, item] of once(now)) {
    const old = olds.get(written);
    if (item && old) keep(item, old);
  }
}

/** As many lines between two that are known as there were: they are the same ones, written anew. */
function keepBetween(
  before: DeckItem[],
  now: PlanItem[],
  kept: ReadonlyMap<PlanItem, DeckItem>,
  keep: Keep,
): void {
  const places = new Map(before.map((item, index) => [item, index]));
  const taken = new Set(kept.values());
  let from = -1;
  let gap: PlanItem[] = [];
  const close = (to: number): void => {
    const olds = before.slice(from + 1, Math.max(from + 1, to));
    const isSame =
      gap.length > 0 &&
      olds.length === gap.length &&
      olds.every((old, index) => !taken.has(old) && isAlike(gap[index]!, old));
    if (isSame) gap.forEach((item, index) => keep(item, olds[index]!));
    gap = [];
  };
  for (const item of now) {
    const old = kept.get(item);
    const place = old && places.get(old);
    if (place === undefined) {
      gap.push(item);
      continue;
    }
    close(place);
    from = place;
  }
  close(before.length);
}

/** A line that could not be read, before or now, may be anything. */
const isAlike = (item: PlanItem, old: DeckItem): boolean =>
  item.isWrong || old.isWrong || (item.join === null) === (old.slideId !== null);

function keepByWords(
  olds: readonly DeckItem[],
  items: readonly PlanItem[],
  kept: ReadonlyMap<PlanItem, DeckItem>,
  free: ReadonlySet<DeckItem>,
  keep: Keep,
): void {
  const freeSlides = (): DeckItem[] => [...free].filter(({ slideId }) => slideId);
  const news = [...inOrder(items)].filter((item) => !item.join && !item.isWrong);
  // The same title, and with it the same text where titles come several times; then the titles in their order.
  for (const key of [
    ({ title, text, wording }: PlanItem) => (title && text ? `${title}\n${text}\n${wording}` : ''),
    ({ title, text }: PlanItem) => (title && text ? `${title}\n${text}` : ''),
    ({ title, wording }: PlanItem) => (title ? `${title}\n${wording}` : ''),
    ({ title }: PlanItem) => title,
  ]) {
    const known = new Map<string, DeckItem[]>();
    for (const item of freeSlides()) {
      if (!key(item)) continue;
      const same = known.get(key(item));
      if (same) same.push(item);
      else known.set(key(item), [item]);
    }
    for (const item of news) {
      const same = kept.has(item) ? undefined : known.get(key(item))?.shift();
      if (same) keep(item, same);
    }
  }
  // Among the neighbours: under the same slide by the choice, then by the text, then by the place.
  const match = (youngers: readonly PlanItem[], olders: readonly DeckItem[]): void => {
    const fresh = youngers.filter((item) => !item.join && !item.isWrong && !kept.has(item));
    const left = (): DeckItem[] => olders.filter((item) => item.slideId && free.has(item));
    for (const fits of [
      (a: PlanItem, b: DeckItem) => a.wording !== null && a.wording === b.wording,
      (a: PlanItem, b: DeckItem) => a.text !== '' && a.text === b.text,
    ]) {
      for (const item of fresh) {
        const same = kept.has(item) ? undefined : left().find((candidate) => fits(item, candidate));
        if (same) keep(item, same);
      }
    }
    const rest = fresh.filter((item) => !kept.has(item));
    const places = left();
    // As many gone as come: they are the same ones, retold.
    if (rest.length === places.length) rest.forEach((item, index) => keep(item, places[index]!));
  };
  match(items, olds);
  for (const item of inOrder(items)) {
    const slide = kept.get(item);
    if (slide) match(item.children, slide.children);
  }
  // The same text anywhere.
  const byText = new Map(freeSlides().map((item) => [item.text, item]));
  for (const item of news) {
    if (kept.has(item) || item.text.length < 12) continue;
    const same = byText.get(item.text);
    if (same && free.has(same)) keep(item, same);
  }
}
