import { wordsOf } from '../parts/richText.js';
import { isSpare } from '../elements/elements.js';
import { type Deck, type Slide } from '../deck/types.js';
import { titleOf } from '../deck/titleOf.js';
import { flatWords } from '../elements/formula/inWords.js';
import type { LinkId, SlideId } from '../parts/ids.js';
import type { RouteGraph } from './graph.js';
import { elementWords, linesOn } from '../elements/registry.js';

const known = new WeakMap<Slide, string>();

/** All words that stand on a slide, in one line, formulas in plain letters; kept per reading of the slide. */
export function slideWords(slide: Slide): string {
  let words = known.get(slide);
  if (words === undefined) {
    const said = slide.elements.flatMap((element) => [elementWords(element), ...linesOn(element)]);
    words = said.map(flatWords).join(' ').replace(/\s+/g, ' ');
    known.set(slide, words);
  }
  return words;
}

/** The texts that students read on a slide: what stands there, not how a thing that says nothing is called. */
export function readTexts(slide: Slide): string[] {
  const texts: string[] = [];
  for (const element of slide.elements) {
    if (isSpare(element)) continue;
    if ('text' in element) texts.push(wordsOf(element.text));
    texts.push(...linesOn(element));
  }
  return texts;
}

/** Case and accents do not count. */
export const folded = (text: string): string =>
  text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

export interface Found {
  slideId: SlideId;
  /** The link whose wording was found; none when it was the slide itself. */
  linkId?: LinkId;
  /** What was found, for showing: the title, the wording, or the words around it. */
  words: string;
}

/**
 * Slides by title, by the wording of a choice that leaves them, or by the text on them: best matches first, each slide
 * once. Formulas are sought and told in plain letters. With nothing sought: all slides, in the order of the map.
 */
export function findSlides(deck: Deck, graph: RouteGraph, sought: string): Found[] {
  const wanted = folded(sought.trim());
  const slides = Object.values(deck.slides).sort((a, b) => a.x - b.x || a.y - b.y);
  if (wanted === '') return slides.map((slide) => ({ slideId: slide.id, words: titleOf(slide) }));
  const ranked: { rank: number; found: Found }[] = [];
  for (const slide of slides) {
    const title = folded(flatWords(slide.title));
    const link = (graph.waysOut.get(slide.id) ?? []).find(({ wording }) =>
      folded(wording).includes(wanted),
    );
    const words = slideWords(slide);
    const at = folded(words).indexOf(wanted);
    const found = { slideId: slide.id, words: titleOf(slide) };
    if (title.startsWith(wanted)) ranked.push({ rank: 0, found });
    else if (title.includes(wanted)) ranked.push({ rank: 1, found });
    else if (link)
      ranked.push({ rank: 2, found: { ...found, linkId: link.id, words: link.wording } });
    else if (at >= 0)
      ranked.push({
        rank: 3,
        found: { ...found, words: words.slice(Math.max(0, at - 20), at + 60) },
      });
  }
  return ranked.sort((a, b) => a.rank - b.rank).map(({ found }) => found);
}
