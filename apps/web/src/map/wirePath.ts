export type Direction = 'right' | 'down';

/** Map units that wires between the same two cards are held apart. */
const BOW = 34;

export interface WirePath {
  path: string;
  /** Where its wording stands. */
  x: number;
  y: number;
  isBack: boolean;
}

/**
 * The path of a wire between two cards, and where its wording stands, in map units. One that leads back runs beside
 * the cards, in one of four lanes so that several can be followed; wires between the same two cards bow `aside`. A map that grows downwards is the same, turned.
 */
export function wirePath(
  sourceX: number,
  sourceY: number,
  targetX: number,
  targetY: number,
  direction: Direction = 'right',
  lane = 0,
  aside = 0,
): WirePath {
  if (direction === 'down') {
    const turned = wirePath(sourceY, sourceX, targetY, targetX, 'right', lane, aside);
    return {
      ...turned,
      path: turned.path.replace(/(-?[\d.]+) (-?[\d.]+)/g, '$2 $1'),
      x: turned.y,
      y: turned.x,
    };
  }
  const isBack = targetX < sourceX - 20;
  if (isBack) {
    const low = Math.max(sourceY, targetY) + 110 + (lane % 4) * 22;
    const reach = 90 + (lane % 4) * 12;
    return {
      path: `M${sourceX} ${sourceY} C${sourceX + reach} ${low} ${targetX - reach} ${low} ${targetX} ${targetY}`,
      x: (sourceX + targetX) / 2,
      y: (sourceY + targetY) / 8 + (low * 6) / 8,
      isBack,
    };
  }
  const bend = Math.max(30, (targetX - sourceX) / 2);
  const bow = aside * BOW;
  return {
    path: `M${sourceX} ${sourceY} C${sourceX + bend} ${sourceY + bow} ${targetX - bend} ${targetY + bow} ${targetX} ${targetY}`,
    x: (sourceX + targetX) / 2,
    // The middle of a cubic curve moves by three quarters of what its control points move.
    y: (sourceY + targetY) / 2 + 0.75 * bow,
    isBack,
  };
}
