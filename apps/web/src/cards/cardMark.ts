import { FINDING_KINDS, wordCount, type Finding, type Measures, type Slide } from '@gobrel/core';

/** What cards may be marked with. */
export const OVERLAYS = ['none', 'state', 'findings', 'words', 'routes', 'walks'] as const;
export type Overlay = (typeof OVERLAYS)[number];

/** What an overlay writes on a card. */
export interface CardMark {
  text: string;
  tone: 'wants' | 'good' | 'plain';
}

/** More words than this on a slide stand out in the overlay of words. */
const MANY_WORDS = 75;

export interface MarkSource {
  findings: readonly Finding[];
  measures: Measures | null;
  /** How often students have come to the slide. */
  visits: number;
}

export function cardMark(overlay: Overlay, slide: Slide, source: MarkSource): CardMark | null {
  switch (overlay) {
    case 'none':
      return null;
    case 'state':
      return slide.isReady ? { text: 'ready', tone: 'good' } : { text: 'draft', tone: 'plain' };
    case 'findings': {
      const [first, ...more] = source.findings.filter(
        ({ kind }) => FINDING_KINDS[kind].severity !== 'minor',
      );
      if (!first) return null;
      const { short } = FINDING_KINDS[first.kind];
      return { text: more.length > 0 ? `${short} +${more.length}` : short, tone: 'wants' };
    }
    case 'words': {
      const words = wordCount(slide);
      return {
        text: words === 1 ? '1 word' : `${words} words`,
        tone: words > MANY_WORDS ? 'wants' : 'plain',
      };
    }
    case 'routes': {
      if (!source.measures) return null;
      if (source.measures.onEvery.includes(slide.id)) return { text: 'every route', tone: 'good' };
      const question = source.measures.coverage.find(({ slideId }) => slideId === slide.id);
      if (question) {
        return question.share === null
          ? { text: 'in a loop', tone: 'plain' }
          : { text: `${Math.round(question.share * 100)} % of routes`, tone: 'plain' };
      }
      const joins = source.measures.joins.filter(({ at }) => at === slide.id).length;
      return joins > 0 ? { text: 'routes join', tone: 'plain' } : null;
    }
    case 'walks':
      return { text: source.visits === 1 ? '1 visit' : `${source.visits} visits`, tone: 'plain' };
  }
}
