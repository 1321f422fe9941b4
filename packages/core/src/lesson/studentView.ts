import { defaultTrail } from '../map/graph.js';
import type { Target } from '../deck/target.js';
import { isSpare, type Deck, type Link, type Slide, type SlideElement } from '../deck/types.js';
import type { ElementId, LinkId, SlideId } from '../ids.js';

/**
 * All that a student of a lesson may see of an edition. Built by naming what goes in, never by taking out:
 * a field that is added to a deck later stays with the teacher until it is named here.
 * Left behind: keys, expected pieces, notes, slides left out, spare material beside the stage, links from or to any
 * of these, and the choices that would lead to a slide left out.
 */
export function studentView(edition: Deck): Deck {
  const slides: Record<SlideId, Slide> = {};
  const closed = closedCarriers(edition);
  for (const slide of Object.values(edition.slides)) {
    if (!slide.isLeftOut) slides[slide.id] = slideForStudents(slide, closed);
  }
  const links: Record<LinkId, Link> = {};
  for (const link of Object.values(edition.links)) {
    const from = slides[link.from];
    const { carrier } = link;
    const isCarried =
      carrier.kind !== 'none' && from?.elements.some((element) => element.id === carrier.elementId);
    const target = targetForStudents(link.target, slides);
    if (from && target && isCarried) {
      links[link.id] = { id: link.id, from: link.from, carrier, target, wording: link.wording };
    }
  }
  const start = edition.startSlideId;
  const trail = defaultTrail(edition);
  return {
    title: edition.title,
    theme: edition.theme,
    startSlideId: start && slides[start] ? start : (Object.keys(slides).sort()[0] ?? null),
    slides,
    links,
    sections: {},
    // Students walk one trail and see no names of any.
    trails: (trail ? [trail] : []).map(({ id, stops }) => ({
      id,
      name: '',
      tint: 'petrol',
      followsLinks: false,
      stops: stops
        .filter((stop) => slides[stop.slideId])
        .map(({ id, slideId }) => ({ id, slideId })),
    })),
    defaultTrailId: trail?.id ?? null,
    setAside: {},
  };
}

/** Where a student can be led; undefined where only the teacher can go. */
function targetForStudents(target: Target, slides: Record<SlideId, Slide>): Target | undefined {
  switch (target.kind) {
    case 'none':
    // Students have this edition and no other deck.
    case 'deck':
      return undefined;
    case 'slide': {
      const { slideId, spotId } = target;
      const slide = slides[slideId];
      if (!slide) return undefined;
      return spotId && slide.elements.some(({ id }) => id === spotId)
        ? { kind: 'slide', slideId, spotId }
        : { kind: 'slide', slideId };
    }
    case 'step':
      return { kind: 'step', step: target.step };
    case 'web':
      return { kind: 'web', address: target.address };
    case 'file': {
      const { hash, name, size } = target.file;
      return { kind: 'file', file: { hash, name, size } };
    }
  }
}

/** Choice lines whose link students cannot follow: a line that leads nowhere is not shown to them. */
function closedCarriers(edition: Deck): Set<ElementId> {
  return new Set(
    Object.values(edition.links).flatMap(({ carrier, target }) => {
      const isClosed =
        target.kind === 'slide'
          ? (edition.slides[target.slideId]?.isLeftOut ?? true)
          : target.kind === 'none' || target.kind === 'deck';
      return carrier.kind === 'element' && isClosed ? [carrier.elementId] : [];
    }),
  );
}

function slideForStudents(slide: Slide, closed: Set<ElementId>): Slide {
  const isShown = (element: SlideElement): boolean =>
    !isSpare(element) &&
    !(element.kind === 'text' && element.style === 'choice' && closed.has(element.id));
  return {
    id: slide.id,
    title: slide.title,
    x: slide.x,
    y: slide.y,
    isPlacedByHand: slide.isPlacedByHand,
    isEnding: slide.isEnding,
    isLeftOut: false,
    isPattern: slide.isPattern,
    isReady: true,
    runsOn: slide.runsOn,
    sectionId: null,
    trunkId: '',
    layout: slide.layout,
    fill: slide.fill,
    notes: '',
    elements: slide.elements.filter(isShown).map(elementForStudents),
  };
}

function elementForStudents(element: SlideElement): SlideElement {
  const { id, layer, box, order, name } = element;
  const base = { id, layer, box, order, name };
  switch (element.kind) {
    case 'text':
      return {
        ...base,
        kind: 'text',
        style: element.style,
        text: element.text,
        colour: element.colour,
        size: element.size,
      };
    case 'shape':
      return {
        ...base,
        kind: 'shape',
        shape: element.shape,
        text: element.text,
        fill: element.fill,
        colour: element.colour,
      };
    case 'picture':
      return {
        ...base,
        kind: 'picture',
        asset: element.asset,
        alt: element.alt,
        isDecoration: element.isDecoration,
        credit: element.credit,
        licence: element.licence,
        fit: element.fit,
      };
    case 'hotspot':
      return { ...base, kind: 'hotspot', shape: element.shape };
    case 'line': {
      const { slope, colour, weight } = element;
      return { ...base, kind: 'line', slope, colour, weight };
    }
    case 'zone':
      return { ...base, kind: 'zone', isVisible: element.isVisible, expects: null };
    case 'question':
      return {
        ...base,
        kind: 'question',
        text: element.text,
        question: element.question,
        key: null,
        isForThinking: element.isForThinking,
      };
  }
}
