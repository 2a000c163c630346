/** What a screen saw last, for when the server cannot be reached: kept by the service worker, thrown away with the visit. */
export const SEEN = 'seen'

/** Header of an answer that was kept: when it was given, in milliseconds. A fresh answer has none. */
export const SEEN_AT = 'x-seen-at'

const KEPT =
  /^\/api\/(session|session\/hands|range|kitchen|kitchen\/hob|calls|calls\/menu|standing-calls|course|batches|batches\/[^/]+|batches\/[^/]+\/course|lots|lots\/[^/]+|deliveries|formulas|formulas\/[^/]+|larder|larder\/boxes\/[^/]+|course\/provisions|trace)$/

/** Whether an answer is worth showing when it is old. A calculation is not, nor is a paper. */
export const worthKeeping = (path: string) => KEPT.test(path)

/** Whether an answer says that nobody is signed in here: from then on nothing is kept. */
export async function saysNobody(path: string, response: Response): Promise<boolean> {
  if (path !== '/api/session') return false
  const session = (await response.clone().json()) as { person?: unknown }
  return !session.person
}

/** The same answer with the moment it was given. */
export async function stamped(response: Response, at: number): Promise<Response> {
  const headers = new Headers(response.headers)
  headers.set(SEEN_AT, String(at))
  return new Response(await response.blob(), {
    status: response.status,
    statusText: response.statusText,
    headers,
  })
}

let oldest: number | undefined
const listeners = new Set<() => void>()

/** Notes whether an answer is fresh. Old ones count from the oldest of them; the first fresh one ends that. */
export function noteAge(response: Response) {
  const at = response.headers.get(SEEN_AT)
  const next = at === null ? undefined : Math.min(oldest ?? Infinity, Number(at))
  if (next === oldest) return
  oldest = next
  listeners.forEach((listener) => listener())
}

export const seenAt = () => oldest

export function onSeen(listener: () => void) {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Forgets what was seen: another person may not find it. */
export async function forgetSeen() {
  if ('caches' in globalThis) await caches.delete(SEEN)
}

/** Asks the worker to take over a page that began to load while it came up, and so has none. */
export const CLAIM = 'claim'

const ASK_EVERY_MS = 10 * 60_000

/**
 * Starts the worker that opens the pages without a server.
 *
 * @param ready called once it has taken this page over; what was asked for before that it has not seen
 * @param newer called when it has taken the place of an earlier one: the pages of another build are there
 */
export function keepPages(ready: () => void, newer: () => void) {
  if (!('serviceWorker' in navigator)) return
  let before = navigator.serviceWorker.controller !== null
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    ready()
    if (before) newer()
    before = true
  })
  void navigator.serviceWorker.ready.then((registration) => {
    if (!navigator.serviceWorker.controller) registration.active?.postMessage(CLAIM)
  })
  // Asked at the server itself each time: a worker that a cache gives away again is yesterday's.
  void navigator.serviceWorker
    .register('/worker.js', { scope: '/', updateViaCache: 'none' })
    .then((registration) => {
      const ask = () => void registration.update().catch(() => undefined)
      setInterval(ask, ASK_EVERY_MS)
      document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && ask())
    })
}
