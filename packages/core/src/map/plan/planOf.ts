import { wordsOf } from '../../parts/richText.js';
import { isSpare } from '../../elements/elements.js';
import type { TextElement } from '../../elements/text/text.js';
import { type Deck, type Link, type Slide } from '../../deck/types.js';
import type { LinkId, SlideId } from '../../parts/ids.js';
import type { RouteGraph } from '../graph.js';
import { inOrder } from './inOrder.js';
import { planWords, printItem, slugger, type PlanItem } from './planText.js';
import { sure } from '../../parts/sure.js';

/** An item of a deck's own plan: it knows the slide, or the link, that it stands for. */
export interface DeckItem extends PlanItem {
  slideId: SlideId | null;
  /** The link that is written here, and the slide it leaves. */
  link: { id: LinkId; from: SlideId } | null;
  children: DeckItem[];
}

/** What a plan is compared with: how it stood when it was last taken into the deck. */
export interface PlanBase {
  items: readonly DeckItem[];
  /** What the plan has dropped, and nobody has agreed to take out. */
  dropped: readonly DeckItem[];
}

/** The text of a slide that its plan shows: the first body text on its content layer, from top to bottom. */
export function planText(slide: Slide): TextElement | undefined {
  let first: TextElement | undefined;
  for (const element of slide.elements) {
    if (element.kind !== 'text' || element.style !== 'body' || element.layer !== 'content')
      continue;
    if (isSpare(element)) continue;
    const isAbove =
      !first ||
      element.box.y < first.box.y ||
      (element.box.y === first.box.y && element.box.x < first.box.x);
    if (isAbove) first = element;
  }
  return first;
}

/** Whether a slide is written under this link: the one it was made with, or any where that one is gone. */
function isTrunk(deck: Deck, link: Link, slide: Slide): boolean {
  if (slide.trunkId === 'top') return false;
  if (slide.trunkId === null || slide.trunkId === link.id) return true;
  const trunk = deck.links[slide.trunkId];
  return !(trunk && trunk.target.kind === 'slide' && trunk.target.slideId === slide.id);
}

const oneLine = (words: string): string => words.replace(/\s+/g, ' ').trim();

/**
 * A deck as a plan: the start first, every slide written where a link first comes to it, joined by its heading
 * wherever another does; slides that no link comes to stand at the left edge after it.
 */
export function planOf(deck: Deck, graph: RouteGraph): DeckItem[] {
  const written = new Map<SlideId, DeckItem>();
  const joins: { item: DeckItem; slideId: SlideId }[] = [];
  const items: DeckItem[] = [];
  const order: DeckItem[] = [];
  const itemOf = (slide: Slide, link: Link | null): DeckItem => {
    const text = planText(slide);
    const item: DeckItem = {
      line: 0,
      wording: link ? oneLine(link.wording) : null,
      title: oneLine(slide.title),
      text: text ? planWords(wordsOf(text.text)) : '',
      isEnding: slide.isEnding,
      join: null,
      isWrong: false,
      written: '',
      children: [],
      slideId: slide.id,
      link: link && { id: link.id, from: link.from },
    };
    written.set(slide.id, item);
    return item;
  };
  const write = (root: Slide): void => {
    const top = itemOf(root, null);
    items.push(top);
    const waiting: DeckItem[] = [top];
    while (waiting.length > 0) {
      const item = waiting.pop()!;
      order.push(item);
      const fresh: DeckItem[] = [];
      for (const link of graph.waysOut.get(sure(item.slideId, 'what waits is a slide')) ?? []) {
        const goal = link.target.kind === 'slide' ? deck.slides[link.target.slideId] : undefined;
        if (goal && !written.has(goal.id) && isTrunk(deck, link, goal)) {
          const child = itemOf(goal, link);
          item.children.push(child);
          fresh.push(child);
          continue;
        }
        const joined: DeckItem = {
          line: 0,
          wording: oneLine(link.wording),
          title: '',
          text: '',
          isEnding: false,
          join: {
            kind: 'target',
            // A slide that is gone reads as a choice that leads nowhere yet.
            target: link.target.kind === 'slide' ? { kind: 'none' } : link.target,
          },
          isWrong: false,
          written: '',
          children: [],
          slideId: null,
          link: { id: link.id, from: link.from },
        };
        if (goal) joins.push({ item: joined, slideId: goal.id });
        item.children.push(joined);
      }
      for (let at = fresh.length - 1; at >= 0; at -= 1) waiting.push(fresh[at]!);
    }
  };
  const slides = Object.values(deck.slides).sort(
    (a, b) => a.x - b.x || a.y - b.y || (a.id < b.id ? -1 : 1),
  );
  const start = deck.startSlideId ? deck.slides[deck.startSlideId] : undefined;
  if (start) write(start);
  // What nothing leads to comes before what only a loop leads to.
  for (const slide of slides) {
    const isTop = slide.trunkId === 'top' || graph.waysIn.get(slide.id)?.length === 0;
    if (isTop && !written.has(slide.id)) write(slide);
  }
  for (const slide of slides) if (!written.has(slide.id)) write(slide);

  const slugs = new Map<SlideId, string>();
  const slugOf = slugger();
  for (const item of inOrder(items)) if (item.slideId) slugs.set(item.slideId, slugOf(item.title));
  for (const { item, slideId } of joins) {
    item.join = {
      kind: 'heading',
      slug: sure(slugs.get(slideId), 'every slide is a heading once'),
      words: deck.slides[slideId]!.title,
    };
  }
  for (const item of inOrder(items)) item.written = printItem(item).join('\n');
  return items;
}

/** What a plan is compared with when the deck has just been written out. */
export const planBase = (deck: Deck, graph: RouteGraph): PlanBase => ({
  items: planOf(deck, graph),
  dropped: [],
});
