import { isSameTarget, NOWHERE, toSlide, type Target } from '../../deck/target.js';
import type { Deck, Link } from '../../deck/types.js';
import { newId, type LinkId, type SlideId } from '../../ids.js';
import { folded } from '../find.js';
import type { RouteGraph } from '../graph.js';
import { inOrder, planOf, type DeckItem } from './planOf.js';
import { slugger, type PlanItem, type PlanProblem } from './planText.js';

/** One thing that a plan wants of the deck. */
export type PlanStep =
  | {
      do: 'add';
      slideId: SlideId;
      title: string;
      text: string;
      isEnding: boolean;
      /** The slide that the plan writes it under. */
      under: SlideId | null;
    }
  | { do: 'title'; slideId: SlideId; title: string }
  | { do: 'text'; slideId: SlideId; text: string }
  | { do: 'ending'; slideId: SlideId; isEnding: boolean }
  | { do: 'link'; linkId: LinkId; from: SlideId; wording: string; target: Target }
  | { do: 'reword'; linkId: LinkId; wording: string }
  | { do: 'retarget'; linkId: LinkId; target: Target }
  | { do: 'cut'; linkId: LinkId }
  /** The first line of a plan is where the walk begins. */
  | { do: 'start'; slideId: SlideId }
  /** Under which choice the slide is written, or at the left edge. */
  | { do: 'trunk'; slideId: SlideId; trunkId: LinkId | 'top' }
  /** The choices of a slide, from top to bottom. */
  | { do: 'order'; slideId: SlideId; linkIds: LinkId[] };

/** What has to be done so that the deck says what the plan says. */
export interface PlanChange {
  steps: PlanStep[];
  /** Slides that the plan does not have any more: taken out only when somebody agrees. */
  removed: SlideId[];
  problems: PlanProblem[];
}

/**
 * Compares a plan with the deck. Slides keep their identity as long as they are recognisable: by title, by the choice
 * that leads to them, by their text, or by their place among their neighbours, in this order.
 */
export function planChange(deck: Deck, graph: RouteGraph, items: readonly PlanItem[]): PlanChange {
  const old = planOf(deck, graph);
  const kept = recognise(old, items);
  const problems: PlanProblem[] = [];
  const steps: PlanStep[] = [];
  const slideOf = new Map<PlanItem, SlideId>();
  const bySlug = new Map<string, SlideId>();
  const byTitle = new Map<string, SlideId>();
  const slugOf = slugger();
  for (const item of inOrder(items)) {
    if (item.join) continue;
    const slideId = kept.get(item)?.slideId ?? newId();
    slideOf.set(item, slideId);
    bySlug.set(slugOf(item.title), slideId);
    if (!byTitle.has(folded(item.title))) byTitle.set(folded(item.title), slideId);
  }
  const targetOf = (item: PlanItem): Target | null => {
    if (!item.join) return toSlide(slideOf.get(item)!);
    if (item.join.kind === 'target') return item.join.target;
    const slideId = bySlug.get(item.join.slug) ?? byTitle.get(folded(item.join.words));
    if (slideId) return toSlide(slideId);
    problems.push({
      line: item.line,
      reason: `No slide of this plan is called “${item.join.words || item.join.slug}”.`,
    });
    return null;
  };

  /** The link that each slide is written under in the deck's own plan. */
  const places = new Map<SlideId, LinkId | undefined>();
  for (const { slideId, link } of inOrder(old)) if (slideId) places.set(slideId, link?.id);
  const parents = new Map<PlanItem, PlanItem>();
  for (const item of inOrder(items)) for (const child of item.children) parents.set(child, item);
  for (const item of inOrder(items)) {
    if (item.join) continue;
    const slideId = slideOf.get(item)!;
    const known = kept.get(item);
    const { title, text, isEnding } = item;
    if (!known) {
      const parent = parents.get(item);
      const under = parent ? slideOf.get(parent)! : null;
      steps.push({ do: 'add', slideId, title, text, isEnding, under });
      continue;
    }
    if (known.title !== title) steps.push({ do: 'title', slideId, title });
    if (known.text !== text) steps.push({ do: 'text', slideId, text });
    if (known.isEnding !== isEnding) steps.push({ do: 'ending', slideId, isEnding });
  }
  for (const item of inOrder(items)) {
    if (item.join) continue;
    const from = slideOf.get(item)!;
    const wanted = item.children.flatMap((child) => {
      const target = targetOf(child);
      const writes = child.join ? null : slideOf.get(child)!;
      return target ? [{ line: child.line, wording: child.wording ?? '', target, writes }] : [];
    });
    const hasProblem = wanted.length < item.children.length;
    const found = linkSteps(
      from,
      wanted,
      graph.waysOut.get(from) ?? [],
      deck,
      hasProblem,
      steps,
      problems,
    );
    for (const [{ writes }, linkId] of found) {
      if (writes && places.get(writes) !== linkId) {
        steps.push({ do: 'trunk', slideId: writes, trunkId: linkId });
      }
    }
  }
  for (const item of items) {
    const slideId = slideOf.get(item);
    if (slideId && item === items[0] && slideId !== deck.startSlideId) {
      steps.push({ do: 'start', slideId });
    } else if (slideId && item !== items[0] && places.get(slideId)) {
      steps.push({ do: 'trunk', slideId, trunkId: 'top' });
    }
  }
  const stays = new Set(slideOf.values());
  const removed = Object.keys(deck.slides).filter((slideId) => !stays.has(slideId));
  return { steps, removed, problems };
}

interface Wanted {
  line: number;
  wording: string;
  target: Target;
  /** The slide that is written here, when it is not only joined. */
  writes: SlideId | null;
}

/** Finds for every choice of the plan the link that it is, changes it, adds what is new, cuts what is left over. */
function linkSteps(
  from: SlideId,
  wanted: Wanted[],
  links: readonly Link[],
  deck: Deck,
  hasProblem: boolean,
  steps: PlanStep[],
  problems: PlanProblem[],
): Map<Wanted, LinkId> {
  const free = new Set(links);
  const found = new Map<Wanted, Link>();
  const sameGoal = (link: Link, { target }: Wanted): boolean =>
    isSameTarget(
      dead(link, deck) ? NOWHERE : ({ ...link.target, spotId: undefined } as Target),
      target,
    ) ||
    (target.kind === 'none' && (link.target.kind === 'none' || dead(link, deck)));
  const sameWords = (link: Link, { wording }: Wanted): boolean => oneLine(link.wording) === wording;
  const tests = [
    (link: Link, choice: Wanted) => sameGoal(link, choice) && sameWords(link, choice),
    sameGoal,
    sameWords,
  ];
  for (const fits of tests) {
    for (const choice of wanted) {
      if (found.has(choice)) continue;
      const link = links.find((candidate) => free.has(candidate) && fits(candidate, choice));
      if (!link) continue;
      found.set(choice, link);
      free.delete(link);
    }
  }
  const order: LinkId[] = [];
  const linkIds = new Map<Wanted, LinkId>();
  for (const choice of wanted) {
    const link = found.get(choice);
    const { wording, target } = choice;
    if (!link) {
      const linkId = newId();
      order.push(linkId);
      linkIds.set(choice, linkId);
      steps.push({ do: 'link', linkId, from, wording, target });
      continue;
    }
    order.push(link.id);
    linkIds.set(choice, link.id);
    if (!sameWords(link, choice)) {
      if (link.carrier.kind === 'words' || link.carrier.kind === 'option') {
        problems.push({
          line: choice.line,
          reason: `“${link.wording}” stands in ${link.carrier.kind === 'words' ? 'a text' : 'a question'} on the slide: change the words there.`,
        });
      } else if (wording === '') {
        problems.push({ line: choice.line, reason: 'A choice needs a wording before the colon.' });
      } else steps.push({ do: 'reword', linkId: link.id, wording });
    }
    if (!sameGoal(link, choice)) steps.push({ do: 'retarget', linkId: link.id, target });
  }
  // While a line is wrong, its link is not cut: it may be the one that is being written.
  if (!hasProblem) for (const link of free) steps.push({ do: 'cut', linkId: link.id });
  const before = links.filter((link) => !free.has(link)).map(({ id }) => id);
  if (order.length > 1 && order.join() !== before.join()) {
    steps.push({ do: 'order', slideId: from, linkIds: order });
  }
  return linkIds;
}

const dead = (link: Link, deck: Deck): boolean =>
  link.target.kind === 'slide' && !deck.slides[link.target.slideId];
const oneLine = (words: string): string => words.replace(/\s+/g, ' ').trim();

/** Which slide of the deck each item of a plan is. */
function recognise(old: readonly DeckItem[], items: readonly PlanItem[]): Map<PlanItem, DeckItem> {
  const kept = new Map<PlanItem, DeckItem>();
  const free = new Set<DeckItem>();
  for (const item of inOrder(old)) if (item.slideId) free.add(item);
  const news = [...inOrder(items)].filter(({ join }) => !join);
  const keep = (item: PlanItem, slide: DeckItem): void => {
    kept.set(item, slide);
    free.delete(slide);
  };
  // The same title, and with it the same text where titles come several times; then the titles in their order.
  for (const key of [
    ({ title, text, wording }: PlanItem) => (title && text ? `${title}\n${text}\n${wording}` : ''),
    ({ title, text }: PlanItem) => (title && text ? `${title}\n${text}` : ''),
    ({ title, wording }: PlanItem) => (title ? `${title}\n${wording}` : ''),
    ({ title }: PlanItem) => title,
  ]) {
    const olds = new Map<string, DeckItem[]>();
    for (const item of free) {
      if (key(item)) olds.set(key(item), [...(olds.get(key(item)) ?? []), item]);
    }
    for (const item of news) {
      const same = kept.has(item) ? undefined : olds.get(key(item))?.shift();
      if (same) keep(item, same);
    }
  }
  // Among the neighbours: under the same slide by the choice, then by the text, then by the place.
  const match = (youngers: readonly PlanItem[], olders: readonly DeckItem[]): void => {
    const fresh = youngers.filter((item) => !item.join && !kept.has(item));
    const left = (): DeckItem[] => olders.filter((item) => free.has(item));
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
  match(items, old);
  for (const item of inOrder(items)) {
    const slide = kept.get(item);
    if (slide) match(item.children, slide.children);
  }
  // The same text anywhere.
  for (const item of news) {
    if (kept.has(item) || item.text.length < 12) continue;
    const same = [...free].find(({ text }) => text === item.text);
    if (same) keep(item, same);
  }
  return kept;
}
