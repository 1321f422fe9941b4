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

/** One for each kind, beside it in `interaction.ts`: no device needs them but one that takes results along. */
export type ToInteraction<Q, K, A> = (asked: {
  question: Q;
  key: K | null;
  answer: A;
}) => Interaction;

export const AND = '[,]';
const TO = '[.]';

export const component = ({ id, text }: { id: string; text: string }): Component => ({
  id,
  description: { und: text },
});
export const named = ({ id, name }: { id: string; name: string }): Component =>
  component({ id, text: name });
/** Nothing where no pattern is known. */
export const right = (...patterns: string[]): { correctResponsesPattern?: string[] } =>
  patterns.length > 0 ? { correctResponsesPattern: patterns } : {};
export const range = (low: number, high: number): string => `${low}[:]${high}`;
/** What has a wild card in it is no text that could be compared. */
export const plain = (accepted: readonly string[]): string[] =>
  accepted.filter((text) => !text.includes('*'));
export const caseMatters = (heedsCase: boolean): string => `{case_matters=${heedsCase}}`;

/** Sources with their targets. */
export const pairs = (joined: Iterable<readonly [source: string, target: string]>): string =>
  [...joined].map(([source, target]) => source + TO + target).join(AND);
