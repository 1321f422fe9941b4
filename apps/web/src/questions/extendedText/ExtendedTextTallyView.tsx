import { spreadOf } from '@gobrel/core';
import { eng, removeStopwords } from 'stopword';
import type { ReactElement } from 'react';
import { count } from '../../ui/when';
import type { TallyViewProps } from '../kind';

const MOST_WORDS = 14;

/** How long the texts are, the words that stand in many of them, and the texts. */
export default function ExtendedTextTallyView(props: TallyViewProps<'extendedText'>): ReactElement {
  const { tally, students, answers } = props;
  const spread = spreadOf(tally.lengths);
  const kept = new Set(removeStopwords(Object.keys(tally.words), eng));
  const words = Object.entries(tally.words)
    .filter(([word, count]) => kept.has(word) && word.length > 2 && count > 1)
    .sort(([a, many], [b, few]) => few - many || (a < b ? -1 : 1))
    .slice(0, MOST_WORDS);
  const texts = answers.map(({ text }) => text).filter((text) => text.trim() !== '');
  return (
    <div className="text-[14px]">
      <p>
        {tally.answered} of {students} have written
        {spread && `; half of them ${spread.lower} to ${spread.upper} words`}.
      </p>
      {words.length > 0 && (
        <p className="mt-1.5 flex flex-wrap items-baseline gap-x-3">
          <span className="text-[13px] text-soft">Words in several texts:</span>
          {words.map(([word, many]) => (
            <span key={word} className="font-semibold" title={count(many, 'text')}>
              {word} <span className="text-[12px] font-normal text-soft">{many}</span>
            </span>
          ))}
        </p>
      )}
      <ul className="mt-2 flex flex-col gap-1.5">
        {texts.slice(0, 40).map((text, index) => (
          <li
            key={index}
            className="rounded-[6px] border border-line bg-sheet px-3 py-1.5 whitespace-pre-wrap"
          >
            {text}
          </li>
        ))}
      </ul>
    </div>
  );
}
