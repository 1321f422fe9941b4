import { linksOf } from '../deck/links/linksOf.js';
import { whatStudentsMeet } from '../deck/met.js';
import type { Target } from '../deck/links/target.js';
import type { Deck, Link, Slide } from '../deck/types.js';
import type { SlideElement } from '../elements/elements.js';
import type { Typography } from '../parts/typography.js';
import type { LinkId, SlideId } from '../parts/ids.js';

/**
 * All that a student of a lesson may see of an edition. Built by naming what goes in, never by taking out:
 * a field that is added to a deck later stays with the teacher until it is named here.
 * Left behind: keys, expected pieces, notes, slides left out, spare material beside the stage, links from or to any
 * of these, and the choices that would lead to a slide left out.
 */
export function studentView(edition: Deck): Deck {
  const { deck: met } = whatStudentsMeet(edition);
  const slides: Record<SlideId, Slide> = {};
  for (const slide of Object.values(met.slides)) slides[slide.id] = slideForStudents(slide);
  const links: Record<LinkId, Link> = {};
  for (const { id, from, carrier, target, wording } of linksOf(met)) {
    links[id] = { id, from, carrier, target: targetForStudents(target, slides), wording };
  }
  return {
    title: edition.title,
    theme: edition.theme,
    language: edition.language,
    startSlideId: met.startSlideId,
    slides,
    links,
    // Which section lies in which, so that a sound runs on through it; their names stay with the teacher.
    sections: Object.fromEntries(
      Object.values(edition.sections).map(({ id, parentId }) => [
        id,
        { id, name: '', tint: 'petrol', parentId, isFolded: false },
      ]),
    ),
    // Students walk one trail and see no names of any.
    trails: met.trails.map(({ id, stops }) => ({
      id,
      name: '',
      tint: 'petrol',
      followsLinks: false,
      stops: stops.map(({ id, slideId, closeUpId }) => ({ id, slideId, closeUpId })),
    })),
    defaultTrailId: met.trails[0]?.id ?? null,
    setAside: {},
  };
}

/** Where a link that students get leads them, field by field. */
function targetForStudents(target: Target, slides: Record<SlideId, Slide>): Target {
  switch (target.kind) {
    case 'none':
    case 'deck':
      return { kind: 'none' };
    case 'slide': {
      const { slideId, spotId } = target;
      return spotId && slides[slideId]?.elements.some(({ id }) => id === spotId)
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

function slideForStudents(slide: Slide): Slide {
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
    sectionId: slide.sectionId,
    trunkId: '',
    layout: slide.layout,
    theme: slide.theme,
    ground: slide.ground,
    notes: '',
    elements: slide.elements.map(elementForStudents),
  };
}

/** Field by field, so that one that is added to an element later is not handed out by itself. */
function elementForStudents(element: SlideElement): SlideElement {
  const { id, layer, box, rotation, order, name, opacity, groupId, slot, piece } = element;
  const base = {
    id,
    layer,
    box,
    rotation,
    order,
    name,
    isLocked: true,
    opacity,
    groupId,
    slot,
    piece,
  };
  switch (element.kind) {
    case 'text': {
      const { kind, style, text, columns, fit, fill } = element;
      return { ...base, ...typography(element), kind, style, text, columns, fit, fill };
    }
    case 'shape': {
      const { kind, shape, points, text, fill, outline, shadow } = element;
      const { isFlippedAcross, isFlippedDown } = element;
      return {
        ...{ ...base, ...typography(element), kind, shape, points, text, fill, outline, shadow },
        ...{ isFlippedAcross, isFlippedDown },
      };
    }
    case 'picture': {
      const { kind, asset, alt, isDecoration, credit, showsCredit, fit, crop, mask } = element;
      const { points, outline, shadow, isFlippedAcross, isFlippedDown, adjust } = element;
      return {
        ...{ ...base, kind, asset, alt, isDecoration, credit, showsCredit, fit, crop, mask },
        ...{ points, outline, shadow, isFlippedAcross, isFlippedDown, adjust },
      };
    }
    case 'hotspot': {
      const { kind, shape, points } = element;
      return { ...base, kind, shape, points };
    }
    case 'line': {
      const { kind, path, points, from, to, tips, colour, weight, dash } = element;
      return { ...base, kind, path, points, from, to, tips, colour, weight, dash };
    }
    case 'ink': {
      const { kind, frame, strokes } = element;
      return { ...base, kind, frame, strokes };
    }
    case 'media': {
      const { kind, medium, media, poster, startsWithSlide, loops, runsOn, transcript } = element;
      return { ...base, kind, medium, media, poster, startsWithSlide, loops, runsOn, transcript };
    }
    case 'table': {
      const { kind, text, columns, outline } = element;
      return { ...base, ...typography(element), kind, text, columns, outline };
    }
    case 'closeup': {
      const { kind, shape, points, isSeen, outline } = element;
      return { ...base, kind, shape, points, isSeen, outline };
    }
    case 'credits':
      return { ...base, ...typography(element), kind: element.kind };
    case 'group':
      return { ...base, kind: element.kind };
    case 'zone': {
      const { kind, isVisible, takes, most, tidy } = element;
      return { ...base, kind, isVisible, takes, most, tidy, expects: null };
    }
    case 'question': {
      const { kind, text, question, isForThinking, isRequired, isFinal } = element;
      const { picture, pictureAlt, hint } = element;
      return {
        ...{ ...base, kind, text, question, key: null, isForThinking, isRequired, isFinal },
        ...{ picture, pictureAlt, hint, explanation: '' },
      };
    }
  }
}

function typography(element: Typography): Typography {
  const { family, size, colour, align, upright, leading, gap } = element;
  return { family, size, colour, align, upright, leading, gap };
}
