import { likeTexts, markAnswer, type QuestionElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Bars, missingRow } from '../Bars';
import type { TallyViewProps } from '../kind';

/** What stands in each gap. */
export default function GapTallyView(props: TallyViewProps<'gap'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { parts } = element.question;
  const isRight = (gap: number, text: string): boolean => {
    const { key } = element;
    const accepted = key?.accepted[gap];
    if (!showsKey || !key || !accepted || accepted.length === 0) return false;
    const alone = { ...element, key: { ...key, accepted: [accepted] } } as QuestionElement;
    return markAnswer(alone, { kind: 'gap', texts: [text] }) === 1;
  };
  return (
    <div className="flex flex-col gap-3">
      {tally.gaps.map((texts, gap) => {
        const groups = likeTexts(texts);
        const filled = groups.reduce((sum, { count }) => sum + count, 0);
        return (
          <section key={gap}>
            <h4 className="text-[13px] text-soft">
              …{parts[gap]!.slice(-30)}
              <b className="text-ink"> [{gap + 1}] </b>
              {parts[gap + 1]!.slice(0, 30)}…
            </h4>
            <Bars
              caption={`Gap ${gap + 1}`}
              students={students}
              rows={[
                ...groups.slice(0, 6).map(({ text, count }) => ({
                  id: text,
                  text,
                  count,
                  look: isRight(gap, text) ? ('key' as const) : ('plain' as const),
                })),
                missingRow(students, filled),
              ]}
            />
          </section>
        );
      })}
    </div>
  );
}
