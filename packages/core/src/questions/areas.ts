import { asId } from '../parts/ids.js';
import { asList, asNumber, asOneOf, asRecord, asString } from '../parts/decode.js';

/** A place on a picture in shares of its width and height, from 0 to 1. */
export interface Spot {
  x: number;
  y: number;
}

export const AREA_SHAPES = ['box', 'ellipse', 'outline'] as const;
export type AreaShape = (typeof AREA_SHAPES)[number];

/** An area of a picture, in shares of it. */
export interface Area {
  id: string;
  label: string;
  shape: AreaShape;
  x: number;
  y: number;
  w: number;
  h: number;
  /** The corners of an outline: x and y in turn, in shares of the picture. */
  corners: number[];
}

export const MOST_AREAS = 40;

export function readArea(value: unknown): Area | undefined {
  const { id, label, shape, x, y, w, h, corners } = asRecord(value);
  const areaId = asId(id);
  if (!areaId) return undefined;
  const numbers = asList(corners, 120).map((corner) => asNumber(corner, 0, 0, 1));
  return {
    id: areaId,
    label: asString(label, '', 200),
    shape: asOneOf(shape, AREA_SHAPES, 'box'),
    x: asNumber(x, 0, 0, 1),
    y: asNumber(y, 0, 0, 1),
    w: asNumber(w, 0.1, 0, 1),
    h: asNumber(h, 0.1, 0, 1),
    corners: numbers.slice(0, numbers.length - (numbers.length % 2)),
  };
}

export function readAreas(value: unknown): Area[] {
  const seen = new Set<string>();
  return asList(value, MOST_AREAS).flatMap((entry) => {
    const area = readArea(entry);
    if (!area || seen.has(area.id)) return [];
    seen.add(area.id);
    return [area];
  });
}

/** Whether a spot lies in an area, its edge included; an outline is crossed an odd number of times on the way out. */
export function isInside(area: Area, { x, y }: Spot): boolean {
  switch (area.shape) {
    case 'box':
      return x >= area.x && x <= area.x + area.w && y >= area.y && y <= area.y + area.h;
    case 'ellipse': {
      const [dx, dy] = [(x - area.x) / (area.w || 1) - 0.5, (y - area.y) / (area.h || 1) - 0.5];
      return dx * dx + dy * dy <= 0.25 + 1e-12;
    }
    case 'outline': {
      const { corners } = area;
      let inside = false;
      for (let at = 0, last = corners.length - 2; at < corners.length; last = at, at += 2) {
        const [ax, ay] = [corners[at]!, corners[at + 1]!];
        const [bx, by] = [corners[last]!, corners[last + 1]!];
        if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
      }
      return inside;
    }
  }
}

/** From top to bottom: where an area begins and ends, in shares of the height. */
export function heightsOf(area: Area): [top: number, bottom: number] {
  if (area.shape !== 'outline') return [area.y, area.y + area.h];
  const heights = area.corners.filter((_, index) => index % 2 === 1);
  return [Math.min(1, ...heights), Math.max(0, ...heights)];
}

/** Places are kept to a thousandth of the picture. */
export const THOUSANDTH = 1000;

/** Spots out of an answer; undefined for what is none, or too many. */
export function readSpots(value: unknown, most: number): Spot[] | undefined {
  if (!Array.isArray(value) || value.length > most) return undefined;
  const spots: Spot[] = [];
  for (const entry of value) {
    const { x, y } = asRecord(entry);
    if (typeof x !== 'number' || typeof y !== 'number') return undefined;
    if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) return undefined;
    const whole = (share: number): number => Math.round(share * THOUSANDTH) / THOUSANDTH;
    spots.push({ x: whole(x), y: whole(y) });
  }
  return spots;
}
