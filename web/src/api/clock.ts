import { useSyncExternalStore } from 'react'

// The server's clock less this machine's: a tablet that is ten minutes wrong still shows and logs kitchen time.
// It is kept, for a tablet that is opened without a server has to go by it as well.
const KEPT = 'clock.offset'
let offset = Number(localStorage.getItem(KEPT) ?? 0)
let shown = Date.now() + offset
const listeners = new Set<() => void>()

export function setServerTime(instant: string) {
  offset = new Date(instant).getTime() - Date.now()
  localStorage.setItem(KEPT, String(offset))
  tick()
}

/** Kitchen time now, in milliseconds. */
export function now(): number {
  return Date.now() + offset
}

/** What the kitchen's clock said when this machine's said that. */
export const kitchenTime = (machine: number) => machine + offset

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
