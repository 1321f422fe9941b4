import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Suspense, type ReactElement } from 'react';
import { BrowserRouter, Route, Routes } from 'react-router';
import { Centre } from './ui/Page';
import { NoticeProvider } from './ui/Notice';
import { Boundary, part } from './offline/part';

// Each view is its own download: a student's device never loads the editor, nor what leads to it.
const JoinPage = part(() => import('./student/JoinPage'));
const StudentPage = part(() => import('./student/StudentPage'));
const PublishedPage = part(() => import('./published/PublishedPage'));
const Teaching = part(() => import('./Teaching'));

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
                <Route path="/join" element={<JoinPage />} />
                <Route path="/lesson" element={<StudentPage />} />
                <Route path="/at/:code" element={<PublishedPage />} />
                <Route path="*" element={<Teaching />} />
              </Routes>
            </Suspense>
          </Boundary>
        </BrowserRouter>
      </NoticeProvider>
    </QueryClientProvider>
  );
}
