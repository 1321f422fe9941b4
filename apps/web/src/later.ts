import { watchLetters } from './parts/letters';

/* What a page does not need for its first picture. */
watchLetters(document);

if (import.meta.env.PROD) {
  // Without it the page needs the network to open, and is the same otherwise.
  import('./offline/install').then(({ installOffline }) => installOffline()).catch(() => undefined);
}
