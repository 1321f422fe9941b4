import {
  BEGINNINGS_OF_OURS,
  foldedId,
  mapRegions,
  readDeck,
  routeGraph,
  seenWires,
  plant,
  type Beginning,
  type Deck,
} from '@gobrel/core';
import {
  almanacDeck,
  fogBankDeck,
  lampDeck,
  rockPoolDeck,
  weatherDeck,
  type Pictures,
} from '@gobrel/demo';
import * as Y from 'yjs';
import { overlaps } from './mapOf.testing';
import { placeLabels } from './placeLabels';
import { routeWires } from './wireRoutes';

/** Nothing on a map depends on what its pictures show. */
const NO_PICTURES = new Proxy(
  {},
  { get: () => ({ hash: '0'.repeat(64), width: 16, height: 9 }) },
) as Pictures;

function planted(beginning: Beginning): Deck {
  const doc = new Y.Doc();
  plant(doc, beginning);
  return readDeck(doc);
}

const DECKS: [name: string, deck: Deck][] = [
  ...Object.entries({ almanacDeck, fogBankDeck, lampDeck, rockPoolDeck, weatherDeck }).map(
    ([name, make]): [string, Deck] => [name, readDeck(make(NO_PICTURES))],
  ),
  ...BEGINNINGS_OF_OURS.map((one): [string, Deck] => [one.id, planted(one)]),
];

test.each(DECKS)('on the map of %s nothing lies on anything else', (_, deck) => {
  const regions = mapRegions(deck);
  const spots = new Map<string, { x: number; y: number }>();
  for (const { id, x, y } of Object.values(deck.slides)) {
    if (!regions.hiddenIn.has(id)) spots.set(id, { x, y });
  }
  for (const { section, x, y } of regions.folded) spots.set(foldedId(section.id), { x, y });
  const wires = seenWires(deck, routeGraph(deck), regions).map(({ id, from, to, linkIds }, at) => ({
    id,
    from,
    to,
    wording: deck.links[linkIds[0]!]!.wording,
    isGathered: false,
    lane: at,
    aside: 0,
  }));
  const placed = placeLabels(routeWires(wires, spots, 'right').drawn, spots);
  expect(overlaps(spots, placed)).toEqual({
    labelsOnCards: 0,
    labelsOnLabels: 0,
    wiresUnderCards: 0,
    unsaid: 0,
  });
});
