import { idOf, type ElementId } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Matrix } from '../Matrix';
import type { TallyViewProps } from '../kind';

/** Piece by zone: where each piece ended. */
export default function SortTallyView(props: TallyViewProps<'sort'>): ReactElement {
  const { element, tally, students, showsKey } = props;
  const { pieces, zones } = element.question;
  return (
    <>
      <Matrix
        caption="Where each piece lies"
        rows={pieces}
        columns={zones}
        count={(piece, zone) => tally.ends[`${piece} ${zone}`] ?? 0}
        isRight={(piece, zone) =>
          showsKey && !!element.key?.expects[idOf<ElementId>(zone)]?.includes(idOf(piece))
        }
        most={tally.answered}
      />
      <p className="mt-1.5 text-[13px] text-soft">
        {tally.answered} of {students} have put pieces into zones.
      </p>
    </>
  );
}
