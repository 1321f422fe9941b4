import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App';
import './styles.css';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
);

/** Milliseconds until what is needed only later is fetched: the first slide comes first. */
const AFTER_OPENING = 2000;

if (import.meta.env.PROD) {
  setTimeout(() => {
    // Without it the page needs the network to open, and is the same otherwise.
    import('./offline/install')
      .then(({ installOffline }) => installOffline())
      .catch(() => undefined);
  }, AFTER_OPENING);
}
