import type { Box } from '../parts/place.js';

const [ACROSS, DOWN] = [12, 6];

/** Places spread over each sixth of a room, as x and y: what words there would stand on. */
export function placesIn(room: Box): [number, number][][] {
  const [w, h] = [room.w / 3, room.h / 2];
  return Array.from({ length: 6 }, (_, part) => {
    const [left, top] = [room.x + (part % 3) * w, room.y + Math.floor(part / 3) * h];
    return Array.from({ length: ACROSS * DOWN }, (_, at): [number, number] => [
      left + (w * ((at % ACROSS) + 0.5)) / ACROSS,
      top + (h * (Math.floor(at / ACROSS) + 0.5)) / DOWN,
    ]);
  });
}
