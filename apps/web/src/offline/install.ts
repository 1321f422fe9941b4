/** Milliseconds after opening in which nobody has begun anything that loading the page anew would interrupt. */
const JUST_OPENED = 4000;
/** Milliseconds before a new version that could not be fetched is asked for again. */
const BEFORE_AGAIN = 20_000;

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
  // Registering what is registered already does not look for a newer one.
  await lookForNewer(registration);
}

/** Has a new version fetched if there is one; one that could not be fetched whole is tried again after a while. */
async function lookForNewer(registration: ServiceWorkerRegistration): Promise<void> {
  await registration.update().catch(() => undefined);
  const { installing } = registration;
  installing?.addEventListener('statechange', () => {
    if (installing.state !== 'redundant') return;
    setTimeout(() => void lookForNewer(registration), BEFORE_AGAIN);
  });
}

/** Has whatever version is the newest take over, and loads the page by it. */
export async function loadAnew(): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration();
  registration?.waiting?.postMessage('take-over');
  window.location.reload();
}
