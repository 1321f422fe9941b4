import type { SlideId } from '../../parts/ids.js';
import type { Step } from '../links/target.js';
import type { Deck, Trail } from '../types.js';

export type OnwardStep = Exclude<Step, 'back'>;

/** What of a deck says where steps lead. */
export type Trails = Pick<Deck, 'trails' | 'defaultTrailId' | 'startSlideId'>;

/** Where the steps along trails lead, over all trails; gathered only when a link asks. */
export class TrailSteps {
  #deck: Trails;
  #next: Map<SlideId, Set<SlideId>> | null = null;
  #previous = new Map<SlideId, Set<SlideId>>();

  constructor(deck: Trails) {
    this.#deck = deck;
  }

  from(slideId: SlideId, step: OnwardStep): SlideId[] {
    const { startSlideId } = this.#deck;
    const trail = defaultTrail(this.#deck);
    const start = startSlideId ? [startSlideId] : [];
    switch (step) {
      case 'restart':
        return start;
      case 'first':
        return trail?.stops[0] ? [trail.stops[0].slideId] : start;
      case 'last':
        return trail?.stops.length ? [trail.stops.at(-1)!.slideId] : [];
      case 'next':
      case 'previous': {
        this.#next ??= this.#gather();
        return [...((step === 'next' ? this.#next : this.#previous).get(slideId) ?? [])];
      }
    }
  }

  #gather(): Map<SlideId, Set<SlideId>> {
    const next = new Map<SlideId, Set<SlideId>>();
    const note = (map: Map<SlideId, Set<SlideId>>, from: SlideId, to: SlideId): void => {
      map.set(from, (map.get(from) ?? new Set()).add(to));
    };
    for (const { stops } of this.#deck.trails) {
      for (let index = 1; index < stops.length; index += 1) {
        const [before, after] = [stops[index - 1]!.slideId, stops[index]!.slideId];
        if (before === after) continue;
        note(next, before, after);
        note(this.#previous, after, before);
      }
    }
    return next;
  }
}

export function defaultTrail(deck: Trails): Trail | undefined {
  return deck.trails.find((trail) => trail.id === deck.defaultTrailId);
}
