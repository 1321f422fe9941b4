import type { ElementId } from '../../parts/ids.js';
import type { Marking } from '../kind.js';
import { bump } from '../values.js';
import type { SortAnswer, SortKey, SortQuestion } from './sort.js';

export interface SortTally {
  kind: 'sort';
  answered: number;
  /** How many put what where: `piece zone`. */
  ends: Record<string, number>;
}

export const sortMarking: Marking<SortQuestion, SortKey, SortAnswer, SortTally> = {
  /**
   * A piece is right when it lies in all zones that expect it and in no other; an extra one when it lies in none. A zone
   * is right when it holds all it expects and nothing else.
   */
  mark({ credit, pieces, zones }, key, { zoneIds }) {
    const wantedFor = (piece: ElementId): ElementId[] =>
      zones.flatMap(({ id }) => (key.expects[id]?.includes(piece) ? [id] : []));
    const isPieceRight = ({ id }: { id: ElementId }): boolean =>
      isSame(wantedFor(id), zoneIds[id] ?? []);
    if (credit === 'zone') {
      const asked = zones.filter(({ id }) => key.expects[id]);
      const isZoneRight = ({ id: zone }: { id: ElementId }): boolean =>
        isSame(
          key.expects[zone]!,
          pieces.flatMap(({ id }) => (zoneIds[id]?.includes(zone) ? [id] : [])),
        );
      return asked.filter(isZoneRight).length / Math.max(1, asked.length);
    }
    if (credit === 'all') return pieces.every(isPieceRight) ? 1 : 0;
    // What nobody touched earns nothing, also where it belongs nowhere.
    if (Object.keys(zoneIds).length === 0) return 0;
    return pieces.filter(isPieceRight).length / Math.max(1, pieces.length);
  },

  emptyTally: () => ({ kind: 'sort', answered: 0, ends: {} }),

  count(tally, { zoneIds }, by) {
    tally.answered += by;
    for (const [piece, zones] of Object.entries(zoneIds)) {
      for (const zone of zones) bump(tally.ends, `${piece} ${zone}`, by);
    }
  },

  /** Where pieces should lie; they are put there one by one, and some elsewhere. */
  sample({ pieces, zones }, key, wantsRight, random) {
    const zoneIds: SortAnswer['zoneIds'] = {};
    for (const { id } of pieces) {
      const right = zones.filter((zone) => key?.expects[zone.id]?.includes(id));
      const zone = wantsRight || random(4) > 0 ? right[0] : zones[random(zones.length + 1)];
      if (zone) zoneIds[id] = [zone.id];
    }
    return { kind: 'sort', zoneIds };
  },
};

const isSame = (some: readonly string[], others: readonly string[]): boolean =>
  some.length === others.length && some.every((id) => others.includes(id));
