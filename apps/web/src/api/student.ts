import type { Deck } from '@gobrel/core';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { http } from './http';

/** What students' devices ask the server for. Shapes are the server's. */
export interface LessonLook {
  title: string;
  names: { id: string; name: string; isTaken: boolean }[];
  allowsTypedNames: boolean;
}
export interface StudentLesson {
  folioId: string;
  lessonId: string;
  name: string;
  returnCode: string;
  handedInAt: string | null;
  title: string;
  edition: Deck;
}

const KEPT = 'gobrel.lesson';

/** The lesson of this device; as kept from last time when the server cannot be reached. */
async function lessonOrKept(): Promise<StudentLesson> {
  try {
    const lesson = await http.get<StudentLesson>('student/lesson');
    localStorage.setItem(KEPT, JSON.stringify(lesson));
    return lesson;
  } catch (error) {
    const kept = localStorage.getItem(KEPT);
    if (kept && (error as { status?: number }).status === 0)
      return JSON.parse(kept) as StudentLesson;
    throw error;
  }
}

export const useStudentLesson = (): UseQueryResult<StudentLesson> =>
  useQuery({ queryKey: ['student'], queryFn: lessonOrKept, retry: false, networkMode: 'always' });

export const look = (code: string): Promise<LessonLook> => http.post('student/look', { code });
export const join = (
  code: string,
  who: { classStudentId: string } | { name: string },
): Promise<{ folioId: string }> => http.post('student/join', { code, ...who });
export const comeBack = (code: string, returnCode: string): Promise<{ folioId: string }> =>
  http.post('student/return', { code, returnCode });
export const handIn = (): Promise<{ handedInAt: string }> => http.post('student/hand-in');
export const turnTo = (leafId: string): Promise<void> => http.post('student/turn', { leafId });
