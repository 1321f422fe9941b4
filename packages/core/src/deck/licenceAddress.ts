import type { Licence } from '../parts/asset.js';

const OF_THE_PUBLIC = 'https://creativecommons.org/publicdomain';

/** Where the text of a licence stands; '' for what has none. */
export function licenceAddress(licence: Licence): string {
  if (licence === 'public-domain') return `${OF_THE_PUBLIC}/mark/1.0/`;
  if (licence === 'cc0') return `${OF_THE_PUBLIC}/zero/1.0/`;
  return licence.startsWith('cc-')
    ? `https://creativecommons.org/licenses/${licence.slice('cc-'.length)}/4.0/`
    : '';
}
