/// <reference lib="webworker" />
import { ExpirationPlugin } from 'workbox-expiration'
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { NetworkFirst } from 'workbox-strategies'
import { CLAIM, saysNobody, SEEN, stamped, worthKeeping } from './seen'

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
        cacheWillUpdate: async ({ request, response }) => {
          // Kept a moment after everything was thrown away, the word that nobody is here would bring the store back.
          const keep = response.ok && !(await saysNobody(new URL(request.url).pathname, response))
          return keep ? stamped(response, Date.now()) : null
        },
      },
    ],
  }),
)

/** Not in the language's own types yet; a browser without it asks this worker about every request, and is told the same. */
interface InstallEvent extends ExtendableEvent {
  addRoutes?(routes: { condition: { requestMethod: string }; source: 'network' }[]): Promise<void>
}

self.addEventListener('install', (event: InstallEvent) => {
  void self.skipWaiting()
  // What is sent is never kept here. A figure that follows a finger does not have to go through this worker first.
  const sent = ['POST', 'PUT', 'DELETE'].map((requestMethod) => ({
    condition: { requestMethod },
    source: 'network' as const,
  }))
  if (event.addRoutes) event.waitUntil(event.addRoutes(sent))
})
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
self.addEventListener('message', (event) => {
  if (event.data === CLAIM) event.waitUntil(self.clients.claim())
})
