import type { MakeId } from '../parts/ids.js';
import type { Refusal } from '../parts/refusals.js';
import { choiceFromLines } from './choice/fromLines.js';
import { gapFromLines } from './gap/fromLines.js';
import { matchFromLines } from './match/fromLines.js';
import { orderFromLines } from './order/fromLines.js';
import { kindOf, type KindName, type Question, type QuestionKey } from './registry.js';
import type { FromLines } from './written.js';

/** One line per kind that is written line by line; the others take nothing but their prompt. */
const FROM_LINES: { [K in KindName]?: Making<K> } = {
  choice: choiceFromLines,
  order: orderFromLines,
  match: matchFromLines,
  gap: gapFromLines,
};
type Making<K extends KindName> = FromLines<
  Extract<Question, { kind: K }>,
  Extract<QuestionKey, { kind: K }>
>;
type AnyMaking = FromLines<Question, QuestionKey>;

const makingOf = (kind: KindName): AnyMaking | undefined => FROM_LINES[kind];

/** What the lines of a kind are; undefined for one that has none, or whose parts lie on its slide. */
export const linesOf = (kind: KindName): AnyMaking['lines'] | undefined => makingOf(kind)?.lines;

/** The question that lines make, with its key where they say what is right; or why they make none. */
export function questionFromLines(
  kind: KindName,
  lines: readonly string[],
  makeId: MakeId,
): { question: Question; key?: QuestionKey } | Refusal {
  const fresh = kindOf(kind).fresh(makeId);
  return makingOf(kind)?.make(fresh, lines, makeId) ?? { question: fresh };
}
