import {
  markOf,
  totalsOf,
  wordsOf,
  type MarkTable,
  type QuestionElement,
  type StudentResult,
} from '@gobrel/core';
import { useRef, type KeyboardEvent, type ReactElement } from 'react';
import { Badge } from '../ui/Page';

const round = (value: number): number => Math.round(value * 100) / 100;

/** Students by questions. The arrows walk, Enter opens the work, a digit marks it by the scale. */
export function Gradebook(props: {
  students: readonly StudentResult[];
  questions: readonly QuestionElement[];
  table: MarkTable;
  countsLate: boolean;
  open: { row: number; column: number } | null;
  onOpen: (row: number, column: number) => void;
  onDigit: (row: number, column: number, digit: number) => void;
}): ReactElement {
  const { students, questions, table, open, onOpen } = props;
  const body = useRef<HTMLTableSectionElement>(null);
  const totals = totalsOf(table);
  const whole = table.points.reduce((sum, points) => sum + points, 0);
  const focus = (row: number, column: number): void => {
    const cell = body.current?.rows[row]?.cells[column + 1]?.querySelector('button');
    if (cell) {
      cell.focus();
      onOpen(row, column);
    }
  };
  const key = (event: KeyboardEvent, row: number, column: number): void => {
    const steps: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
    };
    const step = steps[event.key];
    if (step) focus(row + step[0], column + step[1]);
    else if (/^[1-9]$/.test(event.key)) props.onDigit(row, column, Number(event.key));
    else return;
    event.preventDefault();
  };
  return (
    <table className="border-separate border-spacing-0 text-[14px]">
      <caption className="sr-only">Marks by student and question</caption>
      <thead>
        <tr>
          <th className="sticky top-0 left-0 z-20 border-b border-line bg-paper px-3 py-2 text-left font-normal text-soft">
            Student
          </th>
          {questions.map((asked, index) => (
            <th
              key={asked.id}
              scope="col"
              className="sticky top-0 z-10 max-w-[150px] min-w-[84px] border-b border-line bg-paper px-2 py-2 text-left align-bottom text-[13px] font-normal text-soft"
            >
              <b className="text-ink">{index + 1}</b>{' '}
              <span className="line-clamp-2">{wordsOf(asked.text)}</span>
              <span className="block">{asked.question.points} p.</span>
            </th>
          ))}
          <th className="sticky top-0 z-10 border-b border-line bg-paper px-3 py-2 text-left font-normal text-soft">
            Sum of {round(whole)}
          </th>
        </tr>
      </thead>
      <tbody ref={body}>
        {students.map((student, row) => (
          <tr key={student.folioId}>
            <th
              scope="row"
              className="sticky left-0 z-10 border-b border-line/60 bg-paper px-3 text-left font-normal whitespace-nowrap"
            >
              {student.name} {student.isPractice && <Badge>practice</Badge>}
              {!student.handedInAt && <span className="text-[12px] text-soft">not handed in</span>}
            </th>
            {questions.map((asked, column) => {
              const mark = markOf(student, asked.id, props.countsLate);
              const given = student.answers[asked.id];
              const isOpen = open?.row === row && open.column === column;
              const byHand = student.marks[asked.id];
              return (
                <td key={asked.id} className="border-b border-line/60 p-0">
                  <button
                    type="button"
                    aria-label={`${student.name}, question ${column + 1}`}
                    onClick={() => onOpen(row, column)}
                    onKeyDown={(event) => key(event, row, column)}
                    className={`flex min-h-10 w-full items-center gap-1 px-2 text-left hover:bg-sand ${isOpen ? 'bg-petrol-mist' : ''}`}
                  >
                    {mark !== null ? (
                      <span className={mark === 1 ? 'font-semibold text-petrol' : ''}>
                        {round(mark * asked.question.points)}
                      </span>
                    ) : given ? (
                      <span className="text-brass-deep">to mark</span>
                    ) : (
                      <span className="text-soft">–</span>
                    )}
                    {given?.isLate && <span className="text-[11px] text-ember-deep">late</span>}
                    {(byHand?.comment || byHand?.stamp) && (
                      <span className="size-1.5 rounded-full bg-brass" title="Comment or stamp" />
                    )}
                  </button>
                </td>
              );
            })}
            <td className="border-b border-line/60 px-3 font-semibold">{round(totals[row]!)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
