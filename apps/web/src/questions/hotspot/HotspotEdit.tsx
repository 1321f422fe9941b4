import type { Area } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Check } from '../../ui/controls';
import { Field } from '../../ui/Field';
import { AreaEditor } from '../AreaEditor';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

export default function HotspotEdit(props: QuestionEditProps<'hotspot'>): ReactElement {
  const { element } = props;
  const { question, key } = element;
  const [picture, setPicture] = useState(element.picture);
  const [areas, setAreas] = useState<Area[]>(question.areas);
  const [right, setRight] = useState(key?.areaIds ?? []);
  const [most, setMost] = useState(String(question.most));
  const [isOutlined, setIsOutlined] = useState(question.isOutlined);
  const [isPartial, setIsPartial] = useState(key?.isPartial ?? false);
  return (
    <QuestionDialog
      {...props}
      title="Question: hotspot"
      isWide
      onPicture={setPicture}
      onKeep={(points) => {
        const count = Number(most);
        if (areas.length === 0) return 'Draw an area at least that can be picked.';
        if (!Number.isInteger(count) || count < 1 || count > 40) {
          return 'From one to forty areas may be picked.';
        }
        const areaIds = right.filter((id) => areas.some((area) => area.id === id));
        return {
          question: { kind: 'hotspot', areas, most: count, isOutlined, points },
          key: areaIds.length > 0 ? { kind: 'hotspot', areaIds, isPartial } : null,
        };
      }}
    >
      <AreaEditor
        picture={picture}
        alt={element.pictureAlt}
        areas={areas}
        finish={(area) => area}
        more={({ id }, _set, index) => (
          <label className="flex items-center gap-1">
            <input
              type="checkbox"
              className="size-4 accent-petrol"
              aria-label={`Area ${index + 1} is right`}
              checked={right.includes(id)}
              onChange={() =>
                setRight(right.includes(id) ? right.filter((one) => one !== id) : [...right, id])
              }
            />
            right
          </label>
        )}
        onChange={setAreas}
      />
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <Field
          label="So many may be picked"
          className="w-[170px]"
          value={most}
          onChange={(event) => setMost(event.target.value)}
        />
        <Check label="Students see the areas" isOn={isOutlined} onChange={setIsOutlined} />
        <Check
          label="Some right is worth something, wrong picks cost"
          isOn={isPartial}
          onChange={setIsPartial}
        />
      </div>
    </QuestionDialog>
  );
}
