import { likeTexts, markAnswer, type QuestionElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Bars, missingRow, type BarRow } from '../Bars';
import type { TallyViewProps } from '../kind';
import { useHeavy } from '../useHeavy';

const MOST_ROWS = 12;
/** Texts that are shown as near to one. */
const MOST_NEAR = 6;
/** Different texts that are put together at once; more wait for the worker. */
const AT_ONCE = 200;

/** What was written, answers that say the same together, and those that nearly do beside them. */
export default function TextEntryTallyView(props: TallyViewProps<'textEntry'>): ReactElement {
  const { element, tally, students, showsKey, likened = {}, onLiken } = props;
  const known = useHeavy({ what: 'texts', texts: tally.texts, likened });
  const isWaiting = !known && Object.keys(tally.texts).length > AT_ONCE;
  const groups = isWaiting
    ? []
    : (known?.groups ?? likeTexts(tally.texts, likened).map((group) => ({ ...group, near: [] })));
  const isRight = (text: string): boolean =>
    showsKey && markAnswer(element as QuestionElement, { kind: 'textEntry', text }) === 1;
  const row = (text: string, count: number): BarRow => ({
    id: text,
    text,
    count,
    look: isRight(text) ? 'key' : 'plain',
  });
  const rows = groups.slice(0, MOST_ROWS).map(({ text, count }) => row(text, count));
  const others = groups.slice(MOST_ROWS).reduce((sum, { count }) => sum + count, 0);
  const near = groups.slice(0, MOST_ROWS).filter((group) => group.near.length > 0);
  return (
    <>
      {isWaiting && <p className="text-[13px] text-soft">Putting like answers together …</p>}
      <Bars
        caption="What was written"
        students={students}
        rows={[
          ...rows,
          ...(others > 0 ? [{ id: '…others', text: 'other words', count: others }] : []),
          missingRow(students, tally.answered),
        ]}
      />
      {near.length > 0 && (
        <ul className="mt-2 flex flex-col gap-0.5 text-[13px] text-soft">
          {near.map((group) => (
            <li key={group.text} className="flex flex-wrap items-center gap-x-2">
              Near “{group.text}”:
              {group.near.slice(0, MOST_NEAR).map(({ text, count }) => (
                <span key={text} className="flex items-center gap-1">
                  {text} ({count})
                  {onLiken && (
                    <button
                      type="button"
                      aria-label={`Count “${text}” as “${group.text}”`}
                      className="min-h-7 rounded-[4px] px-1 font-semibold text-petrol hover:bg-sand"
                      onClick={() => onLiken(text, group.text)}
                    >
                      the same
                    </button>
                  )}
                </span>
              ))}
              {group.near.length > MOST_NEAR && `and ${group.near.length - MOST_NEAR} more`}
            </li>
          ))}
        </ul>
      )}
      {onLiken && Object.keys(likened).length > 0 && (
        <p className="mt-2 flex flex-wrap gap-x-2 text-[13px] text-soft">
          Counted as another:
          {Object.entries(likened).map(([text, as]) => (
            <button
              key={text}
              type="button"
              aria-label={`Part “${text}” from “${as}”`}
              className="min-h-7 text-petrol underline"
              onClick={() => onLiken(text, null)}
            >
              {text} → {as}
            </button>
          ))}
        </p>
      )}
    </>
  );
}
