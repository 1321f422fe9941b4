import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense, type ReactElement } from 'react';
import { BrowserRouter, Route, Routes } from 'react-router';
import { Centre } from './ui/Page';
import { NoticeProvider } from './ui/Notice';

// Each view is its own download: a student's device never loads the editor.
const DecksPage = lazy(() => import('./decks/DecksPage'));
const SignInPage = lazy(() => import('./decks/SignInPage'));
const ClassesPage = lazy(() => import('./classes/ClassesPage'));
const Workspace = lazy(() => import('./workspace/Workspace'));
const ShowPage = lazy(() => import('./show/ShowPage'));
const DeskPage = lazy(() => import('./desk/DeskPage'));
const ResultsPage = lazy(() => import('./results/ResultsPage'));
const PairedScreenPage = lazy(() => import('./screen/PairedScreenPage'));
const BigScreenPage = lazy(() => import('./screen/BigScreenPage'));
const JoinPage = lazy(() => import('./student/JoinPage'));
const StudentPage = lazy(() => import('./student/StudentPage'));

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 5000, refetchOnWindowFocus: false } },
});

export function App(): ReactElement {
  return (
    <QueryClientProvider client={queries}>
      <NoticeProvider>
        <BrowserRouter>
          <Suspense fallback={<Centre>Opening …</Centre>}>
            <Routes>
              <Route path="/" element={<DecksPage />} />
              <Route path="/sign-in" element={<SignInPage />} />
              <Route path="/classes" element={<ClassesPage />} />
              <Route path="/deck/:deckId/show" element={<ShowPage />} />
              <Route path="/deck/:deckId/*" element={<Workspace />} />
              <Route path="/desk/:lessonId" element={<DeskPage />} />
              <Route path="/results/:lessonId" element={<ResultsPage />} />
              <Route path="/screen" element={<PairedScreenPage />} />
              <Route path="/screen/:lessonId" element={<BigScreenPage />} />
              <Route path="/join" element={<JoinPage />} />
              <Route path="/lesson" element={<StudentPage />} />
              <Route
                path="*"
                element={<Centre title="Nothing here">There is no page at this address.</Centre>}
              />
            </Routes>
          </Suspense>
        </BrowserRouter>
      </NoticeProvider>
    </QueryClientProvider>
  );
}
