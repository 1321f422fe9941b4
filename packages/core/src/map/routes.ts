import { defaultTrail } from '../deck/trails/trailSteps.js';
import type { Deck, Link, Trail } from '../deck/types.js';
import type { LinkId, SlideId } from '../parts/ids.js';
import { arriveAt, stopsOn, stopTo, type RouteGraph } from './graph.js';
import { sure } from '../parts/sure.js';

/**
 * The walk that students can take, as numbers: slides by index, links as pairs. It is meant for a deck as students meet
 * it (`whatStudentsMeet`); slides left out are not in it.
 * Several links between the same two slides are several pairs: each is a choice of its own.
 */
export interface Routes {
  ids: SlideId[];
  indexOf: Map<SlideId, number>;
  /** −1 when the deck has no start. */
  start: number;
  /** Links of slide i lead to `to[first[i]] … to[first[i + 1] - 1]`. */
  first: Int32Array;
  to: Int32Array;
  isEnding: Uint8Array;
  /** A route may stop here: an ending, or a dead end. */
  isStop: Uint8Array;
  isReachable: Uint8Array;
  /** The loop (strongly connected part) each slide is in. Links between parts go from higher to lower numbers. */
  part: Int32Array;
  parts: number[][];
}

export function routesOf(deck: Deck, graph: RouteGraph): Routes {
  const ids: SlideId[] = [];
  const indexOf = new Map<SlideId, number>();
  for (const slide of Object.values(deck.slides)) {
    if (slide.isLeftOut) continue;
    indexOf.set(slide.id, ids.length);
    ids.push(slide.id);
  }
  const n = ids.length;
  const first = new Int32Array(n + 1);
  const to: number[] = [];
  const isEnding = new Uint8Array(n);
  const isStop = new Uint8Array(n);
  const taken = stepsTaken(deck, graph);
  for (let index = 0; index < n; index += 1) {
    const id = ids[index]!;
    first[index] = to.length;
    for (const link of sure(graph.waysOut.get(id), 'the graph has all slides')) {
      if (isBack(link)) {
        // Back returns to wherever one came from.
        for (const { from } of sure(graph.waysIn.get(id), 'the graph has all slides')) {
          const target = indexOf.get(from);
          if (target !== undefined && from !== id) to.push(target);
        }
      }
      const leadsTo =
        link.target.kind === 'slide'
          ? [link.target.slideId]
          : (taken?.get(link.id) ?? graph.to.get(link.id) ?? []);
      for (const slideId of leadsTo) {
        const target = indexOf.get(slideId);
        if (target !== undefined) to.push(target);
      }
    }
    isEnding[index] = deck.slides[id]!.isEnding ? 1 : 0;
    isStop[index] = isEnding[index] || to.length === first[index] ? 1 : 0;
  }
  first[n] = to.length;
  const start = deck.startSlideId === null ? -1 : (indexOf.get(deck.startSlideId) ?? -1);
  const flat = Int32Array.from(to);
  const isReachable = reach(n, start < 0 ? [] : [start], first, flat);
  const { part, parts } = loops(n, first, flat);
  return { ids, indexOf, start, first, to: flat, isEnding, isStop, isReachable, part, parts };
}

const isBack = ({ target }: Link): boolean => target.kind === 'step' && target.step === 'back';
const isAlong = ({ target }: Link): boolean =>
  target.kind === 'step' && (target.step === 'next' || target.step === 'previous');

/**
 * Where steps along the trail lead from slides that it passes several times: that depends on the stop to which one has
 * come, so the walk is gone through by slide and stop. Null where no step hangs on it; links that nobody comes to are
 * not in it. One pass over the links of every slide, for each of its stops.
 */
function stepsTaken(deck: Deck, graph: RouteGraph): Map<LinkId, Set<SlideId>> | null {
  const trail = defaultTrail(deck);
  const start = deck.startSlideId;
  if (!trail || !start) return null;
  const hangsOnStop = (link: Link): boolean => isAlong(link) && isPassedAgain(trail, link.from);
  if (!Object.values(deck.links).some(hangsOnStop)) return null;
  const taken = new Map<LinkId, Set<SlideId>>();
  const seen = new Map<SlideId, Set<number | undefined>>();
  const waiting: { slideId: SlideId; stop: number | undefined }[] = [];
  const arrive = (slideId: SlideId, stop: number | undefined): void => {
    const stops = seen.get(slideId) ?? new Set();
    if (stops.has(stop) || !graph.waysOut.has(slideId)) return;
    seen.set(slideId, stops.add(stop));
    waiting.push({ slideId, stop });
  };
  arrive(start, arriveAt(trail, start, undefined));
  for (let here = waiting.pop(); here; here = waiting.pop()) {
    const { slideId, stop } = here;
    for (const link of graph.waysOut.get(slideId) ?? []) {
      if (isAlong(link)) {
        const to = stopTo(deck, link, { trail, stop });
        if (to === undefined) continue;
        const next = trail.stops[to]!.slideId;
        if (hangsOnStop(link)) taken.set(link.id, (taken.get(link.id) ?? new Set()).add(next));
        arrive(next, to);
        continue;
      }
      const leadsTo = isBack(link)
        ? (graph.waysIn.get(slideId) ?? []).map(({ from }) => from)
        : (graph.to.get(link.id) ?? []);
      for (const next of leadsTo) arrive(next, arriveAt(trail, next, stop));
    }
  }
  return taken;
}

/** Whether a trail comes to a slide again after it has left it. */
function isPassedAgain(trail: Trail, slideId: SlideId): boolean {
  return stopsOn(trail, slideId).some((at, index, all) => index > 0 && all[index - 1]! < at - 1);
}

/**
 * The same walk with the ways that begin anew taken out: those that come to the start again from a slide where the route
 * might have ended otherwise, or that hangs on such a one. A slide from which nothing else leads on is then a place where
 * a route stops. A station of a menu at the start is none of these: from it one can only come back, so menu and stations
 * stay one loop.
 */
export function withoutReturns(routes: Routes): Routes {
  let known = onward.get(routes);
  if (!known) onward.set(routes, (known = takenOut(routes)));
  return known;
}
const onward = new WeakMap<Routes, Routes>();

function takenOut(routes: Routes): Routes {
  const { ids, start, first, to, isStop } = routes;
  const n = ids.length;
  if (start < 0 || !to.includes(start)) return routes;
  const isStation = stationsOf(routes);
  const kept: number[] = [];
  const from = new Int32Array(n + 1);
  const stops = Uint8Array.from(isStop);
  for (let index = 0; index < n; index += 1) {
    from[index] = kept.length;
    for (let at = first[index]!; at < first[index + 1]!; at += 1) {
      if (to[at] !== start || index === start || isStation[index]) kept.push(to[at]!);
    }
    if (kept.length === from[index]) stops[index] = 1;
  }
  from[n] = kept.length;
  const flat = Int32Array.from(kept);
  return { ...routes, first: from, to: flat, isStop: stops, ...loops(n, from, flat) };
}

/** Slides that are come to from the start without passing one from which a stop is reached without the start. */
function stationsOf(routes: Routes): Uint8Array {
  const { ids, start, first, to, isStop } = routes;
  const n = ids.length;
  const back = turned({ ...routes, isReachable: new Uint8Array(n).fill(1) });
  const canStop = new Uint8Array(n);
  const waiting: number[] = [];
  for (let index = 0; index < n; index += 1) {
    if (isStop[index] && index !== start) waiting.push(index);
  }
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (canStop[at]) continue;
    canStop[at] = 1;
    for (const before of back.from.subarray(back.first[at], back.first[at + 1])) {
      if (before !== start) waiting.push(before);
    }
  }
  const found = new Uint8Array(n);
  waiting.push(...to.subarray(first[start], first[start + 1]));
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (found[at] || canStop[at] || at === start) continue;
    found[at] = 1;
    for (const next of to.subarray(first[at], first[at + 1])) waiting.push(next);
  }
  return found;
}

function reach(n: number, from: number[], first: Int32Array, to: Int32Array): Uint8Array {
  const found = new Uint8Array(n);
  const waiting = [...from];
  for (const index of from) found[index] = 1;
  while (waiting.length > 0) {
    const index = waiting.pop()!;
    for (let at = first[index]!; at < first[index + 1]!; at += 1) {
      const next = to[at]!;
      if (found[next]) continue;
      found[next] = 1;
      waiting.push(next);
    }
  }
  return found;
}

/** Tarjan's strongly connected components (1972), without recursion; in reverse topological order. */
function loops(
  n: number,
  first: Int32Array,
  to: Int32Array,
): { part: Int32Array; parts: number[][] } {
  const part = new Int32Array(n).fill(-1);
  const parts: number[][] = [];
  const order = new Int32Array(n).fill(-1);
  const low = new Int32Array(n);
  const cursor = Int32Array.from(first.subarray(0, n));
  const open: number[] = [];
  const walk: number[] = [];
  let count = 0;
  for (let root = 0; root < n; root += 1) {
    if (order[root]! >= 0) continue;
    walk.push(root);
    while (walk.length > 0) {
      const index = walk[walk.length - 1]!;
      if (order[index]! < 0) {
        order[index] = low[index] = count;
        count += 1;
        open.push(index);
      }
      let next = -1;
      while (cursor[index]! < first[index + 1]!) {
        const candidate = to[cursor[index]!]!;
        cursor[index]! += 1;
        if (order[candidate]! < 0) {
          next = candidate;
          break;
        }
        if (part[candidate]! < 0) low[index] = Math.min(low[index]!, order[candidate]!);
      }
      if (next >= 0) {
        walk.push(next);
        continue;
      }
      walk.pop();
      const above = walk[walk.length - 1];
      if (above !== undefined) low[above] = Math.min(low[above]!, low[index]!);
      if (low[index] !== order[index]) continue;
      const members: number[] = [];
      let member: number;
      do {
        member = open.pop()!;
        part[member] = parts.length;
        members.push(member);
      } while (member !== index);
      parts.push(members);
    }
  }
  return { part, parts };
}

/** Whether a part is a loop: more than one slide, or a slide that leads to itself. */
export function isLoop(routes: Routes, part: number): boolean {
  const members = routes.parts[part]!;
  if (members.length > 1) return true;
  const [only] = members as [number];
  for (let at = routes.first[only]!; at < routes.first[only + 1]!; at += 1) {
    if (routes.to[at] === only) return true;
  }
  return false;
}

/** The links turned round, of the slides that are reachable. */
export function turned(routes: Routes): { first: Int32Array; from: Int32Array } {
  const { ids, first, to, isReachable } = routes;
  const n = ids.length;
  const counts = new Int32Array(n + 1);
  for (let index = 0; index < n; index += 1) {
    if (!isReachable[index]) continue;
    for (let at = first[index]!; at < first[index + 1]!; at += 1) counts[to[at]! + 1]! += 1;
  }
  for (let index = 0; index < n; index += 1) counts[index + 1]! += counts[index]!;
  const from = new Int32Array(counts[n]!);
  const cursor = Int32Array.from(counts.subarray(0, n));
  for (let index = 0; index < n; index += 1) {
    if (!isReachable[index]) continue;
    for (let at = first[index]!; at < first[index + 1]!; at += 1) {
      from[cursor[to[at]!]!] = index;
      cursor[to[at]!]! += 1;
    }
  }
  return { first: counts, from };
}

/**
 * Immediate dominators from a root, by the iterative method of Cooper, Harvey and Kennedy (2001). `next` gives the
 * edges, `before` the edges turned round. −1 for the root and for what it does not reach.
 */
export function dominators(
  n: number,
  root: number,
  next: (index: number) => ArrayLike<number>,
  before: (index: number) => ArrayLike<number>,
): Int32Array {
  const number = new Int32Array(n).fill(-1);
  const postorder: number[] = [];
  const seen = new Uint8Array(n);
  const walk: { index: number; ways: ArrayLike<number>; taken: number }[] = [];
  const enter = (index: number): void => {
    seen[index] = 1;
    walk.push({ index, ways: next(index), taken: 0 });
  };
  enter(root);
  while (walk.length > 0) {
    const top = walk[walk.length - 1]!;
    if (top.taken === top.ways.length) {
      number[top.index] = postorder.length;
      postorder.push(top.index);
      walk.pop();
      continue;
    }
    const way = top.ways[top.taken++]!;
    if (!seen[way]) enter(way);
  }
  const idom = new Int32Array(n).fill(-1);
  idom[root] = root;
  for (let hasChanged = true; hasChanged;) {
    hasChanged = false;
    for (let at = postorder.length - 2; at >= 0; at -= 1) {
      const index = postorder[at]!;
      let above = -1;
      const ways = before(index);
      for (let taken = 0; taken < ways.length; taken += 1) {
        let candidate = ways[taken]!;
        if (number[candidate]! < 0 || idom[candidate]! < 0) continue;
        if (above < 0) {
          above = candidate;
          continue;
        }
        while (candidate !== above) {
          while (number[candidate]! < number[above]!) candidate = idom[candidate]!;
          while (number[above]! < number[candidate]!) above = idom[above]!;
        }
      }
      if (above >= 0 && idom[index] !== above) {
        idom[index] = above;
        hasChanged = true;
      }
    }
  }
  idom[root] = -1;
  return idom;
}
