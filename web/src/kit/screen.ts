import { useCallback, useEffect, useState, useSyncExternalStore } from 'react'

const listeners = new Set<() => void>()

function subscribe(listener: () => void) {
  listeners.add(listener)
  window.addEventListener('storage', listener)
  return () => {
    listeners.delete(listener)
    window.removeEventListener('storage', listener)
  }
}

/** A word that this screen keeps, whoever is signed in at it, and the same in all its windows. */
export function useKept(key: string): [string | null, (word: string) => void] {
  const word = useSyncExternalStore(subscribe, () => localStorage.getItem(key))
  const keep = useCallback(
    (next: string) => {
      localStorage.setItem(key, next)
      listeners.forEach((listener) => listener())
    },
    [key],
  )
  return [word, keep]
}

/** Day or night watch, as it is set on this screen. */
export function useNight(): boolean {
  const [night, setNight] = useState(() => document.documentElement.dataset.watch === 'night')
  useEffect(() => {
    const watcher = new MutationObserver(() => setNight(document.documentElement.dataset.watch === 'night'))
    watcher.observe(document.documentElement, { attributeFilter: ['data-watch'] })
    return () => watcher.disconnect()
  }, [])
  return night
}

export function setWatch(night: boolean) {
  const watch = night ? 'night' : 'day'
  document.documentElement.dataset.watch = watch
  localStorage.setItem('watch', watch)
}

/** As a `ref`: brings what has just come to the screen to where it is looked at, once. */
export const intoSight = (come: Element | null) => come?.scrollIntoView({ block: 'start' })
