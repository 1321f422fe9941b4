import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Suspense, type ReactElement } from 'react';
import { BrowserRouter, Link, Route, Routes } from 'react-router';
import { Centre } from './ui/Page';
import { NoticeProvider } from './ui/Notice';
import { Boundary, part } from './offline/part';

// Each view is its own download: a student's device never loads the editor.
const DecksPage = part(() => import('./decks/DecksPage'));
const NewDeckPage = part(() => import('./decks/NewDeckPage'));
const SignInPage = part(() => import('./decks/SignInPage'));
const ClassesPage = part(() => import('./classes/ClassesPage'));
const Workspace = part(() => import('./workspace/Workspace'));
const ShowPage = part(() => import('./show/ShowPage'));
const DeskPage = part(() => import('./desk/DeskPage'));
const ResultsPage = part(() => import('./results/ResultsPage'));
const PairedScreenPage = part(() => import('./screen/PairedScreenPage'));
const BigScreenPage = part(() => import('./screen/BigScreenPage'));
const InvitationPage = part(() => import('./sharing/InvitationPage'));
const CopyPage = part(() => import('./sharing/CopyPage'));
const OutboxPage = part(() => import('./sharing/OutboxPage'));
const JoinPage = part(() => import('./student/JoinPage'));
const StudentPage = part(() => import('./student/StudentPage'));

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 5000, refetchOnWindowFocus: false } },
});

export function App(): ReactElement {
  return (
    <QueryClientProvider client={queries}>
      <NoticeProvider>
        <BrowserRouter>
          <Boundary>
            <Suspense fallback={<Centre>Opening …</Centre>}>
              <Routes>
                <Route path="/" element={<DecksPage />} />
                <Route path="/new" element={<NewDeckPage />} />
                <Route path="/sign-in" element={<SignInPage />} />
                <Route path="/classes" element={<ClassesPage />} />
                <Route path="/deck/:deckId/show" element={<ShowPage />} />
                <Route path="/deck/:deckId/*" element={<Workspace />} />
                <Route path="/desk/:lessonId" element={<DeskPage />} />
                <Route path="/results/:lessonId" element={<ResultsPage />} />
                <Route path="/screen" element={<PairedScreenPage />} />
                <Route path="/screen/:lessonId" element={<BigScreenPage />} />
                <Route path="/invited/:token" element={<InvitationPage />} />
                <Route path="/copy/:token" element={<CopyPage />} />
                <Route path="/stand-ins/outbox" element={<OutboxPage />} />
                <Route path="/join" element={<JoinPage />} />
                <Route path="/lesson" element={<StudentPage />} />
                <Route
                  path="*"
                  element={
                    <Centre title="Nothing here">
                      There is no page at this address.{' '}
                      <Link to="/" className="underline">
                        To your decks
                      </Link>{' '}
                      or{' '}
                      <Link to="/join" className="underline">
                        join a lesson
                      </Link>
                      .
                    </Centre>
                  }
                />
              </Routes>
            </Suspense>
          </Boundary>
        </BrowserRouter>
      </NoticeProvider>
    </QueryClientProvider>
  );
}
