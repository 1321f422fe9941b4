import type { ElementId, JoinedLesson, LessonLook, StudentMark } from '@gobrel/core';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { useEffect } from 'react';
import { clockIs } from './clock';
import { http } from './http';
import { tabMemory } from '../sync/memory';
import { forgetKept } from '../sync/kept';
import { forgetLesson, keepLesson, keptLesson, type StudentLesson } from './keptLesson';

/** The lesson of this device; as kept from last time when the server cannot be reached. */
async function lessonOrKept(): Promise<JoinedLesson> {
  try {
    const lesson = await http.get<JoinedLesson>('student/lesson');
    clockIs(lesson.now);
    await keepLesson(lesson);
    return lesson;
  } catch (error) {
    const kept = isTrouble(error) ? await keptLesson() : undefined;
    if (kept) return kept;
    throw error;
  }
}

/** Whether a server that answers would have answered otherwise: it is out of reach, or in trouble itself. */
const isTrouble = (error: unknown): boolean => {
  const { status = 0 } = error as { status?: number };
  return status === 0 || status >= 500;
};

/** Milliseconds between two questions whether the teacher has let one in. */
const WAIT = 2000;
/** And whether the hand that is up has been seen. */
const HAND_UP = 8000;

export const useStudentLesson = (): UseQueryResult<JoinedLesson> =>
  useQuery({
    queryKey: ['student'],
    queryFn: lessonOrKept,
    retry: false,
    networkMode: 'always',
    refetchInterval: ({ state }) =>
      state.data?.edition === null ? WAIT : state.data?.handUpAt ? HAND_UP : false,
  });

const JOINING = 'gobrel.joining';

/** 128 random bits; what browsers have for a UUID they have for pages alone that came over TLS. */
const randomHex = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('');

/** The same for the same wish while this tab is open: who asks again because no answer came is not told the name is taken. */
function joinKey(wish: string): string {
  const known = (tabMemory.read(JOINING) ?? {}) as Record<string, string>;
  const key = known[wish] ?? randomHex();
  tabMemory.set(JOINING, JSON.stringify({ [wish]: key }));
  return key;
}

export const look = (code: string): Promise<LessonLook> => http.post('student/look', { code });
/** Whether a show has the code. */
export const hasShow = (code: string): Promise<boolean> =>
  http.post('follow', { code }).then(
    () => true,
    () => false,
  );
export const join = (
  code: string,
  who: { classStudentId: string } | { name: string },
): Promise<{ folioId: string }> =>
  http.post('student/join', { code, ...who, key: joinKey(JSON.stringify([code, who])) });
export const comeBack = (code: string, returnCode: string): Promise<{ folioId: string }> =>
  http.post('student/return', { code, returnCode });
/** Gives the device back: what is kept of the lesson on it goes, as far as the server has it. */
export async function leaveDevice(): Promise<void> {
  await http.remove('student/device');
  await Promise.all([forgetKept(), forgetLesson()]);
}
export const handIn = (): Promise<{ handedInAt: string }> => http.post('student/hand-in');
/** Milliseconds after a change in which an answer reaches the server and is marked. */
const MARKED_AFTER = 1500;
/** Milliseconds between two looks for what the teacher says by hand. */
const LOOK_AGAIN = 60_000;

/** The marks that may be seen by now: asked for anew with `since`, and where they come at once after every change. */
export function useMarks(
  lesson: Pick<StudentLesson, 'folioId' | 'seesMarks'>,
  since: string,
  folio: object,
): { marks: Record<ElementId, StudentMark>; lookAgain: () => Promise<unknown> } {
  const isAtOnce = lesson.seesMarks === 'at-once';
  const marks = useQuery({
    queryKey: ['marks', lesson.folioId, since],
    queryFn: () => http.get<{ marks: Record<ElementId, StudentMark> | null }>('student/marks'),
    enabled: lesson.seesMarks !== 'never',
    placeholderData: (before) => before,
    refetchInterval: LOOK_AGAIN,
  });
  const { refetch } = marks;
  useEffect(() => {
    if (!isAtOnce) return;
    const timer = setTimeout(() => void refetch(), MARKED_AFTER);
    return () => clearTimeout(timer);
  }, [isAtOnce, folio, refetch]);
  return { marks: marks.data?.marks ?? NO_MARKS, lookAgain: refetch };
}
const NO_MARKS = {};

/** The student is done with an answer that has reached the server: its mark comes at once. */
export const doneWith = (questionId: ElementId): Promise<void> =>
  http.post('student/done', { questionId });
export const tryAgain = (): Promise<void> => http.post('student/try-again');
export const setHand = (isUp: boolean): Promise<void> => http.post('student/hand', { isUp });
export const turnTo = (leafId: string): Promise<void> => http.post('student/turn', { leafId });
