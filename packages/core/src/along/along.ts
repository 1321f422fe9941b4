import type { Deck } from '../deck/types.js';
import { formulasIn } from '../elements/formula/inWords.js';
import type { QuestionElement } from '../elements/question/question.js';
import { questionsOf } from '../folio/projection.js';
import { studentView } from '../lesson/studentView.js';
import { FAMILY_NAMES, type FamilyName } from '../parts/fonts.js';
import type { ElementId } from '../parts/ids.js';
import { themeOn } from '../themes/theme.js';

/** A deck that is taken along: what readers get of it and, only if that is wished, what their answers are marked by. */
export interface Along {
  edition: Deck;
  keys: Record<ElementId, QuestionElement> | null;
}

/** `hasKeys`: what is tried is marked. Whoever knows how can then read the right answers in the file. */
export function alongOf(deck: Deck, hasKeys: boolean): Along {
  const edition = studentView(deck);
  if (!hasKeys) return { edition, keys: null };
  const met = questionsOf(edition);
  return {
    edition,
    keys: Object.fromEntries([...questionsOf(deck)].filter(([id]) => met.has(id))),
  };
}

/** A file that a deck needs: a picture, a sound or video, or what a link hands out. */
export interface Needed {
  hash: string;
  kind: 'picture' | 'media' | 'file';
  /** Also as it stands still, for whoever wants no motion. */
  isAnimated: boolean;
  /** Bytes, where the deck knows. */
  size: number | null;
}

/** All files that a deck needs, each once: wherever it refers to one, now or in a kind of thing still to come. */
export function neededBy(edition: Deck): Needed[] {
  const found = new Map<string, Needed>();
  for (const one of recordsIn(edition)) {
    if (typeof one.hash !== 'string' || found.has(one.hash)) continue;
    const kind = 'seconds' in one ? 'media' : 'name' in one ? 'file' : 'picture';
    found.set(one.hash, {
      hash: one.hash,
      kind,
      isAnimated: one.isAnimated === true,
      size: typeof one.size === 'number' ? one.size : null,
    });
  }
  return [...found.values()];
}

/** The families that a deck is set in. */
export function familiesIn(edition: Deck): Set<FamilyName> {
  const found = new Set<FamilyName>();
  for (const slide of Object.values(edition.slides))
    for (const { family } of Object.values(themeOn(slide, edition.theme).type)) found.add(family);
  for (const { family } of recordsIn(edition)) {
    const name = FAMILY_NAMES.find((one) => one === family);
    if (name) found.add(name);
  }
  return found;
}

/** Whether any formula is set in it: one of its own, or between words. */
export function hasFormulas(edition: Deck): boolean {
  for (const one of recordsIn(edition)) {
    if (one.kind === 'formula') return true;
    const isSet = (value: unknown): boolean =>
      typeof value === 'string' && formulasIn(value).some((part) => typeof part !== 'string');
    if (
      Object.values(one).some((value) => (Array.isArray(value) ? value.some(isSet) : isSet(value)))
    )
      return true;
  }
  return false;
}

/** Every record within a value. */
function* recordsIn(value: unknown): Generator<Record<string, unknown>> {
  if (typeof value !== 'object' || value === null) return;
  if (!Array.isArray(value)) yield value as Record<string, unknown>;
  for (const inner of Object.values(value)) yield* recordsIn(inner);
}
