import { linksOf } from '../deck/links/linksOf.js';
import type { Deck, Slide } from '../deck/types.js';
import type { ElementId, SlideId } from '../parts/ids.js';
import { readTexts } from './find.js';
import { dominators, turned, withoutReturns, type Routes } from './routes.js';

/** How long people take. */
export interface ReadingPace {
  wordsPerMinute: number;
  secondsPerQuestion: number;
}
export const READING_PACE: ReadingPace = { wordsPerMinute: 130, secondsPerQuestion: 30 };

export interface QuestionCoverage {
  slideId: SlideId;
  questionId: ElementId;
  /** Share of the routes that pass it, 0 to 1; null when it lies in a loop that can be left without it. */
  share: number | null;
  isOnEvery: boolean;
}

/** The numbers of a deck. Times in seconds. */
export interface Measures {
  slides: number;
  reachable: number;
  links: number;
  endings: number;
  words: number;
  /**
   * Distinct routes from the start to a stop, as a deck's students walk it. *Back* only returns; a menu and the stations
   * that lead back to it are one place, and so is any other loop; starting over begins a new route.
   */
  routes: bigint;
  hasLoops: boolean;
  shortest: number;
  longest: number;
  /** Over all routes, each counting the same. */
  average: number;
  /** Slides that every route passes, in the order they are passed. */
  onEvery: SlideId[];
  /** Where all that a choice leads to comes together again, if it does. */
  joins: { choice: SlideId; at: SlideId }[];
  coverage: QuestionCoverage[];
}

interface Reading {
  words: number;
  questions: number;
}
const readings = new WeakMap<Slide, Reading>();

function readingOf(slide: Slide): Reading {
  let known = readings.get(slide);
  if (!known) {
    let questions = 0;
    for (const { kind } of slide.elements) if (kind === 'question') questions += 1;
    let words = 0;
    for (const text of readTexts(slide)) words += countWords(text);
    known = { words, questions };
    readings.set(slide, known);
  }
  return known;
}

/** Stretches without white space in them. */
function countWords(text: string): number {
  let count = 0;
  let isIn = false;
  for (let index = 0; index < text.length; index += 1) {
    const code = text.charCodeAt(index);
    const isSpace =
      code === 0x20 || (code >= 9 && code <= 13) || (code >= 0xa0 && SPACE.test(text[index]!));
    if (!isSpace && !isIn) count += 1;
    isIn = !isSpace;
  }
  return count;
}
const SPACE = /\s/;

export const wordCount = (slide: Slide): number => readingOf(slide).words;

/** Seconds that a slide takes to read and answer. */
export function secondsFor(slide: Slide, pace: ReadingPace): number {
  return secondsOf(readingOf(slide), pace);
}

const secondsOf = ({ words, questions }: Reading, pace: ReadingPace): number =>
  (words * 60) / pace.wordsPerMinute + questions * pace.secondsPerQuestion;

export function measure(deck: Deck, walk: Routes, pace: ReadingPace = READING_PACE): Measures {
  const routes = withoutReturns(walk);
  const { ids, start, first, to, isStop, isReachable, part, parts } = routes;
  const n = ids.length;
  const weights = new Float64Array(n);
  let words = 0;
  for (let index = 0; index < n; index += 1) {
    const slide = deck.slides[ids[index]!]!;
    const reading = readingOf(slide);
    weights[index] = secondsOf(reading, pace);
    words += reading.words;
  }
  const base = {
    slides: ids.length,
    links: linksOf(deck).length,
    endings: Object.values(deck.slides).filter((slide) => slide.isEnding).length,
    words,
  };
  if (start < 0) {
    return {
      ...base,
      reachable: 0,
      routes: 0n,
      hasLoops: false,
      shortest: 0,
      longest: 0,
      average: 0,
      onEvery: [],
      joins: [],
      coverage: questionsIn(deck, routes).map(({ index: _index, ...question }) => ({
        ...question,
        share: 0,
        isOnEvery: false,
      })),
    };
  }
  const counted = countRoutes(routes, weights);
  const { total, routesFrom, routesTo } = counted;
  const onEvery = slidesOnEveryRoute(routes);
  const isOnEvery = new Set(onEvery);
  const shareOf = (index: number): number | null => {
    const home = part[index]!;
    const passing = routesTo[home]! * routesFrom[home]!;
    if (total === 0n || passing === 0n) return 0;
    return parts[home]!.length > 1 ? null : ratio(passing, total);
  };
  return {
    ...base,
    reachable: isReachable.reduce((sum, is) => sum + is, 0),
    routes: total,
    hasLoops: parts.some((members) => members.length > 1 && isReachable[members[0]!]),
    shortest: shortestTime(n, start, first, to, isStop, weights),
    longest: counted.longest,
    average: counted.average,
    onEvery: onEvery.map((index) => ids[index]!),
    joins: joinsOf(routes).map(([choice, at]) => ({ choice: ids[choice]!, at: ids[at]! })),
    coverage: questionsIn(deck, routes).map(({ index, ...question }) => ({
      ...question,
      isOnEvery: isOnEvery.has(index),
      share: isOnEvery.has(index) ? 1 : shareOf(index),
    })),
  };
}

/** The questions along the routes, with the index of their slide. */
export function questionsIn(
  deck: Deck,
  { ids }: Routes,
): { slideId: SlideId; questionId: ElementId; index: number }[] {
  const found: { slideId: SlideId; questionId: ElementId; index: number }[] = [];
  ids.forEach((slideId, index) => {
    for (const { id, kind } of deck.slides[slideId]!.elements) {
      if (kind === 'question') found.push({ slideId, questionId: id, index });
    }
  });
  return found;
}

/** A quotient of whole numbers of any size, to six places. */
function ratio(a: bigint, b: bigint): number {
  return Number((a * 1_000_000n) / b) / 1_000_000;
}

/** One pass over the parts from the ends up, one from the start down. */
function countRoutes(
  routes: Routes,
  weights: Float64Array,
): {
  total: bigint;
  routesFrom: bigint[];
  routesTo: bigint[];
  longest: number;
  average: number;
} {
  const { start, first, to, isStop, isReachable, part, parts } = routes;
  const routesFrom: bigint[] = [];
  // Milliseconds over all routes from here, for the average.
  const time: bigint[] = [];
  const longest = new Float64Array(parts.length);
  for (let index = 0; index < parts.length; index += 1) {
    const members = parts[index]!;
    let count = 0n;
    let sum = 0n;
    let weight = 0;
    let rest = -Infinity;
    for (const member of members) {
      weight += weights[member]!;
      if (isStop[member]) {
        count += 1n;
        rest = Math.max(rest, 0);
      }
      for (let at = first[member]!; at < first[member + 1]!; at += 1) {
        const next = part[to[at]!]!;
        if (next === index) continue;
        count += routesFrom[next]!;
        sum += time[next]!;
        rest = Math.max(rest, longest[next]!);
      }
    }
    routesFrom.push(count);
    time.push(sum + count * BigInt(Math.round(weight * 1000)));
    longest[index] = weight + rest;
  }
  const routesTo: bigint[] = new Array<bigint>(parts.length).fill(0n);
  const home = part[start]!;
  routesTo[home] = 1n;
  for (let index = home; index >= 0; index -= 1) {
    const count = routesTo[index]!;
    if (count === 0n) continue;
    for (const member of parts[index]!) {
      if (!isReachable[member]) continue;
      for (let at = first[member]!; at < first[member + 1]!; at += 1) {
        const next = part[to[at]!]!;
        if (next !== index) routesTo[next]! += count;
      }
    }
  }
  const total = routesFrom[home]!;
  return {
    total,
    routesFrom,
    routesTo,
    longest: total === 0n ? 0 : longest[home]!,
    average: total === 0n ? 0 : Number(time[home]! / total) / 1000,
  };
}

/** Dijkstra over the slides; the weight is on the slide, so a route's time is the sum of its slides. */
function shortestTime(
  n: number,
  start: number,
  first: Int32Array,
  to: Int32Array,
  isStop: Uint8Array,
  weights: Float64Array,
): number {
  const best = new Float64Array(n).fill(Infinity);
  const heap: { time: number; index: number }[] = [];
  const push = (time: number, index: number): void => {
    let at = heap.push({ time, index }) - 1;
    while (at > 0) {
      const above = (at - 1) >> 1;
      if (heap[above]!.time <= heap[at]!.time) break;
      [heap[above], heap[at]] = [heap[at]!, heap[above]!];
      at = above;
    }
  };
  const pop = (): { time: number; index: number } => {
    const top = heap[0]!;
    const last = heap.pop()!;
    if (heap.length > 0) {
      heap[0] = last;
      let at = 0;
      for (;;) {
        const left = 2 * at + 1;
        let least = at;
        if (left < heap.length && heap[left]!.time < heap[least]!.time) least = left;
        if (left + 1 < heap.length && heap[left + 1]!.time < heap[least]!.time) least = left + 1;
        if (least === at) break;
        [heap[least], heap[at]] = [heap[at]!, heap[least]!];
        at = least;
      }
    }
    return top;
  };
  best[start] = weights[start]!;
  push(best[start], start);
  while (heap.length > 0) {
    const { time, index } = pop();
    if (time > best[index]!) continue;
    if (isStop[index]) return time;
    for (let at = first[index]!; at < first[index + 1]!; at += 1) {
      const next = to[at]!;
      const there = time + weights[next]!;
      if (there >= best[next]!) continue;
      best[next] = there;
      push(there, next);
    }
  }
  return 0;
}

/** The dominators of a place where all routes stop, from the start on. */
function slidesOnEveryRoute(routes: Routes): number[] {
  const { ids, start, first, to, isStop, isReachable } = routes;
  const n = ids.length;
  const back = turned(routes);
  const stops: number[] = [];
  for (let index = 0; index < n; index += 1)
    if (isStop[index] && isReachable[index]) stops.push(index);
  if (stops.length === 0) return [];
  const idom = dominators(
    n + 1,
    start,
    (index) =>
      index === n ? [] : withSink(to, first[index]!, first[index + 1]!, isStop[index] ? n : -1),
    (index) => (index === n ? stops : back.from.subarray(back.first[index], back.first[index + 1])),
  );
  const passed: number[] = [];
  for (let index = idom[n]!; index >= 0; index = idom[index]!) passed.push(index);
  return passed.reverse();
}

function withSink(to: Int32Array, low: number, high: number, sink: number): ArrayLike<number> {
  const ways = to.subarray(low, high);
  return sink >= 0 ? [...ways, sink] : ways;
}

/** For every slide with several ways on, the first slide that all routes from it pass again: its post-dominator. */
function joinsOf(routes: Routes): [number, number][] {
  const { ids, first, to, isStop, isReachable } = routes;
  const n = ids.length;
  const back = turned(routes);
  const stops: number[] = [];
  for (let index = 0; index < n; index += 1)
    if (isStop[index] && isReachable[index]) stops.push(index);
  const ipdom = dominators(
    n + 1,
    n,
    (index) => (index === n ? stops : back.from.subarray(back.first[index], back.first[index + 1])),
    (index) =>
      index === n ? [] : withSink(to, first[index]!, first[index + 1]!, isStop[index] ? n : -1),
  );
  const joins: [number, number][] = [];
  for (let index = 0; index < n; index += 1) {
    const at = ipdom[index]!;
    if (!isReachable[index] || at < 0 || at === n) continue;
    const ways = new Set(to.subarray(first[index], first[index + 1]));
    if (ways.size > 1) joins.push([index, at]);
  }
  return joins;
}
