import { likeTexts, markAnswer, type QuestionElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Bars, type BarRow } from '../Bars';
import type { TallyViewProps } from '../registry';

const MOST_ROWS = 12;

/** What was written, answers that say the same together. */
export default function TextEntryTallyView(props: TallyViewProps<'textEntry'>): ReactElement {
  const { element, tally, students } = props;
  const groups = likeTexts(tally);
  const isRight = (text: string): boolean =>
    markAnswer(element as QuestionElement, { kind: 'textEntry', text }) === 1;
  const rows = groups.slice(0, MOST_ROWS).map(({ text, count }): BarRow => ({
    ...{ id: text, text, count, look: isRight(text) ? 'key' : 'plain' },
  }));
  const others = groups.slice(MOST_ROWS).reduce((sum, { count }) => sum + count, 0);
  const missing = Math.max(0, students - tally.answered);
  return (
    <Bars
      caption="What was written"
      students={students}
      rows={[
        ...rows,
        ...(others > 0 ? [{ id: '…others', text: 'other words', count: others }] : []),
        { id: '…none', text: 'nothing yet', count: missing, look: 'missing' },
      ]}
    />
  );
}
