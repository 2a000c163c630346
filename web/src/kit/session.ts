import { createContext, useContext, useMemo } from 'react'
import type { Session } from '../api/queries'
import { useNow } from '../api/clock'
import { formatters, type Units } from '../words/units'
import { clockTime, dayTime, shortTime } from '../words/time'

export type Person = NonNullable<Session['person']>
export interface Visit {
  person: Person
  kitchen: string
  zone: string
  /** A tablet that several share, each signing with a PIN. */
  shared?: boolean
  /** When the server was started again by itself. */
  startedAgain?: string
}

export const VisitContext = createContext<Visit | null>(null)

export function useVisit(): Visit {
  const visit = useContext(VisitContext)
  if (!visit) throw new Error('outside a visit')
  return visit
}

export const useMay = () => {
  const { person } = useVisit()
  return (right: Person['rights'][number]) => person.rights.includes(right)
}

/** Figures in the reader's units. */
export function useUnits() {
  const { person } = useVisit()
  return useMemo(() => formatters(person.units as Units), [person.units])
}

/** Times on the kitchen's clock. */
export function useTimes() {
  const { zone } = useVisit()
  const now = useNow()
  return {
    now,
    zone,
    /** The wall clock alone, for an axis and for what is always of today. */
    clock: (at: string | number) => clockTime(at, zone),
    /** With its day when that is not today. */
    time: (at: string | number) => shortTime(at, now, zone),
    day: (at: string | number) => dayTime(at, now, zone),
  }
}
