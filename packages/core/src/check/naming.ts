import type { Link, Slide } from '../deck/types.js';
import type { Mend } from './finding.js';

/** What a slide is called in a finding. */
export const nameOf = (slide: Slide): string => slide.title || 'Untitled';

/** Takes a link out. */
export const cut = (link: Link, label = 'Take the choice out'): Mend => ({
  label,
  do: 'cut',
  linkId: link.id,
});
