import type { Deck, Folio } from '@gobrel/core';
import { useQueryClient } from '@tanstack/react-query';
import { Hand } from 'lucide-react';
import { Suspense, useState, type ReactElement } from 'react';
import { sentenceOf } from '../api/http';
import type { StudentLesson } from '../api/keptLesson';
import { setHand, tryAgain } from '../api/student';
import { part } from '../offline/part';
import type { OpenDocument } from '../sync/openDocument';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';

const HandInDialog = part(() => import('./HandInDialog'));

/** What a student does with the folio as a whole. */
export function FolioButtons(props: {
  lesson: StudentLesson;
  document: OpenDocument;
  edition: Deck;
  folio: Folio;
  isClosed: boolean;
  isEnded: boolean;
}): ReactElement {
  const { lesson, isEnded } = props;
  const mayTryAgain = lesson.handedInAt && !isEnded && lesson.attempts.made < lesson.attempts.most;
  return (
    <>
      {!isEnded && <HandUp isUp={lesson.handUpAt !== null} />}
      {mayTryAgain && <TryAgain />}
      {!props.isClosed && <HandIn {...props} />}
    </>
  );
}

/** A hand that the teacher sees on the desk until it is taken down. */
function HandUp({ isUp }: { isUp: boolean }): ReactElement {
  const queries = useQueryClient();
  const { trouble } = useNotices();
  return (
    <Button
      look={isUp ? 'main' : 'quiet'}
      size="large"
      className="!px-2"
      aria-pressed={isUp}
      aria-label={isUp ? 'Hand down' : 'Hand up'}
      title={isUp ? 'Take your hand down' : 'Put your hand up'}
      onClick={() =>
        void setHand(!isUp)
          .then(() => queries.invalidateQueries({ queryKey: ['student'] }))
          .catch((error: unknown) => trouble(sentenceOf(error)))
      }
    >
      <Hand size={18} aria-hidden />
    </Button>
  );
}

/** Opens a folio that was handed in for another attempt. */
function TryAgain(): ReactElement {
  const queries = useQueryClient();
  const { trouble } = useNotices();
  return (
    <Button
      size="large"
      onClick={() =>
        void tryAgain()
          .then(() => queries.invalidateQueries({ queryKey: ['student'] }))
          .catch((error: unknown) => trouble(sentenceOf(error)))
      }
    >
      Try again
    </Button>
  );
}

/** Hands the folio in, after asking once. */
function HandIn({
  document,
  edition,
  folio,
}: {
  document: OpenDocument;
  edition: Deck;
  folio: Folio;
}): ReactElement {
  const [isAsking, setIsAsking] = useState(false);
  return (
    <>
      <Button look="main" size="large" className="!px-3 sm:!px-5" onClick={() => setIsAsking(true)}>
        Hand in
      </Button>
      <Suspense>
        {isAsking && (
          <HandInDialog
            document={document}
            edition={edition}
            folio={folio}
            onClose={() => setIsAsking(false)}
          />
        )}
      </Suspense>
    </>
  );
}
