import type { REFUSALS, RefusalCode } from './refusalWords.js';

type ParametersIn<S> = S extends `${string}{{${infer Name}}}${infer Rest}`
  ? Name | ParametersIn<Rest>
  : never;
type Parameters = Readonly<Record<string, string | number>>;

/** What every command answers: it applied, or it did not and changed nothing. */
export type Result<T extends object = object> = ({ ok: true } & T) | Refusal;
export interface Refusal {
  ok: false;
  code: RefusalCode;
  parameters: Parameters;
}

/** Refuses; a sentence that names something must be told what. */
export function refuse<C extends RefusalCode>(
  code: C,
  ...[parameters]: ParametersIn<(typeof REFUSALS)[C]> extends never
    ? []
    : [Readonly<Record<ParametersIn<(typeof REFUSALS)[C]>, string | number>>]
): Refusal {
  return { ok: false, code, parameters: parameters ?? {} };
}
