import { countsAs, type Likened } from './likening.js';
import { normalised } from './normalised.js';

/** Answers that say the same, and those that nearly do. */
export interface LikeGroup {
  /** The commonest way to write it. */
  text: string;
  count: number;
  /** Groups that are only a slip of the pen away, the commonest first. */
  near: { text: string; count: number }[];
}

/** Answers that say the same, whatever their case, accents and spaces: the commonest way to write it, and how many. */
export function likeTexts(
  texts: Record<string, number>,
  likened: Likened = {},
): { text: string; count: number }[] {
  const groups = new Map<string, { text: string; most: number; count: number }>();
  for (const [text, count] of Object.entries(texts)) {
    if (count <= 0) continue;
    const own = normalised(text);
    const form = countsAs(likened, own);
    const group = groups.get(form) ?? { text, most: 0, count: 0 };
    // A group that was made by hand is called by what the others count as.
    const isCommoner =
      own === form
        ? normalised(group.text) !== form ||
          count > group.most ||
          (count === group.most && text < group.text)
        : false;
    groups.set(form, {
      ...(isCommoner ? { text, most: count } : group),
      count: group.count + count,
    });
  }
  return [...groups.values()]
    .map(({ text, count }) => ({ text, count }))
    .sort((a, b) => b.count - a.count || (a.text < b.text ? -1 : 1));
}

/** Texts of so many letters may differ by so many slips to be near: one in four. */
const slipsOf = (letters: number): number => Math.floor(letters / 4);

/**
 * The same, with each group beside the commonest one that it is near to: near are two whose optimal string alignment
 * distance – letters put in, left out, mistaken, or two neighbours swapped – is a quarter of the longer one's letters at
 * the most. A group that has others near it is near to none itself.
 */
export function likeGroups(texts: Record<string, number>, likened: Likened = {}): LikeGroup[] {
  const leaders: { group: LikeGroup; form: string }[] = [];
  for (const { text, count } of likeTexts(texts, likened)) {
    const form = normalised(text);
    const leader = leaders.find(({ form: other }) => {
      const slips = slipsOf(Math.max(form.length, other.length));
      return slips > 0 && isWithinSlips(form, other, slips);
    });
    if (leader) leader.group.near.push({ text, count });
    else leaders.push({ group: { text, count, near: [] }, form });
  }
  return leaders.map(({ group }) => group);
}

/** Whether two texts are no more than so many slips apart; stops as soon as they cannot be. */
export function isWithinSlips(one: string, other: string, slips: number): boolean {
  if (Math.abs(one.length - other.length) > slips) return false;
  let before: number[] = [];
  let last = Array.from({ length: other.length + 1 }, (_, at) => at);
  for (let row = 1; row <= one.length; row++) {
    const now = [row];
    let least = row;
    for (let column = 1; column <= other.length; column++) {
      const isSame = one[row - 1] === other[column - 1];
      let cost = Math.min(
        last[column]! + 1,
        now[column - 1]! + 1,
        last[column - 1]! + (isSame ? 0 : 1),
      );
      const isSwapped =
        row > 1 &&
        column > 1 &&
        one[row - 1] === other[column - 2] &&
        one[row - 2] === other[column - 1];
      if (isSwapped) cost = Math.min(cost, before[column - 2]! + 1);
      now[column] = cost;
      least = Math.min(least, cost);
    }
    if (least > slips) return false;
    before = last;
    last = now;
  }
  return last[other.length]! <= slips;
}
