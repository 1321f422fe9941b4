import {
  addLeaf,
  answer,
  isPiece,
  place,
  plain,
  readFolio,
  routeGraph,
  setText,
  putInto,
  isAnsweredByPieces,
  questionsOn,
  sampleAnswer,
  visit,
  type Deck,
  type Placements,
  type ZoneElement,
} from '@gobrel/core';
import * as Y from 'yjs';

/** Whole numbers that look random and are the same every time (a linear congruential generator, Knuth's MMIX). */
export function seededNumbers(seed: number): (below: number) => number {
  let state = BigInt(seed) * 2654435761n + 12345n;
  return (below) => {
    state = (state * 6364136223846793005n + 1442695040888963407n) & 0xffffffffffffffffn;
    return Number((state >> 33n) % BigInt(below));
  };
}

const LINES = [
  'I would look for the cause before I choose.',
  'String does not carry a current. Copper does.',
  'The mirror was harder than it looked.',
  'We rowed north and it was a long way round.',
  'Next time I would take the flags at once.',
];

/** A folio as a student might leave it: a walk, answers more or less right, pieces moved, sometimes a leaf. */
export function walkedFolio(
  edition: Deck,
  seed: number,
  options: {
    startsAt: number;
    mostSteps: number;
    makesLeaf: boolean;
    /** Goes back from where the way ends and takes the others too. */
    seesAll?: boolean;
  },
): Y.Doc {
  const random = seededNumbers(seed);
  const doc = new Y.Doc();
  doc.clientID = 1000 + seed;
  const graph = routeGraph(edition);
  let slideId = edition.startSlideId ?? '';
  let at = options.startsAt + random(40) * 1000;
  // Of ten answers; who knows more knows more of everything.
  const rights = 4 + random(6);
  const seen = new Set<string>();
  const trail: string[] = [];
  const arrive = (via: Parameters<typeof visit>[2]): void => {
    visit(doc, slideId, via, at);
    if (!seen.has(slideId)) workOn(doc, edition, slideId, random, rights, at);
    seen.add(slideId);
    at += (20 + random(70)) * 1000;
  };
  arrive('start');
  for (let step = 1; step < options.mostSteps; step++) {
    const ways = (graph.waysOut.get(slideId) ?? []).filter(
      ({ id }) => graph.to.has(id) && !(options.seesAll && seen.has(graph.to.get(id)![0]!)),
    );
    const way = ways[random(Math.max(1, ways.length))];
    const before = options.seesAll ? trail.at(-1) : undefined;
    if (!way && before === undefined) break;
    if (way) trail.push(slideId);
    else trail.pop();
    slideId = way ? graph.to.get(way.id)![0]! : before!;
    arrive(way ? way.id : 'back');
  }
  const pattern = Object.values(edition.slides).find((slide) => slide.isPattern);
  if (options.makesLeaf && pattern) {
    const leafId = `leaf-${seed}`;
    addLeaf(doc, pattern, at, leafId);
    const [heading, body] = readFolio(doc).leaves[0]?.elements ?? [];
    if (heading) setText(doc, leafId, heading.id, plain('My route'));
    if (body) setText(doc, leafId, body.id, plain(LINES[random(LINES.length)]!));
  }
  return doc;
}

function workOn(
  doc: Y.Doc,
  edition: Deck,
  slideId: string,
  random: (below: number) => number,
  rights: number,
  at: number,
): void {
  const slide = edition.slides[slideId];
  if (!slide) return;
  for (const element of questionsOn(slide)) {
    // Pieces are put into zones below.
    if (isAnsweredByPieces(element.question)) continue;
    answer(doc, element.id, sampleAnswer(element, random(10) < rights, random), at);
  }
  const zones = slide.elements.filter((element): element is ZoneElement => element.kind === 'zone');
  const placements: Placements = {};
  for (const piece of slide.elements.filter(isPiece)) {
    const expected = zones.find((zone) => zone.expects?.includes(piece.id));
    const zone = random(10) < rights ? expected : zones[random(zones.length + 1)];
    if (!zone) continue;
    const put = putInto(slide, placements, piece.id, zone);
    Object.assign(placements, put.placements);
    place(doc, slideId, put.placements);
  }
}
