import { entryAt, markTried, type Along, type SlideId } from '@gobrel/core';
import { useMemo, useState, type ReactElement } from 'react';
import { ReadDeck } from '../reading/ReadDeck';
import { NO_ANSWER, type TriedAnswer } from '../walking/useTrying';

/** A deck out of a file, walked without a network. */
export function AlongPage({ edition, keys }: Along): ReactElement {
  const [at, setAt] = useState(() => window.location.hash.slice(1) || null);
  const place = useMemo(
    () => ({
      at,
      onCome: (slideId: SlideId) => {
        setAt(slideId);
        // A page that is loaded anew opens where one was.
        window.location.replace(`#${slideId}`);
      },
    }),
    [at],
  );
  const slideOf = useMemo(
    () =>
      new Map(
        Object.values(edition.slides).flatMap((slide) =>
          slide.elements.map(({ id }) => [id, slide] as const),
        ),
      ),
    [edition],
  );
  const mark = (given: TriedAnswer) => {
    const asked = keys && entryAt(keys, given.questionId);
    const slide = slideOf.get(given.questionId);
    const mark = asked && slide ? markTried(asked, slide, given) : null;
    return mark ? Promise.resolve(mark) : Promise.reject(new Error(NO_ANSWER));
  };
  return <ReadDeck edition={edition} place={place} takesAnswers mark={keys && mark} />;
}
