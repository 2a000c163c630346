import { useEffect, useState } from 'react'

/** A button that has just been used rests so long where it was, so that no second tap lands on the act that comes after it. */
const REST_MS = 2000

let usedAt = -Infinity

/** An act has been logged by a touch or a key. */
export function used() {
  usedAt = performance.now()
}

/** Whoever begins anew has used nothing yet. */
export function begin() {
  usedAt = -Infinity
}

const left = () => Math.max(0, usedAt + REST_MS - performance.now())

/** Whether it is too soon after the last act for another of the same hand. */
export const resting = () => left() > 0

/** The same for a button, which wakes by itself. */
export function useResting(): boolean {
  const [rests, setRests] = useState(resting)
  useEffect(() => {
    if (!rests) return
    const timer = setTimeout(() => setRests(resting()), left() + 10)
    return () => clearTimeout(timer)
  }, [rests])
  return rests
}
