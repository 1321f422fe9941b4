import { likeTexts, markAnswer, type QuestionElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Bars, missingRow, type BarRow } from '../Bars';
import type { TallyViewProps } from '../registry';
import { useHeavy } from '../useHeavy';

const MOST_ROWS = 12;

/** What was written, answers that say the same together, and those that nearly do beside them. */
export default function TextEntryTallyView(props: TallyViewProps<'textEntry'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const known = useHeavy({ what: 'texts', texts: tally.texts });
  const groups = known?.groups ?? likeTexts(tally.texts).map((group) => ({ ...group, near: [] }));
  const isRight = (text: string): boolean =>
    showsKey && markAnswer(element as QuestionElement, { kind: 'textEntry', text }) === 1;
  const row = (text: string, count: number): BarRow => ({
    ...{ id: text, text, count, look: isRight(text) ? 'key' : 'plain' },
  });
  const rows = groups.slice(0, MOST_ROWS).map(({ text, count }) => row(text, count));
  const others = groups.slice(MOST_ROWS).reduce((sum, { count }) => sum + count, 0);
  const near = groups.slice(0, MOST_ROWS).filter((group) => group.near.length > 0);
  return (
    <>
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
            <li key={group.text}>
              Near “{group.text}”:{' '}
              {group.near.map(({ text, count }) => `${text} (${count})`).join(', ')}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
