import { type EditionChanges, type Lesson, type LessonSettings } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactElement } from 'react';
import { http } from '../api/http';
import { Changes } from '../lesson/Changes';
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
