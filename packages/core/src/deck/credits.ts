import { picturesIn } from '../questions/registry.js';
import type { Credit, Licence } from '../parts/asset.js';
import type { Deck } from './types.js';

const LICENCE_WORDS: Record<Licence, string> = {
  unknown: '',
  own: 'own work',
  'public-domain': 'public domain',
  cc0: 'CC0 1.0',
  'cc-by': 'CC BY 4.0',
  'cc-by-sa': 'CC BY-SA 4.0',
  'cc-by-nc': 'CC BY-NC 4.0',
  'cc-by-nd': 'CC BY-ND 4.0',
  'cc-by-nc-sa': 'CC BY-NC-SA 4.0',
  'cc-by-nc-nd': 'CC BY-NC-ND 4.0',
};
export const licenceWords = (licence: Licence): string => LICENCE_WORDS[licence];

/** A credit as one line: title, author, source, licence. '' when nothing is known that has to be said. */
export function creditLine({ title, author, source, licence }: Credit): string {
  const named = title ? `“${title}”` : '';
  const by = author ? `${named ? ' by ' : ''}${author}` : '';
  const place = source.replace(/^https?:\/\/(www\.)?/, '').replace(/\/$/, '');
  return [`${named}${by}`, place, licenceWords(licence)].filter(Boolean).join(', ');
}

/** The credits of all pictures of a deck, each once, in the order of the alphabet. */
export function creditsOf(deck: Deck): string[] {
  const lines = new Set<string>();
  const note = (credit: Credit): void => {
    const line = creditLine(credit);
    if (line && (credit.author || credit.title || credit.source)) lines.add(line);
  };
  for (const slide of Object.values(deck.slides)) {
    if (slide.ground.picture) note(slide.ground.picture.credit);
    for (const element of slide.elements) {
      if (element.kind === 'picture') note(element.credit);
      if (element.kind !== 'question') continue;
      for (const { credit } of picturesIn(element)) if (credit) note(credit);
    }
  }
  return [...lines].sort((a, b) => a.localeCompare(b, 'en'));
}
