import { isSameTarget } from '../deck/links/targetWords.js';
import { isSpare } from '../elements/elements.js';
import { holdsMembers, type SlideElement } from '../elements/registry.js';
import { type Link, type Slide } from '../deck/types.js';
import { freeSpot } from '../geometry/freeSpot.js';
import { STAGE, type Box } from '../parts/place.js';
import { isInTheWay } from '../stage/covering.js';
import { SMALLEST_AREA } from '../stage/legible.js';
import type { Finding, Mend } from './finding.js';
import { sure } from '../parts/sure.js';

/** Less than this much overlap, in slide units, is taken for touching edges. */
const SLACK = 4;
/** Things on a slide for which a free spot is looked for: what shares it is moved one after the other anyway. */
const MOST_LOOKED_FOR = 12;
/** Things that a finding points at besides the one that it is about. */
const MOST_SHOWN = 12;

/** Choices that one slide shows side by side; of more, some may have no room. */
export const MOST_CHOICES = 8;

interface Area {
  element: SlideElement;
  link: Link;
  /** Position from bottom to top. */
  level: number;
}

/** What is wrong with the areas of a slide that carry links, and with things that leave the stage. */
export function touchFindings(slide: Slide, links: readonly Link[]): Finding[] {
  const carried = new Map<string, Link>();
  for (const link of links) {
    if (link.carrier.kind === 'element') carried.set(link.carrier.elementId, link);
  }
  const areas: Area[] = [];
  const found: Finding[] = [];
  slide.elements.forEach((element, level) => {
    const link = carried.get(element.id);
    if (link) areas.push({ element, link, level });
    const isOwn = element.layer === 'content' && !holdsMembers(element);
    const offStage = link || isOwn ? offTheStage(slide, element, link) : null;
    if (offStage) found.push(offStage);
  });
  const pressed: { area: Area; finding: Finding }[] = [];
  let looked = 0;
  const freeSpot = (element: SlideElement): Mend[] =>
    ++looked > MOST_LOOKED_FOR ? [] : parted(slide, element, areas);
  areas.forEach((area, index) => {
    const { element, link } = area;
    if (isSpare(element)) return;
    const small = tooSmall(slide, area);
    if (small) found.push(small);
    const sharing: Area[] = [];
    for (let at = 0; at < index; at += 1) {
      const other = areas[at]!;
      if (intersection(other.element.box, element.box) === null) continue;
      if (!isSameTarget(other.link.target, link.target)) sharing.push(other);
    }
    if (sharing.length > 0) {
      const spot = freeSpot(element);
      const finding = overlap(slide, area, sharing, spot);
      found.push(finding);
      if (isChoice(element)) pressed.push({ area, finding });
    }
    const above = slide.elements.find(
      (candidate, level) =>
        level > area.level &&
        !carried.has(candidate.id) &&
        candidate.groupId !== element.id &&
        covers(candidate, element.box),
    );
    if (above) {
      found.push({
        kind: 'covered',
        slideId: slide.id,
        elementIds: [element.id, above.id],
        linkIds: [link.id],
        box: element.box,
        why: `“${link.wording || 'This link'}” lies under something else and cannot be touched.`,
        mends:
          above.layer === element.layer
            ? [
                {
                  label: 'Bring it to the front',
                  do: 'order',
                  slideId: slide.id,
                  elementId: element.id,
                  to: 'front',
                },
              ]
            : freeSpot(element),
      });
    }
  });
  const choices = areas.filter(({ element }) => isChoice(element));
  const hasRoom = pressed.every(({ finding }) => finding.mends.length > 0);
  if (choices.length <= MOST_CHOICES || hasRoom) return found;
  const told = new Set(pressed.map(({ finding }) => finding));
  return [
    ...found.filter((one) => !told.has(one)),
    crowded(
      slide,
      choices.length,
      pressed.map(({ area }) => area),
    ),
  ];
}

const isChoice = (element: SlideElement): boolean =>
  element.kind === 'text' && element.style === 'choice';

/** One finding for all choices that have no room: moving them one by one would not help. */
function crowded(slide: Slide, choices: number, pressed: readonly Area[]): Finding {
  const shown = pressed.slice(0, MOST_SHOWN);
  return {
    kind: 'crowded',
    slideId: slide.id,
    elementIds: shown.map(({ element }) => element.id),
    linkIds: shown.map(({ link }) => link.id),
    box: sure(shown[0], 'one is pressed').element.box,
    why: `Of ${choices} choices ${pressed.length} ${pressed.length === 1 ? 'lies' : 'lie'} on others, and there is no room for all of them.`,
    mends: [{ label: 'Spread them over several slides', do: 'spread', slideId: slide.id }],
  };
}

/** One finding for a thing, however many it shares a spot with. */
function overlap(slide: Slide, { element, link }: Area, sharing: Area[], mends: Mend[]): Finding {
  const [first] = sharing as [Area];
  const shown = sharing.slice(0, MOST_SHOWN);
  const others = sharing.map((other) => `“${other.link.wording || 'one link'}”`);
  const named =
    others.length < 3 ? others.join(' and ') : `${others[0]} and ${others.length - 1} more`;
  return {
    kind: 'overlap',
    slideId: slide.id,
    elementIds: [...shown.map((other) => other.element.id), element.id],
    linkIds: [...shown.map((other) => other.link.id), link.id],
    box: sure(intersection(first.element.box, element.box), 'the two overlap'),
    why: `“${link.wording || 'This link'}” shares a spot with ${named}, which lead${sharing.length > 1 ? '' : 's'} somewhere else: a finger may meet either.`,
    mends,
  };
}

function offTheStage(slide: Slide, element: SlideElement, link: Link | undefined): Finding | null {
  const { box } = element;
  const isWhole =
    box.x >= 0 && box.y >= 0 && box.x + box.w <= STAGE.width && box.y + box.h <= STAGE.height;
  if (isWhole) return null;
  const isBeside = isSpare(element);
  if (isBeside && !link) return null;
  const seen = intersection(box, { x: 0, y: 0, w: STAGE.width, h: STAGE.height });
  const share = seen ? (seen.w * seen.h) / (box.w * box.h) : 0;
  // Pictures may bleed off the edge on purpose; words and links may not.
  if (!link && (element.kind === 'picture' || element.kind === 'line' || share > 0.92)) return null;
  const inside = {
    ...box,
    x: Math.round(Math.max(0, Math.min(box.x, STAGE.width - box.w))),
    y: Math.round(Math.max(0, Math.min(box.y, STAGE.height - box.h))),
  };
  return {
    kind: isBeside ? 'off-stage-link' : 'off-stage',
    slideId: slide.id,
    elementIds: [element.id],
    ...(link ? { linkIds: [link.id] } : {}),
    box,
    why: isBeside
      ? `“${link?.wording ?? ''}” lies beside the stage, so students never see it.`
      : 'It reaches over the edge of the stage and is cut off there.',
    mends: [
      {
        label: 'Move it onto the stage',
        do: 'box',
        slideId: slide.id,
        elementId: element.id,
        box: inside,
      },
    ],
  };
}

function tooSmall(slide: Slide, { element, link }: Area): Finding | null {
  const { box } = element;
  const isLine = element.kind === 'line';
  if ((box.w >= SMALLEST_AREA && box.h >= SMALLEST_AREA) || (isLine && box.w >= SMALLEST_AREA))
    return null;
  const w = Math.max(box.w, SMALLEST_AREA);
  const h = Math.max(box.h, SMALLEST_AREA);
  const grown = {
    x: Math.round(Math.max(0, Math.min(box.x - (w - box.w) / 2, STAGE.width - w))),
    y: Math.round(Math.max(0, Math.min(box.y - (h - box.h) / 2, STAGE.height - h))),
    w,
    h,
  };
  return {
    kind: 'small-area',
    slideId: slide.id,
    elementIds: [element.id],
    linkIds: [link.id],
    box,
    why: `“${link.wording || 'This link'}” is ${Math.round(box.w)} × ${Math.round(box.h)} units; a finger on a small tablet needs ${SMALLEST_AREA} × ${SMALLEST_AREA}.`,
    mends: [
      {
        label: 'Make it large enough',
        do: 'box',
        slideId: slide.id,
        elementId: element.id,
        box: grown,
      },
    ],
  };
}

export function intersection(a: Box, b: Box): Box | null {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  const w = Math.min(a.x + a.w, b.x + b.w) - x;
  const h = Math.min(a.y + a.h, b.y + b.h) - y;
  return w > SLACK && h > SLACK ? { x, y, w, h } : null;
}

/** Whether something that is in the way lies over more than half of an area. */
function covers(element: SlideElement, box: Box): boolean {
  if (!isInTheWay(element)) return false;
  const shared = intersection(element.box, box);
  return shared !== null && shared.w * shared.h > 0.5 * box.w * box.h;
}

/** Where the thing would touch no other, if there is such a spot. */
function parted(slide: Slide, element: SlideElement, areas: readonly Area[]): Mend[] {
  const others = [
    ...areas.filter((area) => area.element !== element).map((area) => area.element.box),
    ...slide.elements
      .filter((other) => other.id !== element.id && other.layer !== 'background' && !isSpare(other))
      .map(({ box }) => box),
  ];
  const best = freeSpot(element.box, others);
  return best
    ? [
        {
          label: 'Move it to a free spot',
          do: 'box',
          slideId: slide.id,
          elementId: element.id,
          box: best,
        },
      ]
    : [];
}
