import { REFUSALS, type RefusalCode } from './refusalWords.js';
import type { Refusal } from './refusals.js';

/** The sentence for a person, out of a catalogue of the same codes. */
export const told = (
  { code, parameters }: Refusal,
  catalogue: Readonly<Record<RefusalCode, string>> = REFUSALS,
): string =>
  catalogue[code].replace(/\{\{(\w+)\}\}/g, (_, name: string) => String(parameters[name] ?? ''));
