import type { BlockedName, DeskStudent, FolioId } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { Hand } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { serverNow } from '../api/clock';
import { http } from '../api/http';
import { useChange } from '../api/teacher';
import { count } from '../ui/when';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { Badge, Initials } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import type { DeskActions } from '../lesson/useDeskActions';

/** Minutes without a sign of life after which somebody counts as idle. */
const IDLE = 3;

/** What somebody is doing, in a word. */
export function doing(student: DeskStudent): 'waiting' | 'done' | 'away' | 'idle' | 'at work' {
  if (student.status === 'waiting') return 'waiting';
  if (student.handedInAt) return 'done';
  if (!student.isHere) return 'away';
  const since = student.activeAt > 0 ? serverNow() - student.activeAt : 0;
  return since > IDLE * 60_000 ? 'idle' : 'at work';
}

/** Who is here: those who wait to be let in and who have a hand up come first. */
export function PeoplePanel(props: {
  lessonId: string;
  students: readonly DeskStudent[];
  hidesNames: boolean;
  act: DeskActions;
  onOpenFolio: (folioId: FolioId) => void;
}): ReactElement {
  const { lessonId, students, hidesNames, act, onOpenFolio } = props;
  const [renaming, setRenaming] = useState<DeskStudent | null>(null);
  const [removing, setRemoving] = useState<DeskStudent | null>(null);
  const waiting = students.filter(({ status }) => status === 'waiting');
  const others = students.filter(({ status }) => status === 'in');
  const inOrder = [...others].sort(
    (a, b) => Number(b.handUpAt !== null) - Number(a.handUpAt !== null),
  );
  return (
    <div className="p-5">
      <h2 className="mb-3 text-[20px]">Who is here</h2>
      {waiting.length > 0 && (
        <section
          aria-label="Waiting"
          className="mb-4 rounded-[6px] border border-brass bg-brass-mist p-3"
        >
          <div className="mb-2 flex items-center gap-3">
            <h3 className="text-[15px]">Waiting to be let in</h3>
            <Button
              size="small"
              look="main"
              className="ml-auto"
              onClick={() =>
                waiting.forEach(({ folioId }) => act.student(folioId, { status: 'in' }))
              }
            >
              Let all in
            </Button>
          </div>
          <ul className="flex flex-col gap-1.5">
            {waiting.map((student) => (
              <li key={student.folioId} className="flex items-center gap-2">
                <span className="flex-1">{student.name}</span>
                <Button size="small" onClick={() => act.student(student.folioId, { status: 'in' })}>
                  Let in
                </Button>
                <Button
                  size="small"
                  look="quiet"
                  onClick={() => act.remove(student.folioId, false)}
                >
                  Not today
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {students.length === 0 && <p className="text-soft">Nobody has joined yet.</p>}
      <ul className="flex flex-col">
        {inOrder.map((student) => (
          <li
            key={student.folioId}
            className="flex min-h-10 items-center gap-2.5 border-b border-line/60 text-[14px]"
          >
            <Initials name={student.name} />
            <button
              type="button"
              className="min-h-8 text-left text-petrol hover:underline"
              onClick={() => onOpenFolio(student.folioId)}
            >
              {student.name}
            </button>
            {student.isPractice && <Badge>practice</Badge>}
            {student.handUpAt && (
              <Button
                size="small"
                aria-label={`${student.name} has a hand up: take it down`}
                onClick={() => act.student(student.folioId, { hasHandUp: false })}
              >
                <Hand size={14} aria-hidden /> hand up
              </Button>
            )}
            <span className="ml-auto text-[13px] text-soft">
              {student.isUnreadable ? 'cannot be read' : doing(student)}
            </span>
            <span className="w-[74px] text-right text-[13px] text-soft">
              {count(Object.keys(student.answers).length, 'answer')}
            </span>
            <Sheet
              label={`More about ${student.name}`}
              width={230}
              trigger={
                <Button look="quiet" size="small" aria-label={`More about ${student.name}`}>
                  …
                </Button>
              }
            >
              {(close) => (
                <div className="flex flex-col [&>button]:min-h-9 [&>button]:rounded-[4px] [&>button]:px-2 [&>button]:text-left [&>button]:hover:bg-sand [&>button]:disabled:opacity-45">
                  <button
                    type="button"
                    disabled={hidesNames}
                    title={hidesNames ? 'Show names first' : undefined}
                    onClick={() => {
                      setRenaming(student);
                      close();
                    }}
                  >
                    Rename
                  </button>
                  <button
                    type="button"
                    onClick={() => {
                      act.student(student.folioId, { mayAddDevice: true });
                      close();
                    }}
                  >
                    Let one more device in
                  </button>
                  <button
                    type="button"
                    className="text-ember-deep"
                    onClick={() => {
                      setRemoving(student);
                      close();
                    }}
                  >
                    Take out of the lesson
                  </button>
                </div>
              )}
            </Sheet>
          </li>
        ))}
      </ul>
      {!hidesNames && <Blocked lessonId={lessonId} />}
      {renaming && (
        <Rename
          student={renaming}
          onClose={() => setRenaming(null)}
          onRename={(name) => act.student(renaming.folioId, { name })}
        />
      )}
      <Dialog
        title={`Take ${removing?.name ?? ''} out of the lesson?`}
        description="All that was done under this name in this lesson is lost."
        isOpen={removing !== null}
        onClose={() => setRemoving(null)}
      >
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={() => setRemoving(null)}>Cancel</Button>
          {[true, false].map((isBlocked) => (
            <Button
              key={String(isBlocked)}
              look={isBlocked ? 'plain' : 'main'}
              onClick={() => {
                if (removing) act.remove(removing.folioId, isBlocked);
                setRemoving(null);
              }}
            >
              {isBlocked ? 'Take out and block the name' : 'Take out'}
            </Button>
          ))}
        </div>
      </Dialog>
    </div>
  );
}

/** Names that are kept out of the lesson, and the way to let them in again. */
function Blocked({ lessonId }: { lessonId: string }): ReactElement | null {
  const blocks = useQuery({
    queryKey: ['lesson', lessonId, 'blocks'],
    queryFn: () => http.get<{ blocked: BlockedName[] }>(`lessons/${lessonId}/blocks`),
  });
  const lift = useChange(
    (key: string) => http.remove(`lessons/${lessonId}/blocks/${encodeURIComponent(key)}`),
    ['lesson', lessonId],
  );
  const blocked = blocks.data?.blocked ?? [];
  if (blocked.length === 0) return null;
  return (
    <section aria-label="Blocked names" className="mt-4">
      <h3 className="mb-1 text-[15px]">Blocked names</h3>
      <ul className="flex flex-wrap gap-2">
        {blocked.map(({ key, name }) => (
          <li key={key} className="flex items-center gap-1">
            {name}
            <Button size="small" look="quiet" onClick={() => lift.mutate(key)}>
              Let {name} in again
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Rename(props: {
  student: DeskStudent;
  onRename: (name: string) => void;
  onClose: () => void;
}): ReactElement {
  const [name, setName] = useState(props.student.name);
  return (
    <Dialog title="Rename" isOpen onClose={props.onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          props.onRename(name);
          props.onClose();
        }}
      >
        <Field
          label="Name"
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
        />
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={props.onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={name.trim() === ''}>
            Rename
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
