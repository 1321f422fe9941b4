import { refuse } from '../../parts/refusals.js';
import type { FromLines } from '../written.js';
import { readGapText, type GapKey, type GapQuestion } from './gap.js';

const MOST_GAPS = 30;

/** Refused: `asked.gaps`. */
export const gapFromLines: FromLines<GapQuestion, GapKey> = {
  lines: 'gaps',
  make: (fresh, lines) => {
    const { parts, accepted } = readGapText(lines.join('\n'));
    if (accepted.length === 0 || accepted.length > MOST_GAPS) return refuse('asked.gaps');
    const question = { ...fresh, parts };
    return accepted.some((words) => words.length > 0)
      ? { question, key: { kind: 'gap', accepted, heedsCase: false, heedsAccents: false } }
      : { question };
  },
};
