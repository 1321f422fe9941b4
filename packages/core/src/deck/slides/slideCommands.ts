import { command, type Plan } from '../command.js';
import * as Y from 'yjs';
import { newId, type ElementId, type SlideId, type SectionId, idOf } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { layoutOf } from '../../layouts/layouts.js';
import type { LayoutName } from '../../layouts/names.js';
import { cardSpotBeside, freeCardSpot } from './cards.js';
import { asNumber } from '../../parts/decode.js';
import { deckMap, linksMap, readSlide, slideOf, slidesMap } from '../document.js';
import { rewriteWords } from '../text/rewriteCommands.js';
import { wordsOf } from '../../parts/richText.js';
import { fillSlot } from './layoutCommands.js';

const LONGEST_TITLE = 300;

export interface SlideArgs {
  id?: SlideId;
  title: string;
  layout?: LayoutName;
  /** Where its card was put by hand, in map units; found beside the other cards when left out. */
  at?: { x: number; y: number };
  /** Where its card lies until the layout or a hand moves it. */
  spot?: { x: number; y: number };
  /** Place the card beside this one. */
  beside?: SlideId;
  /** What is on it stays as it was laid; otherwise it sets itself out while things come and go. */
  isByHand?: boolean;
}

/**
 * A new slide with its title on the stage. The first slide of a deck becomes its start.
 * Refused: `slide.double`.
 */
export const addSlide = command(
  'addSlide',
  'deck:write',
  (doc: Y.Doc, args: SlideArgs): Plan<{ slideId: SlideId }> => {
    const slideId: SlideId = args.id ?? newId();
    if (slidesMap(doc).has(slideId)) return refuse('slide.double');
    const title = args.title.trim().slice(0, LONGEST_TITLE);
    const layout = args.layout ?? 'text';
    const at =
      args.at ?? args.spot ?? (args.beside ? cardSpotBeside(doc, args.beside) : freeCardSpot(doc));
    return () => {
      const slide = new Y.Map<unknown>();
      slidesMap(doc).set(slideId, slide);
      slide.set('title', title);
      slide.set('x', at.x);
      slide.set('y', at.y);
      slide.set('isPlacedByHand', args.at !== undefined);
      slide.set('layout', layout);
      slide.set('elements', new Y.Map());
      if (!args.isByHand) slide.set('setOut', { name: null, isChosen: false });
      for (const spec of layoutOf(layout).slots) {
        const isTitle = spec.slot === 'title';
        fillSlot(
          doc,
          slideId,
          spec,
          isTitle ? title : '',
          isTitle ? titleIdOf(slideId) : undefined,
        );
      }
      const head = deckMap(doc);
      if (!head.get('startSlideId')) head.set('startSlideId', slideId);
      return { slideId };
    };
  },
);

/** The title text that is made with a slide has an identity that follows from the slide's. */
export function titleIdOf(slideId: SlideId): ElementId {
  return idOf(`${slideId}-title`.slice(-64));
}

/**
 * Names a slide. The title on its stage goes along as long as it says the same as the name.
 * Refused: `slide.gone`.
 */
export const renameSlide = command(
  'renameSlide',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, title: string): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const before = readSlide(slideId, slide);
    const after = title.trim().slice(0, LONGEST_TITLE);
    return () => {
      slide.set('title', after);
      const heading = before.elements.find(
        (element) => element.kind === 'text' && element.style === 'title',
      );
      if (heading && 'text' in heading && wordsOf(heading.text) === before.title) {
        rewriteWords(doc, slideId, heading.id, after);
      }
    };
  },
);

export type SlideFlag = 'isEnding' | 'isLeftOut' | 'isPattern' | 'isReady' | 'runsOn';

/** Refused: `slide.gone`. */
export const setSlideFlag = command(
  'setSlideFlag',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, flag: SlideFlag, value: boolean): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    return () => {
      slide.set(flag, value);
    };
  },
);

/** Refused: `slide.gone`. */
export const setNotes = command(
  'setNotes',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, notes: string): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    return () => {
      slide.set('notes', notes);
    };
  },
);

/** Refused: `slide.gone`. */
export const setStart = command('setStart', 'deck:write', (doc: Y.Doc, slideId: SlideId): Plan => {
  if (!slideOf(doc, slideId)) return refuse('slide.gone');
  return () => {
    deckMap(doc).set('startSlideId', slideId);
  };
});

/** Moves cards on the map by hand. Positions in map units. */
export const moveCards = command(
  'moveCards',
  'deck:write',
  (
    doc: Y.Doc,
    spots: { slideId: SlideId; x: number; y: number }[],
    by: 'hand' | 'layout' = 'hand',
    /** The section that they were put down in, when that is another one. */
    into?: SectionId,
  ): Plan => {
    return () => {
      for (const { slideId, x, y } of spots) {
        const slide = slideOf(doc, slideId);
        slide?.set('x', Math.round(asNumber(x, 0)));
        slide?.set('y', Math.round(asNumber(y, 0)));
        if (by === 'hand') slide?.set('isPlacedByHand', true);
        if (into) slide?.set('sectionId', into);
      }
    };
  },
);

/**
 * Takes slides out of the deck with the links that leave them. Links that arrive stay and show as broken,
 * so that nobody loses the wording of a choice with the slide it led to.
 * Refused: `slide.gone`.
 */
export const removeSlides = command(
  'removeSlides',
  'deck:write',
  (doc: Y.Doc, slideIds: SlideId[]): Plan => {
    const gone = slideIds.filter((slideId) => slidesMap(doc).has(slideId));
    if (gone.length === 0) return refuse('slide.gone');
    return () => {
      for (const [linkId, link] of [...linksMap(doc)]) {
        if (link instanceof Y.Map && gone.includes(link.get('from') as SlideId)) {
          linksMap(doc).delete(linkId);
        }
      }
      for (const slideId of gone) slidesMap(doc).delete(slideId);
      const start = deckMap(doc).get('startSlideId');
      if (gone.includes(start as SlideId)) {
        deckMap(doc).set('startSlideId', [...slidesMap(doc).keys()].sort()[0] ?? '');
      }
    };
  },
);

/** Refused: `deck.name`. */
export const renameDeck = command('renameDeck', 'deck:write', (doc: Y.Doc, title: string): Plan => {
  const trimmed = title.trim().slice(0, 200);
  if (trimmed === '') return refuse('deck.name');
  return () => {
    deckMap(doc).set('title', trimmed);
  };
});
