import { useState, type FormEvent, type ReactElement } from 'react';
import { http } from '../api/http';
import { useChange, useDeckPeople } from '../api/teacher';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { Initials } from '../ui/Page';
import { useDeck } from '../deck/DeckContext';

/** Who may work on the deck. */
export function ShareDialog({
  isOpen,
  onClose,
}: {
  isOpen: boolean;
  onClose: () => void;
}): ReactElement {
  const { deckId } = useDeck();
  const people = useDeckPeople(deckId);
  const [email, setEmail] = useState('');
  const invite = useChange(
    (who: string) => http.post(`decks/${deckId}/people`, { email: who }),
    ['deck', deckId],
  );
  const remove = useChange(
    (id: string) => http.remove(`decks/${deckId}/people/${id}`),
    ['deck', deckId],
  );
  const isOwner = people.data?.role === 'owner';
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    invite.mutate(email, { onSuccess: () => setEmail('') });
  };
  return (
    <Dialog
      title="Share"
      description="Co-authors change the deck together with you. Students get it through a lesson."
      isOpen={isOpen}
      onClose={onClose}
    >
      <ul className="mb-4 flex flex-col gap-2">
        {people.data?.people.map((person) => (
          <li key={person.id} className="flex items-center gap-3">
            <Initials name={person.name} />
            <span className="flex-1">
              {person.name} <span className="text-[13px] text-soft">{person.email}</span>
            </span>
            {person.role === 'owner' ? (
              <span className="text-[13px] text-soft">owner</span>
            ) : (
              isOwner && (
                <Button size="small" look="quiet" onClick={() => remove.mutate(person.id)}>
                  Take out
                </Button>
              )
            )}
          </li>
        ))}
      </ul>
      {isOwner && (
        <form onSubmit={submit} className="flex items-end gap-2">
          <Field
            className="flex-1"
            label="E-mail of a co-author"
            type="email"
            value={email}
            error={invite.error?.message}
            onChange={(event) => setEmail(event.target.value)}
          />
          <Button
            type="submit"
            look="main"
            className="min-h-10"
            disabled={email.trim() === '' || invite.isPending}
          >
            Add
          </Button>
        </form>
      )}
    </Dialog>
  );
}
