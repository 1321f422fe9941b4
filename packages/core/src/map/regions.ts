import type { Box, Deck, Section, Slide } from '../deck/types.js';
import type { SectionId, SlideId } from '../ids.js';
import { CARD } from './cards.js';
import type { RouteGraph } from './graph.js';

/** Room round the cards of a section, in map units; more above, for its name. */
const PADDING = 22;
const NAME = 26;

/** How the map is drawn with its sections: which stand open as regions, and what a folded one hides. */
export interface MapRegions {
  /** Open sections from the outermost in, with the room they take in map units. */
  regions: { section: Section; box: Box; depth: number }[];
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

export function mapRegions(deck: Deck): MapRegions {
  const hiddenIn = new Map<SlideId, SectionId>();
  const members = new Map<SectionId, Slide[]>();
  for (const slide of Object.values(deck.slides)) {
    const path = sectionPath(deck, slide.sectionId);
    if (path.length === 0) continue;
    const outermostFolded = [...path].reverse().find(({ isFolded }) => isFolded);
    if (outermostFolded) hiddenIn.set(slide.id, outermostFolded.id);
    for (const { id } of path) {
      const list = members.get(id);
      if (list) list.push(slide);
      else members.set(id, [slide]);
    }
  }
  const result: MapRegions = { regions: [], folded: [], hiddenIn };
  for (const section of Object.values(deck.sections)) {
    const slides = members.get(section.id) ?? [];
    if (slides.length === 0) continue;
    const path = sectionPath(deck, section.id);
    // What lies in a folded section is not seen itself.
    if (path.slice(1).some(({ isFolded }) => isFolded)) continue;
    if (section.isFolded) {
      const x = Math.min(...slides.map((slide) => slide.x));
      const y = Math.min(...slides.map((slide) => slide.y));
      result.folded.push({ section, x, y, slideIds: slides.map(({ id }) => id) });
    }
  }
  const foldedAt = new Map(result.folded.map(({ section, x, y }) => [section.id, { x, y }]));
  const levelsBelow = (sectionId: SectionId): number =>
    Math.max(
      0,
      ...Object.values(deck.sections)
        .filter(({ parentId, id }) => parentId === sectionId && members.has(id))
        .map(({ id }) => 1 + levelsBelow(id)),
    );
  for (const section of Object.values(deck.sections)) {
    const path = sectionPath(deck, section.id);
    const slides = members.get(section.id) ?? [];
    if (slides.length === 0 || path.some(({ isFolded }) => isFolded)) continue;
    const spots = slides.map((slide) => {
      const within = hiddenIn.get(slide.id);
      return (within && foldedAt.get(within)) || slide;
    });
    const room = PADDING * (1 + levelsBelow(section.id));
    const top = room + NAME * (1 + levelsBelow(section.id) * 0.5);
    const x = Math.min(...spots.map((spot) => spot.x)) - room;
    const y = Math.min(...spots.map((spot) => spot.y)) - top;
    const right = Math.max(...spots.map((spot) => spot.x)) + CARD.width + room;
    const bottom = Math.max(...spots.map((spot) => spot.y)) + CARD.height + room;
    result.regions.push({
      section,
      box: { x, y, w: right - x, h: bottom - y },
      depth: path.length - 1,
    });
  }
  result.regions.sort((a, b) => a.depth - b.depth);
  return result;
}

/** A wire as it is seen: between slides, or the folded sections that hide them; several become one. */
export interface SeenWire {
  id: string;
  from: string;
  to: string;
  linkIds: string[];
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
