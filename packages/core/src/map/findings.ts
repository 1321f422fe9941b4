import type { Deck } from '../deck/types.js';
import type { LinkId, SlideId } from '../ids.js';
import { reachableFrom, type RouteGraph } from './graph.js';

/** One thing that Check found on the routes of a deck. */
export type Finding =
  | { kind: 'no-start' }
  | { kind: 'unreachable'; slideId: SlideId }
  | { kind: 'dead-end'; slideId: SlideId }
  | { kind: 'broken-link'; slideId: SlideId; linkId: LinkId };

/** Route findings in a settled order: by kind as above, then by the slide's title. */
export function routeFindings(deck: Deck, graph: RouteGraph): Finding[] {
  const slides = Object.values(deck.slides).sort((a, b) =>
    a.title === b.title ? (a.id < b.id ? -1 : 1) : a.title < b.title ? -1 : 1,
  );
  if (slides.length === 0) return [];
  const reachable = reachableFrom(graph, deck.startSlideId);
  const walked = slides.filter((slide) => !slide.isPattern && !slide.isLeftOut);
  return [
    ...(deck.startSlideId ? [] : [{ kind: 'no-start' } as const]),
    ...walked
      .filter((slide) => !reachable.has(slide.id))
      .map((slide) => ({ kind: 'unreachable', slideId: slide.id }) as const),
    ...walked
      .filter((slide) => !slide.isEnding && (graph.waysOut.get(slide.id) ?? []).length === 0)
      .map((slide) => ({ kind: 'dead-end', slideId: slide.id }) as const),
    ...graph.broken.map(
      (link) => ({ kind: 'broken-link', slideId: link.from, linkId: link.id }) as const,
    ),
  ];
}

/** What a finding is called and why it matters, in a sentence. */
export function explain(finding: Finding): { title: string; why: string } {
  switch (finding.kind) {
    case 'no-start':
      return { title: 'No start', why: 'The deck does not say which slide a walk begins on.' };
    case 'unreachable':
      return {
        title: 'Cannot be reached',
        why: 'No link leads here from the start, so no student will see it.',
      };
    case 'dead-end':
      return {
        title: 'No way on',
        why: 'A student is stuck here: no link leaves this slide, and it is not marked as an ending.',
      };
    case 'broken-link':
      return {
        title: 'Leads nowhere',
        why: 'The slide this choice led to has been deleted.',
      };
  }
}
