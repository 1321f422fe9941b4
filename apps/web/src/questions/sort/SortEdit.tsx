import { SORT_CREDITS } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Select, Setting } from '../../ui/controls';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

const CREDITS: Record<(typeof SORT_CREDITS)[number], string> = {
  piece: 'for each piece',
  zone: 'for each zone that is wholly right',
  all: 'for all of it, or nothing',
};

/** Pieces, zones and key are the slide's own. */
export default function SortEdit(props: QuestionEditProps<'sort'>): ReactElement {
  const { question } = props.element;
  const [credit, setCredit] = useState(question.credit);
  return (
    <QuestionDialog
      {...props}
      title="Question: sort"
      onKeep={(points) => ({
        question: { kind: 'sort', credit, points, pieces: [], zones: [] },
        key: null,
      })}
    >
      <p className="text-[14px] text-soft">
        It asks for the pieces and zones of this slide. What is right is what each zone expects:
        select a zone and say so in the tray. A piece that no zone expects belongs nowhere.
      </p>
      <Setting label="Points">
        <Select
          label="Points are given"
          value={credit}
          options={SORT_CREDITS.map((value) => ({ value, label: CREDITS[value] }))}
          onChange={setCredit}
        />
      </Setting>
    </QuestionDialog>
  );
}
