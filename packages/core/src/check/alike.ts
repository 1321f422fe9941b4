import { slideAt } from '../deck/links/target.js';
import { isSameTarget, targetWords } from '../deck/links/targetWords.js';
import type { Deck, Link, Slide } from '../deck/types.js';
import { folded } from '../map/find.js';
import type { Finding } from './finding.js';
import { titleOf } from '../deck/titleOf.js';
import { cut } from './naming.js';
import { sure } from '../parts/sure.js';

/** What is wrong with choices of a slide that cannot be told apart: by where they lead, or by what they say. */
export const alikeFindings = (deck: Deck, slide: Slide, links: readonly Link[]): Finding[] => [
  ...sameTargets(deck, slide, links),
  ...sameWordings(deck, slide, links),
];

/** Links that are alike, in groups of two and more, in the order of the slide. */
function alike(links: readonly Link[], isAlike: (a: Link, b: Link) => boolean): Link[][] {
  // Mostly none are: then nothing is built.
  const isAny = links.some((a, index) => {
    for (let at = 0; at < index; at += 1) if (isAlike(links[at]!, a)) return true;
    return false;
  });
  if (!isAny) return [];
  const groups: Link[][] = [];
  for (const link of links) {
    const group = groups.find(([first]) => isAlike(sure(first, 'no group is empty'), link));
    if (group) group.push(link);
    else groups.push([link]);
  }
  return groups.filter(({ length }) => length > 1);
}

const listed = (links: readonly Link[]): string =>
  links.map(({ wording }) => `“${wording}”`).join(links.length === 2 ? ' and ' : ', ');

const sameTargets = (deck: Deck, slide: Slide, links: readonly Link[]): Finding[] =>
  alike(links, (a, b) => a.target.kind !== 'none' && isSameTarget(a.target, b.target)).map(
    (group) => ({
      kind: 'same-target',
      slideId: slide.id,
      linkIds: group.map(({ id }) => id),
      why: `${listed(group)} ${group.length === 2 ? 'both' : 'all'} lead to ${targetWords(group[0]!.target, (slideId) => deck.slides[slideId]?.title ?? null)}: the choice is none.`,
      mends: [cut(group.at(-1)!, `Take “${group.at(-1)!.wording}” out`)],
    }),
  );

/** Case and accents do not count. Plain letters need no folding. */
const saysTheSame = (a: string, b: string): boolean =>
  a === b || (isPlain(a) && isPlain(b) ? isSamePlain(a, b) : folded(a) === folded(b));

function isPlain(text: string): boolean {
  for (let index = 0; index < text.length; index += 1) {
    const code = text.charCodeAt(index);
    if (code < 0x20 || code > 0x7e) return false;
  }
  return true;
}

const isSamePlain = (a: string, b: string): boolean =>
  a.length === b.length && a.toLowerCase() === b.toLowerCase();

const sameWordings = (deck: Deck, slide: Slide, links: readonly Link[]): Finding[] =>
  alike(
    links,
    (a, b) =>
      a.wording !== '' && saysTheSame(a.wording, b.wording) && !isSameTarget(a.target, b.target),
  ).map((group): Finding => {
    const last = group.at(-1)!;
    const target = slideAt(deck, last.target);
    const name = target?.title || 'Untitled';
    return {
      kind: 'same-wording',
      slideId: slide.id,
      linkIds: group.map(({ id }) => id),
      why: `${group.length === 2 ? 'Two' : group.length} choices say “${last.wording}” and lead to different places: nobody can tell them apart.`,
      mends: [
        ...(target && last.carrier.kind === 'element'
          ? [
              {
                label: `Word the ${group.length === 2 ? 'second' : 'last'} “${titleOf(target)}”`,
                do: 'reword',
                linkId: last.id,
                wording: folded(name) === folded(last.wording) ? `${name} (2)` : name,
              } as const,
            ]
          : []),
        cut(last, `Take the ${group.length === 2 ? 'second' : 'last'} one out`),
      ],
    };
  });
