import type { Problem } from '../../api/client'
import { Choice } from '../../kit/Choice'
import { NumberField } from '../../kit/NumberField'
import { Note } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { useUnits } from '../../kit/session'
import { BedMix } from './BedMix'
import { ComesFrom } from './ComesFrom'
import { DrawnWith } from './DrawnWith'
import { WaterRule } from './WaterRule'
import type { Choosing, GoalKind } from './wish'

interface Props extends Choosing {
  problem?: Problem
}

const fieldOf: Record<GoalKind, string> = {
  LITRES: 'litres',
  BED: 'bedKg',
  WATER: 'waterL',
  VESSEL: 'vessel',
  LEVEL: 'levelCm',
}

/** What is given, where, and by which school. */
export function ChargeControls({ charge, wish, onWish, problem }: Props) {
  const units = useUnits()
  const start: Record<GoalKind, number | undefined> = {
    LITRES: Math.round(charge.forecast.yieldL.p50 * 2) / 2,
    BED: Math.round(charge.bedKg * 2) / 2,
    WATER: Math.round(charge.waterL * 2) / 2,
    VESSEL: undefined,
    LEVEL: Math.round(charge.levels.filledCm * 2) / 2,
  }
  const ofStock = charge.restKind !== 'WATER'
  const byDraws = charge.bed.length === 0 && Object.keys(wish.draws).length > 0
  const fieldProblem = problem?.fields[fieldOf[wish.goal]] ?? problem?.fields.value
  return (
    <section
      aria-label="What is given"
      className="grid content-start gap-5 lg:col-start-1 lg:row-span-2 lg:row-start-1"
    >
      {ofStock && <DrawnWith charge={charge} wish={wish} onWish={onWish} />}
      <ComesFrom charge={charge} wish={wish} onWish={onWish} />
      {!byDraws && (
        <div className="grid gap-1">
          <span className="text-15 font-semibold">Solve from</span>
          <Choice<GoalKind>
            label="Solve from"
            value={wish.goal}
            onValue={(goal) =>
              onWish({
                ...wish,
                goal,
                value: start[goal],
                vessel: goal === 'VESSEL' || goal === 'LEVEL' ? charge.vessel.id : wish.vessel,
              })
            }
            options={[
              { value: 'LITRES', name: units.Litres },
              ...(charge.bed.length ? [{ value: 'BED' as const, name: 'Bed' }] : []),
              { value: 'VESSEL', name: 'Full pot' },
              { value: 'WATER', name: charge.bed.length ? 'Water' : 'Stock' },
              { value: 'LEVEL', name: 'Line' },
            ]}
          />
        </div>
      )}
      {wish.goal !== 'VESSEL' && !byDraws && (
        <NumberField
          label={
            {
              LITRES: `${units.out}, strained`,
              BED: 'Bed in hand',
              WATER: charge.bed.length ? 'Water to draw' : 'Stock in hand',
              VESSEL: '',
              LEVEL: 'Water line, above the bottom',
            }[wish.goal]
          }
          dimension={({ BED: 'kg', LEVEL: 'cm' } as const)[wish.goal as 'BED' | 'LEVEL'] ?? 'litres'}
          units={units.units}
          value={wish.value}
          step={1}
          onValue={(value) => value !== undefined && onWish({ ...wish, value })}
          problem={fieldProblem}
        />
      )}
      {problem && !fieldProblem && <Note>{problem.message}.</Note>}
      <fieldset className="m-0 grid gap-1 border-0 p-0">
        <legend className="text-15 mb-1 p-0 font-semibold">Vessel</legend>
        <div className="grid grid-cols-2 gap-2">
          {charge.vessels.map((vessel) => (
            <button
              key={vessel.id}
              type="button"
              aria-pressed={vessel.id === charge.vessel.id}
              onClick={() => onWish({ ...wish, vessel: vessel.id })}
              className="border-ink bg-raised text-15 aria-pressed:bg-ink aria-pressed:text-surface grid min-h-[52px] rounded-md border-2 px-3 py-1 text-left font-semibold"
            >
              {vessel.name}
              <span className="text-13 font-normal opacity-90">
                {units.litres(vessel.brimfulL, units.units === 'us' ? 0.1 : 1)},{' '}
                {!vessel.free ? 'in use' : vessel.fits ? 'fits' : 'does not fit'}
              </span>
            </button>
          ))}
        </div>
      </fieldset>
      {charge.burners.length > 1 && (
        <SelectField
          label="Burner"
          value={charge.burnerId ?? ''}
          onValue={(burner) => onWish({ ...wish, burner })}
          options={charge.burners.map((burner) => ({
            value: burner.id,
            name: `${burner.name}, ${units.power(burner.ratedKw)}${burner.free ? '' : ', taken'}`,
          }))}
        />
      )}
      {charge.heat !== 'BURNER' && (
        <p className="text-15 text-quiet m-0">
          {charge.heat === 'OWN'
            ? `${charge.vessel.name} has heat of its own, ${units.power(charge.vessel.heatKw ?? 0)}; it takes no burner.`
            : `In an oven at ${units.celsius(charge.ovenC ?? 0)}, from the water on; it takes no burner.`}
        </p>
      )}
      <WaterRule charge={charge} wish={wish} onWish={onWish} />
      {!ofStock && <DrawnWith charge={charge} wish={wish} onWish={onWish} />}
      <BedMix charge={charge} wish={wish} onWish={onWish} />
    </section>
  )
}
