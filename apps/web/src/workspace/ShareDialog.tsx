import type { DeckPeople, GivenRole, OpenInvitation, Person } from '@gobrel/core';
import { Suspense, useState, type FormEvent, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange, useDeckPeople, useTeacher } from '../api/teacher';
import { useDeck } from '../deck/DeckContext';
import { Button } from '../ui/Button';
import { CopyLine } from '../ui/CopyLine';
import { Select, type Choice } from '../ui/controls';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { Initials } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { part as loaded } from '../offline/part';
import { Sure } from './Sure';
import { comesAt } from '../ui/when';

const Publishing = loaded(() => import('./Publishing'));
const TakeAlong = loaded(() => import('./TakeAlong'));

const ROLES: readonly Choice<GivenRole>[] = [
  { value: 'viewer', label: 'may look' },
  { value: 'commenter', label: 'may comment' },
  { value: 'coauthor', label: 'may build' },
];
const labelOf = (role: string): string =>
  role === 'owner' ? 'owner' : (ROLES.find(({ value }) => value === role)?.label ?? '');

/** Who has the deck, who is asked to, and what each may do. */
export default function ShareDialog({ onClose }: { onClose: () => void }): ReactElement {
  const { deckId } = useDeck();
  const people = useDeckPeople(deckId, true);
  const isOwner = people.data?.role === 'owner';
  const [part, setPart] = useState<'people' | 'anyone' | 'file'>('people');
  return (
    <Dialog title="Share" isOpen isWide onClose={onClose}>
      <Segments
        label="Share with"
        value={part}
        options={[
          { value: 'people', label: 'With people' },
          { value: 'anyone', label: 'With anyone' },
          { value: 'file', label: 'Take along' },
        ]}
        onChange={setPart}
      />
      <div className="mt-4">
        {part === 'people' ? (
          <People people={people.data} isOwner={isOwner} />
        ) : (
          <Suspense fallback={<p className="text-soft">One moment …</p>}>
            {part === 'anyone' ? <Publishing isOwner={isOwner} /> : <TakeAlong />}
          </Suspense>
        )}
      </div>
    </Dialog>
  );
}

/** Who has the deck, and is invited to it. */
function People(props: { people: DeckPeople | undefined; isOwner: boolean }): ReactElement {
  const { people, isOwner } = props;
  return (
    <>
      <p className="mb-3 text-soft">
        {isOwner
          ? 'Whoever may build changes the deck together with you. Students get it through a lesson.'
          : 'Who has this deck.'}
      </p>
      <ul aria-label="Who has the deck" className="flex flex-col gap-2">
        {people?.people.map((person) => (
          <OnePerson key={person.id} person={person} isOwner={isOwner} />
        ))}
      </ul>
      {isOwner ? (
        <>
          <Waiting invitations={people?.invitations ?? []} />
          <Invite />
          <Copies token={people?.copyToken ?? null} />
        </>
      ) : (
        <Leave />
      )}
    </>
  );
}

/** Something that is done to whom the deck is shared with; what cannot be done is told. */
function useSharing(): (run: () => Promise<unknown>, said?: string) => void {
  const { deckId } = useDeck();
  const { tell, trouble } = useNotices();
  const change = useChange((run: () => Promise<unknown>) => run(), ['deck', deckId], ['decks']);
  return (run, said) =>
    change.mutate(run, {
      onSuccess: () => said && tell(said),
      onError: (error) => trouble(sentenceOf(error)),
    });
}

function OnePerson(props: { person: Person; isOwner: boolean }): ReactElement {
  const { person, isOwner } = props;
  const { deckId } = useDeck();
  const share = useSharing();
  const [isAsking, setIsAsking] = useState(false);
  const at = `decks/${deckId}/people/${person.id}`;
  const mayChange = isOwner && person.role !== 'owner';
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <Initials name={person.name} />
      <span className="min-w-0 flex-1">
        <span className="block truncate">{person.name}</span>
        <span className="block truncate text-[13px] text-soft">{person.email}</span>
      </span>
      {mayChange ? (
        <Select
          label={`What ${person.name} may do`}
          value={person.role as GivenRole}
          options={ROLES}
          onChange={(role) => share(() => http.patch(at, { role }))}
        />
      ) : (
        <span className="text-[13px] text-soft">{labelOf(person.role)}</span>
      )}
      {mayChange && !isAsking && (
        <span className="flex">
          <Button size="small" look="quiet" onClick={() => setIsAsking(true)}>
            Hand over …
          </Button>
          <Button
            size="small"
            look="quiet"
            onClick={() =>
              share(() => http.remove(at), `${person.name} does not have it any more.`)
            }
          >
            Take out
          </Button>
        </span>
      )}
      {isAsking && (
        <Sure
          question={`The deck is ${person.name}’s then, who alone decides who has it. You go on building it.`}
          yes="Hand it over"
          onYes={() => {
            setIsAsking(false);
            share(
              () => http.post(`decks/${deckId}/owner`, { personId: person.id }),
              `The deck is ${person.name}’s now.`,
            );
          }}
          onNo={() => setIsAsking(false)}
        />
      )}
    </li>
  );
}

function Waiting({ invitations }: { invitations: readonly OpenInvitation[] }): ReactElement | null {
  const { deckId } = useDeck();
  const share = useSharing();
  if (invitations.length === 0) return null;
  return (
    <section className="mt-4" aria-label="Invited">
      <h3 className="mb-1 text-[14px] font-semibold">Invited, no answer yet</h3>
      <ul className="flex flex-col gap-1">
        {invitations.map(({ id, email, role, endsAt }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3">
            <span className="min-w-0 flex-1 wrap-anywhere">{email}</span>
            <span className="text-[13px] text-soft">
              {labelOf(role)}, until {comesAt(endsAt)}
            </span>
            <Button
              size="small"
              look="quiet"
              onClick={() =>
                share(
                  () => http.remove(`decks/${deckId}/invitations/${id}`),
                  `The invitation of ${email} is taken back.`,
                )
              }
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Invite(): ReactElement {
  const { deckId } = useDeck();
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<GivenRole>('coauthor');
  const invite = useChange(
    (who: { email: string; role: GivenRole }) =>
      http.post<{ isInOutbox: boolean }>(`decks/${deckId}/invitations`, who),
    ['deck', deckId],
  );
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (email.trim() === '' || invite.isPending) return;
    invite.mutate({ email, role }, { onSuccess: () => setEmail('') });
  };
  return (
    <form onSubmit={submit} className="mt-4 border-t border-line pt-4" noValidate>
      <div className="flex flex-wrap items-end gap-2">
        <Field
          className="min-w-[200px] flex-1"
          label="E-mail of whom to invite"
          type="email"
          autoComplete="off"
          value={email}
          error={invite.error ? sentenceOf(invite.error) : undefined}
          onChange={(event) => {
            setEmail(event.target.value);
            invite.reset();
          }}
        />
        <span className="flex min-h-10 items-center">
          <Select label="What they may do" value={role} options={ROLES} onChange={setRole} />
        </span>
        <Button
          type="submit"
          look="main"
          className="min-h-10"
          disabled={email.trim() === '' || invite.isPending}
        >
          Invite
        </Button>
      </div>
      <p role="status" className="mt-2 min-h-5 text-[13px] text-soft">
        {invite.isPaused && 'There is no network. The letter is sent as soon as there is one.'}
        {invite.isSuccess && (
          <>
            A letter to {invite.variables.email.trim()} is on its way.{' '}
            {invite.data.isInOutbox && (
              <a
                href="/stand-ins/outbox"
                target="_blank"
                rel="noreferrer"
                className="inline-flex min-h-6 items-center text-petrol underline underline-offset-4"
              >
                See it in the outbox
              </a>
            )}
          </>
        )}
      </p>
    </form>
  );
}

/** An address from which colleagues take copies of their own. */
function Copies({ token }: { token: string | null }): ReactElement {
  const { deckId } = useDeck();
  const share = useSharing();
  const at = `decks/${deckId}/copies`;
  const address = `${location.origin}/copy/${token ?? ''}`;
  return (
    <section className="mt-3 border-t border-line pt-4" aria-label="Give a copy">
      <h3 className="text-[14px] font-semibold">Give a copy</h3>
      <p className="text-[14px] text-soft">
        {token
          ? 'Whoever has this address, and an account, takes a copy of their own. What you change later is not in it.'
          : 'An address from which colleagues take a copy of their own. They see nothing of your lessons.'}
      </p>
      {token ? (
        <CopyLine label="Address for copies" value={address} copy="Copy the address">
          <Button
            look="quiet"
            onClick={() =>
              share(
                () => http.remove(at),
                'The address is good no more. Copies that were taken stay.',
              )
            }
          >
            Give no more
          </Button>
        </CopyLine>
      ) : (
        <Button className="mt-2" onClick={() => share(() => http.post(at))}>
          Make an address
        </Button>
      )}
    </section>
  );
}

function Leave(): ReactElement {
  const { deckId } = useDeck();
  const { data: teacher } = useTeacher();
  const [isAsking, setIsAsking] = useState(false);
  const navigate = useNavigate();
  const share = useSharing();
  const leave = async (): Promise<void> => {
    await http.remove(`decks/${deckId}/membership`);
    await navigate('/');
  };
  if (!teacher) return <></>;
  return (
    <div className="mt-4 border-t border-line pt-4">
      {isAsking ? (
        <Sure
          question="You will not have this deck any more, unless you are invited again. Lessons that you have held with it stay with its owner."
          yes="Leave the deck"
          onYes={() => share(leave, 'You have left the deck.')}
          onNo={() => setIsAsking(false)}
        />
      ) : (
        <Button look="quiet" onClick={() => setIsAsking(true)}>
          Leave this deck …
        </Button>
      )}
    </div>
  );
}
