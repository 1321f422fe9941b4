import { useQuery, useQueryClient } from '@tanstack/react-query';
import { readJoinCode, type LessonLook } from '@gobrel/core';
import { useState, type FormEvent, type ReactElement } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ApiProblem, http, isRefusal, sentenceOf } from '../api/http';
import { comeBack, hasShow, join, leaveDevice, look } from '../api/student';
import { forgetSocket } from '../sync/pageSocket';
import { forgetKept } from '../sync/kept';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Mark } from '../ui/Page';

/** A time to come, by this device's own clock and zone. */
const moment = (time: string): string =>
  new Date(time).toLocaleString('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
  });

/** The way into a lesson: its code, then one's name, or a return code. */
export default function JoinPage(): ReactElement {
  const [search] = useSearchParams();
  const [code, setCode] = useState(search.get('code') ?? '');
  const [lesson, setLesson] = useState<LessonLook | null>(null);
  const [isReturning, setIsReturning] = useState(false);
  const [trouble, setTrouble] = useState('');
  const [isBusy, setIsBusy] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();

  const attempt = async (what: () => Promise<void>): Promise<void> => {
    setTrouble('');
    setIsBusy(true);
    try {
      await what();
    } catch (error) {
      const opensAt = error instanceof ApiProblem ? error.opensAt : undefined;
      setTrouble(opensAt ? `This lesson opens on ${moment(opensAt)}.` : sentenceOf(error));
    } finally {
      setIsBusy(false);
    }
  };
  const enter = (how: () => Promise<unknown>): void =>
    void attempt(async () => {
      await how();
      // Whoever was here before is not to be seen by whoever is now.
      await forgetKept();
      forgetSocket();
      queries.removeQueries({ queryKey: ['student'] });
      await navigate('/lesson');
    });
  const find = (event: FormEvent): void => {
    event.preventDefault();
    void attempt(async () => {
      try {
        setLesson(await look(code));
      } catch (error) {
        const isNone = error instanceof ApiProblem && error.status === 404;
        if (!isNone || !(await hasShow(code))) throw error;
        // The same kind of code leads to a show.
        await navigate(`/follow/${readJoinCode(code)?.toLowerCase().replace(' ', '')}`);
      }
    });
  };

  return (
    <main className="mx-auto flex min-h-full max-w-[560px] flex-col justify-center gap-5 p-5">
      <div className="flex items-center gap-3">
        <Mark size={34} />
        <h1 className="text-[26px]">{lesson ? lesson.title : 'Join a lesson'}</h1>
      </div>
      {trouble && (
        <p
          role="alert"
          className="rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-[16px] text-ember-deep"
        >
          {trouble}
        </p>
      )}
      {!lesson && <AlreadyHere />}
      {!lesson ? (
        <form onSubmit={find} className="flex flex-col gap-4">
          <Field
            label="Join code"
            hint="A word and three digits, as on the big screen."
            placeholder="TERN 482"
            autoCapitalize="characters"
            autoComplete="off"
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
          <Button type="submit" look="main" size="large" disabled={isBusy || code.trim() === ''}>
            Go on
          </Button>
        </form>
      ) : isReturning ? (
        <ReturnForm
          isBusy={isBusy}
          onReturn={(back) => enter(() => comeBack(code, back))}
          onCancel={() => setIsReturning(false)}
        />
      ) : (
        <>
          <WhoAmI
            code={code}
            found={lesson}
            isBusy={isBusy}
            onChoose={(who) => enter(() => join(code, who))}
          />
          <div className="flex justify-between">
            <button
              type="button"
              className="min-h-11 text-petrol underline underline-offset-4"
              onClick={() => setLesson(null)}
            >
              Not {readJoinCode(code) ?? 'this lesson'}?
            </button>
            <button
              type="button"
              className="min-h-11 text-petrol underline underline-offset-4"
              onClick={() => setIsReturning(true)}
            >
              I have a return code
            </button>
          </div>
        </>
      )}
    </main>
  );
}

/** On a device that is in a lesson already: on with it, or somebody else sits here now. */
function AlreadyHere(): ReactElement | null {
  const here = useQuery({
    queryKey: ['student'],
    queryFn: () => http.get<{ name: string; title: string }>('student/lesson'),
    retry: false,
  });
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState('');
  if (!here.data) return null;
  const leave = async (): Promise<void> => {
    try {
      await leaveDevice();
      forgetSocket();
      queries.clear();
      await here.refetch();
    } catch (error) {
      setTrouble(sentenceOf(error));
    }
  };
  return (
    <section
      aria-label="In a lesson"
      className="flex flex-col gap-3 rounded-[6px] border border-line bg-sheet p-4"
    >
      <p>
        On this device <b>{here.data.name}</b> is in “{here.data.title}”.
      </p>
      <div className="flex flex-wrap gap-2">
        <Link
          to="/lesson"
          className="flex min-h-11 items-center rounded-[6px] bg-petrol px-4 font-semibold text-white"
        >
          Go on as {here.data.name}
        </Link>
        <Button size="large" onClick={() => void leave()}>
          I am somebody else
        </Button>
      </div>
      {trouble && <p role="alert">{trouble}</p>}
    </section>
  );
}

/** Milliseconds between two looks at who is still free: others join meanwhile, and a teacher lets one more device in. */
const LOOK_AGAIN = 5000;

function WhoAmI(props: {
  code: string;
  found: LessonLook;
  isBusy: boolean;
  onChoose: (who: { classStudentId: string } | { name: string }) => void;
}): ReactElement {
  const { code, found, isBusy, onChoose } = props;
  const [name, setName] = useState('');
  const { data: lesson } = useQuery({
    queryKey: ['look', code],
    queryFn: () => look(code),
    initialData: found,
    staleTime: LOOK_AGAIN,
    // A lesson that is over is not asked for again: each time would be a wrong code.
    refetchInterval: ({ state }) =>
      found.names.length > 0 && !isRefusal(state.error) ? LOOK_AGAIN : false,
    retry: false,
    gcTime: 0,
  });
  return (
    <>
      {lesson.names.length > 0 && (
        <section>
          <h2 className="mb-2 text-[18px]">Who are you?</h2>
          <ul className="grid grid-cols-2 gap-2">
            {lesson.names.map((entry) => (
              <li key={entry.id}>
                <Button
                  size="large"
                  className="w-full justify-start"
                  disabled={entry.isTaken || isBusy}
                  onClick={() => onChoose({ classStudentId: entry.id })}
                >
                  {entry.name}
                  {entry.isTaken && (
                    <span className="ml-auto text-[12px] font-normal">is here</span>
                  )}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {lesson.allowsTypedNames && (
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            onChoose({ name });
          }}
        >
          <Field
            className="flex-1"
            label={lesson.names.length > 0 ? 'Not on the list? Type your name' : 'Your name'}
            value={name}
            maxLength={60}
            autoComplete="off"
            onChange={(event) => setName(event.target.value)}
          />
          <Button
            type="submit"
            look="main"
            size="large"
            className="min-h-10"
            disabled={isBusy || name.trim() === ''}
          >
            Join
          </Button>
        </form>
      )}
    </>
  );
}

function ReturnForm(props: {
  isBusy: boolean;
  onReturn: (code: string) => void;
  onCancel: () => void;
}): ReactElement {
  const [code, setCode] = useState('');
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        props.onReturn(code);
      }}
    >
      <Field
        label="Return code"
        hint="Five characters; it stands under “My leaves” on your other device."
        value={code}
        autoCapitalize="characters"
        autoComplete="off"
        onChange={(event) => setCode(event.target.value)}
      />
      <div className="flex gap-2">
        <Button
          type="submit"
          look="main"
          size="large"
          disabled={props.isBusy || code.trim() === ''}
        >
          Come back
        </Button>
        <Button size="large" onClick={props.onCancel}>
          Cancel
        </Button>
      </div>
    </form>
  );
}
