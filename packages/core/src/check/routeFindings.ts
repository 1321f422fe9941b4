import { firstOnMap, type StudentsMeet, type Unmet } from '../deck/met.js';
import { slideAt } from '../deck/links/target.js';
import type { Deck, Link, Slide } from '../deck/types.js';
import { type RouteGraph } from '../map/graph.js';
import { leadsOn, waitsForChoice } from '../map/reach.js';
import { isLoop, type Routes } from '../map/routes.js';
import { alikeFindings } from './alike.js';
import type { Finding } from './finding.js';
import { goingOn } from './goingOn.js';
import { titleOf } from '../deck/titleOf.js';
import { cut } from './naming.js';
import { sure } from '../parts/sure.js';

/** A deck, and the same as students meet it: as graphs and as routes. */
export interface Walked {
  deck: Deck;
  /** All links of the deck. */
  graph: RouteGraph;
  students: StudentsMeet;
  /** The links that students meet. */
  walk: RouteGraph;
  routes: Routes;
}

/** What is wrong with the ways through a deck. One pass over slides and links, besides the loops of `routes`. */
export function routeFindings(
  walked: Walked,
  /** Decks that may be read; undefined when nobody has asked yet. */
  readableDecks?: ReadonlySet<string>,
): Finding[] {
  const { deck, graph, students, routes } = walked;
  const slides = Object.values(deck.slides);
  if (slides.length === 0) return [];
  return [
    ...(deck.startSlideId ? startLeftOut(deck, students) : noStart(slides)),
    ...graph.broken.map(broken),
    ...offTrail(deck, graph, students),
    ...graph.unset.map(unset),
    ...onSlides(walked, slides, readableDecks),
    ...unreachable(deck, routes),
    ...endlessLoops(deck, routes),
    ...trailsOffLinks(deck, graph),
  ];
}

function onSlides(
  walked: Walked,
  slides: readonly Slide[],
  readableDecks: ReadonlySet<string> | undefined,
): Finding[] {
  const found: Finding[] = [];
  for (const slide of slides) {
    for (const finding of onSlide(walked, slide, readableDecks)) found.push(finding);
  }
  return withWaysOn(walked, found);
}

/** Slides that nothing leaves, in a deck with slides that nothing leads to: most are meant to come one after the other. */
function withWaysOn({ deck, graph }: Walked, found: Finding[]): Finding[] {
  const stuck = found.filter(
    ({ kind, slideId }) => kind === 'dead-end' && slideId && !graph.waysOut.get(slideId)?.length,
  );
  if (stuck.length === 0) return found;
  const next = goingOn(deck, graph);
  const steps = stuck.flatMap((finding) => {
    const from = sure(finding.slideId, 'a dead end is a slide');
    const slideId = next.get(from);
    return slideId ? [{ finding, from, slideId }] : [];
  });
  const ways = steps.map(({ from, slideId }) => ({ from, slideId }));
  for (const { finding, from, slideId } of steps) {
    finding.mends = [
      {
        label: `Go on to “${titleOf(deck.slides[slideId])}”`,
        do: 'go-on',
        ways: [{ from, slideId }],
      },
      ...(finding === steps[0]!.finding && ways.length > 1
        ? [{ label: `Let all ${ways.length} go on like that`, do: 'go-on', ways } as const]
        : []),
      ...finding.mends,
    ];
  }
  return found;
}

const isWalked = (slide: Slide): boolean => !slide.isPattern && !slide.isLeftOut;

function noStart(slides: Slide[]): Finding[] {
  const first = sure(firstOnMap(slides), 'there are slides');
  return [
    {
      kind: 'no-start',
      why: 'The deck does not say which slide a walk begins on.',
      mends: [{ label: `Start on “${titleOf(first)}”`, do: 'start', slideId: first.id }],
    },
  ];
}

function startLeftOut(deck: Deck, students: StudentsMeet): Finding[] {
  const start = deck.startSlideId && deck.slides[deck.startSlideId];
  if (!start?.isLeftOut) return [];
  const { startSlideId } = students.deck;
  const instead = startSlideId ? deck.slides[startSlideId] : undefined;
  return [
    {
      kind: 'start-left-out',
      slideId: start.id,
      why: instead
        ? `The deck begins on “${titleOf(start)}”, which is left out of lessons: students begin on “${titleOf(instead)}” instead.`
        : `The deck begins on “${titleOf(start)}”, which is left out of lessons: students have nothing to begin on.`,
      mends: [
        {
          label: `Give students “${titleOf(start)}”`,
          do: 'flag',
          slideId: start.id,
          flag: 'isLeftOut',
          value: false,
        },
        ...(instead
          ? [{ label: `Start on “${titleOf(instead)}”`, do: 'start', slideId: instead.id } as const]
          : []),
      ],
    },
  ];
}

const at = (link: Link): Pick<Finding, 'slideId' | 'linkIds' | 'elementIds'> => ({
  slideId: link.from,
  linkIds: [link.id],
  ...(link.carrier.kind === 'none' ? {} : { elementIds: [link.carrier.elementId] }),
});
function broken(link: Link): Finding {
  const isStep = link.target.kind === 'step';
  return {
    kind: 'broken-link',
    ...at(link),
    why: isStep
      ? `“${link.wording}” goes along a trail, but no trail says where to go from here.`
      : `The slide that “${link.wording}” led to has been deleted.`,
    mends: [{ label: 'Make a slide for it', do: 'new-slide', linkId: link.id }, cut(link)],
  };
}

/** Links along a trail that another trail carries on, and that of the students does not. */
function offTrail(deck: Deck, graph: RouteGraph, students: StudentsMeet): Finding[] {
  const found: Finding[] = [];
  const known = new Set(graph.broken);
  for (const [linkId, why] of students.unmet) {
    const link = deck.links[linkId]!;
    if (why !== 'off-trail' || known.has(link)) continue;
    found.push({
      kind: 'broken-link',
      ...at(link),
      why: `“${link.wording}” goes along a trail, but the one that students walk, “${students.deck.trails[0]?.name ?? ''}”, does not go on from here.`,
      mends: [{ label: 'Make a slide for it', do: 'new-slide', linkId: link.id }, cut(link)],
    });
  }
  return found;
}

function unset(link: Link): Finding {
  return {
    kind: 'unset-choice',
    ...at(link),
    why: `“${link.wording}” is offered, but nobody has said where it leads.`,
    mends: [{ label: 'Make a slide for it', do: 'new-slide', linkId: link.id }, cut(link)],
  };
}

/** Why students cannot go on from a slide although ways out of it are drawn. */
const NO_WAY: Record<Unmet, string> = {
  'from-left-out': '',
  'no-carrier': 'nothing on the slide carries its ways out',
  'carrier-off-stage': 'its ways out lie beside the stage',
  'leads-nowhere': 'its ways out lead nowhere',
  'to-left-out': 'its ways out lead to slides that are left out',
  'off-trail':
    'its ways out go along a trail, and the one that students walk does not go on from here',
  'to-other-deck': 'its ways out lead to another deck, which students do not have',
};

function onSlide(
  { deck, graph, students, walk }: Walked,
  slide: Slide,
  readableDecks: ReadonlySet<string> | undefined,
): Finding[] {
  const links = graph.waysOut.get(slide.id) ?? [];
  const found: Finding[] = [];
  if (isWalked(slide)) {
    const isBack = ({ target }: Link): boolean => target.kind === 'step' && target.step === 'back';
    const ways = walk === graph ? links : (walk.waysOut.get(slide.id) ?? []);
    const leadsOn = ways.some(
      (link) =>
        walk.to.has(link.id) || (isBack(link) && (walk.waysIn.get(slide.id) ?? []).length > 0),
    );
    if (!slide.isEnding && !leadsOn) {
      const unmet = links.flatMap(({ id }) => students.unmet.get(id) ?? [])[0];
      found.push({
        kind: 'dead-end',
        slideId: slide.id,
        why: unmet
          ? `A student is stuck here: ${NO_WAY[unmet]}, and it is not marked as an ending.`
          : 'A student is stuck here: no link leaves this slide, and it is not marked as an ending.',
        mends: [
          { label: 'Mark as ending', do: 'flag', slideId: slide.id, flag: 'isEnding', value: true },
          { label: 'Add “Start over”', do: 'restart', slideId: slide.id },
        ],
      });
    }
    if (slide.runsOn && waitsForChoice(graph, slide.id)) {
      found.push({
        kind: 'runs-on',
        slideId: slide.id,
        why: 'In a show the arrow keys go on from here without a choice being made.',
        mends: [
          {
            label: 'Wait for the choice',
            do: 'flag',
            slideId: slide.id,
            flag: 'runsOn',
            value: false,
          },
        ],
      });
    }
  }
  for (const element of slide.elements) {
    if (element.kind !== 'text' || element.style !== 'choice' || element.layer !== 'content')
      continue;
    const isCarrier = links.some(
      ({ carrier }) => carrier.kind !== 'none' && carrier.elementId === element.id,
    );
    if (isCarrier) continue;
    found.push({
      kind: 'bare-choice',
      slideId: slide.id,
      elementIds: [element.id],
      box: element.box,
      why: 'It looks like a choice, but it carries no link.',
      mends: [
        {
          label: 'Make a slide for it',
          do: 'choice-slide',
          slideId: slide.id,
          elementId: element.id,
        },
        { label: 'Take the line off', do: 'unlink', slideId: slide.id, elementId: element.id },
      ],
    });
  }
  const areAllMet = students.unmet.size === 0;
  for (const link of links) {
    const why = areAllMet ? undefined : students.unmet.get(link.id);
    if (why === 'no-carrier') {
      found.push({
        kind: 'uncarried-link',
        ...at(link),
        why: `“${link.wording || 'A way'}” is drawn on the map, but nothing on “${titleOf(slide)}” carries it: no student can take it.`,
        mends: [
          { label: 'Put it on the slide', do: 'carry', linkId: link.id, slideId: slide.id },
          cut(link),
        ],
      });
    }
    if (link.target.kind === 'deck' && readableDecks && !readableDecks.has(link.target.deckId)) {
      found.push({
        kind: 'gone-deck',
        ...at(link),
        why: `“${link.wording}” leads to “${link.target.title || 'another deck'}”, which is gone or not yours to read any more.`,
        mends: [{ label: 'Make a slide for it', do: 'new-slide', linkId: link.id }, cut(link)],
      });
    }
    if (why !== 'to-left-out') continue;
    const target = slideAt(deck, link.target);
    if (target) found.push(closed(link, target));
  }
  return links.length < 2 ? found : found.concat(alikeFindings(deck, slide, links));
}

const closed = (link: Link, target: Slide): Finding => ({
  kind: 'closed-link',
  ...at(link),
  why: `“${titleOf(target)}” is left out of lessons, so “${link.wording || 'this link'}” is not there for students, or does nothing.`,
  mends: [
    {
      label: `Give students “${titleOf(target)}”`,
      do: 'flag',
      slideId: target.id,
      flag: 'isLeftOut',
      value: false,
    },
    cut(link),
  ],
});

function unreachable(deck: Deck, routes: Routes): Finding[] {
  const { ids, isReachable } = routes;
  if (routes.start < 0) return [];
  let nearest: ReturnType<typeof nearestAmong> | null = null;
  return ids.flatMap((id, index) => {
    const slide = deck.slides[id]!;
    if (isReachable[index] || !isWalked(slide)) return [];
    nearest ??= nearestAmong(
      ids.filter((_, at) => isReachable[at]).map((reached) => deck.slides[reached]!),
    );
    const from = nearest(slide);
    return [
      {
        kind: 'unreachable',
        slideId: id,
        why: 'No link leads here from the start, so no student will see it.',
        mends: [
          ...(from
            ? [
                {
                  label: `Lead to it from “${titleOf(from)}”`,
                  do: 'lead',
                  from: from.id,
                  slideId: id,
                } as const,
              ]
            : []),
          {
            label: 'Leave it out of lessons',
            do: 'flag',
            slideId: id,
            flag: 'isLeftOut',
            value: true,
          },
        ],
      } satisfies Finding,
    ];
  });
}

/**
 * Finds the card that lies nearest on the map, the ones to the left of it first. Cards are searched outwards along x,
 * so only those that could still be nearer are looked at.
 */
function nearestAmong(slides: Slide[]): (to: Slide) => Slide | undefined {
  const byX = slides.filter(({ isEnding }) => !isEnding).sort((a, b) => a.x - b.x);
  const xs = Float64Array.from(byX, ({ x }) => x);
  return (to) => {
    let low = 0;
    for (let high = xs.length; low < high;) {
      const middle = (low + high) >> 1;
      if (xs[middle]! < to.x) low = middle + 1;
      else high = middle;
    }
    let best: Slide | undefined;
    let least = Infinity;
    const look = (slide: Slide, extra: number): void => {
      const distance = Math.hypot(slide.x - to.x, slide.y - to.y) + extra;
      if (distance < least) [best, least] = [slide, distance];
    };
    for (let at = low - 1; at >= 0 && to.x - xs[at]! < least; at -= 1) look(byX[at]!, 0);
    for (let at = low; at < xs.length && xs[at]! - to.x + RIGHT_OF < least; at += 1) {
      look(byX[at]!, RIGHT_OF);
    }
    return best;
  };
}

/** Map units by which a card to the right counts as further away: choices lead on, mostly. */
const RIGHT_OF = 400;

function endlessLoops(deck: Deck, routes: Routes): Finding[] {
  const { ids, first, to, part, parts, isStop, isReachable } = routes;
  const canEnd = new Uint8Array(parts.length);
  const found: Finding[] = [];
  parts.forEach((members, index) => {
    canEnd[index] = members.some((member) => {
      if (isStop[member]) return true;
      for (let link = first[member]!; link < first[member + 1]!; link += 1) {
        if (part[to[link]!] !== index && canEnd[part[to[link]!]!]) return true;
      }
      return false;
    })
      ? 1
      : 0;
    if (canEnd[index] || !isReachable[members[0]!] || !isLoop(routes, index)) return;
    const slides = members.map((member) => deck.slides[ids[member]!]!);
    const first_ = slides.sort((a, b) => a.x - b.x || a.y - b.y)[0]!;
    const last = slides.at(-1)!;
    found.push({
      kind: 'endless-loop',
      slideId: first_.id,
      why: `${slides.length === 1 ? `“${titleOf(first_)}” leads` : `“${titleOf(first_)}” and ${slides.length - 1} more lead`} round in a ring, and no ending can be reached from there.`,
      mends: [
        {
          label: `Mark “${titleOf(last)}” as ending`,
          do: 'flag',
          slideId: last.id,
          flag: 'isEnding',
          value: true,
        },
      ],
    });
  });
  return found;
}

function trailsOffLinks(deck: Deck, graph: RouteGraph): Finding[] {
  return deck.trails
    .filter(({ followsLinks }) => followsLinks)
    .flatMap(({ id, name, stops }) =>
      stops.slice(1).flatMap((stop, index): Finding[] => {
        const from = stops[index]!.slideId;
        if (from === stop.slideId || leadsOn(graph, from).includes(stop.slideId)) return [];
        const [a, b] = [deck.slides[from]!, deck.slides[stop.slideId]!];
        return [
          {
            kind: 'trail-off-links',
            slideId: from,
            trailId: id,
            stopId: stop.id,
            why: `The trail “${name}” says that it follows links, but none leads from “${titleOf(a)}” to “${titleOf(b)}”.`,
            mends: [
              {
                label: `Lead to “${titleOf(b)}”`,
                do: 'lead',
                from,
                slideId: stop.slideId,
              },
              { label: 'Let the trail step freely', do: 'free-trail', trailId: id },
            ],
          },
        ];
      }),
    );
}
