import { readReturnCode, type SteeredShow } from '@gobrel/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, type FormEvent, type ReactElement } from 'react';
import { useNavigate, useParams } from 'react-router';
import { http, isRefusal, sentenceOf } from '../api/http';
import { Presenter } from '../running/Presenter';
import { useShowLine } from '../running/useShowLine';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Centre, Mark } from '../ui/Page';

/** A device that steers a show: let in by a code that the show gives, once. */
export default function RemotePage(): ReactElement {
  const { code } = useParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState('');
  const mine = useQuery({
    queryKey: ['remote'],
    queryFn: () => http.get<{ id: string | null }>('remotes/mine'),
    enabled: code === undefined,
    staleTime: Infinity,
  });
  useEffect(() => {
    if (code === undefined) return;
    let isGone = false;
    http
      .post<{ id: string }>('remotes', { code })
      .then(
        (found) => queries.setQueryData(['remote'], found),
        (error: unknown) => !isGone && setTrouble(sentenceOf(error)),
      )
      // A code is good once: loaded anew, the page is the device that it made.
      .finally(() => !isGone && void navigate('/remote', { replace: true }));
    return () => {
      isGone = true;
    };
  }, [code, navigate, queries]);
  if (code !== undefined || mine.isPending) return <Centre>Opening …</Centre>;
  if (mine.data?.id) {
    return (
      <Steering
        showId={mine.data.id}
        onOver={() => queries.setQueryData(['remote'], { id: null })}
      />
    );
  }
  return <Ask trouble={trouble || (mine.error ? sentenceOf(mine.error) : '')} />;
}

function Ask({ trouble }: { trouble: string }): ReactElement {
  const [code, setCode] = useState('');
  const navigate = useNavigate();
  const read = readReturnCode(code);
  const go = (event: FormEvent): void => {
    event.preventDefault();
    if (read) void navigate(`/remote/${read}`);
  };
  return (
    <main className="mx-auto flex min-h-full max-w-[560px] flex-col justify-center gap-5 p-5">
      <div className="flex items-center gap-3">
        <Mark size={34} />
        <h1 className="text-[26px]">Steer a show from here</h1>
      </div>
      {trouble && (
        <p
          role="alert"
          className="rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-[16px] text-ember-deep"
        >
          {trouble}
        </p>
      )}
      <form onSubmit={go} className="flex flex-col gap-4">
        <Field
          label="Code for this device"
          hint="Five letters and digits. In the show, press Others and then Another device."
          autoCapitalize="characters"
          autoComplete="off"
          value={code}
          onChange={(event) => setCode(event.target.value)}
        />
        <Button type="submit" look="main" size="large" disabled={read === null}>
          Steer it
        </Button>
      </form>
    </main>
  );
}

function Steering({ showId, onOver }: { showId: string; onOver: () => void }): ReactElement {
  const line = useShowLine(showId);
  const { version, ended } = line.show;
  const given = useQuery({
    queryKey: ['steered', showId, version],
    queryFn: () => http.get<SteeredShow>(`shows/${showId}/deck`),
    enabled: version !== '' && ended === null,
    retry: (tries, error) => !isRefusal(error) && tries < 3,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  if (ended || line.state === 'over' || isRefusal(given.error)) {
    return (
      <Centre title={ended ? 'The show is over' : 'This device steers no show any more'}>
        <Button look="main" size="large" onClick={onOver}>
          Steer another one
        </Button>
      </Centre>
    );
  }
  if (!given.data || line.state === 'opening') {
    return (
      <Centre>
        {given.error ? (
          <>
            <p className="mb-4">{sentenceOf(given.error)}</p>
            <Button onClick={() => void given.refetch()}>Try again</Button>
          </>
        ) : (
          'Opening …'
        )}
      </Centre>
    );
  }
  return <Presenter deck={given.data.deck} line={line} />;
}
