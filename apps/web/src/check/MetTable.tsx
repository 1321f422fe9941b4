import { wordsOf, type EndingCoverage, type Met, type SlideId, titleOf } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useDeck } from '../deck/DeckContext';

const LOOKS: Record<Met, string> = {
  always: 'bg-petrol text-white',
  some: 'bg-[#a8c0c3] text-ink',
  never: 'bg-sand text-soft',
};

/** Endings down, questions across: what those who come to each ending have been asked. */
export function MetTable({ met }: { met: EndingCoverage }): ReactElement {
  const { deckId, deck } = useDeck();
  const promptOf = (slideId: SlideId, questionId: string): string => {
    const element = deck.slides[slideId]?.elements.find(({ id }) => id === questionId);
    const words = element && 'text' in element ? wordsOf(element.text) : '';
    return words || 'A question';
  };
  return (
    <section aria-label="Which questions each ending has met" className="mb-6">
      <h2 className="mb-2 text-[15px] text-soft">Which questions each ending has met</h2>
      <div className="overflow-x-auto">
        <table className="border-separate border-spacing-1 text-[13px]">
          <thead>
            <tr>
              <th className="min-w-[150px] text-left font-normal text-soft">Ending</th>
              {met.questions.map(({ slideId, questionId }) => (
                <th
                  key={questionId}
                  scope="col"
                  title={promptOf(slideId, questionId)}
                  className="max-w-[104px] truncate px-1 text-left font-normal"
                >
                  <Link
                    to={`/deck/${deckId}/slide/${slideId}`}
                    className="block truncate leading-6 hover:underline"
                  >
                    {promptOf(slideId, questionId)}
                  </Link>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {met.endings.map(({ slideId, met: row }) => (
              <tr key={slideId}>
                <th scope="row" className="max-w-[200px] truncate pr-3 text-left font-semibold">
                  <Link
                    to={`/deck/${deckId}/slide/${slideId}`}
                    className="inline-flex min-h-6 items-center hover:underline"
                  >
                    {titleOf(deck.slides[slideId])}
                  </Link>
                </th>
                {row.map((said, index) => (
                  <td
                    key={met.questions[index]!.questionId}
                    className={`min-w-[68px] rounded-[4px] px-2 py-1 text-center ${LOOKS[said]}`}
                  >
                    {said}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
