import { decodeLessonSettings, type LessonCard } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange, useClasses, useLessons } from '../api/teacher';
import { comesAt, count, whenAt } from '../ui/when';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useNotices } from '../ui/Notice';
import { Badge } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { useDeck } from '../deck/DeckContext';
import { SettingsFields, TimesFields, type LessonTimes } from '../lesson/LessonFields';

/** Past and running lessons of the deck. */
export default function LessonsView(): ReactElement {
  const { deckId } = useDeck();
  const lessons = useLessons(deckId);
  const [isStarting, setIsStarting] = useState(false);
  const [removing, setRemoving] = useState<LessonCard | null>(null);
  const { trouble } = useNotices();
  const told = { onError: (error: unknown) => trouble(sentenceOf(error)) };
  const reopening = useChange(
    (id: string) => http.post(`lessons/${id}/reopen`),
    ['lessons', deckId],
    ['decks'],
  );
  const removal = useChange((id: string) => http.remove(`lessons/${id}`), ['lessons', deckId]);
  return (
    <main className="h-full overflow-auto px-6 py-6 md:px-12">
      <div className="mb-5 flex items-center gap-4">
        <h1 className="text-[22px]">Lessons</h1>
        <Button look="main" onClick={() => setIsStarting(true)}>
          Start a lesson
        </Button>
      </div>
      {lessons.data?.length === 0 && (
        <p className="text-soft">
          No lesson has been given on this deck yet. Starting one freezes the deck as it is now.
        </p>
      )}
      <ul className="flex max-w-[860px] flex-col gap-3">
        {lessons.data?.map((lesson) => (
          <li
            key={lesson.id}
            className="relative flex items-center gap-x-4 gap-y-2 rounded-[6px] border border-line bg-sheet px-4 py-3 hover:border-petrol max-sm:flex-wrap"
          >
            <div className="flex-1 max-sm:basis-full">
              <Link
                to={`/desk/${lesson.id}`}
                className="font-semibold after:absolute after:inset-0"
              >
                {lesson.className ?? 'Open to names'}, {whenAt(lesson.startedAt)}
              </Link>
              <p className="text-[13px] text-soft">
                {count(lesson.students, 'student')}, {lesson.handedIn} handed in
                {lesson.endedAt && `; ended ${whenAt(lesson.endedAt)}`}
                {opensLater(lesson) && `; opens ${comesAt(lesson.opensAt!)}`}
              </p>
            </div>
            <Link
              to={`/results/${lesson.id}`}
              className="relative z-10 rounded-[4px] px-2 py-1 font-semibold text-petrol hover:bg-sand"
            >
              Results
            </Link>
            {lesson.endedAt ? (
              <span className="relative z-10 flex items-center gap-1">
                <Badge>ended</Badge>
                <Button size="small" look="quiet" onClick={() => reopening.mutate(lesson.id, told)}>
                  Open again
                </Button>
                <Button size="small" look="quiet" onClick={() => setRemoving(lesson)}>
                  Delete …
                </Button>
              </span>
            ) : opensLater(lesson) ? (
              <>
                <span className="font-head text-[18px] tracking-[0.08em]">{lesson.joinCode}</span>
                <Badge>not open yet</Badge>
              </>
            ) : (
              <>
                <span className="font-head text-[18px] tracking-[0.08em]">{lesson.joinCode}</span>
                <Badge tone="brass">running</Badge>
              </>
            )}
          </li>
        ))}
      </ul>
      <StartLesson isOpen={isStarting} onClose={() => setIsStarting(false)} />
      <Dialog
        title="Delete this lesson?"
        description="All that the students did in it, its marks and its results are lost for good. The deck stays."
        isOpen={removing !== null}
        onClose={() => setRemoving(null)}
      >
        <div className="flex justify-end gap-2">
          <Button onClick={() => setRemoving(null)}>Keep it</Button>
          <Button
            look="main"
            onClick={() => {
              if (removing) removal.mutate(removing.id, told);
              setRemoving(null);
            }}
          >
            Delete for good
          </Button>
        </div>
      </Dialog>
    </main>
  );
}

const opensLater = ({ opensAt, endedAt }: LessonCard): boolean =>
  endedAt === null && opensAt !== null && Date.parse(opensAt) > Date.now();

function StartLesson({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }): ReactElement {
  const { deckId } = useDeck();
  const classes = useClasses();
  const navigate = useNavigate();
  const [classListId, setClassListId] = useState<string | null>(null);
  const [allowsTypedNames, setAllowsTypedNames] = useState(true);
  const [pace, setPace] = useState<'together' | 'own'>('own');
  const [times, setTimes] = useState<LessonTimes>({ opensAt: null, closesAt: null });
  const [settings, setSettings] = useState(() => decodeLessonSettings({}));
  const start = useChange(
    (given: object) => http.post<{ id: string }>(`decks/${deckId}/lessons`, given),
    ['lessons', deckId],
    ['decks'],
  );
  const mayType = allowsTypedNames || classListId === null;
  return (
    <Dialog
      title="Start a lesson"
      description="The deck is frozen as it is now; changes made later reach this lesson only when you take them over."
      isOpen={isOpen}
      onClose={onClose}
    >
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 font-semibold">Class</legend>
        {[
          { id: null, name: 'No class list: everyone types a name' },
          ...(classes.data ?? []).filter(({ archivedAt }) => !archivedAt),
        ].map((list) => (
          <label key={list.id ?? 'none'} className="flex min-h-8 items-center gap-2">
            <input
              type="radio"
              name="class"
              checked={classListId === list.id}
              onChange={() => setClassListId(list.id)}
              className="size-4 accent-petrol"
            />
            {list.name}
          </label>
        ))}
      </fieldset>
      <label className="mt-3 flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          checked={mayType}
          disabled={classListId === null}
          onChange={(event) => setAllowsTypedNames(event.target.checked)}
          className="size-4 accent-petrol"
        />
        Names that are not on the list may be typed
      </label>
      <details className="mt-3">
        <summary className="min-h-8 cursor-pointer font-semibold text-petrol">
          Pace, times and what students see
        </summary>
        <div className="mt-2 flex flex-col gap-3">
          <Segments
            label="Pace"
            value={pace}
            onChange={setPace}
            options={[
              { value: 'own', label: 'Own pace' },
              { value: 'together', label: 'Together' },
            ]}
          />
          <TimesFields times={times} onChange={setTimes} />
          <SettingsFields
            settings={settings}
            onChange={(changed) => setSettings({ ...settings, ...changed })}
          />
        </div>
      </details>
      {start.error && (
        <p role="alert" className="mt-2 text-ember-deep">
          {start.error.message}
        </p>
      )}
      <div className="mt-5 flex justify-end gap-2">
        <Button onClick={onClose}>Cancel</Button>
        <Button
          look="main"
          disabled={start.isPending}
          onClick={() =>
            start.mutate(
              { classListId, allowsTypedNames: mayType, pace, settings, ...times },
              { onSuccess: ({ id }) => void navigate(`/desk/${id}`) },
            )
          }
        >
          Start
        </Button>
      </div>
    </Dialog>
  );
}
