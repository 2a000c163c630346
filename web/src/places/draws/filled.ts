import type { Schemas } from '../../api/client'
import { liquidName } from '../../words/en'

/** Less is what a jug does not tell. */
export const LEAST_L = 0.05

/** What a pot is filled with, in a word or two: never water where it is stock. */
export function filledWith(it: {
  draws: unknown[]
  restL: number
  restKind: Schemas['ChargeView']['restKind']
}): string {
  if (it.draws.length === 0) return liquidName[it.restKind]
  return it.restKind === 'WATER' && it.restL >= LEAST_L
    ? `${liquidName.STOCK} and ${liquidName.WATER}`
    : liquidName.STOCK
}
