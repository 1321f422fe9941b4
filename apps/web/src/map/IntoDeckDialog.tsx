import { can, clipSlides, type SlideId } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useDecks } from '../api/teacher';
import { DeckMapPicture } from '../cards/DeckMapPicture';
import { useDeck } from '../deck/DeckContext';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { count } from '../ui/when';
import { carry } from './carried';

/** The deck that slides, or a section, are copied into. They stay here, too. */
export default function IntoDeckDialog(props: {
  slideIds: SlideId[];
  section: string | null;
  onClose: () => void;
}): ReactElement {
  const { slideIds, section } = props;
  const { deckId, deck } = useDeck();
  const decks = useDecks('decks');
  const navigate = useNavigate();
  const [sought, setSought] = useState('');
  const found = (decks.data ?? []).filter(
    ({ id, role, title }) =>
      id !== deckId &&
      can([role], 'deck:write') &&
      title.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  const copy = (to: string): void => {
    carry({ to, clip: JSON.stringify(clipSlides(deck, deckId, slideIds)), section });
    void navigate(`/deck/${to}/map`);
  };
  return (
    <Dialog
      title={
        section === null
          ? `Copy ${count(slideIds.length, 'slide')} into …`
          : `Copy “${section}” into …`
      }
      description="With pictures, sounds and links among them. Here they stay as they are."
      isOpen
      onClose={props.onClose}
    >
      <Field
        label="Find a deck"
        value={sought}
        onChange={({ target }) => setSought(target.value)}
      />
      <ul aria-label="Decks" className="mt-3 flex max-h-[46vh] flex-col gap-2 overflow-y-auto">
        {found.map(({ id, title, summary }) => (
          <li key={id}>
            <button
              type="button"
              onClick={() => copy(id)}
              className="flex w-full items-center gap-3 rounded-[6px] border border-line bg-sheet p-2 text-left hover:border-petrol"
            >
              <span
                aria-hidden
                className="h-[54px] w-[96px] shrink-0 rounded-[4px] bg-[#f3eee3] p-1"
              >
                <DeckMapPicture summary={summary} />
              </span>
              <span className="min-w-0">
                <span className="block truncate font-semibold">{title}</span>
                <span className="block text-[13px] text-soft">
                  {count(summary.slides, 'slide')}
                </span>
              </span>
            </button>
          </li>
        ))}
      </ul>
      {decks.data && found.length === 0 && (
        <p className="text-soft">There is no other deck of that name that you may build.</p>
      )}
      {decks.error && <p role="alert">{decks.error.message}</p>}
    </Dialog>
  );
}
