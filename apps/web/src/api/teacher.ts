import type { Deck, DeskStudent, Folio, LessonSettings, LessonState, SlideId } from '@gobrel/core';
import {
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import { clockIs } from './clock';
import { http } from './http';

/** What teachers ask the server for. Shapes are the server's. */
export interface Teacher {
  id: string;
  name: string;
  email: string;
}
export interface DeckSummary {
  slides: number;
  endings: number;
  questions: number;
  cards: { x: number; y: number; isStart: boolean }[];
  wires: [number, number][];
}
export interface DeckCard {
  id: string;
  title: string;
  role: 'owner' | 'coauthor';
  summary: DeckSummary;
  changedAt: string;
  trashedAt: string | null;
  lessonNow: number | null;
}
export interface Person extends Teacher {
  role: 'owner' | 'coauthor';
}
export interface ListedStudent {
  id: string;
  name: string;
  group: string;
}
export interface SeenInLesson {
  studentId: string;
  lessonId: string;
  title: string;
  startedAt: string;
  answered: number;
  handedInAt: string | null;
}
export interface ClassList {
  id: string;
  name: string;
  archivedAt: string | null;
  students: ListedStudent[];
}
/** A folio as it was handed in. */
export interface Attempt {
  number: number;
  handedInAt: string;
}
export interface OpenedAttempt
  extends Attempt, Pick<Folio, 'walk' | 'leaves'>, Pick<DeskStudent, 'answers' | 'placements'> {}
export interface LessonCard {
  id: string;
  title: string;
  className: string | null;
  joinCode: string;
  startedAt: string;
  endedAt: string | null;
  opensAt: string | null;
  students: number;
  handedIn: number;
}
export interface Lesson {
  id: string;
  deckId: string;
  title: string;
  className: string | null;
  joinCode: string;
  state: LessonState;
  settings: LessonSettings;
  asked: SlideId[];
  opensAt: string | null;
  closesAt: string | null;
  now: number;
  startedAt: string;
  endedAt: string | null;
  edition: Deck;
}

export const useTeacher = (): UseQueryResult<Teacher> =>
  useQuery({ queryKey: ['session'], queryFn: () => http.get<Teacher>('session'), retry: false });

export const useDecks = (from: 'decks' | 'trash'): UseQueryResult<DeckCard[]> =>
  useQuery({
    queryKey: ['decks', from],
    queryFn: () => http.get<DeckCard[]>(from === 'trash' ? 'decks/trash' : 'decks'),
  });

export const useDeckPeople = (
  deckId: string,
): UseQueryResult<{ id: string; role: 'owner' | 'coauthor'; people: Person[] }> =>
  useQuery({
    queryKey: ['deck', deckId],
    queryFn: () => http.get(`decks/${deckId}`),
    retry: false,
  });

export const useClasses = (): UseQueryResult<ClassList[]> =>
  useQuery({ queryKey: ['classes'], queryFn: () => http.get<ClassList[]>('classes') });

export const useLessons = (deckId: string): UseQueryResult<LessonCard[]> =>
  useQuery({
    queryKey: ['lessons', deckId],
    queryFn: () => http.get<LessonCard[]>(`decks/${deckId}/lessons`),
  });

export const useLesson = (lessonId: string): UseQueryResult<Lesson> =>
  useQuery({
    queryKey: ['lesson', lessonId],
    queryFn: async () => {
      const lesson = await http.get<Lesson>(`lessons/${lessonId}`);
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
