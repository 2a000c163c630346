import { useSyncExternalStore } from 'react'

// The server's clock less this machine's: a tablet that is ten minutes wrong still shows and logs kitchen time.
let offset = 0
let shown = Date.now()
const listeners = new Set<() => void>()

export function setServerTime(instant: string) {
  offset = new Date(instant).getTime() - Date.now()
  tick()
}

/** Kitchen time now, in milliseconds. */
export function now(): number {
  return Date.now() + offset
}

function tick() {
  shown = now()
  listeners.forEach((listener) => listener())
}

setInterval(tick, 1000)

function subscribe(listener: () => void) {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Kitchen time, renewed every second. */
export function useNow(): number {
  return useSyncExternalStore(subscribe, () => shown)
}
