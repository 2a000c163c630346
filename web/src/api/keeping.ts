/**
 * Whether the browser keeps what waits to be sent. It may throw a page's storage away when its disk runs full; a cookie outlives that, so the number
 * of acts that wait stands in one, and what is missing at the next start can be said.
 */
const COOKIE = 'potamos.waiting'
const LONGEST_S = 30 * 24 * 3600

/** Asks the browser not to throw away what waits. It may say no; then the number below is all there is. */
export function askToKeep() {
  // Older tablets have no such thing.
  const storage = navigator.storage as StorageManager | undefined
  void storage?.persist?.()
}

/** Notes how many acts wait on this machine. */
export function noteWaiting(count: number) {
  document.cookie = `${COOKIE}=${count}; path=/; max-age=${LONGEST_S}; samesite=strict`
}

/** How many of those that waited are here no more. */
export function lostSince(there: number): number {
  const noted = new RegExp(`(?:^|; )${COOKIE.replace('.', '\\.')}=(\\d+)`).exec(document.cookie)
  return Math.max(0, Number(noted?.[1] ?? 0) - there)
}
