import type { Slide } from '../deck/types.js';
import type { Theme } from '../themes/theme.js';
import { ARRANGEMENT_NAMES, isLoud, type ArrangementName } from './arrangements.js';
import type { Places } from './cells.js';
import { Ways, type Arrangement } from './Ways.js';

/** A teacher is given so many to choose from, where they can be found. */
const ENOUGH = 6;
/** How much worse than the best of its name one may be that is shown because the best looks like another. */
const SECOND = 0.25;
/** The one that a slide has must be worse by so much before another takes its place. */
const STEADY = 0.12;

/**
 * All ways to set a slide out that break no rule, the best first: nothing overlaps or leaves the stage, type can be read
 * from the back row and choices be touched, pictures keep what is on them, reading order is visual order, and what was
 * put there by hand stays. Empty where there is nothing to set out, or no room that would do.
 */
export const arrangementsOf = (
  slide: Slide,
  theme: Theme,
  /** What neighbouring slides have. */
  kin: readonly ArrangementName[] = [],
): Arrangement[] => different(new Ways(slide, theme, kin), ARRANGEMENT_NAMES, ENOUGH);

/** What a slide has: `isChosen` where a teacher said so, and not the best of its time. */
interface Had {
  name: ArrangementName | null;
  isChosen: boolean;
}

/**
 * The arrangement that a slide takes: the one chosen for it, the one it has as long as that is good enough, or the best.
 * Only those are looked at that it could be. Choices for which there is no room lie close together, and rules are
 * broken; null for a slide on which there is nothing to set out, or nothing that would do.
 */
export function arrangementFor(
  slide: Slide,
  theme: Theme,
  has: Had,
  kin: readonly ArrangementName[] = [],
): Arrangement | null {
  const ways = new Ways(slide, theme, kin);
  // Which of its ways a chosen one shows depends on what the others look like.
  const all = has.isChosen
    ? different(ways, ARRANGEMENT_NAMES, ENOUGH)
    : different(
        ways,
        ARRANGEMENT_NAMES.filter(
          (name) => !isLoud(name) || name === has.name || kin.includes(name),
        ),
        0,
      );
  // It may be left out because another looks like it.
  const own = all.find(({ name }) => name === has.name) ?? (has.name && ways.bestOf(has.name));
  return takenOf(all, own, has.isChosen) ?? ways.tooClose;
}

export function takenOf(
  [best]: readonly Arrangement[],
  own: Arrangement | null,
  isChosen: boolean,
): Arrangement | null {
  if (!best || !own) return best ?? null;
  return isChosen || own.score >= best.score - STEADY ? own : best;
}

/**
 * Of each arrangement the best way that looks like no better one of another, the best first. With fewer than `enough`
 * others are looked for that look like none of them.
 */
function different(ways: Ways, names: readonly ArrangementName[], enough: number): Arrangement[] {
  if (ways.isForNone) return [];
  const best = names.flatMap((name) => ways.bestOf(name) ?? []);
  if (best.length === 0) {
    const way = ways.anyhow();
    return way ? [way] : [];
  }
  best.sort((a, b) => b.score - a.score);
  const taken: Arrangement[] = [];
  const alike: Arrangement[] = [];
  for (const one of best) (isNewAmong(taken, one) ? taken : alike).push(one);
  for (const { name, score } of alike) {
    if (taken.length >= enough) break;
    const second = ways.bestOf(name, (way) => way.score > score - SECOND && isNewAmong(taken, way));
    if (second) taken.push(second);
  }
  return taken.sort((a, b) => b.score - a.score);
}

const isNewAmong = (taken: readonly Arrangement[], { places }: Arrangement): boolean =>
  !taken.some((one) => looksLike(places, one.places));

/** Whether a class would take two arrangements for one. */
function looksLike(one: Places, other: Places): boolean {
  let far = 0;
  for (const [id, { box, look }] of one) {
    const place = other.get(id);
    if (!place || place.look.stands !== look.stands) return false;
    const there = place.box;
    far = Math.max(
      far,
      Math.abs(box.x + box.w / 2 - there.x - there.w / 2),
      Math.abs(box.y + box.h / 2 - there.y - there.h / 2),
      Math.abs(box.w - there.w) / 2,
    );
  }
  return far < 40;
}
