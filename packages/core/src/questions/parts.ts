import { asList, asNumber, asRecord, asString } from '../parts/decode.js';
import { type CreditedAsset, readCreditedAsset } from '../parts/asset.js';
import { asId, type Id, type MakeId, type OptionId } from '../parts/ids.js';

/** What several kinds of question are made of. */

export const MOST_POINTS = 100;
export const readPoints = (value: unknown): number => asNumber(value, 1, 0, MOST_POINTS);

/** Something to pick, arrange or join: words, or a picture, or both. */
export interface Item {
  id: OptionId;
  text: string;
  picture: CreditedAsset | null;
}

/** Items of words that have just been written. */
export const newItems = (makeId: MakeId, texts: readonly string[]): Item[] =>
  texts.map((text) => ({ id: makeId(), text, picture: null }));

/** Items with an identity of their own each, as they stand. */
export function readItems(value: unknown, most: number): Item[] {
  const seen = new Set<string>();
  return asList(value, most).flatMap((entry) => {
    const { id, text, picture } = asRecord(entry);
    const itemId = asId<OptionId>(id);
    if (!itemId || seen.has(itemId)) return [];
    seen.add(itemId);
    return [
      { id: itemId, text: asString(text, '', 500), picture: readCreditedAsset(picture) ?? null },
    ];
  });
}

/** Ids of a list that are ids, each once. */
export const readIds = <T extends Id<string>>(value: unknown, most: number): T[] => [
  ...new Set(asList(value, most).flatMap((id) => asId<T>(id) ?? [])),
];

/** Words on several lines. */
export const textLines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
