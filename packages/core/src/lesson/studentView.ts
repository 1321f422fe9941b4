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
  const closed = carriersToLeftOut(edition);
  for (const slide of Object.values(edition.slides)) {
    if (!slide.isLeftOut) slides[slide.id] = slideForStudents(slide, closed);
  }
  const links: Record<LinkId, Link> = {};
  for (const link of Object.values(edition.links)) {
    const from = slides[link.from];
    const { carrier } = link;
    const isCarried =
      carrier.kind !== 'none' && from?.elements.some((element) => element.id === carrier.elementId);
    if (from && slides[link.target.slideId] && isCarried) {
      links[link.id] = {
        id: link.id,
        from: link.from,
        carrier,
        target: { kind: 'slide', slideId: link.target.slideId },
        wording: link.wording,
      };
    }
  }
  const start = edition.startSlideId;
  return {
    title: edition.title,
    theme: edition.theme,
    startSlideId: start && slides[start] ? start : (Object.keys(slides).sort()[0] ?? null),
    slides,
    links,
  };
}

/** What carries a link to a slide that students do not get. */
function carriersToLeftOut(edition: Deck): Set<ElementId> {
  return new Set(
    Object.values(edition.links).flatMap(({ carrier, target }) =>
      carrier.kind === 'element' && edition.slides[target.slideId]?.isLeftOut
        ? [carrier.elementId]
        : [],
    ),
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
        credit: element.credit,
        fit: element.fit,
      };
    case 'zone':
      return { ...base, kind: 'zone', isVisible: element.isVisible, expects: null };
    case 'question':
      return {
        ...base,
        kind: 'question',
        text: element.text,
        question: element.question,
        key: null,
      };
  }
}
