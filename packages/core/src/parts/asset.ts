import { asBoolean, asNumber, asOneOf, asRecord, asString } from './decode.js';
import type { Box } from './place.js';

/** A picture kept by the server, named by the SHA-256 of its re-encoded bytes. Sizes in pixels. */
export interface AssetRef {
  hash: string;
  width: number;
  height: number;
  isAnimated: boolean;
  /** What seems to matter in it, guessed from its colours, in shares of it; absent where nothing does or nobody guessed. */
  seems?: Box;
}

/** A picture in a question, which has no element of its own to keep its credit. */
export interface CreditedAsset extends AssetRef {
  credit?: Credit;
}

/** Creative Commons' licences by their short names, and what else a picture may be under. */
export const LICENCES = [
  'unknown',
  'own',
  'public-domain',
  'cc0',
  'cc-by',
  'cc-by-sa',
  'cc-by-nc',
  'cc-by-nd',
  'cc-by-nc-sa',
  'cc-by-nc-nd',
] as const;
export type Licence = (typeof LICENCES)[number];

/** Attribution is the condition that all of these share. */
export const wantsCredit = (licence: Licence): boolean => licence.startsWith('cc-by');

/** Who made a picture, where it is from and what may be done with it. */
export interface Credit {
  title: string;
  author: string;
  /** Where it is from: a web address, or words. */
  source: string;
  licence: Licence;
}

/** A sound or a video kept by the server, named by the SHA-256 of its bytes. */
export interface MediaRef {
  hash: string;
  type: string;
  /** Bytes. */
  size: number;
  /** Seconds; 0 when it is not known. */
  seconds: number;
}

export function readAsset(value: unknown): AssetRef | undefined {
  const { hash, width, height, isAnimated, seems } = asRecord(value);
  if (typeof hash !== 'string' || !/^[0-9a-f]{64}$/.test(hash)) return undefined;
  return {
    hash,
    width: asNumber(width, 1, 1),
    height: asNumber(height, 1, 1),
    isAnimated: asBoolean(isAnimated),
    ...(seems ? { seems: readShare(seems) } : {}),
  };
}

/** A part of a picture, in shares of it; all of it where nothing is said. */
export function readShare(value: unknown): Box {
  const raw = asRecord(value);
  const w = asNumber(raw.w, 1, 0.01, 1);
  const h = asNumber(raw.h, 1, 0.01, 1);
  return { x: asNumber(raw.x, 0, 0, 1 - w), y: asNumber(raw.y, 0, 0, 1 - h), w, h };
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
