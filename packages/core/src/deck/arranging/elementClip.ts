import { command, type Plan } from '../command.js';
import * as Y from 'yjs';
import { newId, type ElementId, type LinkId, type SlideId, idOf } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { withMembers } from '../../elements/groups.js';
import { asRecord } from '../../parts/decode.js';
import { elementsOf, linksMap, readLink, readSlide, slideOf, slidesMap } from '../document.js';
import { readDeck } from '../readDeck.js';
import { addElementTo, MOST_ELEMENTS } from './elementCommands.js';
import type { Layer } from '../../parts/place.js';

import { putLink } from '../links/linkCommands.js';
import { LINK_MARK, type RichNode, type RichText } from '../../parts/richText.js';
import { NOWHERE } from '../links/target.js';
import type { Carrier, Deck, Link } from '../types.js';
import {
  elementKind,
  namingCopies,
  type NewElement,
  type SlideElement,
} from '../../elements/registry.js';
import { sure } from '../../parts/sure.js';

/** Things taken off a slide with the links that they carry: plain data that a clipboard can carry. */
export interface ElementClip {
  /** Says where the clip is from: links to slides are kept within that deck. */
  deckId: string;
  elements: SlideElement[];
  links: Link[];
}

export function clipElements(
  deck: Pick<Deck, 'slides' | 'links'>,
  deckId: string,
  slideId: SlideId,
  elementIds: readonly ElementId[],
): ElementClip {
  const slide = deck.slides[slideId];
  const elements = slide ? withMembers(slide.elements, elementIds) : [];
  const taken = new Set(elements.map(({ id }) => id));
  return {
    deckId,
    elements,
    links: Object.values(deck.links).filter(
      ({ carrier, from }) =>
        from === slideId && carrier.kind !== 'none' && taken.has(carrier.elementId),
    ),
  };
}

/**
 * A clip out of text that somebody pasted, or undefined. It is read as a slide is, through a document of its own, so a
 * forged one holds nothing that a slide could not hold.
 */
export function readElementClip(text: string): ElementClip | undefined {
  try {
    const { deckId, elements, links } = asRecord(JSON.parse(text));
    if (typeof deckId !== 'string' || !Array.isArray(elements) || !Array.isArray(links))
      return undefined;
    const doc = new Y.Doc();
    const slide = new Y.Map<unknown>();
    const clip = idOf<SlideId>('clip');
    doc.transact(() => {
      slidesMap(doc).set(clip, slide);
      slide.set('elements', new Y.Map());
      for (const element of elements.slice(0, MOST_ELEMENTS)) {
        addElementTo(doc, clip, element as NewElement);
      }
      for (const link of links.slice(0, MOST_ELEMENTS) as Link[]) {
        putLink(doc, link.id, clip, link.carrier, link.target, link.wording);
      }
    });
    const deck = readDeck(doc);
    return {
      deckId,
      elements: sure(deck.slides[clip], 'a clip is one slide').elements,
      links: Object.values(deck.links),
    };
  } catch {
    // Whatever it was, it was no clip.
    return undefined;
  }
}

/**
 * Puts the things of a clip on a slide as new ones, moved by an offset. Links to slides are kept within the deck they
 * are from; others lead nowhere and their wordings are told in `lost`.
 * Refused: `slide.gone`, `thing.nonePasted`, `thing.room`.
 */
export const pasteElements = command(
  'pasteElements',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    clip: ElementClip,
    deckId: string,
    by: { dx: number; dy: number } = { dx: 0, dy: 0 },
    layer?: Layer,
  ): Plan<{ elementIds: ElementId[]; lost: string[] }> => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    if (clip.elements.length === 0) return refuse('thing.nonePasted');
    const room = MOST_ELEMENTS - elementsOf(slide).size;
    if (clip.elements.length > room) {
      return refuse('thing.room', { count: clip.elements.length, room: Math.max(0, room) });
    }
    const elementIds = new Map(clip.elements.map(({ id }) => [id, newId<ElementId>()]));
    const linkIds = new Map(clip.links.map(({ id }) => [id, newId<LinkId>()]));
    const lost: string[] = [];
    return () => {
      for (const element of clip.elements) {
        const copy = newElementOf(element, elementIds, linkIds);
        const { box } = element;
        addElementTo(doc, slideId, {
          ...copy,
          id: sure(elementIds.get(element.id), 'everything of the clip has a new id'),
          layer: layer && !staysOnLayer(element) ? layer : element.layer,
          box: { ...box, x: box.x + by.dx, y: box.y + by.dy },
        });
      }
      for (const link of clip.links) {
        const isKept =
          link.target.kind !== 'slide' ||
          (clip.deckId === deckId && slidesMap(doc).has(link.target.slideId));
        if (!isKept) lost.push(link.wording || 'a link without words');
        const carrier = carrierOf(link.carrier, elementIds);
        const target = isKept ? link.target : NOWHERE;
        putLink(
          doc,
          sure(linkIds.get(link.id), 'every link of the clip has a new id'),
          slideId,
          carrier,
          target,
          link.wording,
        );
      }
      const outer = clip.elements.filter(({ groupId }) => !groupId || !elementIds.has(groupId));
      return {
        elementIds: outer.map(({ id }) =>
          sure(elementIds.get(id), 'everything of the clip has a new id'),
        ),
        lost,
      };
    };
  },
);

const staysOnLayer = ({ kind }: SlideElement): boolean => elementKind(kind).staysOn !== undefined;

/**
 * Copies of things on the same slide, moved by an offset. Links they carry are carried by the copies too.
 * Refused: `slide.gone`, `thing.gone`.
 */
export const duplicateElements = command(
  'duplicateElements',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    elementIds: readonly ElementId[],
    by: { dx: number; dy: number } = { dx: 24, dy: 24 },
  ): Plan<{ elementIds: ElementId[] }> => {
    const clip = clipElements(readAlone(doc, slideId), '', slideId, elementIds);
    if (clip.elements.length === 0)
      return refuse(slideOf(doc, slideId) ? 'thing.gone' : 'slide.gone');
    return pasteElements.plan(doc, slideId, clip, '', by);
  },
);

/** One slide and the links that leave it: the rest of a deck of thousands is not read for them. */
function readAlone(doc: Y.Doc, slideId: SlideId): Pick<Deck, 'slides' | 'links'> {
  const slide = slideOf(doc, slideId);
  if (!slide) return { slides: {}, links: {} };
  const slides = { [slideId]: readSlide(slideId, slide) };
  const links: Deck['links'] = {};
  for (const [linkId, link] of linksMap(doc)) {
    if (!(link instanceof Y.Map) || link.get('from') !== slideId) continue;
    const read = readLink(linkId, link, slides);
    if (read) links[linkId] = read;
  }
  return { slides, links };
}

/** An element as a new one, with all that it names of other things replaced by their copies. */
export function newElementOf(
  element: SlideElement,
  elementIds: ReadonlyMap<ElementId, ElementId> = new Map(),
  linkIds?: ReadonlyMap<LinkId, LinkId>,
): NewElement {
  const { order: _order, ...copy } = namingCopies(element, (id) => elementIds.get(id) ?? id);
  if ('text' in copy && linkIds) copy.text = relinked(copy.text, linkIds);
  return copy;
}

function relinked(text: RichText, linkIds: ReadonlyMap<LinkId, LinkId>): RichText {
  const walk = (node: RichNode): RichNode => ({
    ...node,
    ...(node.content ? { content: node.content.map(walk) } : {}),
    ...(node.marks
      ? {
          marks: node.marks.flatMap((mark) => {
            if (mark.type !== LINK_MARK) return [mark];
            const linkId = linkIds.get(idOf(String(mark.attrs?.linkId)));
            return linkId ? [{ ...mark, attrs: { linkId } }] : [];
          }),
        }
      : {}),
  });
  return { type: 'doc', content: text.content.map(walk) };
}

export function carrierOf(
  carrier: Carrier,
  elementIds: ReadonlyMap<ElementId, ElementId>,
): Carrier {
  if (carrier.kind === 'none') return carrier;
  const elementId = elementIds.get(carrier.elementId);
  return elementId ? { ...carrier, elementId } : { kind: 'none' };
}
