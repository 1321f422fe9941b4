import { MOST_ROWS, newId, type Item, type OptionId } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { filled, ItemList, unordered } from '../ItemList';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

/** Left and right, and what belongs to what. */
export default function MatchEdit(props: QuestionEditProps<'match'>): ReactElement {
  const { question, key } = props.element;
  const [lefts, setLefts] = useState<Item[]>(question.lefts);
  const [rights, setRights] = useState<Item[]>(question.rights);
  const [pairs, setPairs] = useState<Record<OptionId, OptionId[]>>(
    // A new one joins what stands side by side.
    key?.pairs ??
      Object.fromEntries(
        question.lefts.flatMap(({ id }, index) => {
          const right = question.rights[index];
          return right ? [[id, [right.id]]] : [];
        }),
      ),
  );
  const name = (item: Item, index: number): string => item.text.trim() || `No. ${index + 1}`;
  return (
    <QuestionDialog
      {...props}
      title="Question: match"
      isWide
      onKeep={(points) => {
        const [left, right] = [filled(lefts), filled(rights)];
        if (left.length < 2 || right.length < 2) return 'Each side needs two things at least.';
        const kept = Object.fromEntries(
          left.flatMap(({ id }) => {
            const joined = (pairs[id] ?? []).filter((one) => right.some((r) => r.id === one));
            return joined.length > 0 ? [[id, joined]] : [];
          }),
        );
        return {
          question: { kind: 'match', lefts: left, rights: unordered(right), points },
          key: Object.keys(kept).length > 0 ? { kind: 'match', pairs: kept } : null,
        };
      }}
    >
      <fieldset>
        <legend className="mb-1 text-[14px] font-semibold">On the right</legend>
        <ItemList items={rights} most={MOST_ROWS} noun="thing on the right" onChange={setRights} />
      </fieldset>
      <fieldset>
        <legend className="mb-1 text-[14px] font-semibold">
          On the left, and what each belongs to
        </legend>
        <ItemList
          items={lefts}
          most={MOST_ROWS}
          noun="thing on the left"
          onChange={(next) => {
            const added = next.find(({ id }) => !lefts.some((item) => item.id === id));
            // A new pair has a new partner.
            if (added && rights.length < MOST_ROWS) {
              const partner = newId<OptionId>();
              setRights([...rights, { id: partner, text: '', picture: null }]);
              setPairs({ ...pairs, [added.id]: [partner] });
            }
            setLefts(next);
          }}
          after={(left, index) => (
            <select
              aria-label={`Thing on the left ${index + 1} belongs to`}
              value={pairs[left.id]?.[0] ?? ''}
              onChange={(event) =>
                setPairs({ ...pairs, [left.id]: event.target.value ? [event.target.value] : [] })
              }
              className="h-10 w-[220px] rounded-[6px] border border-line bg-sheet px-2"
            >
              <option value="">nothing</option>
              {rights.map((right, at) => (
                <option key={right.id} value={right.id}>
                  {name(right, at)}
                </option>
              ))}
            </select>
          )}
        />
      </fieldset>
    </QuestionDialog>
  );
}
