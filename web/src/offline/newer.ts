/** Pages of another build than this one, and when they are loaded: at once where nobody is at it, at a touch otherwise. */

const QUIET_MS = 20_000
const LOOK_EVERY_MS = 2_000
const LOADED_AT = 'loaded anew at'
const NOT_AGAIN_MS = 60_000

let there = false
let touched = 0
const listeners = new Set<() => void>()

export const newerThere = () => there

export function onNewer(listener: () => void) {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Whether loading anew would take something out of somebody's hands. */
export function inHand(now: number): boolean {
  return now - touched < QUIET_MS || document.querySelector('[role=dialog], [role=alertdialog]') !== null
}

/** Another build is there. It is loaded when nobody has touched this page for a while and nothing is open on it. */
export function newerCame(load: () => void = () => window.location.reload()) {
  if (there) return
  there = true
  listeners.forEach((listener) => listener())
  const look = setInterval(() => {
    if (inHand(Date.now())) return
    clearInterval(look)
    load()
  }, LOOK_EVERY_MS)
}

/** Touches are noted from now on, and a part of the page that is gone with the build that had it loads the page anew, once. */
export function watchTouches(load: () => void = () => window.location.reload()) {
  const note = () => {
    touched = Date.now()
  }
  for (const kind of ['pointerdown', 'keydown', 'input'])
    window.addEventListener(kind, note, { capture: true })
  window.addEventListener('vite:preloadError', (event) => {
    const last = Number(sessionStorage.getItem(LOADED_AT) ?? 0)
    if (Date.now() - last < NOT_AGAIN_MS) return
    event.preventDefault()
    sessionStorage.setItem(LOADED_AT, String(Date.now()))
    load()
  })
}
