import { MARKERS, type SelectPointKey } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Select, Setting } from '../../ui/controls';
import { Field } from '../../ui/Field';
import { Segments } from '../../ui/Segments';
import { AreaEditor } from '../AreaEditor';
import { QuestionDialog } from '../QuestionDialog';
import type { QuestionEditProps } from '../kind';

type Weighted = SelectPointKey['areas'][number];
const BY = [
  { value: 'areas', label: 'Areas' },
  { value: 'target', label: 'Distance to a place' },
] as const;

export default function SelectPointEdit(props: QuestionEditProps<'selectPoint'>): ReactElement {
  const { element } = props;
  const { question, key } = element;
  const [picture, setPicture] = useState(element.picture);
  const [marker, setMarker] = useState(question.marker);
  const [most, setMost] = useState(String(question.most));
  const [by, setBy] = useState<'areas' | 'target'>(key?.target ? 'target' : 'areas');
  const [areas, setAreas] = useState<Weighted[]>(key?.areas ?? []);
  const percent = (share: number): string => String(Math.round(share * 100));
  const [target, setTarget] = useState({
    x: percent(key?.target?.x ?? 0.5),
    y: percent(key?.target?.y ?? 0.5),
    near: percent(key?.target?.near ?? 0.05),
    far: percent(key?.target?.far ?? 0.2),
  });
  return (
    <QuestionDialog
      {...props}
      title="Question: select point"
      isWide
      onPicture={setPicture}
      onKeep={(points) => {
        const count = Number(most);
        if (!Number.isInteger(count) || count < 1 || count > 20) {
          return 'From one to twenty markers may be put.';
        }
        const asked = { kind: 'selectPoint' as const, marker, most: count, points };
        if (by === 'areas') {
          return {
            question: asked,
            key: areas.length > 0 ? { kind: 'selectPoint', areas, target: null } : null,
          };
        }
        const [x, y, near, far] = [target.x, target.y, target.near, target.far].map(
          (text) => Number(text.replace(',', '.')) / 100,
        ) as [number, number, number, number];
        const isPlace = x >= 0 && x <= 1 && y >= 0 && y <= 1 && near >= 0 && far >= near;
        if (!isPlace) return 'Places and distances are per cent of the picture’s width and height.';
        return {
          question: asked,
          key: { kind: 'selectPoint', areas: [], target: { x, y, near, far } },
        };
      }}
    >
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <Setting label="Marker">
          <Select
            label="Marker"
            value={marker}
            options={MARKERS.map((value) => ({
              value,
              label: value === 'line' ? 'line across' : value,
            }))}
            onChange={setMarker}
          />
        </Setting>
        <Field
          label="So many markers"
          className="w-[130px]"
          value={most}
          onChange={(event) => setMost(event.target.value)}
        />
        <Segments label="What is right" value={by} options={[...BY]} onChange={setBy} />
      </div>
      {by === 'areas' ? (
        <AreaEditor
          picture={picture}
          alt={element.pictureAlt}
          areas={areas}
          finish={(area) => ({ ...area, weight: 1 })}
          more={(area, set, index) => (
            <label className="flex items-center gap-1 text-soft">
              worth
              <input
                type="number"
                step={0.25}
                min={-1}
                max={1}
                aria-label={`Area ${index + 1}: worth from −1 to 1`}
                value={area.weight}
                onChange={(event) =>
                  set({ weight: Math.min(1, Math.max(-1, Number(event.target.value))) })
                }
                className="h-8 w-[66px] rounded-[4px] border border-line bg-sheet px-1 text-ink"
              />
            </label>
          )}
          onChange={setAreas}
        />
      ) : (
        <div className="grid grid-cols-4 gap-3">
          {(
            [
              ['x', 'Across, %'],
              ['y', 'Down, %'],
              ['near', 'Wholly right within, % of the width'],
              ['far', 'Not right from, % of the width'],
            ] as const
          ).map(([name, label]) => (
            <Field
              key={name}
              label={label}
              value={target[name]}
              onChange={(event) => setTarget({ ...target, [name]: event.target.value })}
            />
          ))}
        </div>
      )}
    </QuestionDialog>
  );
}
