import * as Y from 'yjs';
import { newId, refuse, type ElementId, type LinkId, type Result, type SlideId } from '../ids.js';
import { nextChoiceBox } from '../stage/layouts.js';
import {
  elementOf,
  fragmentOf,
  linksMap,
  readDeck,
  readSlide,
  slideOf,
  slidesMap,
  elementsOf,
} from './document.js';
import { addElementTo, relinkText, setWords } from './elementCommands.js';
import { COMMAND } from './history.js';
import { linkWords, plain } from './richText.js';
import { addSlide } from './slideCommands.js';
import type { Carrier } from './types.js';

const NO_SLIDE = 'This slide is not there any more.';
const NO_LINK = 'This link is not there any more.';

/**
 * Adds a choice to a slide: a linked line of text on its stage, and the slide that it leads to unless `to` names one.
 * This is the one step by which a map grows.
 */
export function addChoice(
  doc: Y.Doc,
  from: SlideId,
  wording: string,
  to?: { slideId?: SlideId; newSlideId?: SlideId; title?: string; linkId?: LinkId },
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
        layout: 'text',
      });
      if (added.ok) slideId = added.slideId;
    }
    const elementId = addElementTo(doc, from, {
      id: choiceIdOf(linkId),
      kind: 'text',
      style: 'choice',
      layer: 'content',
      box: nextChoiceBox(readSlide(from, slide)),
      text: plain(words),
    });
    putLink(doc, linkId, from, { kind: 'element', elementId }, slideId, words);
  }, COMMAND);
  return { ok: true, linkId, slideId };
}

const choiceIdOf = (linkId: LinkId): ElementId => `${linkId}-choice`.slice(-64);

function putLink(
  doc: Y.Doc,
  linkId: LinkId,
  from: SlideId,
  carrier: Carrier,
  slideId: SlideId,
  wording: string,
): void {
  const link = new Y.Map<unknown>();
  linksMap(doc).set(linkId, link);
  link.set('from', from);
  link.set('carrier', carrier);
  link.set('target', { kind: 'slide', slideId });
  link.set('wording', wording);
}

/** Links a whole element. One element carries one link: a second call changes where it leads. */
export function linkElement(
  doc: Y.Doc,
  from: SlideId,
  elementId: ElementId,
  slideId: SlideId,
): Result<{ linkId: LinkId }> {
  const element = elementOf(doc, from, elementId);
  if (!element) return refuse('This thing is not on the slide any more.');
  if (element.get('layer') !== 'content') {
    return refuse('Only what lies on the content layer carries links: scenery and pieces do not.');
  }
  if (!slidesMap(doc).has(slideId)) return refuse('The slide it should lead to is gone.');
  const carried = Object.values(readDeck(doc).links).find(
    (link) => link.carrier.kind === 'element' && link.carrier.elementId === elementId,
  );
  if (carried) {
    const changed = retarget(doc, carried.id, slideId);
    return changed.ok ? { ok: true, linkId: carried.id } : changed;
  }
  const linkId = newId();
  doc.transact(
    () => putLink(doc, linkId, from, { kind: 'element', elementId }, slideId, ''),
    COMMAND,
  );
  return { ok: true, linkId };
}

/** Links a run of words. The words are found as they stand in the element; a run that is split over marks counts. */
export function linkWordsOf(
  doc: Y.Doc,
  from: SlideId,
  elementId: ElementId,
  words: string,
  slideId: SlideId,
): Result<{ linkId: LinkId }> {
  const element = elementOf(doc, from, elementId);
  const fragment = element && fragmentOf(element);
  if (!fragment || words.trim() === '') return refuse('There are no words to link.');
  if (!slidesMap(doc).has(slideId)) return refuse('The slide it should lead to is gone.');
  const linkId = newId();
  let isThere = false;
  doc.transact(() => {
    isThere = linkWords(fragment, words, linkId);
    if (isThere) putLink(doc, linkId, from, { kind: 'words', elementId }, slideId, words);
  }, COMMAND);
  return isThere ? { ok: true, linkId } : refuse(`“${words}” does not stand in this text.`);
}

/**
 * Records a link whose words the text editor marks itself, in the same undo step as the marking.
 */
export function addWordLink(
  doc: Y.Doc,
  args: { linkId: LinkId; from: SlideId; elementId: ElementId; slideId: SlideId; words: string },
): Result {
  if (!slidesMap(doc).has(args.slideId)) return refuse('The slide it should lead to is gone.');
  doc.transact(
    () =>
      putLink(
        doc,
        args.linkId,
        args.from,
        { kind: 'words', elementId: args.elementId },
        args.slideId,
        args.words,
      ),
    COMMAND,
  );
  return { ok: true };
}

/** Draws a link from one slide to another by hand: it appears on the slide as a choice to be worded. */
export function linkSlides(doc: Y.Doc, from: SlideId, to: SlideId): Result<{ linkId: LinkId }> {
  const title = String(slideOf(doc, to)?.get('title') ?? '');
  const added = addChoice(doc, from, title, { slideId: to });
  return added.ok ? { ok: true, linkId: added.linkId } : added;
}

export function retarget(doc: Y.Doc, linkId: LinkId, slideId: SlideId): Result {
  const link = linksMap(doc).get(linkId);
  if (!(link instanceof Y.Map)) return refuse(NO_LINK);
  if (!slidesMap(doc).has(slideId)) return refuse('The slide it should lead to is gone.');
  doc.transact(() => link.set('target', { kind: 'slide', slideId }), COMMAND);
  return { ok: true };
}

/** Words a choice anew, on the map and on the slide at once. Words inside a longer text are left as they are. */
export function rewordLink(doc: Y.Doc, linkId: LinkId, wording: string): Result {
  const link = linksMap(doc).get(linkId);
  const read = readDeck(doc).links[linkId];
  if (!(link instanceof Y.Map) || !read) return refuse(NO_LINK);
  const words = wording.trim().slice(0, 300);
  if (words === '') return refuse('A choice needs a wording.');
  if (read.carrier.kind === 'words')
    return refuse('These words stand in a text: change them there.');
  const { carrier } = read;
  doc.transact(() => {
    link.set('wording', words);
    if (carrier.kind !== 'element') return;
    const element = elementOf(doc, read.from, carrier.elementId);
    if (element?.get('kind') === 'text') setWords(doc, read.from, carrier.elementId, plain(words));
  }, COMMAND);
  return { ok: true };
}

/** Cuts a wire. A choice made for it goes with it; any other carrier stays, unlinked. */
export function removeLink(doc: Y.Doc, linkId: LinkId): Result {
  const read = readDeck(doc).links[linkId];
  if (!linksMap(doc).has(linkId)) return refuse(NO_LINK);
  doc.transact(() => {
    linksMap(doc).delete(linkId);
    if (!read || read.carrier.kind === 'none') return;
    const { kind, elementId } = read.carrier;
    if (kind === 'words') relinkText(doc, read.from, elementId, linkId, null);
    else if (elementOf(doc, read.from, elementId)?.get('style') === 'choice') {
      const slide = slideOf(doc, read.from);
      if (slide) elementsOf(slide).delete(elementId);
    }
  }, COMMAND);
  return { ok: true };
}
