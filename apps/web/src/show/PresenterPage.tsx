import {
  addElement,
  DeckReader,
  gateFor,
  inkFrame,
  whatStudentsMeet,
  type Deck,
  type GivenShow,
} from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, type ReactElement } from 'react';
import { useParams } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { Presenter, type KeepInk } from '../running/Presenter';
import { useShowLine } from '../running/useShowLine';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { NotYours } from '../ui/NotYours';
import { Centre } from '../ui/Page';
import { RequireTeacher } from '../ui/RequireTeacher';
import { runner } from '../ui/runner';

/** The second window of a show, for whoever gives it. */
export default function PresenterPage(): ReactElement {
  const { deckId = '' } = useParams();
  return (
    <RequireTeacher>
      {(teacher) => (
        <Opened key={deckId} deckId={deckId} keepAs={`gobrel:${teacher.id}:deck:${deckId}`} />
      )}
    </RequireTeacher>
  );
}

function Opened({ deckId, keepAs }: { deckId: string; keepAs: string }): ReactElement {
  const opening = useDocument(`deck:${deckId}`, { keepAs });
  const given = useQuery({
    queryKey: ['show', deckId],
    queryFn: () => http.post<{ show: GivenShow }>(`decks/${deckId}/show`),
    staleTime: Infinity,
    retry: false,
  });
  if (opening.state === 'failed') return <NotYours>{opening.reason}</NotYours>;
  if (given.error) {
    return (
      <Centre title="No show">
        <p className="mb-4">{sentenceOf(given.error)}</p>
        <Button onClick={() => void given.refetch()}>Try again</Button>
      </Centre>
    );
  }
  if (opening.state === 'opening' || !given.data) return <Centre>Opening …</Centre>;
  return <Presented document={opening.document} showId={given.data.show.id} />;
}

function Presented(props: { document: OpenDocument; showId: string }): ReactElement {
  const { document, showId } = props;
  const { tell, trouble } = useNotices();
  const line = useShowLine(showId);
  const whole: Deck = useReader(document.doc, (doc) => new DeckReader(doc));
  const deck = useMemo(() => whatStudentsMeet(whole, 'show').deck, [whole]);
  if (line.show.ended || line.state === 'over') {
    return <Centre title="The show is over">Close this window.</Centre>;
  }
  if (line.state === 'opening') return <Centre>Opening …</Centre>;
  const keepInk: KeepInk = (slideId, ink) => {
    const frame = inkFrame(ink);
    const run = runner(document.doc, gateFor('deck:write'), trouble);
    const strokes = [...ink];
    const made = { kind: 'ink', layer: 'content', box: frame, frame, strokes } as const;
    if (run(addElement, slideId, made)) tell('It lies on the slide in the deck now.');
  };
  return (
    <Presenter
      deck={deck}
      line={line}
      {...(document.access() === 'write' ? { onKeepInk: keepInk } : {})}
    />
  );
}
