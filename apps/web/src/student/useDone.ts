import {
  answerGiven,
  questionsOn,
  type Deck,
  type ElementId,
  type Folio,
  idsOf,
} from '@gobrel/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { isRefusal, sentenceOf } from '../api/http';
import { doneWith } from '../api/student';
import type { Done } from '../questions/DoneButton';
import { memory } from '../sync/memory';
import { DONE } from '../sync/kept';
import { whenSaved, type OpenDocument } from '../sync/openDocument';

/** What a student is done with and has no mark for yet: the questions, with the answer that was meant. */
type Asked = Readonly<Record<ElementId, string>>;

/** Milliseconds until it is asked again after trouble on the way. */
const AGAIN = 3000;

/** Milliseconds after which an answer that is another one is one that was changed. */
const FOLIO_COMES = 3000;

const keyOf = (folioId: string): string => `${DONE}${folioId}`;

/** An answer as it stands, to be compared. */
function answerNow(edition: Deck, folio: Folio, questionId: ElementId): string {
  for (const slide of Object.values(edition.slides)) {
    const element = questionsOn(slide).find(({ id }) => id === questionId);
    if (!element) continue;
    const answer = folio.answers[questionId];
    const placements = folio.placements[slide.id];
    return JSON.stringify(answerGiven(element.question, slide, { answer, placements })) ?? '';
  }
  return '';
}

const kept = (folioId: string): Asked => (memory.read(keyOf(folioId)) ?? {}) as Asked;

/**
 * Asks for marks where they come when a student is done. What is told without a connection is kept on this device, also
 * when the page is opened anew, and told when the connection is back; an answer that is changed meanwhile is no longer
 * done with.
 */
export function useDone(args: {
  folioId: string;
  document: OpenDocument;
  edition: Deck;
  folio: Folio;
  isOnline: boolean;
  lookAgain: () => Promise<unknown>;
  onTrouble: (sentence: string) => void;
}): Done {
  const { folioId, document, edition, folio, isOnline, lookAgain, onTrouble } = args;
  const [asked, setAsked] = useState(() => kept(folioId));
  useEffect(() => {
    const isNone = Object.keys(asked).length === 0;
    memory.set(keyOf(folioId), isNone ? null : JSON.stringify(asked));
  }, [asked, folioId]);

  const meant = useMemo(
    () => idsOf(asked).filter((id) => asked[id] === answerNow(edition, folio, id)),
    [asked, edition, folio],
  );
  useEffect(() => {
    if (meant.length === Object.keys(asked).length) return;
    // What this device keeps of a folio may still be on its way into it.
    const timer = setTimeout(
      () => setAsked((before) => Object.fromEntries(meant.map((id) => [id, before[id]!]))),
      FOLIO_COMES,
    );
    return () => clearTimeout(timer);
  }, [meant, asked]);

  const next = isOnline ? meant[0] : undefined;
  const latest = useRef({ lookAgain, onTrouble, edition, folio });
  useEffect(() => {
    latest.current = { lookAgain, onTrouble, edition, folio };
  });
  useEffect(() => {
    if (next === undefined) return;
    let isOver = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = async (): Promise<void> => {
      try {
        await whenSaved(document);
        if (isOver) return;
        await doneWith(next);
        await latest.current.lookAgain();
      } catch (error) {
        if (isOver) return;
        // Trouble is no refusal: it stays asked for.
        if (!isRefusal(error)) return void (timer = setTimeout(() => void ask(), AGAIN));
        latest.current.onTrouble(sentenceOf(error));
      }
      if (!isOver) setAsked(({ [next]: _, ...others }) => others);
    };
    void ask();
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [next, document]);

  const waiting = meant.join(' ');
  return useMemo(() => {
    const ids = waiting.split(' ');
    return {
      tell: (id) => {
        const { edition, folio } = latest.current;
        setAsked((before) => ({ ...before, [id]: answerNow(edition, folio, id) }));
      },
      waits: (id) => (ids.includes(id) ? (isOnline ? 'for-mark' : 'for-network') : null),
    };
  }, [waiting, isOnline]);
}
