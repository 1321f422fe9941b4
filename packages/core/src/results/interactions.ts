import { readNumber } from '../questions/number/readNumber.js';
import type { Answer, KindName, Question, QuestionKey } from '../questions/registry.js';

/**
 * What a question is in the Experience API: how a response is written, what is right, and the parts that both name.
 * xAPI 1.0.3, part two, 2.4.4.1 and appendix C (after SCORM 2004 4th edition, RTE 4.2.9): parts are parted by `[,]`,
 * a source from its target by `[.]`, the ends of a range by `[:]`; numbers have a decimal point.
 */
export interface Interaction {
  interactionType: string;
  response: string;
  /** Undefined where nothing is known to be right. */
  correctResponsesPattern?: string[];
  choices?: Component[];
  source?: Component[];
  target?: Component[];
}
export interface Component {
  id: string;
  description: { und: string };
}

interface Asked<K extends KindName> {
  question: Extract<Question, { kind: K }>;
  key: Extract<QuestionKey, { kind: K }> | null;
  answer: Extract<Answer, { kind: K }>;
}
type Interactions = { [K in KindName]: (asked: Asked<K>) => Interaction };

const AND = '[,]';
const TO = '[.]';

const component = ({ id, text }: { id: string; text: string }): Component => ({
  id,
  description: { und: text },
});
const named = ({ id, name }: { id: string; name: string }): Component =>
  component({ id, text: name });
const right = (...patterns: string[]): { correctResponsesPattern?: string[] } =>
  patterns.length > 0 ? { correctResponsesPattern: patterns } : {};
const range = (low: number, high: number): string => `${low}[:]${high}`;
/** What has a wild card in it is no text that could be compared. */
const plain = (accepted: readonly string[]): string[] =>
  accepted.filter((text) => !text.includes('*'));
const plainNumberIn = (
  text: string,
  { unit, decimal }: Extract<Question, { kind: 'number' }>,
): string => String(readNumber(text, unit, decimal) ?? text);
const caseMatters = (heedsCase: boolean): string => `{case_matters=${heedsCase}}`;

export const INTERACTIONS: Interactions = {
  choice: ({ question, key, answer }) => ({
    interactionType: 'choice',
    choices: question.options.map(component),
    response: answer.optionIds.join(AND),
    ...right(...(key ? [key.optionIds.join(AND)] : [])),
  }),
  textEntry: ({ key, answer }) => ({
    interactionType: 'fill-in',
    response: answer.text,
    ...right(...(key ? plain(key.accepted).map((text) => caseMatters(key.heedsCase) + text) : [])),
  }),
  extendedText: ({ answer }) => ({ interactionType: 'long-fill-in', response: answer.text }),
  number: ({ question, key, answer }) => ({
    interactionType: 'numeric',
    response: plainNumberIn(answer.text, question),
    ...right(...(key?.ranges ?? []).map(({ low, high }) => range(low, high))),
  }),
  slider: ({ key, answer }) => ({
    interactionType: 'numeric',
    response: String(answer.value),
    ...right(...(key ? [range(key.low, key.high)] : [])),
  }),
  order: ({ question, key, answer }) => ({
    interactionType: 'sequencing',
    choices: question.items.map(component),
    response: answer.itemIds.join(AND),
    ...right(...(key ? [key.itemIds.join(AND)] : [])),
  }),
  match: ({ question, key, answer }) => ({
    interactionType: 'matching',
    source: question.lefts.map(component),
    target: question.rights.map(component),
    response: pairs(answer.pairs),
    // One pattern names one target for each source; where several are right, the first of them.
    ...right(
      ...(key
        ? [pairs(Object.fromEntries(Object.entries(key.pairs).map(([from, to]) => [from, to[0]])))]
        : []),
    ),
  }),
  gap: ({ key, answer }) => ({
    interactionType: 'fill-in',
    response: answer.texts.join(AND),
    ...right(
      ...(key && key.accepted.every((texts) => plain(texts).length > 0)
        ? [caseMatters(key.heedsCase) + key.accepted.map((texts) => plain(texts)[0]).join(AND)]
        : []),
    ),
  }),
  sort: ({ question, key, answer }) => ({
    interactionType: 'matching',
    source: question.pieces.map(named),
    target: question.zones.map(named),
    response: Object.entries(answer.zoneIds)
      .flatMap(([piece, zones]) => zones.map((zone) => piece + TO + zone))
      .join(AND),
    ...right(
      ...(key
        ? [
            Object.entries(key.expects)
              .flatMap(([zone, pieces]) => pieces.map((piece) => piece + TO + zone))
              .join(AND),
          ]
        : []),
    ),
  }),
  hotspot: ({ question, key, answer }) => ({
    interactionType: 'choice',
    choices: question.areas.map(({ id }, index) => component({ id, text: `Area ${index + 1}` })),
    response: answer.areaIds.join(AND),
    ...right(...(key ? [key.areaIds.join(AND)] : [])),
  }),
  selectPoint: ({ answer }) => ({
    interactionType: 'other',
    response: answer.spots.map(({ x, y }) => `${x} ${y}`).join(AND),
  }),
  drawing: ({ answer }) => ({
    interactionType: 'other',
    response: `${answer.strokes.length} strokes${AND}${answer.labels.map(({ text }) => text).join(AND)}`,
  }),
};

const pairs = (joined: Record<string, string | undefined>): string =>
  Object.entries(joined)
    .flatMap(([from, to]) => (to === undefined ? [] : [from + TO + to]))
    .join(AND);

/** What a question and one answer to it are in the Experience API. */
export function interactionOf(
  question: Question,
  key: QuestionKey | null,
  answer: Answer,
): Interaction {
  const write = INTERACTIONS[question.kind] as (asked: object) => Interaction;
  return write({ question, key: key?.kind === question.kind ? key : null, answer });
}
