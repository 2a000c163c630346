/// <reference lib="webworker" />
import { ExpirationPlugin } from 'workbox-expiration'
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { NetworkFirst } from 'workbox-strategies'
import { SEEN, stamped, worthKeeping } from './seen'

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] }

// The pages themselves: whole, and of one build.
cleanupOutdatedCaches()
precacheAndRoute(self.__WB_MANIFEST)
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/(api|actuator)\//, /\./] }),
)

const LONGEST_WAIT_S = 8
const MOST_ANSWERS = 120

// What was last seen: asked anew whenever the server answers, and shown with its age when it does not.
registerRoute(
  ({ url, request }) => request.method === 'GET' && worthKeeping(url.pathname),
  new NetworkFirst({
    cacheName: SEEN,
    networkTimeoutSeconds: LONGEST_WAIT_S,
    plugins: [
      new ExpirationPlugin({ maxEntries: MOST_ANSWERS, purgeOnQuotaError: true }),
      // Only what is kept carries the stamp, so the stamp tells the page that this answer is old.
      {
        cacheWillUpdate: ({ response }) =>
          response.ok ? stamped(response, Date.now()) : Promise.resolve(null),
      },
    ],
  }),
)

self.addEventListener('install', () => void self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
