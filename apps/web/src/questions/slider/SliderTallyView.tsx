import type { ReactElement } from 'react';
import type { TallyViewProps } from '../registry';
import { SpreadView } from '../SpreadView';

export default function SliderTallyView(props: TallyViewProps<'slider'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { key } = element;
  return (
    <SpreadView
      values={tally.values}
      answered={tally.answered}
      students={students}
      isRight={(value) => showsKey && key !== null && value >= key.low && value <= key.high}
    />
  );
}
