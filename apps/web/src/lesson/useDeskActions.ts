import type { LessonSettings, PutUp, SlideId } from '@gobrel/core';
import { http, sentenceOf } from '../api/http';
import { useChange } from '../api/teacher';
import type { LessonTimes } from './LessonFields';
import { useNotices } from '../ui/Notice';

/** What can be done at a desk; each goes to the server, and a refusal is told. */
export interface DeskActions {
  pace(pace: 'together' | 'own', slideId?: SlideId | null): void;
  hold(isHeld: boolean, word?: string): void;
  timer(seconds: number | null): void;
  putUp(questionId: string | null, how?: Omit<PutUp, 'questionId'>): void;
  vote(vote: 'open' | 'closed' | 'none'): void;
  ask(clip: string | null): void;
  /** Lines somebody up before another, or last; who is in it moves. */
  lineUp(folioId: string, before: string | null): void;
  takeOutOfLineUp(folioId: string): void;
  present(folioId: string | null): void;
  star(answer: string, isStarred: boolean): void;
  /** An answer, `folio/question`, on the big screen; null takes it down. */
  show(key: string | null, withName?: boolean): void;
  settings(changed: Partial<LessonSettings>): void;
  times(times: LessonTimes): void;
  renew(): void;
  /** Counts a text as another one, or no more. */
  liken(questionId: string, text: string, as: string | null): void;
  /** Pairs the screen that shows a code; null turns all paired ones off. */
  pair(code: string | null): void;
  end(): void;
  student(
    folioId: string,
    changed: { name?: string; status?: 'in'; mayAddDevice?: boolean; hasHandUp?: false },
  ): void;
  remove(folioId: string, isBlocked: boolean): void;
  practice(students: number): void;
}

export function useDeskActions(lessonId: string): DeskActions {
  const { trouble } = useNotices();
  const act = useChange((run: () => Promise<unknown>) => run(), ['lesson', lessonId]);
  const run = (what: () => Promise<unknown>): void =>
    act.mutate(what, { onError: (error) => trouble(sentenceOf(error)) });
  const at = `lessons/${lessonId}`;
  const post = (path: string, body?: unknown): void => run(() => http.post(`${at}/${path}`, body));
  const put = (path: string, body: unknown): void => run(() => http.put(`${at}/${path}`, body));
  return {
    pace: (pace, slideId) => post('pace', { pace, ...(slideId ? { slideId } : {}) }),
    hold: (isHeld, word = '') => post('hold', { isHeld, word }),
    timer: (seconds) => post('timer', { seconds }),
    putUp: (questionId, how) => post('put-up', { questionId, ...how }),
    vote: (vote) => post('vote', { vote }),
    ask: (clip) => post('ask', { clip }),
    lineUp: (folioId, before) => put(`line-up/${folioId}`, { before }),
    takeOutOfLineUp: (folioId) => run(() => http.remove(`${at}/line-up/${folioId}`)),
    present: (folioId) => post('present', { folioId }),
    show: (key, withName = false) => {
      const [folioId = null, questionId] = key?.split('/') ?? [];
      post('show', { folioId, ...(questionId ? { questionId } : {}), withName });
    },
    star: (answer, isStarred) => post('star', { answer, isStarred }),
    settings: (changed) => put('settings', changed),
    times: (times) => put('times', times),
    renew: () => post('renew'),
    liken: (questionId, text, as) => post('liken', { questionId, text, as }),
    pair: (code) =>
      run(() => (code ? http.post(`${at}/screens`, { code }) : http.remove(`${at}/screens`))),
    end: () => post('end'),
    student: (folioId, changed) => run(() => http.patch(`${at}/students/${folioId}`, changed)),
    remove: (folioId, isBlocked) =>
      run(() => http.remove(`${at}/students/${folioId}${isBlocked ? '?block=1' : ''}`)),
    practice: (students) =>
      run(() =>
        students > 0 ? http.post(`${at}/practice`, { students }) : http.remove(`${at}/practice`),
      ),
  };
}
