import { readAsset, type AssetRef, type MediaRef } from '../../parts/asset.js';
import { asNumber, asRecord } from '../../parts/decode.js';
import type { ElementBase } from '../base.js';
import { flag, given, letters, type Field } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** Types of sound and video that are kept. */
export const MEDIA_TYPES = [
  'audio/webm',
  'audio/ogg',
  'audio/wav',
  'audio/flac',
  'audio/mpeg',
  'video/webm',
  'video/ogg',
] as const;

export interface MediaElement extends ElementBase {
  kind: 'media';
  medium: 'sound' | 'video';
  media: MediaRef;
  poster: AssetRef | null;
  startsWithSlide: boolean;
  loops: boolean;
  /** It plays on from slide to slide until the section ends. */
  runsOn: boolean;
  /** What is said in it, for those who cannot hear it. */
  transcript: string;
}

export const media: ElementKindOf<MediaElement, 'media'> = {
  kind: 'media',
  label: 'Sound',
  labelOf: ({ medium }) => (medium === 'video' ? 'Video' : 'Sound'),
  fields: {
    media: given(readMedia),
    medium: mediumOf('media'),
    poster: given((value) => readAsset(value) ?? null),
    startsWithSlide: flag(),
    loops: flag(),
    runsOn: flag(),
    transcript: letters(20_000),
  },
  needs: ['media'],
  may: { holdLines: true, beGrouped: true, beTurned: true },
  keepsForm: true,
  look: ['opacity'],
  isInTheWay: () => true,
  pictures: ({ poster }) => (poster ? [poster.hash] : []),
  media: ({ media }) => [media.hash],
};

/** Never kept: it follows from the type of the file in another field. */
function mediumOf(file: string): Field<'sound' | 'video'> {
  return {
    read: (raw) => (readMedia(raw.get(file))?.type.startsWith('video/') ? 'video' : 'sound'),
    write: () => undefined,
    forStudents: (medium) => medium,
  };
}

function readMedia(value: unknown): MediaRef | undefined {
  const { hash, type, size, seconds } = asRecord(value);
  if (typeof hash !== 'string' || !/^[0-9a-f]{64}$/.test(hash)) return undefined;
  const known = MEDIA_TYPES.find((candidate) => candidate === type);
  if (!known) return undefined;
  return {
    hash,
    type: known,
    size: asNumber(size, 0, 0, 1e10),
    seconds: asNumber(seconds, 0, 0, 1e6),
  };
}
