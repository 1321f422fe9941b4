import type { Box } from '../parts/place.js';
import type { Deck, Section, Slide } from '../deck/types.js';
import type { SectionId, SlideId, LinkId } from '../parts/ids.js';
import type { RouteGraph } from './graph.js';
import { piecesAround } from './regionPieces.js';

/** Room round the cards of a section, in map units; more above, for its name. */
const PADDING = 22;
const NAME = 26;

/** How the map is drawn with its sections: which stand open as regions, and what a folded one hides. */
export interface MapRegions {
  /** Open sections from the outermost in, with the room they take in map units: the first piece bears the name. */
  regions: { section: Section; pieces: Box[]; depth: number }[];
  /** Folded sections that are seen, as one card each. */
  folded: { section: Section; x: number; y: number; slideIds: SlideId[] }[];
  /** The folded section that hides a slide; slides that are seen are not in it. */
  hiddenIn: Map<SlideId, SectionId>;
}

/** The sections that a section lies in, from the innermost out, itself first. */
export function sectionPath(deck: Deck, sectionId: SectionId | null): Section[] {
  const path: Section[] = [];
  let section = sectionId ? deck.sections[sectionId] : undefined;
  while (section) {
    path.push(section);
    section = section.parentId ? deck.sections[section.parentId] : undefined;
  }
  return path;
}

interface Spot {
  x: number;
  y: number;
}

/** Two passes over sections and slides: from the outermost sections in, and back. */
export function mapRegions(deck: Deck): MapRegions {
  const inOrder = outermostFirst(deck);
  const depths = new Map<SectionId, number>();
  const foldedIn = new Map<SectionId, SectionId>();
  for (const { id, parentId, isFolded } of inOrder) {
    depths.set(id, parentId ? (depths.get(parentId) ?? -1) + 1 : 0);
    const outer = (parentId && foldedIn.get(parentId)) || (isFolded ? id : null);
    if (outer) foldedIn.set(id, outer);
  }
  const hiddenIn = new Map<SlideId, SectionId>();
  const hidden = new Map<SectionId, Slide[]>();
  /** Cards that are seen with the open section they lie in, slides and folded sections alike. */
  const seen: { spot: Spot; sectionId: SectionId | null }[] = [];
  for (const slide of Object.values(deck.slides)) {
    const sectionId = slide.sectionId && deck.sections[slide.sectionId] ? slide.sectionId : null;
    const outer = sectionId && foldedIn.get(sectionId);
    if (!outer) {
      seen.push({ spot: slide, sectionId });
      continue;
    }
    hiddenIn.set(slide.id, outer);
    push(hidden, outer, slide);
  }
  const result: MapRegions = { regions: [], folded: [], hiddenIn };
  for (const [sectionId, slides] of hidden) {
    const section = deck.sections[sectionId]!;
    const [x, y] = [lowest(slides, 'x'), lowest(slides, 'y')];
    result.folded.push({ section, x, y, slideIds: slides.map(({ id }) => id) });
    const { parentId } = section;
    seen.push({ spot: { x, y }, sectionId: parentId && deck.sections[parentId] ? parentId : null });
  }
  const members = new Map<SectionId, Spot[]>();
  for (const { spot, sectionId } of seen) {
    for (const { id } of sectionPath(deck, sectionId)) push(members, id, spot);
  }
  const levels = levelsOf(inOrder, members);
  for (const section of inOrder) {
    const own = members.get(section.id);
    if (!own || foldedIn.has(section.id)) continue;
    const isOwn = new Set(own);
    const strangers = seen.flatMap(({ spot }) => (isOwn.has(spot) ? [] : [spot]));
    const inside = levels.get(section.id) ?? 0;
    const room = PADDING * (1 + inside);
    result.regions.push({
      section,
      pieces: piecesAround(own, strangers, room, room + NAME * (1 + inside * 0.5)),
      depth: depths.get(section.id) ?? 0,
    });
  }
  result.regions.sort((a, b) => a.depth - b.depth);
  return result;
}

/** How many sections with cards lie in each other inside a section. */
function levelsOf(
  inOrder: readonly Section[],
  members: ReadonlyMap<SectionId, unknown>,
): Map<SectionId, number> {
  const levels = new Map<SectionId, number>();
  for (const { id, parentId } of [...inOrder].reverse()) {
    if (parentId && members.has(id)) {
      levels.set(parentId, Math.max(levels.get(parentId) ?? 0, (levels.get(id) ?? 0) + 1));
    }
  }
  return levels;
}

const lowest = (spots: readonly Spot[], axis: 'x' | 'y'): number =>
  spots.reduce((least, spot) => Math.min(least, spot[axis]), Infinity);

function push<Key, One>(into: Map<Key, One[]>, key: Key, one: One): void {
  const known = into.get(key);
  if (known) known.push(one);
  else into.set(key, [one]);
}

/** Sections so that each comes after the one it lies in. A reading has no rings of them. */
function outermostFirst({ sections }: Deck): Section[] {
  const inside = new Map<SectionId, Section[]>();
  const order: Section[] = [];
  for (const section of Object.values(sections)) {
    const { parentId } = section;
    if (!parentId || !sections[parentId]) order.push(section);
    else inside.set(parentId, [...(inside.get(parentId) ?? []), section]);
  }
  for (let at = 0; at < order.length; at += 1) order.push(...(inside.get(order[at]!.id) ?? []));
  return order;
}

/** A wire as it is seen: between slides, or the folded sections that hide them; several become one. */
export interface SeenWire {
  id: string;
  from: string;
  to: string;
  linkIds: LinkId[];
}

export const foldedId = (sectionId: SectionId): string => `section:${sectionId}`;

/** Wires within one folded section are not seen; those to or from it are gathered. */
export function seenWires(deck: Deck, graph: RouteGraph, regions: MapRegions): SeenWire[] {
  const wires: SeenWire[] = [];
  const gathered = new Map<string, SeenWire>();
  const seenAs = (slideId: SlideId): string => {
    const sectionId = regions.hiddenIn.get(slideId);
    return sectionId ? foldedId(sectionId) : slideId;
  };
  for (const [linkId, targets] of graph.to) {
    const from = seenAs(deck.links[linkId]!.from);
    targets.forEach((target, index) => {
      const to = seenAs(target);
      const isFolded = from.startsWith('section:') || to.startsWith('section:');
      if (isFolded && from === to) return;
      if (!isFolded) {
        wires.push({
          id: index === 0 ? linkId : `${linkId}>${target}`,
          from,
          to,
          linkIds: [linkId],
        });
        return;
      }
      const known = gathered.get(`${from}>${to}`);
      if (known) known.linkIds.push(linkId);
      else {
        const wire = { id: `${from}>${to}`, from, to, linkIds: [linkId] };
        gathered.set(wire.id, wire);
        wires.push(wire);
      }
    });
  }
  return wires;
}
