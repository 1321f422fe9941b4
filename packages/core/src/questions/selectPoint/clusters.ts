import type { Spot } from '../areas.js';

/** Markers that lie together. */
export interface Cluster {
  /** The middle of its markers. */
  x: number;
  y: number;
  /** From its middle to the marker farthest off. */
  radius: number;
  count: number;
}

/** Markers no farther apart than this are neighbours, in shares of the picture. */
const REACH = 0.05;

/**
 * Groups of markers by density (DBSCAN; Ester, Kriegel, Sander and Xu, 1996): a marker with enough neighbours within
 * reach pulls them into its group, and so on from those that have enough of their own. Enough are three, or a
 * twentieth of all. Markers in no group are strays. The largest group first. A grid as wide as the reach keeps it near
 * linear.
 */
export function clustersOf(spots: readonly Spot[]): { clusters: Cluster[]; strays: number } {
  const enough = Math.max(3, Math.ceil(spots.length / 20));
  const cells = new Map<string, number[]>();
  const cellOf = ({ x, y }: Spot): [number, number] => [
    Math.floor(x / REACH),
    Math.floor(y / REACH),
  ];
  spots.forEach((spot, index) => {
    const key = cellOf(spot).join();
    const cell = cells.get(key);
    if (cell) cell.push(index);
    else cells.set(key, [index]);
  });
  const near = (index: number): number[] => {
    const spot = spots[index]!;
    const [column, row] = cellOf(spot);
    const found: number[] = [];
    for (let dx = -1; dx <= 1; dx++) {
      for (let dy = -1; dy <= 1; dy++) {
        for (const other of cells.get(`${column + dx},${row + dy}`) ?? []) {
          const { x, y } = spots[other]!;
          if (Math.hypot(x - spot.x, y - spot.y) <= REACH) found.push(other);
        }
      }
    }
    return found;
  };
  const groupOf = new Int32Array(spots.length).fill(-1);
  const groups: number[][] = [];
  for (let first = 0; first < spots.length; first++) {
    if (groupOf[first] !== -1 || near(first).length < enough) continue;
    const group: number[] = [];
    const open = [first];
    groupOf[first] = groups.length;
    while (open.length > 0) {
      const index = open.pop()!;
      group.push(index);
      const around = near(index);
      if (around.length < enough) continue;
      for (const other of around) {
        if (groupOf[other] !== -1) continue;
        groupOf[other] = groups.length;
        open.push(other);
      }
    }
    groups.push(group);
  }
  const clusters = groups.map((group): Cluster => {
    const [x, y] = (['x', 'y'] as const).map(
      (axis) => group.reduce((sum, index) => sum + spots[index]![axis], 0) / group.length,
    ) as [number, number];
    const radius = Math.max(
      ...group.map((index) => Math.hypot(spots[index]!.x - x, spots[index]!.y - y)),
    );
    return { x, y, radius, count: group.length };
  });
  const grouped = groups.reduce((sum, group) => sum + group.length, 0);
  return {
    clusters: clusters.sort((a, b) => b.count - a.count || a.x - b.x),
    strays: spots.length - grouped,
  };
}

/** Fields of a density map along its width and its height. */
export const DENSITY_FIELDS = 40;

/**
 * How dense markers lie: `DENSITY_FIELDS` squared values from 0 to 1, row by row from the upper left, a Gaussian of a
 * standard deviation of 1.5 fields around every marker, the densest field being 1.
 */
export function densityOf(spots: readonly Spot[]): number[] {
  const size = DENSITY_FIELDS;
  const counts = new Float64Array(size * size);
  for (const { x, y } of spots) {
    const [column, row] = [x, y].map((share) => Math.min(size - 1, Math.floor(share * size)));
    counts[row! * size + column!]! += 1;
  }
  // A Gaussian is one across after one down.
  const weights = Array.from({ length: 9 }, (_, at) => Math.exp(-((at - 4) ** 2) / (2 * 1.5 ** 2)));
  const blurred = (from: Float64Array, step: number): Float64Array =>
    from.map((_, field) => {
      const along = step === 1 ? field % size : Math.floor(field / size);
      return weights.reduce((sum, weight, at) => {
        const place = along + at - 4;
        return place >= 0 && place < size ? sum + weight * from[field + (at - 4) * step]! : sum;
      }, 0);
    });
  const field = blurred(blurred(counts, 1), size);
  const most = Math.max(...field);
  return [...field].map((value) => (most > 0 ? value / most : 0));
}
