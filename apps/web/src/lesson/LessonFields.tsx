import { MARKS_SEEN, type LessonSettings } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Check, Select, Setting } from '../ui/controls';
import { Field } from '../ui/Field';
import { fromLocal, toLocal } from '../ui/when';

const MARKS: Record<(typeof MARKS_SEEN)[number], string> = {
  never: 'never',
  'at-once': 'at once',
  'after-hand-in': 'after handing in',
  'when-released': 'when you release them',
};

/** The settings of a lesson, as one row each. */
export function SettingsFields(props: {
  settings: LessonSettings;
  onChange: (changed: Partial<LessonSettings>) => void;
}): ReactElement {
  const { settings, onChange } = props;
  return (
    <div className="flex flex-col gap-1.5">
      <Setting label="Students see their marks">
        <Select
          label="Students see their marks"
          value={settings.seesMarks}
          options={MARKS_SEEN.map((value) => ({ value, label: MARKS[value] }))}
          onChange={(seesMarks) => onChange({ seesMarks })}
        />
      </Setting>
      {settings.seesMarks === 'at-once' && (
        <Check
          label="An answer stands once its mark was seen"
          isOn={settings.locksDone}
          onChange={(locksDone) => onChange({ locksDone })}
        />
      )}
      {settings.seesMarks === 'when-released' && (
        <Check
          label="The marks are released"
          isOn={settings.isReleased}
          onChange={(isReleased) => onChange({ isReleased })}
        />
      )}
      <Setting label="A folio may be handed in">
        <Select
          label="A folio may be handed in"
          value={String(settings.attempts)}
          options={['1', '2', '3', '5', '9'].map((value) => ({
            value,
            label: value === '1' ? 'once' : `${value} times`,
          }))}
          onChange={(attempts) => onChange({ attempts: Number(attempts) })}
        />
      </Setting>
      <Check
        label="What is put up is seen on students’ devices, too"
        isOn={settings.seesClassAnswers}
        onChange={(seesClassAnswers) => onChange({ seesClassAnswers })}
      />
      <Check
        label="Students see the leaves of the others"
        isOn={settings.seesLeaves}
        onChange={(seesLeaves) => onChange({ seesLeaves })}
      />
      <Check
        label="Who joins waits until I let them in"
        isOn={settings.hasWaitingRoom}
        onChange={(hasWaitingRoom) => onChange({ hasWaitingRoom })}
      />
      <Check
        label="Groups of the class list share a folio"
        isOn={settings.byGroups}
        onChange={(byGroups) => onChange({ byGroups })}
      />
      <Check
        label="What comes after a hold or the end counts all the same"
        isOn={settings.countsLate}
        onChange={(countsLate) => onChange({ countsLate })}
      />
    </div>
  );
}

/** When a lesson opens and closes by itself, ISO 8601; null for never. */
export interface LessonTimes {
  opensAt: string | null;
  closesAt: string | null;
}

/** The times of a lesson, in the time of this device. */
export function TimesFields(props: {
  times: LessonTimes;
  onChange: (times: LessonTimes) => void;
}): ReactElement {
  const { times, onChange } = props;
  return (
    <div className="grid grid-cols-2 gap-3">
      <Field
        label="Opens"
        type="datetime-local"
        value={toLocal(times.opensAt)}
        onChange={({ target }) => onChange({ ...times, opensAt: fromLocal(target.value) })}
      />
      <Field
        label="Closes"
        type="datetime-local"
        value={toLocal(times.closesAt)}
        onChange={({ target }) => onChange({ ...times, closesAt: fromLocal(target.value) })}
      />
    </div>
  );
}
