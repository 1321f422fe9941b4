import { titleOf } from '@gobrel/core';
import { useEffect, type ReactElement } from 'react';
import { Link, useLocation } from 'react-router';
import { Initials } from '../ui/Page';
import { useDeck } from '../deck/DeckContext';
import { useOthers } from '../deck/presence';

/** Everyone who has the deck open now, this editor first. Who is on a slide can be joined there. */
export function Here(): ReactElement {
  const { document, deck, teacher, deckId } = useDeck();
  const { pathname } = useLocation();
  const { awareness } = document;
  const others = useOthers();
  const slideId = new RegExp(`^/deck/${deckId}/slide/([a-z0-9-]+)`).exec(pathname)?.[1];

  useEffect(() => {
    awareness?.setLocalStateField('user', { name: teacher.name, slideId });
  }, [awareness, teacher.name, slideId]);

  return (
    <ul aria-label="People here" className="flex -space-x-1">
      {others.map(({ client, name, slideId }) => {
        const slide = slideId ? deck.slides[slideId] : undefined;
        return (
          <li key={client}>
            {slide ? (
              <Link
                to={`/deck/${deckId}/slide/${slide.id}`}
                title={`${name}, on “${titleOf(slide)}”`}
                aria-label={`${name}, on “${titleOf(slide)}”: go there`}
                className="block rounded-full"
              >
                <Initials name={name} />
              </Link>
            ) : (
              <Initials name={name} />
            )}
          </li>
        );
      })}
      <li>
        <Initials name={teacher.name} isMuted={others.length > 0} />
      </li>
    </ul>
  );
}
