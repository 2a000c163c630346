import type { Charge } from '../../api/queries'
import { liquorColour } from '../../graphics/liquor'

/** The liquor's colour at the end of the simmer; what has no gelatin is coloured by what its cuts have given. */
export function chargeColour(charge: Charge): string {
  return liquorColour(charge.family, charge.forecast.gelatinGPerL, strength(charge))
}

export function strength(charge: Charge): number | undefined {
  if (['WHITE', 'BROWN', 'SECOND_WETTING', 'REDUCTION'].includes(charge.family)) return undefined
  const cuts = charge.character.cuts
  if (cuts.length === 0) return 0.6
  const most = Math.max(0.1, charge.mostSimmerMin)
  const mean = cuts.reduce((sum, cut) => sum + cut.spent, 0) / cuts.length
  return mean * Math.min(1, 0.5 + charge.simmerMin / most / 2)
}
