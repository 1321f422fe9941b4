import type { Publication, PublishSettings } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { Suspense, useState, type ReactElement } from 'react';
import { http, sentenceOf } from '../api/http';
import { useChange } from '../api/teacher';
import { useDeck } from '../deck/DeckContext';
import { Changes } from '../lesson/Changes';
import { part } from '../offline/part';
import { Button } from '../ui/Button';
import { Check } from '../ui/controls';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { Segments } from '../ui/Segments';
import { fromLocal, toLocal } from '../ui/when';
import { bringFirstPicture } from './firstPicture';
import { PublishedAddress } from './PublishedAddress';
import { Sure } from './Sure';

const Openings = part(() => import('./Openings'));

/** What is decided before, or anew. A pass word is known here only while it is being made. */
interface Draft extends PublishSettings {
  pass?: string;
}
const PRIVATE: Draft = { endsAt: null, allowsTries: true, allowsCopies: false, sites: [] };

/** An address at which anyone may walk the deck. */
export default function Publishing({ isOwner }: { isOwner: boolean }): ReactElement {
  const { deckId } = useDeck();
  const found = useQuery({
    queryKey: ['publication', deckId],
    queryFn: () => http.get<{ publication: Publication | null }>(`decks/${deckId}/publication`),
    gcTime: 0,
    retry: false,
    networkMode: 'always',
    refetchInterval: 10_000,
  });
  const { tell, trouble } = useNotices();
  // Once something is kept, what is decided is read anew.
  const [kept, setKept] = useState(0);
  const change = useChange(
    (what: () => Promise<unknown>) => what(),
    ['publication', deckId],
    ['decks'],
  );
  const act = (what: () => Promise<unknown>, said: string): void =>
    change.mutate(what, {
      onSuccess: () => {
        tell(said);
        setKept(kept + 1);
      },
      onError: (error) => trouble(sentenceOf(error)),
    });
  // What is being decided stays, also when the server is away for a moment.
  if (!found.data) {
    return found.error ? (
      <p role="alert">{sentenceOf(found.error)}</p>
    ) : (
      <p className="text-soft">One moment …</p>
    );
  }
  const { publication } = found.data;
  const isPublic = publication !== null && !publication.isWithdrawn;
  return (
    <>
      {isPublic ? (
        <>
          <PublishedAddress publication={publication} />
          <Suspense>
            <Openings publication={publication} />
          </Suspense>
        </>
      ) : (
        <p className="text-soft">
          {publication
            ? 'The deck is withdrawn: nobody can read it. Published again it is at the address that it had.'
            : 'Only those who have the deck see it. Published, it has an address at which anyone walks it, without an account or a name.'}
        </p>
      )}
      {isOwner ? (
        <Deciding
          key={`${kept} ${publication ? stateOf(publication) : ''}`}
          publication={publication}
          act={act}
          change={change}
        />
      ) : (
        <p className="mt-4 text-[14px] text-soft">What is published its owner decides.</p>
      )}
    </>
  );
}

function Deciding(props: {
  publication: Publication | null;
  act: (what: () => Promise<unknown>, said: string) => void;
  change: { isPending: boolean; isPaused: boolean };
}): ReactElement {
  const { publication, act, change } = props;
  const { deckId, deck, graph } = useDeck();
  const isPublic = publication !== null && !publication.isWithdrawn;
  const [draft, setDraft] = useState<Draft>(() =>
    publication ? settingsOf(publication) : PRIVATE,
  );
  const [isAsking, setIsAsking] = useState(false);
  const at = `decks/${deckId}/publication`;
  const publish = async (): Promise<void> => {
    const picture = await bringFirstPicture(deck, graph);
    await http.post(at, { ...draft, ...(picture ? { picture: picture.hash } : {}) });
  };
  const isChanged =
    publication !== null && JSON.stringify(draft) !== JSON.stringify(settingsOf(publication));
  const changes = publication?.changes;
  return (
    <section aria-label="What is published" className="mt-4 border-t border-line pt-4">
      {!isPublic && (
        <Settings draft={draft} hasPass={publication?.hasPass ?? false} onChange={setDraft} />
      )}
      {isPublic && changes && !changes.isSame && (
        <div className="mt-4 rounded-[6px] border border-[#e4cf95] bg-brass-mist px-3 py-2 text-[14px]">
          <p className="font-semibold">The deck has changed since it was published.</p>
          <Changes changes={changes} />
        </div>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-2">
        {(!isPublic || !changes?.isSame) && (
          <Button
            look="main"
            size="large"
            disabled={change.isPending}
            onClick={() => act(publish, 'Published, as the deck is now.')}
          >
            {change.isPending ? 'One moment …' : publication ? 'Publish again' : 'Publish'}
          </Button>
        )}
        {isPublic && !isAsking && (
          <Button look="quiet" size="large" onClick={() => setIsAsking(true)}>
            Withdraw …
          </Button>
        )}
      </div>
      {isAsking && (
        <div className="mt-3">
          <Sure
            question="Nobody can read it from now on, wherever it stands. Copies that were taken stay."
            yes="Withdraw it"
            onYes={() => {
              setIsAsking(false);
              act(() => http.remove(at), 'Withdrawn: nobody can read it any more.');
            }}
            onNo={() => setIsAsking(false)}
          />
        </div>
      )}
      {isPublic && (
        <div className="mt-4 border-t border-line pt-4">
          <Settings draft={draft} hasPass={publication.hasPass} onChange={setDraft} />
          {isChanged && (
            <Button
              size="large"
              className="mt-3"
              disabled={change.isPending}
              onClick={() => act(() => http.patch(at, draft), 'Kept: it holds from now on.')}
            >
              Keep what is decided here
            </Button>
          )}
        </div>
      )}
      {change.isPaused && (
        <p role="status" className="mt-2 text-[13px] text-soft">
          There is no network. It is done as soon as there is one.
        </p>
      )}
    </section>
  );
}

/** Whatever is decided elsewhere, or written otherwise by the server, is taken over. */
const stateOf = (publication: Publication): string =>
  JSON.stringify([settingsOf(publication), publication.publishedAt, publication.isWithdrawn]);

const settingsOf = ({ endsAt, allowsTries, allowsCopies, sites }: Publication): Draft => ({
  endsAt,
  allowsTries,
  allowsCopies,
  sites,
});

function Settings(props: {
  draft: Draft;
  hasPass: boolean;
  onChange: (draft: Draft) => void;
}): ReactElement {
  const { draft, onChange } = props;
  const { sites } = draft;
  const [listed, setListed] = useState((sites ?? []).join('\n'));
  const [where, setWhere] = useState<Where>(
    sites === null ? 'all' : sites.length > 0 ? 'listed' : 'none',
  );
  const linesOf = (text: string): string[] =>
    text
      .split(/[\s,;]+/)
      .map((line) => line.trim())
      .filter((line) => line !== '');
  const stand = (now: Where, text = listed): void => {
    setWhere(now);
    onChange({ ...draft, sites: now === 'all' ? null : now === 'none' ? [] : linesOf(text) });
  };
  return (
    <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
      <div className="flex flex-col gap-1">
        <Check
          label="The questions can be tried; nothing is kept"
          isOn={draft.allowsTries}
          onChange={(allowsTries) => onChange({ ...draft, allowsTries })}
        />
        <Check
          label="Whoever has an account may take a copy"
          isOn={draft.allowsCopies}
          onChange={(allowsCopies) => onChange({ ...draft, allowsCopies })}
        />
      </div>
      <Field
        label="Until"
        type="datetime-local"
        hint="Left empty: until you withdraw it."
        value={toLocal(draft.endsAt)}
        onChange={({ target }) => onChange({ ...draft, endsAt: fromLocal(target.value) })}
      />
      <div>
        <Field
          label="Pass word"
          autoComplete="off"
          maxLength={100}
          placeholder={props.hasPass ? 'as it is' : 'none'}
          hint={
            draft.pass === ''
              ? 'The deck will ask for none.'
              : props.hasPass
                ? 'The deck asks for one. What you write here takes its place.'
                : 'Asked for before anything is shown.'
          }
          value={draft.pass ?? ''}
          onChange={({ target: { value } }) => {
            const { pass: _pass, ...others } = draft;
            onChange(value === '' ? others : { ...draft, pass: value });
          }}
        />
        {props.hasPass && draft.pass === undefined && (
          <Button size="small" look="quiet" onClick={() => onChange({ ...draft, pass: '' })}>
            Ask for none any more
          </Button>
        )}
      </div>
      <div>
        <p className="mb-1 text-[14px] font-semibold">Within the pages of other sites</p>
        <Segments
          label="Within the pages of other sites"
          value={where}
          options={[
            { value: 'none', label: 'Nowhere' },
            { value: 'listed', label: 'On these' },
            { value: 'all', label: 'On all' },
          ]}
          onChange={(now) => stand(now)}
        />
        {where === 'listed' && (
          <textarea
            aria-label="Sites, one in a line"
            placeholder="https://school.example"
            rows={2}
            value={listed}
            onChange={({ target: { value } }) => {
              setListed(value);
              stand('listed', value);
            }}
            className="mt-2 w-full rounded-[6px] border border-line bg-sheet px-3 py-1.5 text-[14px]"
          />
        )}
      </div>
    </div>
  );
}
type Where = 'none' | 'listed' | 'all';
