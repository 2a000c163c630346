import { useSyncExternalStore } from 'react'

/** A button that has just been used rests so long where it was, so that no second tap lands on the act that comes after it. */
const REST_MS = 2000

let usedAt = -Infinity
const hearers = new Set<() => void>()
const tell = () => hearers.forEach((hear) => hear())

/** An act has been logged by a touch or a key. */
export function used() {
  usedAt = performance.now()
  tell()
  setTimeout(tell, REST_MS + 10)
}

/** Whoever begins anew has used nothing yet. */
export function begin() {
  usedAt = -Infinity
  tell()
}

/** Whether it is too soon after the last act for another of the same hand. */
export const resting = () => performance.now() < usedAt + REST_MS

function hears(hear: () => void) {
  hearers.add(hear)
  return () => hearers.delete(hear)
}

/** The same for a button, which falls to rest as soon as any is used and wakes by itself: the next act may be the same once more. */
export const useResting = (): boolean => useSyncExternalStore(hears, resting)
