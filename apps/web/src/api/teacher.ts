import type {
  Attempt,
  ClassList,
  DeckCard,
  DeckPeople,
  LessonCard,
  OpenedAttempt,
  OpenedLesson,
  Teacher,
} from '@gobrel/core';
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import { clockIs } from './clock';
import { http } from './http';

export const useTeacher = (): UseQueryResult<Teacher> =>
  useQuery({ queryKey: ['session'], queryFn: () => http.get<Teacher>('session'), retry: false });

export const useDecks = (from: 'decks' | 'trash'): UseQueryResult<DeckCard[]> =>
  useQuery({
    queryKey: ['decks', from],
    queryFn: () => http.get<DeckCard[]>(from === 'trash' ? 'decks/trash' : 'decks'),
  });

/** Asked for again while they are looked at: others answer invitations and leave. */
export const useDeckPeople = (deckId: string, isWatched = false): UseQueryResult<DeckPeople> =>
  useQuery({
    queryKey: ['deck', deckId],
    queryFn: () => http.get(`decks/${deckId}`),
    retry: false,
    ...(isWatched ? { staleTime: 0, refetchInterval: 3000 } : {}),
  });

export const useClasses = (): UseQueryResult<ClassList[]> =>
  useQuery({ queryKey: ['classes'], queryFn: () => http.get<ClassList[]>('classes') });

export const useLessons = (deckId: string): UseQueryResult<LessonCard[]> =>
  useQuery({
    queryKey: ['lessons', deckId],
    queryFn: () => http.get<LessonCard[]>(`decks/${deckId}/lessons`),
  });

export const useLesson = (lessonId: string): UseQueryResult<OpenedLesson> =>
  useQuery({
    queryKey: ['lesson', lessonId],
    queryFn: async () => {
      const lesson = await http.get<OpenedLesson>(`lessons/${lessonId}`);
      clockIs(lesson.now);
      return lesson;
    },
    retry: false,
  });

/** A change on the server; afterwards everything under the given keys is asked for again. */
export function useChange<Given, Answer = unknown>(
  change: (given: Given) => Promise<Answer>,
  ...stale: string[][]
): UseMutationResult<Answer, Error, Given> {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async () => {
      await Promise.all(stale.map((queryKey) => queries.invalidateQueries({ queryKey })));
    },
  });
}

/** What a student has handed in so far; asked anew when it changes. */
export const useAttempts = (
  lessonId: string,
  folioId: string,
  handedInAt: string | null,
): UseQueryResult<Attempt[]> =>
  useQuery({
    queryKey: ['lesson', lessonId, 'attempts', folioId, handedInAt],
    queryFn: async () =>
      (await http.get<{ attempts: Attempt[] }>(`lessons/${lessonId}/students/${folioId}/attempts`))
        .attempts,
  });

export const useAttempt = (
  lessonId: string,
  folioId: string,
  number: string,
): UseQueryResult<OpenedAttempt> =>
  useQuery({
    queryKey: ['lesson', lessonId, 'attempt', folioId, number],
    queryFn: () =>
      http.get<OpenedAttempt>(`lessons/${lessonId}/students/${folioId}/attempts/${number}`),
  });
