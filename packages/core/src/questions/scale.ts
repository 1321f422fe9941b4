import { asList, asNumber, asRecord, asString } from '../parts/decode.js';

/** A step of a teacher's scale for marking by hand. */
export interface ScaleStep {
  label: string;
  /** What it is worth, from 0 to 1. */
  share: number;
}
/** How answers are marked that only a person can mark. */
export interface ScaleKey<K extends string> {
  kind: K;
  /** From the least to the most. */
  scale: ScaleStep[];
}

/** What is offered where a teacher has made no scale. */
export const PLAIN_SCALE: readonly ScaleStep[] = [
  { label: 'not yet', share: 0 },
  { label: 'partly', share: 0.5 },
  { label: 'fully', share: 1 },
];

export function readScale<K extends string>(
  kind: K,
  raw: Record<string, unknown>,
): ScaleKey<K> | undefined {
  const scale = asList(raw.scale, 9).flatMap((entry) => {
    const { label, share } = asRecord(entry);
    const words = asString(label, '', 60).trim();
    return words ? [{ label: words, share: asNumber(share, 0, 0, 1) }] : [];
  });
  return scale.length > 0 ? { kind, scale } : undefined;
}
