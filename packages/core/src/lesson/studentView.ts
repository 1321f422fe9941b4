import { linksOf } from '../deck/links/linksOf.js';
import { whatStudentsMeet } from '../deck/met.js';
import type { Target } from '../deck/links/target.js';
import type { Deck, Link, Slide } from '../deck/types.js';

import type { LinkId, SlideId } from '../parts/ids.js';
import { forStudents } from '../elements/registry.js';

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
    turn: edition.turn,
    numbering: edition.numbering,
    layouts: layoutsForStudents(met),
    language: edition.language,
    startSlideId: met.startSlideId,
    slides,
    links,
    // Which section lies in which, so that a sound runs on through it; their names stay with the teacher.
    sections: Object.fromEntries(
      Object.values(edition.sections).map(({ id, parentId }) => [
        id,
        { id, name: '', tint: 'petrol', parentId, isFolded: false, minutes: null },
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

/** What was laid by a layout is laid, and how is the teacher's: of those of patterns, what their empty places say. */
function layoutsForStudents({
  slides,
  layouts,
}: Pick<Deck, 'slides' | 'layouts'>): Deck['layouts'] {
  const shown: Deck['layouts'] = {};
  for (const { isPattern, ownLayout } of Object.values(slides)) {
    const layout = isPattern && ownLayout !== null ? layouts[ownLayout] : undefined;
    if (!layout || ownLayout === null) continue;
    const places = layout.places.filter(({ prompt, isShown }) => isShown && prompt !== null);
    if (places.length > 0) {
      shown[ownLayout] = { label: '', places, ground: null, showsNumber: true };
    }
  }
  return shown;
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
    trunkId: null,
    setOut: null,
    layout: slide.layout,
    ownLayout: slide.isPattern ? slide.ownLayout : null,
    hidesNumber: slide.hidesNumber,
    theme: slide.theme,
    scenery: slide.scenery,
    turn: slide.turn,
    ground: slide.ground,
    notes: '',
    elements: slide.elements.map(forStudents),
  };
}
