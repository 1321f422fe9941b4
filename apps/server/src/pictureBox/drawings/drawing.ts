import type { Licence } from '@gobrel/core';

/** A drawing made for the picture box, 120 × 100 units. */
export interface Drawing {
  id: string;
  title: string;
  tags: string[];
  licence: Licence;
  /** What stands inside the SVG. */
  body: string;
}

/** The ink box of the drawings. */
export const INK = {
  ink: '#1E2B32',
  petrol: '#17505C',
  sea: '#2E6F7E',
  sky: '#BFD9E0',
  ember: '#BF4E2A',
  rose: '#D98B78',
  brass: '#D9A83A',
  sand: '#E8D9B5',
  paper: '#FFFDF7',
  leaf: '#5E7F3A',
  moss: '#8FA65F',
  bark: '#7B5A3C',
  grey: '#8A979C',
  pale: '#D5DCDE',
} as const;

export const circle = (x: number, y: number, r: number, fill: string): string =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="${fill}"/>`;
export const oval = (x: number, y: number, rx: number, ry: number, fill: string): string =>
  `<ellipse cx="${x}" cy="${y}" rx="${rx}" ry="${ry}" fill="${fill}"/>`;
export const block = (
  x: number,
  y: number,
  w: number,
  h: number,
  fill: string,
  corner = 0,
): string =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}"${corner ? ` rx="${corner}"` : ''}/>`;
export const area = (d: string, fill: string): string => `<path d="${d}" fill="${fill}"/>`;
export const stroke = (d: string, colour: string, weight = 4): string =>
  `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${weight}" stroke-linecap="round" stroke-linejoin="round"/>`;
export const turned = (degrees: number, x: number, y: number, body: string): string =>
  `<g transform="rotate(${degrees} ${x} ${y})">${body}</g>`;
export const times = (count: number, draw: (index: number) => string): string =>
  Array.from({ length: count }, (_, index) => draw(index)).join('');

/** Drawings of one subject, all under one licence and with tags in common. */
export const subject =
  (licence: Licence, common: readonly string[]) =>
  (id: string, title: string, tags: string, ...body: string[]): Drawing => ({
    id,
    title,
    licence,
    body: body.join(''),
    tags: [...new Set([...tags.split(' ').filter(Boolean), ...common])],
  });
