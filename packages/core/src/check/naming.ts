import type { Link } from '../deck/types.js';
import type { Mend } from './finding.js';

/** Takes a link out. */
export const cut = (link: Link, label = 'Take the choice out'): Mend => ({
  label,
  do: 'cut',
  linkId: link.id,
});
