import { command, type Plan } from '../command.js';
import * as Y from 'yjs';
import { LIMITS } from '../../parts/limits.js';
import { asId, newId, type SectionId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { sectionsMap, slideOf, slidesMap } from '../document.js';
import { readHead } from '../readDeck.js';
import { TINTS, type Section, type Tint } from '../types.js';

function sectionOf(doc: Y.Doc, sectionId: SectionId): Y.Map<unknown> | undefined {
  const section = sectionsMap(doc).get(sectionId);
  return section instanceof Y.Map ? section : undefined;
}

const read = (doc: Y.Doc): Record<SectionId, Section> => readHead(doc, {}).sections;

/**
 * Makes a section of slides. When all of them lie in one section already, the new one lies in it; otherwise they
 * leave the ones they were in.
 * Refused: `section.empty`, `section.name`.
 */
export const addSection = command(
  'addSection',
  'deck:write',
  (
    doc: Y.Doc,
    args: { id?: SectionId; name: string; slideIds: SlideId[]; tint?: Tint },
  ): Plan<{ sectionId: SectionId }> => {
    const name = args.name.trim().slice(0, 200);
    if (name === '') return refuse('section.name');
    const slides = args.slideIds.flatMap((id) => slideOf(doc, id) ?? []);
    if (slides.length === 0) return refuse('section.empty');
    const sectionId: SectionId = args.id ?? newId();
    const homes = new Set(slides.map((slide) => asId(slide.get('sectionId'))));
    const parentId = homes.size === 1 ? [...homes][0]! : null;
    return () => {
      const section = new Y.Map<unknown>();
      sectionsMap(doc).set(sectionId, section);
      section.set('name', name);
      section.set('tint', args.tint ?? TINTS[(sectionsMap(doc).size - 1) % TINTS.length]);
      section.set('parentId', parentId);
      for (const slide of slides) slide.set('sectionId', sectionId);
      return { sectionId };
    };
  },
);

/** Refused: `section.gone`, `section.name`, `section.ring`. */
export const setSection = command(
  'setSection',
  'deck:write',
  (
    doc: Y.Doc,
    sectionId: SectionId,
    settings: {
      name?: string;
      tint?: Tint;
      isFolded?: boolean;
      parentId?: SectionId | null;
      minutes?: number | null;
    },
  ): Plan => {
    const section = sectionOf(doc, sectionId);
    if (!section) return refuse('section.gone');
    const name = settings.name?.trim().slice(0, 200);
    if (name === '') return refuse('section.name');
    const { parentId, minutes } = settings;
    if (parentId) {
      const all = read(doc);
      for (let above: SectionId | null = parentId; above; above = all[above]?.parentId ?? null) {
        if (above === sectionId) return refuse('section.ring');
      }
      if (!all[parentId]) return refuse('section.gone');
    }
    return () => {
      if (name !== undefined) section.set('name', name);
      if (settings.tint) section.set('tint', settings.tint);
      if (settings.isFolded !== undefined) section.set('isFolded', settings.isFolded);
      if (parentId !== undefined) section.set('parentId', parentId ?? '');
      if (minutes === null) section.delete('minutes');
      else if (minutes !== undefined) {
        section.set('minutes', Math.round(Math.min(Math.max(minutes, 0), LIMITS.sectionMinutes)));
      }
    };
  },
);

/**
 * Puts slides into a section, or out of all with null.
 * Refused: `section.gone`.
 */
export const putIntoSection = command(
  'putIntoSection',
  'deck:write',
  (doc: Y.Doc, slideIds: SlideId[], sectionId: SectionId | null): Plan => {
    if (sectionId && !sectionOf(doc, sectionId)) return refuse('section.gone');
    return () => {
      for (const slideId of slideIds) slideOf(doc, slideId)?.set('sectionId', sectionId ?? '');
    };
  },
);

/**
 * Dissolves a section; its slides and the sections in it go to the one around it.
 * Refused: `section.gone`.
 */
export const removeSection = command(
  'removeSection',
  'deck:write',
  (doc: Y.Doc, sectionId: SectionId): Plan => {
    const section = sectionOf(doc, sectionId);
    if (!section) return refuse('section.gone');
    const parentId = asId(section.get('parentId'));
    return () => {
      for (const slide of slidesMap(doc).values()) {
        if (slide instanceof Y.Map && slide.get('sectionId') === sectionId) {
          slide.set('sectionId', parentId);
        }
      }
      for (const other of sectionsMap(doc).values()) {
        if (other instanceof Y.Map && other.get('parentId') === sectionId) {
          other.set('parentId', parentId);
        }
      }
      sectionsMap(doc).delete(sectionId);
    };
  },
);
