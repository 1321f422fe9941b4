import { MOST_ITEMS, ORDER_CREDITS, type Item } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Check, Select, Setting } from '../../ui/controls';
import { filled, ItemList, unordered } from '../ItemList';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

const CREDITS: Record<(typeof ORDER_CREDITS)[number], string> = {
  exact: 'all in place, or nothing',
  pairs: 'for each pair of neighbours',
  rank: 'by how far from their places',
};

/** The things in their right order; students begin with one of their own. */
export default function OrderEdit(props: QuestionEditProps<'order'>): ReactElement {
  const { question, key } = props.element;
  const place = ({ id }: Item): number => key?.itemIds.indexOf(id) ?? 0;
  const [items, setItems] = useState([...question.items].sort((a, b) => place(a) - place(b)));
  const [isRow, setIsRow] = useState(question.isRow);
  const [credit, setCredit] = useState(key?.credit ?? 'exact');
  return (
    <QuestionDialog
      {...props}
      title="Question: order"
      isWide
      onKeep={(points) => {
        const kept = filled(items);
        if (kept.length < 2) return 'There must be two things at least to put in order.';
        return {
          question: { kind: 'order', items: unordered(kept), isRow, points },
          key: { kind: 'order', itemIds: kept.map(({ id }) => id), credit },
        };
      }}
    >
      <fieldset>
        <legend className="mb-1 text-[14px] font-semibold">In their right order</legend>
        <ItemList items={items} most={MOST_ITEMS} noun="thing" isOrdered onChange={setItems} />
      </fieldset>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <Check label="In a row" isOn={isRow} onChange={setIsRow} />
        <Setting label="Points">
          <Select
            label="Points are given"
            value={credit}
            options={ORDER_CREDITS.map((value) => ({ value, label: CREDITS[value] }))}
            onChange={setCredit}
          />
        </Setting>
      </div>
    </QuestionDialog>
  );
}
