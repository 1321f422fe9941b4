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
import { useQueryClient } from '@tanstack/react-query';
import { useState, type ReactElement } from 'react';
import { sentenceOf } from '../api/http';
import { handIn } from '../api/student';
import { whenSaved, type OpenDocument } from '../sync/openDocument';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useNotices } from '../ui/Notice';

/** Asks once more, then waits until everything is on the server and freezes the folio as an attempt. */
export default function HandInDialog(props: {
  document: OpenDocument;
  edition: Deck;
  folio: Folio;
  onClose: () => void;
}): ReactElement {
  const { document, edition, folio, onClose } = props;
  const [isBusy, setIsBusy] = useState(false);
  const queries = useQueryClient();
  const { trouble } = useNotices();
  const missing = missingAnswers(edition, folio);
  const uncounted = uncountedAnswers(edition, folio);
  const hand = async (): Promise<void> => {
    setIsBusy(true);
    try {
      await whenSaved(document);
      await handIn();
      await queries.invalidateQueries({ queryKey: ['student'] });
      onClose();
    } catch (error) {
      trouble(sentenceOf(error));
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <Dialog
      title="Hand in?"
      description="Your answers, pieces and leaves go to your teacher as they are now. You cannot change them afterwards."
      isOpen
      onClose={onClose}
    >
      {missing.length > 0 && (
        <p className="mb-4 text-ember-deep">
          {missing.length === 1 ? 'One question is' : `${missing.length} questions are`} needed
          first: {missing.slice(0, 3).join('; ')}
        </p>
      )}
      {uncounted.length > 0 && (
        <p className="mb-4 text-ember-deep">
          What you wrote does not count yet: {uncounted.slice(0, 3).join('; ')}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button size="large" onClick={onClose}>
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
  );
}

/** The prompts of questions that must be answered before handing in and are not; of slides that were walked. */
function missingAnswers(edition: Deck, folio: Folio): string[] {
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
function uncountedAnswers(edition: Deck, folio: Folio): string[] {
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
