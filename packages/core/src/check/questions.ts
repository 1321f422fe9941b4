import { isPiece, isSpare } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import type { ZoneElement } from '../elements/zone/zone.js';
import { type Deck, type Slide } from '../deck/types.js';
import { STAGE } from '../parts/place.js';
import type { Measures } from '../map/measures.js';
import { elementWords } from '../elements/registry.js';
import { markingOf } from '../questions/marking.js';
import { completed } from '../stage/asked.js';
import { kindOf, optionsOf } from '../questions/registry.js';
import type { Finding } from './finding.js';

const asksOrMoves = ({ kind, layer }: SlideElement): boolean =>
  kind === 'question' || kind === 'zone' || layer === 'pieces';

/** What is wrong with the questions, zones and pieces of a slide. */
export function questionFindings(slide: Slide): Finding[] {
  const found: Finding[] = [];
  if (!slide.elements.some(asksOrMoves)) return found;
  const pieces = slide.elements.filter((element) => isPiece(element) && !isSpare(element));
  const zones = slide.elements.filter((element): element is ZoneElement => element.kind === 'zone');
  for (const given of slide.elements) {
    if (given.kind !== 'question' || isSpare(given)) continue;
    const element = completed(given, slide);
    const spot = { slideId: slide.id, elementIds: [element.id], box: element.box };
    const place = { slideId: slide.id, elementId: element.id };
    if (!element.key && !element.isForThinking && !kindOf(element.question.kind).isByHand) {
      found.push({
        kind: 'no-key',
        ...spot,
        why: 'Nothing says what the right answer is, so it cannot be marked.',
        mends: [
          { label: 'It is for thinking', do: 'set', ...place, settings: { isForThinking: true } },
        ],
      });
    }
    const { key } = element;
    const impossible =
      key && key.kind === element.question.kind
        ? markingOf(key.kind).impossible?.(element.question, key)
        : null;
    if (impossible) {
      const { label, question = given.question, key: mended = given.key } = impossible.mend;
      found.push({
        kind: 'key-impossible',
        ...spot,
        why: impossible.why,
        mends: [{ label, do: 'question', ...place, question, key: mended }],
      });
    }
    const named = key && markingOf(key.kind).right;
    if (named) {
      const known = new Set<string>(optionsOf(element.question).map(({ id }) => id));
      const right = named.of(key).filter((id) => known.has(id));
      if (right.length < named.of(key).length) {
        found.push({
          kind: 'key-not-among',
          ...spot,
          why: 'The key names an option that is not among those given, so nobody can be right.',
          mends: [
            {
              label: 'Take it out of the key',
              do: 'set',
              ...place,
              settings: { key: named.only(key, right) },
            },
          ],
        });
      }
    }
  }
  for (const zone of zones) {
    const expected = (zone.expects ?? []).flatMap(
      (id) => pieces.find((piece) => piece.id === id) ?? [],
    );
    const gone = (zone.expects ?? []).length - expected.length;
    const closed = closedZone(slide, zone, expected);
    if (closed) found.push(closed);
    const room = zone.box.w * zone.box.h;
    const needed = expected.reduce((sum, { box }) => sum + box.w * box.h, 0);
    const widest = Math.max(0, ...expected.map(({ box }) => box.w));
    const highest = Math.max(0, ...expected.map(({ box }) => box.h));
    const fits = needed <= room && widest <= zone.box.w && highest <= zone.box.h;
    if (gone === 0 && fits) continue;
    const place = { slideId: slide.id, elementId: zone.id };
    const w = Math.min(STAGE.width, Math.max(zone.box.w, widest + 16));
    const h = Math.min(
      STAGE.height,
      Math.ceil(Math.max(zone.box.h, highest + 16, (needed * 1.3) / w)),
    );
    found.push({
      kind: 'zone-too-small',
      slideId: slide.id,
      elementIds: [zone.id],
      box: zone.box,
      why:
        gone > 0
          ? `“${zone.name || 'This zone'}” waits for ${gone === 1 ? 'a piece that is' : `${gone} pieces that are`} not on the slide any more.`
          : `“${zone.name || 'This zone'}” is too small for the ${expected.length === 1 ? 'piece' : `${expected.length} pieces`} that belong in it.`,
      mends:
        gone > 0
          ? [
              {
                label: 'Wait only for those that are there',
                do: 'set',
                ...place,
                settings: { expects: expected.map(({ id }) => id) },
              },
            ]
          : [
              {
                label: 'Make it large enough',
                do: 'box',
                ...place,
                box: {
                  x: Math.round(Math.max(0, Math.min(zone.box.x, STAGE.width - w))),
                  y: Math.round(Math.max(0, Math.min(zone.box.y, STAGE.height - h))),
                  w,
                  h,
                },
              },
            ],
    });
  }
  for (const piece of pieces) {
    const waiting = zones.filter(({ expects }) => expects?.includes(piece.id));
    const copies = piece.piece.copies === 0 ? Infinity : piece.piece.copies;
    if (waiting.length <= copies) continue;
    const last = waiting.at(-1)!;
    const names = waiting.map(({ name }) => `“${name || 'a zone'}”`).join(' and ');
    found.push({
      kind: 'key-impossible',
      slideId: slide.id,
      elementIds: [piece.id, ...waiting.map(({ id }) => id)],
      box: piece.box,
      why: `${names} wait for “${elementWords(piece) || 'the same piece'}”, of which there ${copies === 1 ? 'is only one' : `are only ${copies}`}: nobody can put it right.`,
      mends: [
        {
          label: `Expect it only in “${waiting[0]!.name || 'the first zone'}”`,
          do: 'set',
          slideId: slide.id,
          elementId: last.id,
          settings: { expects: (last.expects ?? []).filter((id) => id !== piece.id) },
        },
      ],
    });
  }
  const wanted = new Set(zones.flatMap((zone) => zone.expects ?? []));
  if (wanted.size === 0) return found;
  for (const piece of pieces) {
    if (wanted.has(piece.id)) continue;
    const zone = zones
      .filter(({ expects }) => (expects ?? []).length > 0)
      .sort((a, b) => apart(a.box, piece.box) - apart(b.box, piece.box))[0]!;
    found.push({
      kind: 'piece-unwanted',
      slideId: slide.id,
      elementIds: [piece.id],
      box: piece.box,
      why: 'Other pieces have a zone that waits for them, this one has none.',
      mends: [
        {
          label: `Expect it in “${zone.name || 'the nearest zone'}”`,
          do: 'set',
          slideId: slide.id,
          elementId: zone.id,
          settings: { expects: [...(zone.expects ?? []), piece.id] },
        },
      ],
    });
  }
  return found;
}

const apart = (a: { x: number; y: number }, b: { x: number; y: number }): number =>
  Math.hypot(a.x - b.x, a.y - b.y);

/** A zone that waits for pieces which it does not take, or for more of them than it holds. */
function closedZone(
  slide: Slide,
  zone: ZoneElement,
  expected: readonly SlideElement[],
): Finding | null {
  const { takes, most } = zone;
  const kept = takes ? expected.filter(({ id }) => !takes.includes(id)) : [];
  const name = zone.name || 'This zone';
  const place = { slideId: slide.id, elementId: zone.id };
  const spot = { slideId: slide.id, elementIds: [zone.id], box: zone.box };
  if (takes && kept.length > 0) {
    return {
      kind: 'zone-closed',
      ...spot,
      why: `“${name}” waits for ${kept.length === 1 ? 'a piece' : `${kept.length} pieces`} that it does not take.`,
      mends: [
        {
          label: 'Let it take them',
          do: 'set',
          ...place,
          settings: { takes: [...takes, ...kept.map(({ id }) => id)] },
        },
      ],
    };
  }
  if (most === 0 || expected.length <= most) return null;
  return {
    kind: 'zone-closed',
    ...spot,
    why: `“${name}” waits for ${expected.length} pieces, but holds only ${most}.`,
    mends: [
      { label: 'Let it hold them all', do: 'set', ...place, settings: { most: expected.length } },
    ],
  };
}

/** Questions that no route comes to. What only some routes come to is no fault: the measures tell it. */
export function coverageFindings(deck: Deck, measures: Measures): Finding[] {
  return measures.coverage.flatMap(({ slideId, questionId, share, isOnEvery }): Finding[] => {
    const slide = deck.slides[slideId]!;
    if (isOnEvery || slide.isPattern) return [];
    const spot = {
      slideId,
      elementIds: [questionId],
      box: slide.elements.find(({ id }) => id === questionId)?.box,
    };
    if (share === null || share > 0) return [];
    return [
      {
        kind: 'question-unseen',
        ...spot,
        why: 'No route from the start to an ending passes it, so nobody will answer it.',
        mends: deck.startSlideId
          ? [{ label: 'Lead to it from the start', do: 'lead', from: deck.startSlideId, slideId }]
          : [],
      },
    ];
  });
}
