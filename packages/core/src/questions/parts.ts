import { asId, asList, asNumber, asRecord, asString } from '../parts/decode.js';
import { type CreditedAsset, readCreditedAsset } from '../parts/asset.js';
import type { OptionId } from '../parts/ids.js';

/** What several kinds of question are made of. */

export const MOST_POINTS = 100;
export const readPoints = (value: unknown): number => asNumber(value, 1, 0, MOST_POINTS);

/** Something to pick, arrange or join: words, or a picture, or both. */
export interface Item {
  id: OptionId;
  text: string;
  picture: CreditedAsset | null;
}

/** Items with an identity of their own each, as they stand. */
export function readItems(value: unknown, most: number): Item[] {
  const seen = new Set<string>();
  return asList(value, most).flatMap((entry) => {
    const { id, text, picture } = asRecord(entry);
    const itemId = asId(id);
    if (!itemId || seen.has(itemId)) return [];
    seen.add(itemId);
    return [
      { id: itemId, text: asString(text, '', 500), picture: readCreditedAsset(picture) ?? null },
    ];
  });
}

/** Ids of a list that are ids, each once. */
export const readIds = (value: unknown, most: number): string[] => [
  ...new Set(asList(value, most).filter((id): id is string => asId(id) !== '')),
];

/** Words on several lines. */
export const textLines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
