import { useState } from 'react'
import { useVisit } from './session'

/**
 * What somebody is typing, kept in this window until it is sent or let go: a reload in the middle of it takes nothing away. Each person has their own.
 *
 * @param of what is typed, so that another formula or another sheet has another draft
 */
export function useDraft<T>(of: string, initial: () => T): [T, (next: T) => void, () => void] {
  const { person } = useVisit()
  return useTyped(`${person.id} ${of}`, initial)
}

/** The same before anybody has signed in; never with a password in it. */
export function useTyped<T>(of: string, initial: () => T): [T, (next: T) => void, () => void] {
  const key = `draft ${of}`
  const [draft, setDraft] = useState<T>(() => kept(key) ?? initial())
  const keep = (next: T) => {
    setDraft(next)
    try {
      sessionStorage.setItem(key, JSON.stringify(next))
    } catch {
      // A window that keeps nothing still takes what is typed; only a reload would lose it.
    }
  }
  const forget = () => sessionStorage.removeItem(key)
  return [draft, keep, forget]
}

function kept<T>(key: string): T | undefined {
  const text = sessionStorage.getItem(key)
  if (text === null) return undefined
  try {
    return JSON.parse(text) as T
  } catch {
    return undefined
  }
}
