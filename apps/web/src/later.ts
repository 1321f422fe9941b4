import { watchLetters } from './parts/letters';

/* What a page does not need for its first picture. */
watchLetters(document);

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
