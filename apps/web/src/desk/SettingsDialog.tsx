import { type EditionChanges, type Lesson, type LessonSettings, titleOf } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactElement } from 'react';
import { http } from '../api/http';
import { SettingsFields, TimesFields } from '../lesson/LessonFields';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import type { DeskActions } from '../lesson/useDeskActions';

/** Settings of the running lesson, and taking over the deck as it is now. */
export default function SettingsDialog(props: {
  lesson: Lesson;
  isOver: boolean;
  act: DeskActions;
  onClose: () => void;
}): ReactElement {
  const { lesson, act } = props;
  // Shown as set at once; the server's word comes a moment later.
  const [set, setSet] = useState<Partial<LessonSettings>>({});
  const [times, setTimes] = useState({ opensAt: lesson.opensAt, closesAt: lesson.closesAt });
  const renewal = useQuery({
    queryKey: ['renewal', lesson.id],
    queryFn: () => http.get<EditionChanges>(`lessons/${lesson.id}/renewal`),
    gcTime: 0,
  });
  return (
    <Dialog title="This lesson" isOpen onClose={props.onClose}>
      <SettingsFields
        settings={{ ...lesson.settings, ...set }}
        onChange={(changed) => {
          setSet({ ...set, ...changed });
          act.settings(changed);
        }}
      />
      {!props.isOver && (
        <section className="mt-4">
          <TimesFields times={times} onChange={setTimes} />
          <div className="mt-2 flex justify-end">
            <Button
              disabled={times.opensAt === lesson.opensAt && times.closesAt === lesson.closesAt}
              onClick={() => act.times(times)}
            >
              Keep these times
            </Button>
          </div>
        </section>
      )}
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
    list.map(({ title }) => titleOf({ title })).join(', ');
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
