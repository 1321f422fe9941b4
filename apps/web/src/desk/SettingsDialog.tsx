import { MARKS_SEEN, type EditionChanges, type LessonSettings } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactElement } from 'react';
import { http } from '../api/http';
import { Check, Select, Setting } from '../slide/controls';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import type { DeskActions } from './useDeskActions';

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
            ...{ value, label: value === '1' ? 'once' : `${value} times` },
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

/** Settings of the running lesson, and taking over the deck as it is now. */
export default function SettingsDialog(props: {
  lessonId: string;
  settings: LessonSettings;
  isOver: boolean;
  act: DeskActions;
  onClose: () => void;
}): ReactElement {
  const { lessonId, act } = props;
  // Shown as set at once; the server's word comes a moment later.
  const [set, setSet] = useState<Partial<LessonSettings>>({});
  const renewal = useQuery({
    queryKey: ['renewal', lessonId],
    queryFn: () => http.get<EditionChanges>(`lessons/${lessonId}/renewal`),
    gcTime: 0,
  });
  return (
    <Dialog title="This lesson" isOpen onClose={props.onClose}>
      <SettingsFields
        settings={{ ...props.settings, ...set }}
        onChange={(changed) => {
          setSet({ ...set, ...changed });
          act.settings(changed);
        }}
      />
      {!props.isOver && (
        <section className="mt-5 border-t border-line pt-4">
          <h3 className="mb-1 text-[16px]">Changes in the deck since</h3>
          {renewal.isPending && <p className="text-soft">Looking …</p>}
          {renewal.data?.isSame && (
            <p className="text-soft">None: the lesson has the deck as it is now.</p>
          )}
          {renewal.data && !renewal.data.isSame && (
            <>
              <Changes changes={renewal.data} />
              <Button
                className="mt-3"
                look="main"
                onClick={() => {
                  act.renew();
                  props.onClose();
                }}
              >
                Take them over
              </Button>
            </>
          )}
        </section>
      )}
    </Dialog>
  );
}

const WHAT: Record<EditionChanges['questions'][number]['what'], string> = {
  new: 'is new',
  gone: 'is gone, with its answers',
  asks: 'asks something else: answers that do not fit are let go',
  key: 'has another key: marks are given anew',
};

function Changes({ changes }: { changes: EditionChanges }): ReactElement {
  const slides = (list: EditionChanges['added']): string =>
    list.map(({ title }) => title || 'Untitled').join(', ');
  return (
    <ul className="list-disc pl-5 text-[14px]">
      {changes.added.length > 0 && <li>New slides: {slides(changes.added)}</li>}
      {changes.gone.length > 0 && <li>Slides that are gone: {slides(changes.gone)}</li>}
      {changes.changed.length > 0 && <li>Changed slides: {slides(changes.changed)}</li>}
      {changes.questions.map(({ questionId, prompt, what }) => (
        <li key={questionId}>
          “{prompt}” {WHAT[what]}.
        </li>
      ))}
    </ul>
  );
}
