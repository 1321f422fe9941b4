import type { DeskStudent, Presenting } from '@gobrel/core';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { ReactElement } from 'react';
import { count } from '../ui/when';
import { Button } from '../ui/Button';
import { Initials } from '../ui/Page';
import type { DeskActions } from '../lesson/useDeskActions';

/** The running order of students who present. */
export function LineUpPanel(props: {
  lineUp: string[];
  students: DeskStudent[];
  presenting: Presenting | null;
  act: DeskActions;
}): ReactElement {
  const { lineUp, students, presenting, act } = props;
  const waiting = students.filter(
    (student) => !lineUp.includes(student.folioId) && student.leaves.length > 0,
  );
  return (
    <div className="p-5">
      <h2 className="mb-3 text-[20px]">Line-up</h2>
      {lineUp.length === 0 && (
        <p className="mb-4 text-soft">
          Nobody is lined up. Add someone who has made a leaf, or open a folio and put it in.
        </p>
      )}
      <ol className="flex flex-col gap-2">
        {lineUp.map((folioId, index) => {
          const student = students.find((candidate) => candidate.folioId === folioId);
          const isOn = presenting?.folioId === folioId;
          return (
            <li
              key={folioId}
              className={`flex items-center gap-2 rounded-[6px] border bg-sheet px-3 py-2 ${isOn ? 'border-petrol' : 'border-line'}`}
            >
              <Initials name={student?.name ?? '?'} />
              <span className="flex-1">
                {student?.name}{' '}
                <span className="text-[13px] text-soft">
                  {count(student?.leaves.length ?? 0, 'leaf', 'leaves')}
                </span>
              </span>
              <Button
                look="quiet"
                size="small"
                aria-label={`${student?.name} earlier`}
                disabled={index === 0}
                onClick={() => act.lineUp(folioId, lineUp[index - 1] ?? null)}
              >
                <ArrowUp size={15} />
              </Button>
              <Button
                look="quiet"
                size="small"
                aria-label={`${student?.name} later`}
                disabled={index === lineUp.length - 1}
                onClick={() => act.lineUp(folioId, lineUp[index + 2] ?? null)}
              >
                <ArrowDown size={15} />
              </Button>
              <Button look="quiet" size="small" onClick={() => act.takeOutOfLineUp(folioId)}>
                Out
              </Button>
              {isOn ? (
                <Button size="small" onClick={() => act.present(null)}>
                  Stop
                </Button>
              ) : (
                <Button size="small" look="main" onClick={() => act.present(folioId)}>
                  Present
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      {waiting.length > 0 && (
        <>
          <h3 className="mb-2 mt-6 text-[15px]">Has made leaves</h3>
          <ul className="flex flex-wrap gap-2">
            {waiting.map((student) => (
              <li key={student.folioId}>
                <Button size="small" onClick={() => act.lineUp(student.folioId, null)}>
                  {student.name}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
