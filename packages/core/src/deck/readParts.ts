import * as Y from 'yjs';
import { asBoolean, asColour, asList, asNumber, asOneOf, asRecord, asString } from './decode.js';
import {
  LICENCES,
  type AssetRef,
  type Credit,
  type CreditedAsset,
  type InkStroke,
} from './elements.js';

/* Parts that elements, questions and answers have in common, out of a shared document. */

export function readAsset(value: unknown): AssetRef | undefined {
  const { hash, width, height, isAnimated } = asRecord(value);
  if (typeof hash !== 'string' || !/^[0-9a-f]{64}$/.test(hash)) return undefined;
  return {
    hash,
    width: asNumber(width, 1, 1),
    height: asNumber(height, 1, 1),
    isAnimated: asBoolean(isAnimated),
  };
}

/** A picture of a question, with its credit where it has one. */
export function readCreditedAsset(value: unknown): CreditedAsset | undefined {
  const asset = readAsset(value);
  const { credit } = asRecord(value);
  return asset && credit !== undefined ? { ...asset, credit: readCredit(credit) } : asset;
}

/** A credit that was written as one line, its licence beside it, is taken for the author. */
export function readCredit(value: unknown, beside?: unknown): Credit {
  const { title, author, source, licence } = asRecord(value);
  return {
    title: asString(title, '', 300),
    author: typeof value === 'string' ? value.slice(0, 300) : asString(author, '', 300),
    source: asString(source, '', 1000),
    licence: asOneOf(licence ?? beside, LICENCES, 'unknown'),
  };
}

const MOST_STROKES = 600;
const MOST_NUMBERS = 3 * 4000;

/** Strokes of a pen; more than a hand draws is cut off. */
export function readStrokes(value: unknown): InkStroke[] {
  const list = value instanceof Y.Array ? value.toArray() : asList(value, MOST_STROKES);
  return list.slice(0, MOST_STROKES).flatMap((entry) => {
    const { colour, weight, isMarker, points } = asRecord(entry);
    const numbers = asList(points, MOST_NUMBERS).map((number) =>
      asNumber(number, 0, -200_000, 200_000),
    );
    if (numbers.length < 3 || numbers.length % 3 !== 0) return [];
    return [
      {
        colour: asColour(colour),
        weight: asNumber(weight, 4, 0.5, 80),
        isMarker: asBoolean(isMarker),
        points: numbers,
      },
    ];
  });
}
