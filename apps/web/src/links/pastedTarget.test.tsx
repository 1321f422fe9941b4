import { deck, slide } from '@gobrel/core/testing';
import { asId, readDeck, type Deck, type SlideId, type Target } from '@gobrel/core';
import { addressOf, pastedTarget, slideAddress } from './pastedTarget';

const tides: Deck = readDeck(deck(slide('pier'), slide('dune')));
const pasted = (text: string): Target | null => pastedTarget(text, 'own', tides);
const id = (text: string): SlideId => asId<SlideId>(text)!;

test('the address of a slide of this deck leads to it; of one that is gone, to the deck', () => {
  expect(pasted(slideAddress('own', 'dune'))).toEqual({ kind: 'slide', slideId: 'dune' });
  expect(pasted(slideAddress('own', 'gone'))).toMatchObject({ kind: 'deck', deckId: 'own' });
});

test('the address of another deck leads to that, and to its slide when it names one', () => {
  expect(pasted(slideAddress('other', null))).toMatchObject({ kind: 'deck', deckId: 'other' });
  expect(pasted(`${location.origin}/deck/other/slide/s9`)).toMatchObject({
    kind: 'deck',
    deckId: 'other',
    slideId: 's9',
  });
});

test('any other address leads to the web; what is none leads nowhere', () => {
  expect(pasted('https://example.org/tides?at=8:15')).toEqual({
    kind: 'web',
    address: 'https://example.org/tides?at=8:15',
  });
  for (const text of ['', 'the pier', 'see https://example.org', 'javascript:alert(1)']) {
    expect(pasted(text)).toBeNull();
  }
});

test('what a link copies leads to the same when it is pasted', () => {
  const targets: Target[] = [
    { kind: 'slide', slideId: id('dune') },
    { kind: 'deck', deckId: 'other', slideId: id('s9'), title: '' },
    { kind: 'web', address: 'https://example.org/' },
  ];
  for (const target of targets) expect(pasted(addressOf(target, 'own')!)).toEqual(target);
  expect(addressOf({ kind: 'none' }, 'own')).toBeNull();
});
