import type { ReactElement } from 'react';
import { Bars, type BarRow } from '../Bars';
import type { TallyViewProps } from '../registry';

/** Bars: how many picked each option, the key among them. */
export default function ChoiceTallyView(props: TallyViewProps<'choice'>): ReactElement {
  const { element, tally, students } = props;
  const key = element.key?.optionIds ?? [];
  const rows = element.question.options.map(({ id, text }): BarRow => ({
    ...{ id, text, count: tally.picks[id] ?? 0, look: key.includes(id) ? 'key' : 'plain' },
  }));
  const missing = Math.max(0, students - tally.answered);
  const none: BarRow = { id: 'none', text: 'nothing yet', count: missing, look: 'missing' };
  return <Bars caption="Picks by option" rows={[...rows, none]} students={students} />;
}
