import type { ClassList } from '@gobrel/core';
import { useMemo, useState, type FormEvent, type ReactElement } from 'react';
import { http, sentenceOf } from '../api/http';
import { useChange, useClasses } from '../api/teacher';
import { RequireTeacher } from '../ui/RequireTeacher';
import { count } from '../ui/when';
import { Lines } from '../ui/Lines';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { Badge, Header } from '../ui/Page';
import { saveFile } from '../ui/saveFile';
import { ClassEditor } from './ClassEditor';
import {
  mayBeFamilyFirst,
  readClassCsv,
  writeClassCsv,
  type ListedName,
  type NameOrder,
} from './classCsv';
import { decodeText } from '../ui/csv';

export default function ClassesPage(): ReactElement {
  return <RequireTeacher>{() => <Classes />}</RequireTeacher>;
}

function Classes(): ReactElement {
  const classes = useClasses();
  const [openId, setOpenId] = useState<string | null>(null);
  const [showsArchived, setShowsArchived] = useState(false);
  const lists = classes.data ?? [];
  const archived = lists.filter(({ archivedAt }) => archivedAt).length;
  const shown = lists.filter(({ archivedAt }) => showsArchived || !archivedAt);
  const open = lists.find(({ id }) => id === openId);
  return (
    <div className="flex h-full flex-col">
      <Header left={<h1 className="text-[17px]">Classes</h1>} />
      <main className="grid flex-1 content-start gap-8 overflow-auto px-6 py-7 md:grid-cols-[1fr_340px] md:px-12">
        {open ? (
          <ClassEditor key={open.id} list={open} onClose={() => setOpenId(null)} />
        ) : (
          <section className="flex flex-col gap-4" aria-label="Class lists">
            {classes.isPending && <p className="text-soft">Opening …</p>}
            {classes.data?.length === 0 && (
              <p className="text-soft">No class yet. Paste the names of your first one.</p>
            )}
            {shown.map((list) => (
              <Card key={list.id} list={list} onOpen={() => setOpenId(list.id)} />
            ))}
            {archived > 0 && (
              <Button
                look="quiet"
                className="self-start"
                onClick={() => setShowsArchived(!showsArchived)}
              >
                {showsArchived
                  ? 'Hide archived ones'
                  : `Show ${count(archived, 'archived class', 'archived classes')}`}
              </Button>
            )}
          </section>
        )}
        <NewClass />
      </main>
    </div>
  );
}

function Card({ list, onOpen }: { list: ClassList; onOpen: () => void }): ReactElement {
  const { trouble } = useNotices();
  const archive = useChange(
    (isArchived: boolean) => http.post(`classes/${list.id}/archive`, { isArchived }),
    ['classes'],
  );
  const groups = new Set(list.students.map(({ group }) => group).filter(Boolean)).size;
  return (
    <article className="rounded-[6px] border border-line bg-sheet p-5">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="mr-auto text-[18px]">
          {list.name}{' '}
          <span className="font-body text-[14px] font-normal text-soft">
            {count(list.students.length, 'student')}
            {groups > 0 && `, ${count(groups, 'group')}`}
          </span>
        </h2>
        {list.archivedAt && <Badge>archived</Badge>}
        <Button size="small" onClick={onOpen}>
          Open
        </Button>
        <Button
          size="small"
          look="quiet"
          onClick={() => saveFile(`${list.name}.csv`, writeClassCsv(list.students))}
        >
          Save as CSV
        </Button>
        <Button
          size="small"
          look="quiet"
          onClick={() =>
            archive.mutate(!list.archivedAt, { onError: (error) => trouble(sentenceOf(error)) })
          }
        >
          {list.archivedAt ? 'Take out of the archive' : 'Archive'}
        </Button>
      </div>
      <ul className="mt-3 columns-2 gap-6 text-[14px] sm:columns-3">
        {list.students.map((student) => (
          <li key={student.id}>{student.name}</li>
        ))}
      </ul>
    </article>
  );
}

function NewClass(): ReactElement {
  const [name, setName] = useState('');
  const [names, setNames] = useState('');
  const [order, setOrder] = useState<NameOrder | null>(null);
  const { trouble } = useNotices();
  const isAsked = useMemo(() => mayBeFamilyFirst(names), [names]);
  const read = useMemo(
    () => (names.trim() === '' ? [] : readClassCsv(names, (isAsked && order) || 'asWritten')),
    [names, isAsked, order],
  );
  const make = useChange(
    (given: { name: string; students: ListedName[] }) => http.post('classes', given),
    ['classes'],
  );
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (typeof read === 'string') return trouble(read);
    make.mutate(
      { name, students: read },
      {
        onSuccess: () => {
          setName('');
          setNames('');
          setOrder(null);
        },
      },
    );
  };
  return (
    <form
      onSubmit={submit}
      className="flex flex-col gap-4 self-start rounded-[6px] border border-line p-5"
    >
      <h2 className="text-[18px]">New class</h2>
      <Field label="Name" value={name} onChange={(event) => setName(event.target.value)} />
      <Lines
        label="Students, a name a line"
        rows={8}
        value={names}
        hint="With a comma and the group behind it, if you like. A table can be pasted, too."
        onChange={setNames}
      />
      <label className="text-[14px]">
        <span className="font-semibold">Or from a CSV file</span>
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          className="mt-1 block w-full text-[13px]"
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (!file) return;
            if (file.size > 1_000_000) return trouble('This file is too large for a class list.');
            void file.arrayBuffer().then((bytes) => {
              const text = decodeText(bytes).replace(/^\uFEFF/, '');
              const found = readClassCsv(text);
              if (typeof found === 'string') return trouble(found);
              setNames(text);
              setOrder(null);
              if (name === '') setName(file.name.replace(/\.[^.]*$/, '').slice(0, 80));
            });
          }}
        />
      </label>
      {names.trim() !== '' && (
        <section aria-label="What will be in the list" className="text-[14px]">
          {isAsked && (
            <fieldset className="mb-2">
              <legend className="font-semibold">Which is the family name?</legend>
              <div className="mt-1 flex flex-col gap-1">
                {(
                  [
                    ['familyFirst', 'What stands first: “Brandt, Ada” is Ada Brandt'],
                    ['asWritten', 'Take the names as they are written'],
                  ] as const
                ).map(([value, label]) => (
                  <label key={value} className="flex min-h-8 items-center gap-2">
                    <input
                      type="radio"
                      name="order"
                      checked={order === value}
                      onChange={() => setOrder(value)}
                    />
                    {label}
                  </label>
                ))}
              </div>
            </fieldset>
          )}
          {typeof read === 'string' ? (
            <p className="text-ember-deep">{read}</p>
          ) : (
            <>
              <p className="font-semibold">{count(read.length, 'student')}</p>
              <ul className="max-h-[180px] overflow-y-auto rounded-[4px] border border-line bg-sheet px-2 py-1">
                {read.map((one, index) => (
                  <li key={index} className="flex justify-between gap-3">
                    {one.name}
                    <span className="text-soft">{one.group}</span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
      )}
      {make.error && (
        <p role="alert" className="text-ember-deep">
          {make.error.message}
        </p>
      )}
      <Button
        type="submit"
        look="main"
        disabled={name.trim() === '' || make.isPending || (isAsked && order === null)}
      >
        Keep this class
      </Button>
    </form>
  );
}
