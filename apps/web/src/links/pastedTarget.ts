import {
  looksLikeAddress,
  readAddress,
  type Deck,
  type Target,
  asId,
  type SlideId,
} from '@gobrel/core';

/** The address of a slide, or of the deck, in the workspace; a link that was copied is this. */
export const slideAddress = (deckId: string, slideId: string | null): string =>
  `${location.origin}/deck/${deckId}${slideId ? `/slide/${slideId}` : ''}`;

/** What a link copies to the clipboard, so that pasting it on something else leads there too. */
export function addressOf(target: Target, deckId: string): string | null {
  switch (target.kind) {
    case 'slide':
      return slideAddress(deckId, target.slideId);
    case 'deck':
      return slideAddress(target.deckId, target.slideId);
    case 'web':
      return target.address;
    default:
      return null;
  }
}

/** Where a pasted text leads when it is an address and nothing else: a slide of this deck, another deck, the web. */
export function pastedTarget(text: string, deckId: string, deck: Deck): Target | null {
  if (!looksLikeAddress(text)) return null;
  const read = readAddress(text);
  if (!read.ok) return null;
  const url = new URL(read.address);
  const [, , otherDeck = '', , named] = url.pathname.split('/');
  const slideId = asId<SlideId>(named);
  if (url.origin === location.origin && url.pathname.startsWith('/deck/')) {
    if (otherDeck === deckId && slideId && deck.slides[slideId]) return { kind: 'slide', slideId };
    return { kind: 'deck', deckId: otherDeck, slideId, title: '' };
  }
  return { kind: 'web', address: read.address };
}
