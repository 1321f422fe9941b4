import * as Y from 'yjs';
import { newId, refuse, type Result, type SectionId, type SlideId } from '../../parts/ids.js';
import { asId } from '../../parts/decode.js';
import { readHead, sectionsMap, slideOf, slidesMap } from '../document.js';
import { COMMAND } from '../history.js';
import { TINTS, type Section, type Tint } from '../types.js';

const NO_SECTION = 'This section is not there any more.';

function sectionOf(doc: Y.Doc, sectionId: SectionId): Y.Map<unknown> | undefined {
  const section = sectionsMap(doc).get(sectionId);
  return section instanceof Y.Map ? section : undefined;
}

const read = (doc: Y.Doc): Record<SectionId, Section> => readHead(doc, {}).sections;

/**
 * Makes a section of slides. When all of them lie in one section already, the new one lies in it; otherwise they
 * leave the ones they were in.
 */
export function addSection(
  doc: Y.Doc,
  args: { id?: SectionId; name: string; slideIds: SlideId[]; tint?: Tint },
): Result<{ sectionId: SectionId }> {
  const name = args.name.trim().slice(0, 200);
  if (name === '') return refuse('A section needs a name.');
  const slides = args.slideIds.flatMap((id) => slideOf(doc, id) ?? []);
  if (slides.length === 0) return refuse('A section needs at least one slide.');
  const sectionId = args.id ?? newId();
  const homes = new Set(slides.map((slide) => asId(slide.get('sectionId'))));
  const parentId = homes.size === 1 ? [...homes][0]! : '';
  doc.transact(() => {
    const section = new Y.Map<unknown>();
    sectionsMap(doc).set(sectionId, section);
    section.set('name', name);
    section.set('tint', args.tint ?? TINTS[(sectionsMap(doc).size - 1) % TINTS.length]);
    section.set('parentId', parentId);
    for (const slide of slides) slide.set('sectionId', sectionId);
  }, COMMAND);
  return { ok: true, sectionId };
}

export function setSection(
  doc: Y.Doc,
  sectionId: SectionId,
  settings: { name?: string; tint?: Tint; isFolded?: boolean; parentId?: SectionId | null },
): Result {
  const section = sectionOf(doc, sectionId);
  if (!section) return refuse(NO_SECTION);
  const name = settings.name?.trim().slice(0, 200);
  if (name === '') return refuse('A section needs a name.');
  const { parentId } = settings;
  if (parentId) {
    const all = read(doc);
    for (let above: SectionId | null = parentId; above; above = all[above]?.parentId ?? null) {
      if (above === sectionId) return refuse('A section cannot lie in itself.');
    }
    if (!all[parentId]) return refuse(NO_SECTION);
  }
  doc.transact(() => {
    if (name !== undefined) section.set('name', name);
    if (settings.tint) section.set('tint', settings.tint);
    if (settings.isFolded !== undefined) section.set('isFolded', settings.isFolded);
    if (parentId !== undefined) section.set('parentId', parentId ?? '');
  }, COMMAND);
  return { ok: true };
}

/** Puts slides into a section, or out of all with null. */
export function putIntoSection(
  doc: Y.Doc,
  slideIds: SlideId[],
  sectionId: SectionId | null,
): Result {
  if (sectionId && !sectionOf(doc, sectionId)) return refuse(NO_SECTION);
  doc.transact(() => {
    for (const slideId of slideIds) slideOf(doc, slideId)?.set('sectionId', sectionId ?? '');
  }, COMMAND);
  return { ok: true };
}

/** Dissolves a section; its slides and the sections in it go to the one around it. */
export function removeSection(doc: Y.Doc, sectionId: SectionId): Result {
  const section = sectionOf(doc, sectionId);
  if (!section) return refuse(NO_SECTION);
  const parentId = asId(section.get('parentId'));
  doc.transact(() => {
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
  }, COMMAND);
  return { ok: true };
}
