import type { Family } from '../words/en'
import { AXIS, LEFT, TIDE, VESSEL, WIDTH } from './riverMeasure'

interface Spoken {
  callId: string
  litres: number
}

interface Supply {
  formulaName: string
  family: Family
  litres: number
  useBy: string
  gives: Spoken[]
}

/** Litres that are a call's already. */
interface Promised {
  callId: string
  station: string
  formulaName: string
  family: Family
  litres: number
  from: string
  by: string
  lateMin: number
}

interface Waters {
  now: string
  until: string
  drafts: (Supply & { ready: string })[]
  lots: (Supply & { from: string })[]
  promised: Promised[]
  calls: { id: string; by: string }[]
}

/** What is on hand, stock upon stock, from each moment on. */
export interface Afloat {
  names: { name: string; family: Family }[]
  /** Litres of the first stocks together, one figure for each. */
  steps: { at: number; upTo: number[] }[]
  /** All litres at a moment. */
  at: (moment: number) => number
}

/** Litres come when they are ready, go at the hour of their call, and what is left goes at its use-by. */
export function afloat(course: Waters): Afloat {
  const due = new Map([
    ...course.calls.map((call) => [call.id, ms(call.by)] as const),
    ...course.promised.map((one) => [one.callId, ms(one.by)] as const),
  ])
  const from = new Date(course.now).getTime()
  const to = new Date(course.until).getTime()
  const supplies = [
    ...course.lots.map((lot) => ({ ...lot, there: new Date(lot.from).getTime() })),
    ...course.drafts.map((draft) => ({ ...draft, there: new Date(draft.ready).getTime() })),
    ...course.promised.map((one) => ({ ...one, useBy: one.by, gives: [one], there: ms(one.from) })),
  ]
  const names = [...new Map(supplies.map((s) => [s.formulaName, s.family]))].map(([name, family]) => ({
    name,
    family,
  }))
  const moves = supplies.flatMap((s) => {
    const stock = names.findIndex((n) => n.name === s.formulaName)
    const given = s.gives.reduce((sum, g) => sum + g.litres, 0)
    return [
      { at: Math.max(from, s.there), stock, litres: s.litres },
      ...s.gives.map((g) => ({ at: Math.max(s.there, due.get(g.callId) ?? to), stock, litres: -g.litres })),
      { at: new Date(s.useBy).getTime(), stock, litres: given - s.litres },
    ]
  })
  const turns = [...new Set([from, ...moves.map((m) => m.at).filter((at) => at > from && at < to)])].sort(
    (a, b) => a - b,
  )
  const steps = turns.map((at) => {
    let sum = 0
    return {
      at,
      upTo: names.map((_, stock) => {
        const on = moves.filter((m) => m.stock === stock && m.at <= at).reduce((l, m) => l + m.litres, 0)
        sum += Math.max(0, on)
        return sum
      }),
    }
  })
  const at = (moment: number) => {
    const last = steps.filter((s) => s.at <= moment).at(-1)
    return last?.upTo.at(-1) ?? 0
  }
  return { names, steps, at }
}

/** Of what is on hand, what is promised already. */
export const promisedOf = (course: Waters): Afloat => afloat({ ...course, lots: [], drafts: [] })

/** What leaves the shelf at the hour of a call. */
export interface Leaving {
  id: string
  station: string
  family: Family
  litres: number
  by: string
  missing: number
  lateMin: number
}

/** A call leaves once, with what it is promised and what is planned for it. */
export function leaving(course: { promised: Promised[]; calls: Leaving[] }): Leaving[] {
  const all = new Map<string, Leaving>()
  const promised = course.promised.map((one) => ({ ...one, id: one.callId, missing: 0 }))
  for (const one of [...course.calls, ...promised]) {
    const before = all.get(one.id)
    all.set(one.id, {
      ...(before ?? one),
      litres: (before?.litres ?? 0) + one.litres,
      lateMin: Math.max(before?.lateMin ?? 0, one.lateMin),
    })
  }
  return [...all.values()].sort((a, b) => ms(a.by) - ms(b.by))
}

/** Less than anybody measures, L. */
export const A_DROP = 0.05

/** At each turn what there is and how much of it the store has room for, beside what is promised, until the end. */
export function brim(
  stocks: Afloat,
  promised: Afloat,
  room: { at: string; litres: number }[],
  to: number,
): { at: number; there: number; room: number }[] {
  const first = room[0]
  if (!first) return []
  const from = stocks.steps[0]?.at ?? ms(first.at)
  const turns = [...stocks.steps.map((s) => s.at), ...room.map((r) => Math.max(from, ms(r.at))), to]
  return [...new Set(turns)]
    .sort((a, b) => a - b)
    .map((at) => ({
      at,
      there: stocks.at(at),
      room: (room.filter((r) => ms(r.at) <= at).at(-1)?.litres ?? first.litres) + promised.at(at),
    }))
}

/** A lane for each, so that none lies on another; no more lanes than `most`, where there is no room in them the last is shared. */
export function berths(
  all: { id: string; from: number; to: number }[],
  most = Number.POSITIVE_INFINITY,
): Map<string, number> {
  const free: number[] = []
  const lanes = new Map<string, number>()
  for (const one of [...all].sort((a, b) => a.from - b.from)) {
    let lane = free.findIndex((until) => until <= one.from)
    if (lane < 0) lane = free.length < most ? free.length : free.indexOf(Math.min(...free))
    free[lane] = one.to
    lanes.set(one.id, lane)
  }
  return lanes
}

/** Where the left edge of each mouth is, so that those of one hour stand beside one another: one behind another is not seen. */
export function abreast(mouths: { id: string; at: number; wide: number }[]): Map<string, number> {
  const lefts = new Map<string, number>()
  let right = Number.NEGATIVE_INFINITY
  for (const { id, at, wide } of [...mouths].sort((a, b) => a.at - b.at)) {
    const left = Math.max(right, at - wide / 2)
    lefts.set(id, left)
    right = left + wide
  }
  return lefts
}

export const ms = (at: string) => new Date(at).getTime()

/** From the first of some stages to the end of the last. */
export const ends = (stages: { from: string; to: string }[]) => ({
  start: ms(stages[0]?.from ?? ''),
  end: ms(stages.at(-1)?.to ?? ''),
})

/** As finely as a hand lays. */
export const TEN_MINUTES = 600_000
const A_MINUTE = 60_000

/**
 * Where something that is let go over the picture would begin: its hour in whole ten minutes, never one that is past, and which vessel down from the first.
 * Nothing where it is let go beside the picture.
 */
export function landing(
  span: { now: string; until: string },
  picture: { left: number; top: number; width: number; height: number },
  clientX: number,
  clientY: number,
  vessels: number,
): { at: number; along: number; down: number; vessel: number } | undefined {
  const scale = WIDTH / picture.width
  const along = (clientX - picture.left) * scale
  const down = (clientY - picture.top) * scale
  if (along < 0 || along > WIDTH || down < 0 || down > picture.height * scale) return undefined
  const from = ms(span.now)
  const share = Math.min(1, Math.max(0, (along - LEFT) / (WIDTH - 2 * LEFT)))
  const pointed = Math.round((from + share * (ms(span.until) - from)) / TEN_MINUTES) * TEN_MINUTES
  const soonest = Math.ceil((from + A_MINUTE) / TEN_MINUTES) * TEN_MINUTES
  const vessel = Math.min(vessels - 1, Math.max(0, Math.floor((down - TIDE - AXIS) / VESSEL)))
  return { at: Math.max(pointed, soonest), along, down, vessel }
}
