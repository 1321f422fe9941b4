import { useState, type FormEvent, type ReactElement } from 'react';
import { http } from '../api/http';
import { useChange, useClasses } from '../api/teacher';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Header } from '../ui/Page';
import { RequireTeacher } from './RequireTeacher';
import { count } from './when';

export default function ClassesPage(): ReactElement {
  return <RequireTeacher>{() => <Classes />}</RequireTeacher>;
}

function Classes(): ReactElement {
  const classes = useClasses();
  return (
    <div className="flex h-full flex-col">
      <Header left={<span className="font-head text-[17px] font-semibold">Classes</span>} />
      <main className="grid flex-1 content-start gap-8 overflow-auto px-6 py-7 md:grid-cols-[1fr_340px] md:px-12">
        <section className="flex flex-col gap-4">
          {classes.data?.length === 0 && (
            <p className="text-soft">No class yet. Paste the names of your first one.</p>
          )}
          {classes.data?.map((list) => (
            <article key={list.id} className="rounded-[6px] border border-line bg-sheet p-5">
              <h2 className="text-[18px]">
                {list.name}{' '}
                <span className="font-body text-[14px] font-normal text-soft">
                  {count(list.students.length, 'student')}
                </span>
              </h2>
              <ul className="mt-3 columns-2 gap-6 text-[14px] sm:columns-3">
                {list.students.map((student) => (
                  <li key={student.id}>{student.name}</li>
                ))}
              </ul>
            </article>
          ))}
        </section>
        <NewClass />
      </main>
    </div>
  );
}

function NewClass(): ReactElement {
  const [name, setName] = useState('');
  const [names, setNames] = useState('');
  const make = useChange(
    (given: { name: string; students: string[] }) => http.post('classes', given),
    ['classes'],
  );
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    make.mutate(
      {
        name,
        students: names
          .split(/\r?\n/)
          .map((line) => line.trim())
          .filter(Boolean),
      },
      {
        onSuccess: () => {
          setName('');
          setNames('');
        },
      },
    );
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-4 rounded-[6px] border border-line p-5">
      <h2 className="text-[18px]">New class</h2>
      <Field label="Name" value={name} onChange={(event) => setName(event.target.value)} />
      <label className="block text-[14px] font-semibold">
        Students, a name a line
        <textarea
          value={names}
          onChange={(event) => setNames(event.target.value)}
          rows={8}
          className="mt-1 w-full rounded-[6px] border border-line bg-sheet px-3 py-2 font-normal"
        />
      </label>
      {make.error && (
        <p role="alert" className="text-ember-deep">
          {make.error.message}
        </p>
      )}
      <Button type="submit" look="main" disabled={name.trim() === '' || make.isPending}>
        Keep this class
      </Button>
    </form>
  );
}
