import {
  markedQuestions,
  markTable,
  PLAIN_SCALE,
  type HandMark,
  type LessonResults,
  entryAt,
  titleOf,
} from '@gobrel/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useMemo, useState, type ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { part } from '../offline/part';
import { RequireTeacher } from '../ui/RequireTeacher';
import { count, when } from '../ui/when';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { NotYours } from '../ui/NotYours';
import { Badge, Centre, Header, Main } from '../ui/Page';
import { Segments } from '../ui/Segments';
import type { Exported } from './exports';
import { Gradebook } from './Gradebook';
import { MarkPanel } from './MarkPanel';
import { useMarking, type MarkingState } from './useMarking';

/** With a library of charts that the gradebook does without. */
const Figures = part(() => import('./Figures'));
/** With the formats that are seldom written. */
const Downloads = part(() => import('./Downloads'));

type View = 'gradebook' | 'questions' | 'lesson' | 'routes';
const VIEWS: { value: View; label: string }[] = [
  { value: 'gradebook', label: 'Gradebook' },
  { value: 'questions', label: 'Questions' },
  { value: 'lesson', label: 'The lesson' },
  { value: 'routes', label: 'Routes' },
];

const MARKING_SAID: Record<MarkingState, string> = {
  saved: 'saved',
  saving: 'saving',
  unreached: 'not saved yet: the server cannot be reached',
};

export default function ResultsPage(): ReactElement {
  const { lessonId = '' } = useParams();
  return <RequireTeacher>{() => <Opened lessonId={lessonId} />}</RequireTeacher>;
}

function Opened({ lessonId }: { lessonId: string }): ReactElement {
  const results = useQuery({
    queryKey: ['results', lessonId],
    queryFn: () => http.get<LessonResults>(`lessons/${lessonId}/results`),
    retry: false,
  });
  if (results.error) {
    return <NotYours>This lesson is not there, or it is another teacher’s.</NotYours>;
  }
  return results.data ? <Results results={results.data} /> : <Centre>Opening the results …</Centre>;
}

function Results({ results }: { results: LessonResults }): ReactElement {
  const { edition, settings, lessonId } = results;
  const { countsLate } = settings;
  const { trouble } = useNotices();
  const queries = useQueryClient();
  const [view, setView] = useState<View>('gradebook');
  const [hasPractice, setHasPractice] = useState(false);
  const [open, setOpen] = useState<{ row: number; column: number } | null>(null);
  const practice = results.students.filter(({ isPractice }) => isPractice).length;
  const students = useMemo(
    () => results.students.filter(({ isPractice }) => hasPractice || !isPractice),
    [results, hasPractice],
  );
  const questions = useMemo(() => markedQuestions(edition), [edition]);
  const table = useMemo(
    () => markTable(students, questions, countsLate, edition),
    [students, questions, countsLate, edition],
  );
  const again = (): void => void queries.invalidateQueries({ queryKey: ['results', lessonId] });
  const marking = useMarking(lessonId, {
    onAll: again,
    onRefused: (error) => trouble(sentenceOf(error)),
  });
  const mark = (row: number, column: number, given: HandMark): void => {
    const [student, asked] = [students[row], questions[column]];
    if (!student || !asked) return;
    // Shown at once; asked for again when the server has all.
    void queries.cancelQueries({ queryKey: ['results', lessonId] });
    queries.setQueryData<LessonResults>(
      ['results', lessonId],
      (old) =>
        old && {
          ...old,
          students: old.students.map((one) =>
            one.folioId === student.folioId
              ? { ...one, marks: { ...one.marks, [asked.id]: given } }
              : one,
          ),
        },
    );
    marking.send(student.folioId, asked.id, given);
  };
  const post = (path: string): void =>
    void http
      .post(`lessons/${lessonId}/${path}`)
      .catch((error: unknown) => trouble(sentenceOf(error)))
      .finally(again);
  const digit = (row: number, column: number, nth: number): void => {
    const asked = questions[column];
    const key = asked?.key;
    const step = (key && 'scale' in key ? key.scale : PLAIN_SCALE)[nth - 1];
    const before = entryAt(students[row]?.marks ?? {}, asked?.id);
    if (step) {
      mark(row, column, {
        comment: before?.comment ?? '',
        stamp: before?.stamp ?? '',
        score: step.share,
      });
    }
  };
  const exported: Exported = {
    language: edition.language,
    title: results.title,
    students,
    questions,
    countsLate,
    slideOf: (id) =>
      titleOf(
        Object.values(edition.slides).find(({ elements }) => elements.some((one) => one.id === id)),
      ),
  };
  const [student, asked] = [students[open?.row ?? -1], questions[open?.column ?? -1]];
  return (
    <div className="flex h-full flex-col">
      <Header
        left={
          <>
            <h1 className="truncate text-[17px]">{results.title}: results</h1>
            {results.className && <Badge>{results.className}</Badge>}
            <Badge tone="brass">
              {results.endedAt ? `ended ${when(results.endedAt)}` : 'running'}
            </Badge>
          </>
        }
        right={
          <>
            <span
              role="status"
              aria-label="Saved state"
              className={`text-[13px] ${marking.state === 'unreached' ? 'font-semibold text-brass-deep' : 'text-soft'}`}
            >
              {MARKING_SAID[marking.state]}
            </span>
            {settings.seesMarks === 'when-released' && (
              <Button
                look={settings.isReleased ? 'plain' : 'main'}
                onClick={() =>
                  void http
                    .put(`lessons/${lessonId}/settings`, { isReleased: !settings.isReleased })
                    .catch((error: unknown) => trouble(sentenceOf(error)))
                    .finally(again)
                }
              >
                {settings.isReleased ? 'Take the marks back' : 'Release the marks'}
              </Button>
            )}
            <Suspense>
              <Downloads exported={exported} lessonId={lessonId} />
            </Suspense>
            <Link
              to={`/desk/${lessonId}`}
              className="inline-flex min-h-8 items-center text-petrol hover:underline"
            >
              Desk
            </Link>
          </>
        }
      />
      <Main className="flex min-h-0 flex-1 flex-col">
        <div className="flex flex-wrap items-center gap-4 border-b border-line px-5 py-2.5">
          <Segments label="Shown" value={view} options={VIEWS} onChange={setView} />
          {practice > 0 && (
            <label className="flex items-center gap-1.5 text-[14px]">
              <input
                type="checkbox"
                className="size-4 accent-petrol"
                checked={hasPractice}
                onChange={(event) => setHasPractice(event.target.checked)}
              />
              with the practice class ({practice})
            </label>
          )}
          <span className="ml-auto text-[13px] text-soft">
            {count(students.length, 'student')}, {count(questions.length, 'question')}
          </span>
        </div>
        {questions.length === 0 && view !== 'routes' ? (
          <Centre>This lesson asks nothing that is marked.</Centre>
        ) : view === 'gradebook' ? (
          <div className="grid min-h-0 flex-1 max-md:grid-rows-2 md:grid-cols-[minmax(0,1fr)_380px]">
            <div className="overflow-auto" role="region" aria-label="Gradebook">
              <Gradebook
                students={students}
                questions={questions}
                table={table}
                countsLate={countsLate}
                open={open}
                onOpen={(row, column) => setOpen({ row, column })}
                onDigit={digit}
              />
            </div>
            <div className="overflow-y-auto border-t border-l border-line">
              {student && asked && open ? (
                <>
                  <MarkPanel
                    key={`${student.folioId}/${asked.id}/${student.marks[asked.id]?.comment ?? ''}`}
                    student={student}
                    asked={asked}
                    countsLate={countsLate}
                    onMark={(given) => mark(open.row, open.column, given)}
                  />
                  {student.handedInAt && !results.endedAt && (
                    <div className="px-5 pb-5">
                      <Button onClick={() => post(`students/${student.folioId}/return`)}>
                        Give back for another attempt
                      </Button>
                    </div>
                  )}
                </>
              ) : (
                <p className="p-5 text-soft">
                  Pick a cell to see the work. The arrows walk on; a digit marks by the scale.
                </p>
              )}
            </div>
          </div>
        ) : (
          <Suspense fallback={<p className="p-6 text-soft">One moment …</p>}>
            <Figures
              view={view}
              table={table}
              students={students}
              questions={questions}
              edition={edition}
            />
          </Suspense>
        )}
      </Main>
    </div>
  );
}
