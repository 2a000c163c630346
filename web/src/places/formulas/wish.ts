import type { Charge, ChargeRequest } from '../../api/queries'
import { schools, type SchoolName } from '../../api/kinds'
import type { Schemas } from '../../api/client'

export type GoalKind = ChargeRequest['goal']
export type Schools = Schemas['SchoolsJson']

/** What the address of a charge says: a person who shares it shares the very pot. */
export interface Wish {
  goal: GoalKind
  value?: number
  vessel?: string
  burner?: string
  simmerMin?: number
  startNow?: boolean
  /** When it is wanted, on the kitchen's clock; a call says that itself. */
  by?: string
  schools: Partial<Record<SchoolName, string>>
  /** What decides the water, where it is not as the formula has it. */
  water?: { rule: string; value?: number }
  /** Shares by kind of bed; empty as the formula has it. */
  bed: Record<string, number>
  /** Edge in mm by part; empty as the formula has it. */
  cut: Record<string, number>
  /** Another item in the place of a part, by the part's item. */
  swaps: Record<string, string>
  /** Litres of stock in the place of water, by where they lie. */
  draws: Record<string, number>
  /** Boxes of the larder that came out of other pots, by the part that each stands for. */
  brought: Record<string, string>
}

/** What every part of the page is given that lets something be chosen. */
export interface Choosing {
  charge: Charge
  wish: Wish
  onWish: (wish: Wish) => void
}

export const schoolFields = Object.keys(schools) as SchoolName[]

const goals: GoalKind[] = ['LITRES', 'BED', 'VESSEL', 'WATER', 'LEVEL']

export function readWish(params: URLSearchParams, first = 10): Wish {
  const goal = (params.get('goal') ?? 'LITRES') as GoalKind
  const value = params.get('value')
  const chosen: Wish['schools'] = {}
  for (const field of schoolFields) {
    const word = params.get(field)
    if (word) chosen[field] = word
  }
  return {
    goal: goals.includes(goal) ? goal : 'LITRES',
    value: goal === 'VESSEL' ? undefined : value ? Number(value) : first,
    vessel: params.get('vessel') ?? undefined,
    burner: params.get('burner') ?? undefined,
    simmerMin: params.has('simmer') ? Number(params.get('simmer')) : undefined,
    startNow: params.get('start') === 'now',
    by: params.get('by') ?? undefined,
    water: readWater(params.get('water')),
    schools: chosen,
    bed: readPairs(params.get('bed')),
    cut: readPairs(params.get('cut')),
    swaps: readSwaps(params.get('swap')),
    draws: readPairs(params.get('draw')),
    brought: readSwaps(params.get('brought')),
  }
}

export function writeWish(wish: Wish): URLSearchParams {
  const made = new URLSearchParams()
  made.set('goal', wish.goal)
  if (wish.value !== undefined) made.set('value', String(Math.round(wish.value * 1000) / 1000))
  if (wish.vessel) made.set('vessel', wish.vessel)
  if (wish.burner) made.set('burner', wish.burner)
  if (wish.simmerMin !== undefined) made.set('simmer', String(wish.simmerMin))
  if (wish.startNow) made.set('start', 'now')
  if (wish.by) made.set('by', wish.by)
  if (wish.water)
    made.set('water', wish.water.rule + (wish.water.value === undefined ? '' : `:${wish.water.value}`))
  for (const field of schoolFields) {
    const word = wish.schools[field]
    if (word) made.set(field, word)
  }
  if (Object.keys(wish.bed).length) made.set('bed', writePairs(wish.bed))
  if (Object.keys(wish.cut).length) made.set('cut', writePairs(wish.cut))
  const swaps = Object.entries(wish.swaps)
  if (Object.keys(wish.draws).length) made.set('draw', writePairs(wish.draws))
  if (swaps.length) made.set('swap', swaps.map(([item, by]) => `${item}:${by}`).join(','))
  const brought = Object.entries(wish.brought)
  if (brought.length) made.set('brought', brought.map(([part, box]) => `${part}:${box}`).join(','))
  return made
}

/** An option by its word in an address: some options are yes and no. */
const optionOf = (school: SchoolName, word: string) =>
  (schools[school].options as readonly (string | boolean)[]).find((option) => String(option) === word)

/** What the server is asked for. */
export function requestOf(wish: Wish, formula: string): ChargeRequest {
  const bed = Object.entries(wish.bed)
  const draws = Object.entries(wish.draws)
  const brought = Object.entries(wish.brought)
  const chosen = Object.fromEntries(
    Object.entries(wish.schools).map(([school, word]) => [school, optionOf(school as SchoolName, word)]),
  )
  return {
    formula,
    goal: wish.goal,
    value: wish.value,
    vesselId: wish.vessel,
    burnerId: wish.burner,
    schools: { ...chosen, simmerMin: wish.simmerMin, water: wish.water },
    bed: bed.length ? bed.map(([kind, share]) => ({ kind, share })) : undefined,
    cutMm: Object.keys(wish.cut).length ? wish.cut : undefined,
    swaps: Object.keys(wish.swaps).length ? wish.swaps : undefined,
    draws: draws.length ? draws.map(([sourceId, litres]) => ({ sourceId, litres })) : undefined,
    brought: brought.length ? brought.map(([part, boxId]) => ({ part, boxId })) : undefined,
  }
}

/** A share moved; the others keep their proportions and make up the rest. */
export function moveShare(shares: Record<string, number>, kind: string, to: number): Record<string, number> {
  const share = Math.max(0, Math.min(1, to))
  const others = Object.keys(shares).filter((k) => k !== kind)
  const rest = others.reduce((sum, k) => sum + shares[k]!, 0)
  const moved: Record<string, number> = { [kind]: others.length ? share : 1 }
  for (const other of others)
    moved[other] = rest > 0 ? (shares[other]! / rest) * (1 - share) : (1 - share) / others.length
  return Object.fromEntries(Object.keys(shares).map((k) => [k, moved[k]!]))
}

function readWater(text: string | null): Wish['water'] {
  if (!text) return undefined
  const [rule = '', value] = text.split(':')
  return { rule, value: value === undefined ? undefined : Number(value) }
}

/** One item taken for another; taking the first one back undoes it. */
export function swapped(swaps: Record<string, string>, item: string, by: string): Record<string, string> {
  const original = Object.keys(swaps).find((key) => swaps[key] === item) ?? item
  const others = Object.fromEntries(Object.entries(swaps).filter(([key]) => key !== original))
  return by === original ? others : { ...others, [original]: by }
}

function readSwaps(text: string | null): Record<string, string> {
  const word = /^[a-z0-9-]{2,60}$/
  return Object.fromEntries(
    (text ?? '')
      .split(',')
      .map((pair) => pair.split(':'))
      .filter(([item = '', by = '']) => word.test(item) && word.test(by)),
  ) as Record<string, string>
}

function readPairs(text: string | null): Record<string, number> {
  const pairs: Record<string, number> = {}
  for (const pair of (text ?? '').split(',')) {
    const [key, value] = pair.split(':')
    if (key && value && Number.isFinite(Number(value))) pairs[key] = Number(value)
  }
  return pairs
}

const writePairs = (pairs: Record<string, number>) =>
  Object.entries(pairs)
    .map(([key, value]) => `${key}:${Math.round(value * 1e6) / 1e6}`)
    .join(',')
