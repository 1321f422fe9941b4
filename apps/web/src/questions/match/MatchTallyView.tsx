import { idOf, type OptionId } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Matrix } from '../Matrix';
import type { TallyViewProps } from '../kind';

/** Left by right: how many joined what to what. */
export default function MatchTallyView(props: TallyViewProps<'match'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { lefts, rights } = element.question;
  const named = (items: typeof lefts): { id: string; name: string }[] =>
    items.map(({ id, text }, index) => ({ id, name: text || `picture ${index + 1}` }));
  return (
    <>
      <Matrix
        caption="What was joined to what"
        rows={named(lefts)}
        columns={named(rights)}
        count={(left, right) => tally.pairs[`${left} ${right}`] ?? 0}
        isRight={(left, right) =>
          showsKey && !!element.key?.pairs[idOf<OptionId>(left)]?.includes(idOf(right))
        }
        most={tally.answered}
      />
      <p className="mt-1.5 text-[13px] text-soft">
        {tally.answered} of {students} have answered.
      </p>
    </>
  );
}
