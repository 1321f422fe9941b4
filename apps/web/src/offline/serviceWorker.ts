/// <reference lib="webworker" />
import {
  createHandlerBoundToURL,
  cleanupOutdatedCaches,
  precacheAndRoute,
} from 'workbox-precaching';
import { RangeRequestsPlugin } from 'workbox-range-requests';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';

/**
 * Lets the page open without a network: the application is kept whole when it is installed, fonts, pictures and sounds
 * once they have been fetched. Everything else (lessons, documents) is kept by the page itself.
 */
declare const self: ServiceWorkerGlobalScope & {
  __WB_MANIFEST: (string | { url: string; revision: string | null })[];
};

cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), {
    denylist: [/^\/(api|sync|static)(\/|$)/],
  }),
);

// Named by their contents: what is kept is right for ever.
registerRoute(
  ({ url }) => url.pathname.startsWith('/static/'),
  new CacheFirst({ cacheName: 'static' }),
);
registerRoute(
  ({ url }) => /^\/api\/media\/[0-9a-f]{64}$/.test(url.pathname),
  new CacheFirst({ cacheName: 'media', plugins: [new RangeRequestsPlugin()] }),
);
const pictures = new CacheFirst({
  cacheName: 'pictures',
  plugins: [
    {
      // Without a network another size of the same picture does.
      handlerDidError: async ({ request }) =>
        (await caches.match(request, { cacheName: 'pictures', ignoreSearch: true })) ??
        Response.error(),
    },
  ],
});
registerRoute(({ url }) => /^\/api\/assets\/[0-9a-f]{64}$/.test(url.pathname), pictures);

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
self.addEventListener('message', (event) => {
  if (event.data === 'take-over') void self.skipWaiting();
});
