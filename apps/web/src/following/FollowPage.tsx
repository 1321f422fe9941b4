import { readJoinCode, type PublishedDeck } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent, type ReactElement } from 'react';
import { useNavigate, useParams } from 'react-router';
import { ApiProblem, http, isRefusal, sentenceOf } from '../api/http';
import { useShowLine } from '../running/useShowLine';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Centre, Mark } from '../ui/Page';
import { Following } from './Following';

/** A show on one's own device: without an account, without a name. */
export default function FollowPage(): ReactElement {
  const { code } = useParams();
  return code ? <ByCode key={code} code={code} /> : <Ask trouble="" />;
}

/** Asks for the code of a show. */
function Ask(props: { trouble: string; code?: string }): ReactElement {
  const [code, setCode] = useState(props.code ?? '');
  const navigate = useNavigate();
  const read = readJoinCode(code);
  const go = (event: FormEvent): void => {
    event.preventDefault();
    if (read) void navigate(`/follow/${read.toLowerCase().replace(' ', '')}`);
  };
  return (
    <main className="mx-auto flex min-h-full max-w-[560px] flex-col justify-center gap-5 p-5">
      <div className="flex items-center gap-3">
        <Mark size={34} />
        <h1 className="text-[26px]">Follow a show</h1>
      </div>
      {props.trouble && (
        <p
          role="alert"
          className="rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-[16px] text-ember-deep"
        >
          {props.trouble}
        </p>
      )}
      <form onSubmit={go} className="flex flex-col gap-4">
        <Field
          label="Code of the show"
          hint="A word and three digits, as on the screen."
          placeholder="TERN 482"
          autoCapitalize="characters"
          autoComplete="off"
          value={code}
          onChange={(event) => setCode(event.target.value)}
        />
        <Button type="submit" look="main" size="large" disabled={read === null}>
          Follow
        </Button>
      </form>
    </main>
  );
}

function ByCode({ code }: { code: string }): ReactElement {
  const found = useQuery({
    queryKey: ['follow', code],
    queryFn: () => http.post<{ id: string }>('follow', { code }),
    retry: (tries, error) => !isRefusal(error) && tries < 2,
    staleTime: Infinity,
  });
  if (found.data) return <Followed showId={found.data.id} />;
  if (!found.error) return <Centre>Opening …</Centre>;
  if (found.error instanceof ApiProblem && found.error.status === 404) {
    return <Ask trouble={found.error.message} code={code} />;
  }
  return (
    <Centre title="No answer">
      <p className="mb-4">{sentenceOf(found.error)}</p>
      <Button onClick={() => void found.refetch()}>Try again</Button>
    </Centre>
  );
}

function Followed({ showId }: { showId: string }): ReactElement {
  const line = useShowLine(showId);
  const { version, ended } = line.show;
  const given = useQuery({
    queryKey: ['followed', showId, version],
    queryFn: () => http.get<PublishedDeck>(`shows/${showId}/edition`),
    enabled: version !== '' && ended === null,
    retry: (tries, error) => !isRefusal(error) && tries < 3,
    staleTime: Infinity,
    // The slide that is on the screen stays while another edition comes.
    placeholderData: (before) => before,
  });
  if (ended || line.state === 'over' || isRefusal(given.error)) {
    const readAt = ended?.readAt;
    return (
      <Centre title="The show is over">
        <p className="mb-4">
          {readAt ? 'You can read the deck by yourself now.' : 'Thank you for following.'}
        </p>
        {readAt && (
          <a
            href={`/at/${readAt}`}
            className="inline-flex min-h-11 items-center rounded-[6px] bg-petrol px-5 font-semibold text-white"
          >
            Read the deck
          </a>
        )}
      </Centre>
    );
  }
  if (given.error) {
    return (
      <Centre title="No answer">
        <p className="mb-4">{sentenceOf(given.error)}</p>
        <Button onClick={() => void given.refetch()}>Try again</Button>
      </Centre>
    );
  }
  if (!given.data || !line.show.place) return <Centre>Waiting for the show …</Centre>;
  return <Following edition={given.data.edition} line={line} place={line.show.place} />;
}
