import { type Measures, type SlideId, titleOf } from '@gobrel/core';
import type { ReactElement, ReactNode } from 'react';
import { Link } from 'react-router';
import { useDeck } from '../deck/DeckContext';
import { useCheck } from '../deck/CheckProvider';
import { inMinutes, manyRoutes } from './numberWords';

const PACES = [
  { value: 90, label: 'learning to read · 90 words a minute' },
  { value: 130, label: 'steady · 130 words a minute' },
  { value: 180, label: 'fluent · 180 words a minute' },
];

/** The numbers of the deck, beside the findings. */
export function DeckNumbers({ measures }: { measures: Measures }): ReactElement {
  const { wordsPerMinute, setWordsPerMinute } = useCheck();
  const missed = measures.coverage.filter(({ isOnEvery }) => !isOnEvery);
  return (
    <aside aria-label="Numbers" className="flex flex-col gap-5 text-[14px]">
      <dl className="grid grid-cols-2 gap-x-4 gap-y-3">
        <Number_
          name={measures.routes === 1n ? 'route' : 'routes'}
          title={`${measures.routes.toLocaleString('en')} distinct routes`}
        >
          {manyRoutes(measures.routes)}
        </Number_>
        <Number_ name={measures.endings === 1 ? 'ending' : 'endings'}>{measures.endings}</Number_>
        <Number_ name="slides reached">
          {measures.reachable} of {measures.slides}
        </Number_>
        <Number_ name="words">{measures.words.toLocaleString('en')}</Number_>
      </dl>
      <p className="text-[13px] text-soft">
        A route is a walk from the start to an ending. Back only returns; a menu and the stations
        that lead back to it are one place, and so is any loop.
      </p>
      <section aria-label="Time">
        <h2 className="mb-1.5 text-[15px]">Time on a route</h2>
        <dl className="grid grid-cols-3 gap-2">
          <Number_ name="shortest">{inMinutes(measures.shortest)}</Number_>
          <Number_ name="average">{inMinutes(measures.average)}</Number_>
          <Number_ name="longest">{inMinutes(measures.longest)}</Number_>
        </dl>
        <label className="mt-2 flex flex-col gap-0.5 text-[13px] text-soft">
          Reading pace; half a minute for each question
          <select
            value={wordsPerMinute}
            onChange={(event) => setWordsPerMinute(Number(event.target.value))}
            className="h-8 rounded-[4px] border border-line bg-sheet px-1.5 text-ink"
          >
            {PACES.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
      </section>
      <section aria-label="On every route">
        <h2 className="mb-1.5 text-[15px]">On every route</h2>
        {measures.onEvery.length > 0 ? (
          <SlideList slideIds={measures.onEvery} />
        ) : (
          <p className="text-soft">No slide: no route comes to an end.</p>
        )}
      </section>
      {measures.joins.length > 0 && (
        <section aria-label="Joins">
          <h2 className="mb-1.5 text-[15px]">Routes join again</h2>
          <ul className="flex flex-col gap-1">
            {measures.joins.slice(0, 12).map(({ choice, at }) => (
              <li key={choice}>
                <SlideName slideId={choice} /> <span className="text-ember">⋯</span>{' '}
                <SlideName slideId={at} />
              </li>
            ))}
            {measures.joins.length > 12 && (
              <li className="text-soft">and {measures.joins.length - 12} more</li>
            )}
          </ul>
        </section>
      )}
      {measures.coverage.length > 0 && (
        <section aria-label="Questions">
          <h2 className="mb-1.5 text-[15px]">
            {missed.length === 0
              ? 'Every route meets every question'
              : `${missed.length} of ${measures.coverage.length} questions can be missed`}
          </h2>
          <ul className="flex flex-col gap-1.5">
            {missed.slice(0, 12).map(({ slideId, questionId, share }) => (
              <li key={questionId} className="flex items-center gap-2">
                <span className="min-w-0 flex-1 truncate">
                  <SlideName slideId={slideId} />
                </span>
                {share === null ? (
                  <span className="text-soft">in a loop</span>
                ) : (
                  <>
                    <span className="h-1.5 w-16 shrink-0 overflow-hidden rounded-full bg-sand">
                      <span
                        className="block h-full bg-petrol"
                        style={{ width: `${share * 100}%` }}
                      />
                    </span>
                    <span className="w-12 text-right whitespace-nowrap tabular-nums">
                      {share > 0 && share < 0.01 ? '<1' : Math.round(share * 100)} %
                    </span>
                  </>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </aside>
  );
}

function Number_(props: { name: string; title?: string; children: ReactNode }): ReactElement {
  return (
    <div title={props.title} className="flex flex-col-reverse">
      <dt className="text-[13px] text-soft">{props.name}</dt>
      <dd className="font-head text-[22px] leading-tight font-semibold tabular-nums">
        {props.children}
      </dd>
    </div>
  );
}

function SlideName({ slideId }: { slideId: SlideId }): ReactElement {
  const { deckId, deck } = useDeck();
  return (
    <Link
      to={`/deck/${deckId}/slide/${slideId}`}
      className="inline-flex min-h-6 items-center text-petrol hover:underline"
    >
      {titleOf(deck.slides[slideId])}
    </Link>
  );
}

function SlideList({ slideIds }: { slideIds: SlideId[] }): ReactElement {
  return (
    <ul className="flex flex-wrap gap-x-3 gap-y-1">
      {slideIds.slice(0, 14).map((slideId) => (
        <li key={slideId}>
          <SlideName slideId={slideId} />
        </li>
      ))}
      {slideIds.length > 14 && <li className="text-soft">and {slideIds.length - 14} more</li>}
    </ul>
  );
}
