import { picturesIn } from '../questions/registry.js';
import type { Credit, Licence } from '../parts/asset.js';
import type { Deck } from './types.js';

interface LicenceFacts {
  words: string;
  /** Where its text stands. */
  address: string;
}

const CC = (code: string, words: string): LicenceFacts => ({
  words: `${words} 4.0`,
  address: `https://creativecommons.org/licenses/${code}/4.0/`,
});

const LICENCE_FACTS: Record<Licence, LicenceFacts> = {
  unknown: { words: '', address: '' },
  own: { words: 'own work', address: '' },
  'public-domain': {
    words: 'public domain',
    address: 'https://creativecommons.org/publicdomain/mark/1.0/',
  },
  cc0: { words: 'CC0 1.0', address: 'https://creativecommons.org/publicdomain/zero/1.0/' },
  'cc-by': CC('by', 'CC BY'),
  'cc-by-sa': CC('by-sa', 'CC BY-SA'),
  'cc-by-nc': CC('by-nc', 'CC BY-NC'),
  'cc-by-nd': CC('by-nd', 'CC BY-ND'),
  'cc-by-nc-sa': CC('by-nc-sa', 'CC BY-NC-SA'),
  'cc-by-nc-nd': CC('by-nc-nd', 'CC BY-NC-ND'),
};

export const licenceWords = (licence: Licence): string => LICENCE_FACTS[licence].words;
export const licenceAddress = (licence: Licence): string => LICENCE_FACTS[licence].address;

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
