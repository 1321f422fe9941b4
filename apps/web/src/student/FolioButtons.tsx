import {
  answerGiven,
  isBlank,
  questionsOn,
  readDraft,
  wordsOf,
  type Deck,
  type Folio,
  type QuestionElement,
  type Slide,
} from '@gobrel/core';
import { Hand } from 'lucide-react';
import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useState, type ComponentProps, type ReactElement } from 'react';
import type { Dialog as SheetDialog } from '../ui/Dialog';
import { sentenceOf } from '../api/http';
import { handIn, setHand, tryAgain } from '../api/student';
import { whenSaved, type OpenDocument } from '../sync/openDocument';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { part } from '../offline/part';

const Dialog = part<ComponentProps<typeof SheetDialog>>(() =>
  import('../ui/Dialog').then(({ Dialog }) => ({ default: Dialog })),
);

/** A hand that the teacher sees on the desk until it is taken down. */
export function HandUp({ isUp }: { isUp: boolean }): ReactElement {
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
export function TryAgain(): ReactElement {
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

/** The prompts of questions that must be answered before handing in and are not; of slides that were walked. */
export function missingAnswers(edition: Deck, folio: Folio): string[] {
  return questionsWalked(edition, folio).flatMap(({ element, slide }) => {
    if (!element.isRequired) return [];
    const given = answerGiven(element.question, slide, {
      answer: folio.answers[element.id],
      placements: folio.placements[slide.id],
    });
    return given && !isBlank(given) ? [] : [wordsOf(element.text)];
  });
}

/** The prompts of questions where something stands on the screen that does not count, or not yet. */
export function uncountedAnswers(edition: Deck, folio: Folio): string[] {
  return questionsWalked(edition, folio).flatMap(({ element }) => {
    const draft = readDraft(element.question, folio.drafts[element.id]);
    return draft && !isBlank(draft) ? [wordsOf(element.text)] : [];
  });
}

function questionsWalked(
  edition: Deck,
  folio: Folio,
): { element: QuestionElement; slide: Slide }[] {
  const walked = new Set(folio.walk.map(({ slideId }) => slideId));
  return [...walked].flatMap((slideId) => {
    const slide = edition.slides[slideId];
    return slide ? questionsOn(slide).map((element) => ({ element, slide })) : [];
  });
}

/** Waits until everything is on the server, then freezes the folio as an attempt. */
export function HandIn({
  document,
  missing,
  uncounted,
}: {
  document: OpenDocument;
  missing: string[];
  uncounted: string[];
}): ReactElement {
  const [isAsking, setIsAsking] = useState(false);
  const [isBusy, setIsBusy] = useState(false);
  const queries = useQueryClient();
  const { trouble } = useNotices();
  const hand = async (): Promise<void> => {
    setIsBusy(true);
    try {
      await whenSaved(document);
      await handIn();
      await queries.invalidateQueries({ queryKey: ['student'] });
      setIsAsking(false);
    } catch (error) {
      trouble(sentenceOf(error));
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <>
      <Button look="main" size="large" className="!px-3 sm:!px-5" onClick={() => setIsAsking(true)}>
        Hand in
      </Button>
      <Suspense>
        {isAsking && (
          <Dialog
            title="Hand in?"
            description="Your answers, pieces and leaves go to your teacher as they are now. You cannot change them afterwards."
            isOpen
            onClose={() => setIsAsking(false)}
          >
            {missing.length > 0 && (
              <p className="mb-4 text-ember-deep">
                {missing.length === 1 ? 'One question is' : `${missing.length} questions are`}{' '}
                needed first: {missing.slice(0, 3).join('; ')}
              </p>
            )}
            {uncounted.length > 0 && (
              <p className="mb-4 text-ember-deep">
                What you wrote does not count yet: {uncounted.slice(0, 3).join('; ')}
              </p>
            )}
            <div className="flex justify-end gap-2">
              <Button size="large" onClick={() => setIsAsking(false)}>
                Not yet
              </Button>
              <Button
                size="large"
                look="main"
                disabled={isBusy || missing.length > 0}
                onClick={() => void hand()}
              >
                {isBusy ? 'Handing in …' : 'Hand in now'}
              </Button>
            </div>
          </Dialog>
        )}
      </Suspense>
    </>
  );
}
