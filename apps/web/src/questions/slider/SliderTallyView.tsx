import { spreadOf } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { TallyViewProps } from '../kind';
import { SpreadView } from '../SpreadView';

/** The values on the scale; where the same was asked before, how they have moved. */
export default function SliderTallyView(props: TallyViewProps<'slider'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { key, question } = element;
  const before = props.before?.kind === 'slider' ? props.before : null;
  return (
    <>
      {before && (
        <div className="mb-3 flex flex-col gap-1.5" role="group" aria-label="Before and after">
          <Span name="before" values={before.values} low={question.low} high={question.high} />
          <Span name="now" values={tally.values} low={question.low} high={question.high} />
        </div>
      )}
      <SpreadView
        values={tally.values}
        answered={tally.answered}
        students={students}
        isRight={(value) => showsKey && key !== null && value >= key.low && value <= key.high}
      />
    </>
  );
}

/** Where the middle half of the values lies on the scale, and the median. */
function Span(props: {
  name: string;
  values: Record<string, number>;
  low: number;
  high: number;
}): ReactElement {
  const { name, values, low, high } = props;
  const spread = spreadOf(values);
  const at = (value: number): number => ((value - low) / (high - low)) * 100;
  return (
    <div className="grid grid-cols-[64px_1fr_110px] items-center gap-3 text-[14px]">
      <span>{name}</span>
      <span className="relative h-[18px] rounded-[3px] bg-sand" aria-hidden>
        {spread && (
          <>
            <span
              className="absolute h-full rounded-[3px] bg-[#8fa9ad]"
              style={{
                left: `${at(spread.lower)}%`,
                width: `${Math.max(1, at(spread.upper) - at(spread.lower))}%`,
              }}
            />
            <span
              className="absolute h-full w-[6px] -translate-x-1/2 rounded-[3px] bg-petrol"
              style={{ left: `${at(spread.median)}%` }}
            />
          </>
        )}
      </span>
      <span className="text-soft">{spread ? `median ${spread.median}` : 'nothing yet'}</span>
    </div>
  );
}
