import { rgbOf } from './luminance.js';

/** A colour over another that shows through: `share` of it, 0 to 1. */
export function mixed(under: string, colour: string, share: number): string {
  const [a, b] = [rgbOf(under), rgbOf(colour)];
  const hex = a.map((value, at) => Math.round(value * (1 - share) + b[at]! * share));
  return `#${hex.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
}
