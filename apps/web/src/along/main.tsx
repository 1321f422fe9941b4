import type { Along } from '@gobrel/core';
import { StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { takeFrom } from '../api/assets';
import { Boundary } from '../offline/part';
import { watchLetters } from '../parts/letters';
import { NoticeProvider } from '../ui/Notice';
import { AlongPage } from './AlongPage';
import { carried } from './carried';
import '../styles.css';
import '../fonts.css';

/* The page of a deck that was taken along: one file, opened from wherever it lies. */

takeFrom(carried);
const along = JSON.parse(document.getElementById('along')!.textContent) as Along;

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <NoticeProvider>
      <Boundary>
        <Suspense>
          <AlongPage {...along} />
        </Suspense>
      </Boundary>
    </NoticeProvider>
  </StrictMode>,
);
watchLetters(document);
