import { THOUSANDTH, type Spot } from '../areas.js';

/** Markers that lie together. */
export interface Cluster {
  /** The middle of its markers. */
  x: number;
  y: number;
  /** From its middle to the marker farthest off. */
  radius: number;
  count: number;
}

/** Markers no farther apart than this are neighbours, in thousandths of the picture. */
const REACH = 50;
/** All that lies in one field is within reach of all else in it. */
const FIELD = Math.floor(REACH / Math.SQRT2);
/** Fields further off than this hold nothing within reach. */
const AROUND = Math.ceil(REACH / FIELD);

/** All markers at one thousandth of the picture. */
interface Place {
  x: number;
  y: number;
  count: number;
  isDense: boolean;
}
interface Field {
  column: number;
  row: number;
  places: Place[];
  count: number;
  /** The field that stands for the group that this one's dense places belong to; itself at first. */
  group: Field;
}

/**
 * Groups of markers by density (DBSCAN; Ester, Kriegel, Sander and Xu, 1996): a marker with enough neighbours within
 * reach pulls them into its group, and so on from those that have enough of their own. Enough are three, or a
 * twentieth of all. Markers in no group are strays. The largest group first.
 *
 * Places are thousandths, in fields so small that a field with enough markers is dense throughout (Gunawan, 2013):
 * many markers in one spot cost no more than as many that are strewn.
 */
export function clustersOf(spots: readonly Spot[]): { clusters: Cluster[]; strays: number } {
  const enough = Math.max(3, Math.ceil(spots.length / 20));
  const fields = fieldsOf(spots);
  const around = (field: Field): Field[] => {
    const found: Field[] = [];
    for (let dx = -AROUND; dx <= AROUND; dx++) {
      for (let dy = -AROUND; dy <= AROUND; dy++) {
        const other = fields.get(keyOf(field.column + dx, field.row + dy));
        if (other) found.push(other);
      }
    }
    return found;
  };
  for (const field of fields.values()) {
    const near = field.count >= enough ? [] : around(field);
    for (const place of field.places) {
      place.isDense = field.count >= enough || hasAround(place, near, enough);
    }
  }
  for (const field of fields.values()) {
    for (const other of around(field)) {
      if (groupOf(field) !== groupOf(other) && haveTouching(field, other)) {
        groupOf(field).group = groupOf(other);
      }
    }
  }
  const groups = new Map<Field, Place[]>();
  let grouped = 0;
  for (const field of fields.values()) {
    for (const place of field.places) {
      const home = place.isDense ? field : around(field).find((other) => holdsDense(other, place));
      if (!home) continue;
      grouped += place.count;
      const group = groups.get(groupOf(home));
      if (group) group.push(place);
      else groups.set(groupOf(home), [place]);
    }
  }
  return {
    clusters: [...groups.values()].map(clusterOf).sort((a, b) => b.count - a.count || a.x - b.x),
    strays: spots.length - grouped,
  };
}

const keyOf = (column: number, row: number): number => (column + AROUND) * 4096 + row + AROUND;

function fieldsOf(spots: readonly Spot[]): Map<number, Field> {
  const fields = new Map<number, Field>();
  const places = new Map<number, Place>();
  for (const spot of spots) {
    const [x, y] = [Math.round(spot.x * THOUSANDTH), Math.round(spot.y * THOUSANDTH)];
    const known = places.get(x * 4096 + y);
    const place = known ?? { x, y, count: 0, isDense: false };
    const [column, row] = [Math.floor(x / FIELD), Math.floor(y / FIELD)];
    let field = fields.get(keyOf(column, row));
    if (!field) {
      field = { column, row, places: [], count: 0 } as unknown as Field;
      field.group = field;
      fields.set(keyOf(column, row), field);
    }
    if (!known) {
      places.set(x * 4096 + y, place);
      field.places.push(place);
    }
    place.count += 1;
    field.count += 1;
  }
  return fields;
}

const isNear = (a: Place, b: Place): boolean => (a.x - b.x) ** 2 + (a.y - b.y) ** 2 <= REACH ** 2;

function hasAround(place: Place, fields: readonly Field[], enough: number): boolean {
  let found = 0;
  for (const { places } of fields) {
    for (const other of places) {
      if (isNear(place, other)) found += other.count;
      if (found >= enough) return true;
    }
  }
  return false;
}

/** The field at the head of a group, with the way to it shortened. */
function groupOf(field: Field): Field {
  let head = field;
  while (head.group !== head) head = head.group = head.group.group;
  return head;
}

const haveTouching = (a: Field, b: Field): boolean =>
  a.places.some((place) => place.isDense && holdsDense(b, place));

const holdsDense = (field: Field, place: Place): boolean =>
  field.places.some((other) => other.isDense && isNear(place, other));

function clusterOf(places: readonly Place[]): Cluster {
  const count = places.reduce((sum, place) => sum + place.count, 0);
  const [x, y] = (['x', 'y'] as const).map(
    (axis) => places.reduce((sum, place) => sum + place[axis] * place.count, 0) / count,
  ) as [number, number];
  let radius = 0;
  for (const place of places) radius = Math.max(radius, Math.hypot(place.x - x, place.y - y));
  return { x: x / THOUSANDTH, y: y / THOUSANDTH, radius: radius / THOUSANDTH, count };
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
  const fieldOf = (share: number): number => Math.min(size - 1, Math.floor(share * size));
  for (const { x, y } of spots) {
    counts[fieldOf(y) * size + fieldOf(x)]! += 1;
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
