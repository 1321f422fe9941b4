import type { HandMark } from '@gobrel/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiProblem, http } from '../api/http';

/** Milliseconds before a mark that did not reach the server is sent again. */
const AGAIN = 2000;

export type MarkingState = 'saved' | 'saving' | 'unreached';

/**
 * Sends marks by hand as they are given or typed, those of one answer one after another and only the latest: `saved` is
 * said when the server has all of them. One that does not reach it is sent until it does; the page says so on leaving.
 */
export function useMarking(
  lessonId: string,
  told: { onAll: () => void; onRefused: (error: unknown) => void },
): { state: MarkingState; send: (folioId: string, questionId: string, mark: HandMark) => void } {
  const [state, setState] = useState<MarkingState>('saved');
  const waiting = useRef(new Map<string, HandMark>());
  const sending = useRef(new Set<string>());
  const latest = useRef(told);
  useEffect(() => {
    latest.current = told;
  });
  const run = useCallback(
    async (answer: string): Promise<void> => {
      if (sending.current.has(answer)) return;
      sending.current.add(answer);
      for (let mark = waiting.current.get(answer); mark; mark = waiting.current.get(answer)) {
        try {
          await http.put(`lessons/${lessonId}/students/${answer}`, mark);
          setState('saving');
        } catch (error) {
          if (error instanceof ApiProblem && error.status >= 400 && error.status < 500) {
            latest.current.onRefused(error);
          } else {
            setState('unreached');
            await new Promise((resolve) => setTimeout(resolve, AGAIN));
            continue;
          }
        }
        if (waiting.current.get(answer) === mark) waiting.current.delete(answer);
      }
      sending.current.delete(answer);
      if (sending.current.size > 0) return;
      setState('saved');
      latest.current.onAll();
    },
    [lessonId],
  );
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent): void => {
      if (waiting.current.size > 0) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, []);
  const send = useCallback(
    (folioId: string, questionId: string, mark: HandMark) => {
      const answer = `${folioId}/marks/${questionId}`;
      waiting.current.set(answer, mark);
      setState('saving');
      void run(answer);
    },
    [run],
  );
  return { state, send };
}
