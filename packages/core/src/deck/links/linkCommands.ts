import { occupiedOn } from '../slides/occupied.js';
import { command, isRefusal, type Plan } from '../command.js';
import * as Y from 'yjs';
import {
  asId,
  newId,
  type ElementId,
  type LinkId,
  type OptionId,
  type SlideId,
  idOf,
} from '../../parts/ids.js';
import { refuse, type Refusal } from '../../parts/refusals.js';
import { nextChoiceBox } from '../../layouts/layouts.js';
import {
  elementOf,
  elementsOf,
  layoutNameOf,
  linksMap,
  readLinkOf,
  slideOf,
  slidesMap,
} from '../document.js';
import { fragmentOf } from '../../elements/fields.js';

import { asString } from '../../parts/decode.js';
import { addPlacedTo, carriedLinks, relinkText } from '../arranging/elementCommands.js';
import { rewriteWords } from '../text/rewriteCommands.js';
import { optionsOf } from '../../questions/registry.js';
import { findWords, linkWords, plain } from '../../parts/richText.js';
import { addSlide } from '../slides/slideCommands.js';
import { readAddress, toSlide, type Target } from './target.js';
import type { Carrier } from '../types.js';
import { elementKind, readElement } from '../../elements/registry.js';
import { sure } from '../../parts/sure.js';

/** Why a link cannot lead there, or null. */
function objection(doc: Y.Doc, target: Target): Refusal | null {
  switch (target.kind) {
    case 'slide':
      if (!slidesMap(doc).has(target.slideId)) return refuse('link.slideGone');
      return target.spotId && !elementOf(doc, target.slideId, target.spotId)
        ? refuse('link.spotGone')
        : null;
    case 'web': {
      const read = readAddress(target.address);
      return read.ok ? null : read;
    }
    default:
      return null;
  }
}

/**
 * Adds a choice to a slide: a linked line of text on its stage, and the slide that it leads to unless `to` names one.
 * This is the one step by which a map grows.
 * Refused: `link.slideGone`, `slide.gone`.
 */
export const addChoice = command(
  'addChoice',
  'deck:write',
  (
    doc: Y.Doc,
    from: SlideId,
    wording: string,
    to?: {
      slideId?: SlideId;
      title?: string;
      linkId?: LinkId;
      /** Where the new slide's card is put, in map units. */
      at?: { x: number; y: number };
    },
  ): Plan<{ linkId: LinkId; slideId: SlideId }> => {
    const slide = slideOf(doc, from);
    if (!slide) return refuse('slide.gone');
    if (to?.slideId && !slidesMap(doc).has(to.slideId)) return refuse('link.slideGone');
    const words = wording.trim().slice(0, 300);
    const linkId: LinkId = to?.linkId ?? newId();
    return () => {
      let slideId = to?.slideId;
      if (!slideId) {
        const added = addSlide(doc, {
          title: to?.title ?? words,
          beside: from,
          at: to?.at,
          layout: 'text',
        });
        slideId = sure(added.ok ? added.slideId : null, 'a new id is nobody’s');
        slideOf(doc, slideId)?.set('trunkId', linkId);
      }
      addChoiceLine(doc, from, linkId, words, toSlide(slideId));
      return { linkId, slideId };
    };
  },
);

/**
 * A worded choice that leads to any target; `none` leaves where it leads for later.
 * Refused: `link.slideGone`, `link.spotGone`, `slide.gone`.
 */
export const addChoiceTo = command(
  'addChoiceTo',
  'deck:write',
  (
    doc: Y.Doc,
    from: SlideId,
    wording: string,
    target: Target,
    linkId: LinkId = newId(),
  ): Plan<{ linkId: LinkId }> => {
    if (!slideOf(doc, from)) return refuse('slide.gone');
    const why = objection(doc, target);
    if (why) return why;
    return () => {
      addChoiceLine(doc, from, linkId, wording.trim().slice(0, 300), target);
      return { linkId };
    };
  },
);

function addChoiceLine(
  doc: Y.Doc,
  from: SlideId,
  linkId: LinkId,
  words: string,
  target: Target,
): void {
  const slide = slideOf(doc, from);
  if (!slide) return;
  const elementId = addPlacedTo(doc, from, {
    id: choiceIdOf(linkId),
    kind: 'text',
    style: 'choice',
    layer: 'content',
    box: nextChoiceBox(occupiedOn(slide), layoutNameOf(slide)),
    text: plain(words),
  });
  putLink(doc, linkId, from, { kind: 'element', elementId }, target, words);
}

const choiceIdOf = (linkId: LinkId): ElementId => idOf(`${linkId}-choice`.slice(-64));

/** Inside an open transaction. */
export function putLink(
  doc: Y.Doc,
  linkId: LinkId,
  from: SlideId,
  carrier: Carrier,
  target: Target,
  wording: string,
): void {
  const link = new Y.Map<unknown>();
  linksMap(doc).set(linkId, link);
  link.set('from', from);
  link.set('carrier', carrier);
  link.set('target', target);
  link.set('wording', wording);
}

/**
 * Links a whole element. One element carries one link: a second call changes where it leads.
 * Refused: `link.kind`, `link.layer`, `link.question`, `link.slideGone`, `link.spotGone`, `thing.gone`.
 */
export const linkElement = command(
  'linkElement',
  'deck:write',
  (doc: Y.Doc, from: SlideId, elementId: ElementId, target: Target): Plan<{ linkId: LinkId }> => {
    const element = elementOf(doc, from, elementId);
    if (!element) return refuse('thing.gone');
    if (element.get('layer') !== 'content') {
      return refuse('link.layer');
    }
    const kind = element.get('kind');
    if (kind === 'question') {
      return refuse('link.question');
    }
    if (!elementKind(kind)?.may.carryLink) {
      return refuse('link.kind');
    }
    return linkCarrier(doc, from, { kind: 'element', elementId }, target);
  },
);

/**
 * Links an option of a question: who picks it is led on.
 * Refused: `link.optionGone`, `link.slideGone`, `link.spotGone`.
 */
export const linkOption = command(
  'linkOption',
  'deck:write',
  (
    doc: Y.Doc,
    from: SlideId,
    elementId: ElementId,
    optionId: OptionId,
    target: Target,
  ): Plan<{ linkId: LinkId }> => {
    const element = elementOf(doc, from, elementId);
    const read = element && readElement(elementId, element);
    if (read?.kind !== 'question' || !optionsOf(read.question).some(({ id }) => id === optionId)) {
      return refuse('link.optionGone');
    }
    return linkCarrier(doc, from, { kind: 'option', elementId, optionId }, target);
  },
);

function linkCarrier(
  doc: Y.Doc,
  from: SlideId,
  carrier: Exclude<Carrier, { kind: 'none' | 'words' }>,
  target: Target,
): Plan<{ linkId: LinkId }> {
  const why = objection(doc, target);
  if (why) return why;
  const carried = carriedLinks(doc, carrier.elementId).find((linkId) => {
    const known = (linksMap(doc).get(linkId) as Y.Map<unknown>).get('carrier') as Carrier;
    return carrier.kind === 'option'
      ? known.kind === 'option' && known.optionId === carrier.optionId
      : known.kind === 'element';
  });
  if (carried) {
    const change = retarget.plan(doc, carried, target);
    if (isRefusal(change)) return change;
    return () => {
      change();
      return { linkId: carried };
    };
  }
  // Two who link one thing at once write one link: it is named after what carries it.
  const ownName = carrier.kind === 'option' ? carrier.optionId : '';
  const named = ['l', carrier.elementId, ownName].filter(Boolean).join('-');
  const isFree = !linksMap(doc).has(named);
  const linkId: LinkId = (isFree && asId<LinkId>(named)) || newId();
  return () => {
    putLink(doc, linkId, from, carrier, target, '');
    return { linkId };
  };
}

/**
 * Links a run of words. The words are found as they stand in the element; a run that is split over marks counts.
 * Refused: `link.noWords`, `link.otherWords`, `link.slideGone`, `link.spotGone`.
 */
export const linkWordsOf = command(
  'linkWordsOf',
  'deck:write',
  (
    doc: Y.Doc,
    from: SlideId,
    elementId: ElementId,
    words: string,
    target: Target,
  ): Plan<{ linkId: LinkId }> => {
    const element = elementOf(doc, from, elementId);
    const fragment = element && fragmentOf(element);
    if (!fragment || words.trim() === '') return refuse('link.noWords');
    const why = objection(doc, target);
    if (why) return why;
    const linkId = newId<LinkId>();
    if (!findWords(fragment, words)) return refuse('link.otherWords', { words });
    return () => {
      linkWords(fragment, words, linkId);
      putLink(doc, linkId, from, { kind: 'words', elementId }, target, words);
      return { linkId };
    };
  },
);

/**
 * Records a link whose words the text editor marks itself, in the same undo step as the marking.
 * Refused: `link.slideGone`, `link.spotGone`.
 */
export const addWordLink = command(
  'addWordLink',
  'deck:write',
  (
    doc: Y.Doc,
    args: { linkId: LinkId; from: SlideId; elementId: ElementId; target: Target; words: string },
  ): Plan => {
    const why = objection(doc, args.target);
    if (why) return why;
    const carrier = { kind: 'words', elementId: args.elementId } as const;
    return () => {
      putLink(doc, args.linkId, args.from, carrier, args.target, args.words);
    };
  },
);

/** Draws a link from one slide to another by hand: it appears on the slide as a choice to be worded. */
export const linkSlides = command(
  'linkSlides',
  'deck:write',
  (doc: Y.Doc, from: SlideId, to: SlideId): Plan<{ linkId: LinkId }> => {
    const title = asString(slideOf(doc, to)?.get('title'));
    const add = addChoice.plan(doc, from, title, { slideId: to });
    if (isRefusal(add)) return add;
    return () => ({ linkId: add().linkId });
  },
);

/** Refused: `link.gone`, `link.slideGone`, `link.spotGone`. */
export const retarget = command(
  'retarget',
  'deck:write',
  (doc: Y.Doc, linkId: LinkId, target: Target): Plan => {
    const link = linksMap(doc).get(linkId);
    if (!(link instanceof Y.Map)) return refuse('link.gone');
    const why = objection(doc, target);
    if (why) return why;
    return () => {
      link.set('target', target);
    };
  },
);

/**
 * Hangs a link that has lost its carrier on the slide again, as a choice line; or moves the beginning of a wire to
 * another slide, its choice line with it. Other carriers stay where they are, unlinked.
 * Refused: `link.gone`, `slide.gone`.
 */
export const moveLink = command(
  'moveLink',
  'deck:write',
  (doc: Y.Doc, linkId: LinkId, from: SlideId): Plan => {
    const read = readLinkOf(doc, linkId);
    if (!read) return refuse('link.gone');
    if (!slideOf(doc, from)) return refuse('slide.gone');
    return () => {
      takeOff(doc, linkId, 'with its line');
      addChoiceLine(doc, from, linkId, read.wording, read.target);
    };
  },
);

/**
 * Words a choice anew, on the map and on the slide at once. Words inside a longer text are left as they are.
 * Refused: `link.gone`, `link.inOption`, `link.inText`, `link.wording`.
 */
export const rewordLink = command(
  'rewordLink',
  'deck:write',
  (doc: Y.Doc, linkId: LinkId, wording: string): Plan => {
    const link = linksMap(doc).get(linkId);
    const read = readLinkOf(doc, linkId);
    if (!(link instanceof Y.Map) || !read) return refuse('link.gone');
    const words = wording.trim().slice(0, 300);
    if (words === '') return refuse('link.wording');
    if (read.carrier.kind === 'words') return refuse('link.inText');
    if (read.carrier.kind === 'option') return refuse('link.inOption');
    const { carrier } = read;
    return () => {
      link.set('wording', words);
      if (carrier.kind !== 'element') return;
      const element = elementOf(doc, read.from, carrier.elementId);
      if (element?.get('kind') === 'text') rewriteWords(doc, read.from, carrier.elementId, words);
    };
  },
);

/**
 * Which choice of its slide a show takes that plays by itself: this one, and none of the others, or none at all.
 * Refused: `link.gone`.
 */
export const markPlayed = command(
  'markPlayed',
  'deck:write',
  (doc: Y.Doc, linkId: LinkId, isPlayed: boolean): Plan => {
    const from = readLinkOf(doc, linkId)?.from;
    if (!from) return refuse('link.gone');
    return () => {
      for (const [id, link] of linksMap(doc)) {
        if (!(link instanceof Y.Map) || link.get('from') !== from) continue;
        if (id === linkId && isPlayed) link.set('isPlayed', true);
        else if (link.has('isPlayed')) link.delete('isPlayed');
      }
    };
  },
);

/**
 * Cuts a wire. A choice line made for it goes with it unless its words are kept; any other carrier stays, unlinked.
 * Refused: `link.gone`.
 */
export const removeLink = command(
  'removeLink',
  'deck:write',
  (doc: Y.Doc, linkId: LinkId, how: 'with its line' | 'keep words' = 'with its line'): Plan => {
    if (!linksMap(doc).has(linkId)) return refuse('link.gone');
    return () => {
      takeOff(doc, linkId, how);
    };
  },
);

function takeOff(doc: Y.Doc, linkId: LinkId, how: 'with its line' | 'keep words'): void {
  const read = readLinkOf(doc, linkId);
  linksMap(doc).delete(linkId);
  if (!read || read.carrier.kind === 'none') return;
  const { kind, elementId } = read.carrier;
  if (kind === 'words') relinkText(doc, read.from, elementId, linkId, null);
  else if (kind === 'element' && how === 'with its line') {
    const slide = slideOf(doc, read.from);
    if (slide && elementOf(doc, read.from, elementId)?.get('style') === 'choice') {
      elementsOf(slide).delete(elementId);
    }
  }
}
