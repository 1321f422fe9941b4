import type { ClassList, SeenInLesson } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange } from '../api/teacher';
import { count, when } from '../ui/when';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';

interface Row {
  id: string | null;
  name: string;
  group: string;
}

/** One class list: names and groups, and what each student did in which lesson. Nothing changes until it is kept. */
export function ClassEditor(props: { list: ClassList; onClose: () => void }): ReactElement {
  const { list, onClose } = props;
  const { trouble, tell } = useNotices();
  const [name, setName] = useState(list.name);
  const [rows, setRows] = useState<Row[]>(list.students);
  const [openId, setOpenId] = useState<string | null>(null);
  const lessons = useQuery({
    queryKey: ['classes', list.id, 'lessons'],
    queryFn: () => http.get<SeenInLesson[]>(`classes/${list.id}/lessons`),
  });
  const keep = useChange(
    (given: { name: string; students: Row[] }) => http.put(`classes/${list.id}`, given),
    ['classes'],
  );
  const set = (index: number, changed: Partial<Row>): void =>
    setRows(rows.map((row, at) => (at === index ? { ...row, ...changed } : row)));
  const gone = list.students.filter(({ id }) => !rows.some((row) => row.id === id)).length;
  return (
    <section
      aria-label={`Class ${list.name}`}
      className="rounded-[6px] border border-line bg-sheet p-5"
    >
      <div className="mb-4 flex flex-wrap items-end gap-3">
        <Field
          label="Name of the class"
          className="mr-auto w-[260px]"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button onClick={onClose}>Back</Button>
        <Button
          look="main"
          disabled={keep.isPending || name.trim() === ''}
          onClick={() =>
            keep.mutate(
              { name, students: rows },
              {
                onSuccess: () => {
                  tell('The class list is kept.');
                  onClose();
                },
                onError: (error) => trouble(sentenceOf(error)),
              },
            )
          }
        >
          Keep
        </Button>
      </div>
      {gone > 0 && (
        <p className="mb-3 text-[14px] text-soft">
          {count(gone, 'student')} will leave the list; what they did in lessons stays there.
        </p>
      )}
      <ul className="flex flex-col gap-1.5">
        {rows.map((row, index) => {
          const seen = (lessons.data ?? []).filter(({ studentId }) => studentId === row.id);
          return (
            <li key={row.id ?? `new-${index}`}>
              <div className="flex items-center gap-2">
                <input
                  aria-label={`Name ${index + 1}`}
                  value={row.name}
                  maxLength={60}
                  onChange={(event) => set(index, { name: event.target.value })}
                  className="h-9 min-w-0 flex-1 rounded-[4px] border border-line px-2"
                />
                <input
                  aria-label={`Group of ${row.name || `name ${index + 1}`}`}
                  placeholder="group"
                  value={row.group}
                  maxLength={60}
                  onChange={(event) => set(index, { group: event.target.value })}
                  className="h-9 w-[120px] rounded-[4px] border border-line px-2"
                />
                <Button
                  size="small"
                  look="quiet"
                  className="w-[96px]"
                  disabled={seen.length === 0}
                  aria-expanded={openId === row.id}
                  onClick={() => setOpenId(openId === row.id ? null : row.id)}
                >
                  {count(seen.length, 'lesson')}
                </Button>
                <Button
                  size="small"
                  look="quiet"
                  aria-label={`Take ${row.name || 'this line'} out`}
                  onClick={() => setRows(rows.filter((_, at) => at !== index))}
                >
                  <Trash2 size={15} />
                </Button>
              </div>
              {openId !== null && openId === row.id && (
                <ul className="mt-1 mb-2 ml-3 border-l border-line pl-3 text-[14px]">
                  {seen.map((lesson) => (
                    <li key={lesson.lessonId}>
                      <Link
                        to={`/desk/${lesson.lessonId}`}
                        className="inline-flex min-h-6 items-center text-petrol hover:underline"
                      >
                        {lesson.title}
                      </Link>
                      , {when(lesson.startedAt)}: {count(lesson.answered, 'answer')}
                      {lesson.handedInAt ? ', handed in' : ''}
                    </li>
                  ))}
                </ul>
              )}
            </li>
          );
        })}
      </ul>
      <Button
        size="small"
        look="quiet"
        className="mt-2"
        disabled={rows.length >= 500}
        onClick={() => setRows([...rows, { id: null, name: '', group: '' }])}
      >
        Add a student
      </Button>
    </section>
  );
}
