import { mediaIn, picturesOf, type Deck } from '@gobrel/core';
import { bringBodies } from '../elements/bodies';

/**
 * Fetches all that a student may come to in a lesson, so that the service worker has it when the network goes: the parts
 * of the page that are downloaded when they are first shown, pictures and sounds of the edition. One after another, so
 * that what is on the screen is not held up.
 */
export async function bringLesson(edition: Deck): Promise<void> {
  await Promise.all([import('./parts'), bringBodies()]).catch(() => undefined);
  if (!navigator.serviceWorker?.controller) return;
  const addresses = [
    ...picturesOf(edition).map((hash) => `/api/assets/${hash}?w=1280`),
    ...mediaIn(edition).map((hash) => `/api/media/${hash}`),
  ];
  for (const address of addresses) {
    const isKept = await caches.match(address, { ignoreSearch: true });
    if (!isKept) await bring(address);
  }
}

/** Milliseconds to wait when the server says that it was a lot at once. */
const REST = 2000;

async function bring(address: string): Promise<void> {
  for (let tries = 0; tries < 30; tries++) {
    const answer = await fetch(address).catch(() => null);
    if (answer?.status !== 429) return;
    await new Promise((resolve) => setTimeout(resolve, REST));
  }
}
