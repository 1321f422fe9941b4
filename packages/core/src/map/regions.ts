import type { Box } from '../parts/place.js';
import type { Deck, Section } from '../deck/types.js';
import type { SectionId, SlideId, LinkId } from '../parts/ids.js';
import { CARD } from '../deck/slides/cards.js';
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

/** What lies in a section and in those inside it; the corners in map units. */
interface Extent {
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** Sections with slides that lie in each other inside it. */
  levels: number;
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
  const hidden = new Map<SectionId, SlideId[]>();
  const extents = new Map<SectionId, Extent>();
  const take = (into: SectionId, extent: Extent): void => {
    const known = extents.get(into);
    if (!known) return void extents.set(into, { ...extent });
    known.left = Math.min(known.left, extent.left);
    known.top = Math.min(known.top, extent.top);
    known.right = Math.max(known.right, extent.right);
    known.bottom = Math.max(known.bottom, extent.bottom);
    known.levels = Math.max(known.levels, extent.levels);
  };
  for (const { id, sectionId, x, y } of Object.values(deck.slides)) {
    if (!sectionId || !deck.sections[sectionId]) continue;
    take(sectionId, { left: x, top: y, right: x, bottom: y, levels: 0 });
    const outer = foldedIn.get(sectionId);
    if (!outer) continue;
    hiddenIn.set(id, outer);
    const list = hidden.get(outer);
    if (list) list.push(id);
    else hidden.set(outer, [id]);
  }
  for (const { id, parentId, isFolded } of [...inOrder].reverse()) {
    const extent = extents.get(id);
    if (!extent || !parentId || !deck.sections[parentId]) continue;
    const { left, top, levels } = extent;
    // A folded one is a card where its first slide lies.
    take(
      parentId,
      isFolded
        ? { left, top, right: left, bottom: top, levels: levels + 1 }
        : { ...extent, levels: levels + 1 },
    );
  }
  const result: MapRegions = { regions: [], folded: [], hiddenIn };
  for (const section of Object.values(deck.sections)) {
    const extent = extents.get(section.id);
    const outer = foldedIn.get(section.id);
    if (!extent) continue;
    const { left, top, right, bottom, levels } = extent;
    if (outer === section.id) {
      const slideIds = hidden.get(section.id) ?? [];
      result.folded.push({ section, x: left, y: top, slideIds });
    }
    if (outer) continue;
    const room = PADDING * (1 + levels);
    const head = room + NAME * (1 + levels * 0.5);
    result.regions.push({
      section,
      box: {
        x: left - room,
        y: top - head,
        w: right + CARD.width + room - (left - room),
        h: bottom + CARD.height + room - (top - head),
      },
      depth: depths.get(section.id) ?? 0,
    });
  }
  result.regions.sort((a, b) => a.depth - b.depth);
  return result;
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
