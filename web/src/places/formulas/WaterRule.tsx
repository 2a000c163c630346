import type { Charge } from '../../api/queries'
import { SmallNumber } from '../../kit/SmallNumber'
import { useUnits } from '../../kit/session'
import { Pick } from '../../kit/Pick'
import type { Choosing } from './wish'

/** What may decide the water, each with what it starts from where it is taken first. */
const rules = (charge: Charge, bed: string): Record<string, { name: string; start?: number }> => ({
  'per-kg-bed': { name: `for each ${bed} of bed`, start: round(charge.waterLPerKg) },
  'over-the-bed': { name: 'so deep over the bed', start: Math.max(0, Math.round(charge.levels.coverCm)) },
  'to-the-line': { name: 'to the fill line' },
  'for-the-yield': {
    name: `whatever gives, for each ${bed}`,
    start: round(charge.forecast.yieldL.p50 / Math.max(0.1, charge.bedKg)),
  },
})

/** The school of the water: by ratio, by cover, by the line, by what comes out. */
export function WaterRule({ charge, wish, onWish }: Choosing) {
  const units = useUnits()
  const standing = wish.water ?? charge.schools.water
  if (!standing || charge.bed.length === 0) return null
  const all = rules(charge, units.units === 'us' ? 'pound' : 'kg')
  const deep = standing.rule === 'over-the-bed'
  return (
    <div className="grid gap-1">
      <span className="text-15 font-semibold">Water</span>
      <div className="flex flex-wrap items-center gap-2">
        <Pick
          look="small"
          className="border-ink! min-w-0 flex-1"
          label="Water rule"
          value={standing.rule}
          onValue={(rule) => onWish({ ...wish, water: { rule, value: all[rule]?.start } })}
          options={Object.entries(all).map(([rule, { name }]) => ({ value: rule, name }))}
        />
        {standing.rule !== 'to-the-line' && (
          <SmallNumber
            label="Of water"
            value={standing.value}
            dimension={deep ? 'cm' : 'litresPerKg'}
            units={units.units}
            onValue={(value) =>
              value !== undefined && onWish({ ...wish, water: { rule: standing.rule, value } })
            }
          />
        )}
      </div>
    </div>
  )
}

const round = (value: number) => Math.round(value * 100) / 100
