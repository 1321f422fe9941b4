import * as Y from 'yjs';
import {
  newId,
  refuse,
  type ElementId,
  type LinkId,
  type OptionId,
  type Result,
  type SlideId,
} from '../../parts/ids.js';
import { nextChoiceBox } from '../../layouts/layouts.js';
import {
  occupiedOn,
  elementOf,
  elementsOf,
  layoutNameOf,
  linksMap,
  readLinkOf,
  slideOf,
  slidesMap,
} from '../document.js';
import { fragmentOf } from '../../elements/fields.js';

import { asId, asString } from '../../parts/decode.js';
import { addElementTo, carriedLinks, relinkText } from '../arranging/elementCommands.js';
import { rewriteWords } from '../text/rewriteCommands.js';
import { optionsOf } from '../../questions/registry.js';
import { COMMAND } from '../history.js';
import { linkWords, plain } from '../../parts/richText.js';
import { addSlide } from '../slides/slideCommands.js';
import { readAddress, toSlide, type Target } from './target.js';
import type { Carrier } from '../types.js';
import { elementKind, readElement } from '../../elements/registry.js';

const NO_SLIDE = 'This slide is not there any more.';
const NO_LINK = 'This link is not there any more.';
const NO_THING = 'This thing is not on the slide any more.';

/** Why a link cannot lead there, or null. */
function objection(doc: Y.Doc, target: Target): string | null {
  switch (target.kind) {
    case 'slide':
      if (!slidesMap(doc).has(target.slideId)) return 'The slide it should lead to is gone.';
      return target.spotId && !elementOf(doc, target.slideId, target.spotId)
        ? 'The spot it should lead to is gone.'
        : null;
    case 'web': {
      const read = readAddress(target.address);
      return read.ok ? null : read.reason;
    }
    default:
      return null;
  }
}

/**
 * Adds a choice to a slide: a linked line of text on its stage, and the slide that it leads to unless `to` names one.
 * This is the one step by which a map grows.
 */
export function addChoice(
  doc: Y.Doc,
  from: SlideId,
  wording: string,
  to?: {
    slideId?: SlideId;
    newSlideId?: SlideId;
    title?: string;
    linkId?: LinkId;
    /** Where the new slide's card is put, in map units. */
    at?: { x: number; y: number };
  },
): Result<{ linkId: LinkId; slideId: SlideId }> {
  const slide = slideOf(doc, from);
  if (!slide) return refuse(NO_SLIDE);
  if (to?.slideId && !slidesMap(doc).has(to.slideId))
    return refuse('The slide it should lead to is gone.');
  const words = wording.trim().slice(0, 300);
  const linkId = to?.linkId ?? newId();
  let slideId = to?.slideId ?? '';
  doc.transact(() => {
    if (!slideId) {
      const added = addSlide(doc, {
        id: to?.newSlideId,
        title: to?.title ?? words,
        beside: from,
        at: to?.at,
        layout: 'text',
      });
      if (added.ok) {
        slideId = added.slideId;
        slideOf(doc, slideId)?.set('trunkId', linkId);
      }
    }
    addChoiceLine(doc, from, linkId, words, toSlide(slideId));
  }, COMMAND);
  return { ok: true, linkId, slideId };
}

/** A worded choice that leads to any target; `none` leaves where it leads for later. */
export function addChoiceTo(
  doc: Y.Doc,
  from: SlideId,
  wording: string,
  target: Target,
  linkId: LinkId = newId(),
): Result<{ linkId: LinkId }> {
  if (!slideOf(doc, from)) return refuse(NO_SLIDE);
  const why = objection(doc, target);
  if (why) return refuse(why);
  doc.transact(
    () => addChoiceLine(doc, from, linkId, wording.trim().slice(0, 300), target),
    COMMAND,
  );
  return { ok: true, linkId };
}

function addChoiceLine(
  doc: Y.Doc,
  from: SlideId,
  linkId: LinkId,
  words: string,
  target: Target,
): void {
  const slide = slideOf(doc, from);
  if (!slide) return;
  const elementId = addElementTo(doc, from, {
    id: choiceIdOf(linkId),
    kind: 'text',
    style: 'choice',
    layer: 'content',
    box: nextChoiceBox(occupiedOn(slide), layoutNameOf(slide)),
    text: plain(words),
  });
  putLink(doc, linkId, from, { kind: 'element', elementId }, target, words);
}

const choiceIdOf = (linkId: LinkId): ElementId => `${linkId}-choice`.slice(-64);

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

/** Links a whole element. One element carries one link: a second call changes where it leads. */
export function linkElement(
  doc: Y.Doc,
  from: SlideId,
  elementId: ElementId,
  target: Target,
): Result<{ linkId: LinkId }> {
  const element = elementOf(doc, from, elementId);
  if (!element) return refuse(NO_THING);
  if (element.get('layer') !== 'content') {
    return refuse('Only what lies on the content layer carries links: scenery and pieces do not.');
  }
  const kind = element.get('kind');
  if (kind === 'question') {
    return refuse('A question carries links on its options, not as a whole.');
  }
  if (!elementKind(kind)?.may.carryLink) {
    return refuse(
      'Zones, sounds, videos, tables, credits and close-ups carry no links. Lay a hotspot over it.',
    );
  }
  return linkCarrier(doc, from, { kind: 'element', elementId }, target);
}

/** Links an option of a question: who picks it is led on. */
export function linkOption(
  doc: Y.Doc,
  from: SlideId,
  elementId: ElementId,
  optionId: OptionId,
  target: Target,
): Result<{ linkId: LinkId }> {
  const element = elementOf(doc, from, elementId);
  const read = element && readElement(elementId, element);
  if (read?.kind !== 'question' || !optionsOf(read.question).some(({ id }) => id === optionId)) {
    return refuse('This option is not there any more.');
  }
  return linkCarrier(doc, from, { kind: 'option', elementId, optionId }, target);
}

function linkCarrier(
  doc: Y.Doc,
  from: SlideId,
  carrier: Exclude<Carrier, { kind: 'none' | 'words' }>,
  target: Target,
): Result<{ linkId: LinkId }> {
  const why = objection(doc, target);
  if (why) return refuse(why);
  const carried = carriedLinks(doc, carrier.elementId).find((linkId) => {
    const known = (linksMap(doc).get(linkId) as Y.Map<unknown>).get('carrier') as Carrier;
    return carrier.kind === 'option'
      ? known.kind === 'option' && known.optionId === carrier.optionId
      : known.kind === 'element';
  });
  if (carried) {
    const changed = retarget(doc, carried, target);
    return changed.ok ? { ok: true, linkId: carried } : changed;
  }
  // Two who link one thing at once write one link: it is named after what carries it.
  const ownName = carrier.kind === 'option' ? carrier.optionId : '';
  const named = ['l', carrier.elementId, ownName].filter(Boolean).join('-');
  const linkId = linksMap(doc).has(named) || !asId(named) ? newId() : named;
  doc.transact(() => putLink(doc, linkId, from, carrier, target, ''), COMMAND);
  return { ok: true, linkId };
}

/** Links a run of words. The words are found as they stand in the element; a run that is split over marks counts. */
export function linkWordsOf(
  doc: Y.Doc,
  from: SlideId,
  elementId: ElementId,
  words: string,
  target: Target,
): Result<{ linkId: LinkId }> {
  const element = elementOf(doc, from, elementId);
  const fragment = element && fragmentOf(element);
  if (!fragment || words.trim() === '') return refuse('There are no words to link.');
  const why = objection(doc, target);
  if (why) return refuse(why);
  const linkId = newId();
  let isThere = false;
  doc.transact(() => {
    isThere = linkWords(fragment, words, linkId);
    if (isThere) putLink(doc, linkId, from, { kind: 'words', elementId }, target, words);
  }, COMMAND);
  return isThere ? { ok: true, linkId } : refuse(`“${words}” does not stand in this text.`);
}

/**
 * Records a link whose words the text editor marks itself, in the same undo step as the marking.
 */
export function addWordLink(
  doc: Y.Doc,
  args: { linkId: LinkId; from: SlideId; elementId: ElementId; target: Target; words: string },
): Result {
  const why = objection(doc, args.target);
  if (why) return refuse(why);
  const carrier = { kind: 'words', elementId: args.elementId } as const;
  doc.transact(
    () => putLink(doc, args.linkId, args.from, carrier, args.target, args.words),
    COMMAND,
  );
  return { ok: true };
}

/** Draws a link from one slide to another by hand: it appears on the slide as a choice to be worded. */
export function linkSlides(doc: Y.Doc, from: SlideId, to: SlideId): Result<{ linkId: LinkId }> {
  const title = asString(slideOf(doc, to)?.get('title'));
  const added = addChoice(doc, from, title, { slideId: to });
  return added.ok ? { ok: true, linkId: added.linkId } : added;
}

export function retarget(doc: Y.Doc, linkId: LinkId, target: Target): Result {
  const link = linksMap(doc).get(linkId);
  if (!(link instanceof Y.Map)) return refuse(NO_LINK);
  const why = objection(doc, target);
  if (why) return refuse(why);
  doc.transact(() => link.set('target', target), COMMAND);
  return { ok: true };
}

/**
 * Hangs a link that has lost its carrier on the slide again, as a choice line; or moves the beginning of a wire to
 * another slide, its choice line with it. Other carriers stay where they are, unlinked.
 */
export function moveLink(doc: Y.Doc, linkId: LinkId, from: SlideId): Result {
  const read = readLinkOf(doc, linkId);
  if (!read) return refuse(NO_LINK);
  if (!slideOf(doc, from)) return refuse(NO_SLIDE);
  doc.transact(() => {
    takeOff(doc, linkId, 'with its line');
    addChoiceLine(doc, from, linkId, read.wording, read.target);
  }, COMMAND);
  return { ok: true };
}

/** Words a choice anew, on the map and on the slide at once. Words inside a longer text are left as they are. */
export function rewordLink(doc: Y.Doc, linkId: LinkId, wording: string): Result {
  const link = linksMap(doc).get(linkId);
  const read = readLinkOf(doc, linkId);
  if (!(link instanceof Y.Map) || !read) return refuse(NO_LINK);
  const words = wording.trim().slice(0, 300);
  if (words === '') return refuse('A choice needs a wording.');
  if (read.carrier.kind === 'words')
    return refuse('These words stand in a text: change them there.');
  if (read.carrier.kind === 'option')
    return refuse('This is an option of a question: change it there.');
  const { carrier } = read;
  doc.transact(() => {
    link.set('wording', words);
    if (carrier.kind !== 'element') return;
    const element = elementOf(doc, read.from, carrier.elementId);
    if (element?.get('kind') === 'text') rewriteWords(doc, read.from, carrier.elementId, words);
  }, COMMAND);
  return { ok: true };
}

/**
 * Cuts a wire. A choice line made for it goes with it unless its words are kept; any other carrier stays, unlinked.
 */
export function removeLink(
  doc: Y.Doc,
  linkId: LinkId,
  how: 'with its line' | 'keep words' = 'with its line',
): Result {
  if (!linksMap(doc).has(linkId)) return refuse(NO_LINK);
  doc.transact(() => takeOff(doc, linkId, how), COMMAND);
  return { ok: true };
}

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
