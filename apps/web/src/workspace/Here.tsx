import { useEffect, useState, type ReactElement } from 'react';
import { useLocation } from 'react-router';
import { Initials } from '../ui/Page';
import { useDeck } from './DeckContext';

interface Presence {
  name: string;
  slideId?: string;
}

/** Everyone who has the deck open now, this editor first. */
export function Here(): ReactElement {
  const { document, teacher, deckId } = useDeck();
  const { pathname } = useLocation();
  const [others, setOthers] = useState<Presence[]>([]);
  const { awareness } = document;
  const slideId = new RegExp(`^/deck/${deckId}/slide/([a-z0-9-]+)`).exec(pathname)?.[1];

  useEffect(() => {
    awareness?.setLocalStateField('user', { name: teacher.name, slideId });
  }, [awareness, teacher.name, slideId]);
  useEffect(() => {
    if (!awareness) return;
    const read = (): void => {
      setOthers(
        [...awareness.getStates()]
          .filter(([client]) => client !== awareness.clientID)
          .flatMap(([, state]) => {
            const name = (state.user as { name?: unknown } | undefined)?.name;
            return typeof name === 'string' ? [{ name: name.slice(0, 80) }] : [];
          }),
      );
    };
    read();
    awareness.on('change', read);
    return () => awareness.off('change', read);
  }, [awareness]);

  return (
    <ul aria-label="People here" className="flex -space-x-1">
      {others.map((other, index) => (
        <li key={index}>
          <Initials name={other.name} />
        </li>
      ))}
      <li>
        <Initials name={teacher.name} isMuted={others.length > 0} />
      </li>
    </ul>
  );
}
