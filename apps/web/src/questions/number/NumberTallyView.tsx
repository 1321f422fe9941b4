import { isWithin } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { TallyViewProps } from '../kind';
import { SpreadView } from '../SpreadView';

export default function NumberTallyView(props: TallyViewProps<'number'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { key } = element;
  return (
    <SpreadView
      values={tally.values}
      answered={tally.answered}
      students={students}
      unit={element.question.unit}
      isRight={(value) => showsKey && key !== null && isWithin(key.ranges, value)}
    />
  );
}
