import { type Theme, themeOn } from '../themes/theme.js';
import { idsOf, type SlideId } from '../parts/ids.js';
import type { Deck, Link, Slide } from '../deck/types.js';
import { whatStudentsMeet, type StudentsMeet } from '../deck/met.js';
import { routeGraph } from '../map/graph.js';
import { endingCoverage, type EndingCoverage } from '../map/endingCoverage.js';
import { measure, READING_PACE, type Measures, type ReadingPace } from '../map/measures.js';
import { routesOf } from '../map/routes.js';
import type { Pixels } from './contrast.js';
import {
  findingKey,
  findingPrint,
  FINDING_KINDS,
  type Finding,
  type FindingKind,
} from './finding.js';
import { pictureFindings } from './pictures.js';
import { coverageFindings, questionFindings } from './questions.js';
import { readingFindings } from './reading.js';
import { routeFindings } from './routeFindings.js';
import { touchFindings } from './touch.js';
import { sure } from '../parts/sure.js';

/** What Check knows besides the deck. */
export interface CheckContext {
  pace?: ReadingPace;
  /** Decks that the teacher may read; undefined: not known, then nothing is said about them. */
  readableDecks?: ReadonlySet<string>;
  /** Pictures made small, by hash; text on others is not measured. */
  pixels?: ReadonlyMap<string, Pixels>;
  /** Hashes of drawings, which have no pixels to run out of. */
  drawings?: ReadonlySet<string>;
}

export interface Report {
  /** In the order of their kinds, each kind in the order of the map. */
  findings: Finding[];
  /** Looked at and let be, with the reason given. */
  setAside: { finding: Finding; reason: string }[];
  measures: Measures;
  /** Which questions each ending has met; null where there is nothing to tell, or too much. */
  met: EndingCoverage | null;
}

const RANK = new Map<FindingKind, number>(
  (Object.keys(FINDING_KINDS) as FindingKind[]).map((kind, index) => [kind, index]),
);

interface Kept {
  links: readonly Link[];
  theme: Theme;
  context: CheckContext;
  findings: Finding[];
}

/**
 * Checks a deck again and again: what depends on one slide alone is computed once for each reading of it, so after a
 * change the cost is that of the slide that changed and one pass over slides and links.
 */
export class Checker {
  #kept = new WeakMap<Slide, Kept>();

  check(deck: Deck, context: CheckContext = {}): Report {
    const graph = routeGraph(deck);
    const students = whatStudentsMeet(deck);
    const met = students.deck;
    // Who meets all of it walks the same graph.
    const walk = isWhole(deck, students) ? graph : routeGraph(met);
    const routes = routesOf(met, walk);
    const measures = measure(met, routes, context.pace ?? READING_PACE);
    const found = [
      ...routeFindings({ deck, graph, students, walk, routes }, context.readableDecks),
      ...coverageFindings(met, measures),
    ];
    for (const slide of Object.values(deck.slides)) {
      const own = this.#onSlide(
        slide,
        graph.waysOut.get(slide.id) ?? [],
        themeOn(slide, deck.theme),
        context,
      );
      for (const finding of own) found.push(finding);
    }
    const place = ({ slideId }: Finding): number => {
      const slide = slideId ? deck.slides[slideId] : undefined;
      return slide ? slide.x * 1e5 + slide.y : -Infinity;
    };
    found.sort(
      (a, b) =>
        sure(RANK.get(a.kind), 'every kind of finding has its rank') -
          sure(RANK.get(b.kind), 'every kind of finding has its rank') || place(a) - place(b),
    );
    const report: Report = {
      findings: [],
      setAside: [],
      measures,
      met: endingCoverage(met, routes),
    };
    const hasAside = Object.keys(deck.setAside).length > 0;
    for (const finding of found) {
      const aside = hasAside ? deck.setAside[findingKey(finding)] : undefined;
      if (aside && aside.print === findingPrint(finding)) {
        report.setAside.push({ finding, reason: aside.reason });
      } else report.findings.push(finding);
    }
    return report;
  }

  #onSlide(slide: Slide, links: readonly Link[], theme: Theme, context: CheckContext): Finding[] {
    const kept = this.#kept.get(slide);
    if (
      kept &&
      kept.theme === theme &&
      kept.context.pixels === context.pixels &&
      kept.context.drawings === context.drawings &&
      isSameList(kept.links, links)
    ) {
      return kept.findings;
    }
    const findings = touchFindings(slide, links).concat(
      readingFindings(slide, theme, (hash) => context.pixels?.get(hash)),
      pictureFindings(slide, (hash) => context.drawings?.has(hash) ?? false),
      questionFindings(slide),
    );
    this.#kept.set(slide, { links, theme, context, findings });
    return findings;
  }
}

const isWhole = (deck: Deck, { deck: met, unmet }: StudentsMeet): boolean =>
  unmet.size === 0 &&
  met.startSlideId === deck.startSlideId &&
  met.trails === deck.trails &&
  (met.slides === deck.slides ||
    idsOf(deck.slides).every((id) => met.slides[id] === deck.slides[id]));

const isSameList = (a: readonly Link[], b: readonly Link[]): boolean =>
  a.length === b.length && a.every((link, index) => link === b[index]);

/** Slides that anything in a report is about, with the most telling finding of each. */
export function findingsBySlide(findings: readonly Finding[]): Map<SlideId, Finding[]> {
  const by = new Map<SlideId, Finding[]>();
  for (const finding of findings) {
    if (!finding.slideId) continue;
    const list = by.get(finding.slideId);
    if (list) list.push(finding);
    else by.set(finding.slideId, [finding]);
  }
  return by;
}
