/** Milliseconds after opening in which nobody has begun anything that loading the page anew would interrupt. */
const JUST_OPENED = 4000;

/**
 * Installs the service worker. A new version of the application is fetched beside the old one, which goes on working;
 * it takes over when a page is opened, before anything is begun there. Where browsers allow no service worker (plain
 * http on another machine) the page works as without one.
 */
export async function installOffline(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const openedAt = Date.now();
  const wasControlled = navigator.serviceWorker.controller !== null;
  let isReloading = false;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (!wasControlled || isReloading || Date.now() - openedAt > JUST_OPENED) return;
    isReloading = true;
    window.location.reload();
  });
  const registration = await navigator.serviceWorker.register('/serviceWorker.js');
  registration.waiting?.postMessage('take-over');
}

/** Has whatever version is the newest take over, and loads the page by it. */
export async function loadAnew(): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration();
  registration?.waiting?.postMessage('take-over');
  window.location.reload();
}
