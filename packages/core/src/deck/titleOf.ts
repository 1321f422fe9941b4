import { flatWords } from '../elements/formula/inWords.js';

/** What a slide is called where its title cannot be drawn: formulas in plain letters; *Untitled* when it has none. */
export const titleOf = (slide: { title: string } | null | undefined): string =>
  flatWords(slide?.title ?? '') || 'Untitled';
