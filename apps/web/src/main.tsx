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

setTimeout(() => {
  // Without it a device shows what letters it has, and the page needs the network to open.
  import('./later').catch(() => undefined);
}, AFTER_OPENING);
