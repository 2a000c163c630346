import { capital } from '../words/en'
import { useId, useState } from 'react'
import { figure, numberTyped, scaleOf, type Dimension, type Units } from '../words/units'
import type { FieldProblem } from '../api/client'

interface Props {
  label: string
  /** In metric; undefined while the field holds nothing that is a number. */
  value: number | undefined
  onValue: (metric: number | undefined) => void
  dimension: Dimension
  units: Units
  /** Metric step of the plus and minus. */
  step?: number
  /** Where they begin in an empty field. */
  from?: number
  problem?: FieldProblem
  autoFocus?: boolean
}

/** A number with its unit, a large plus and minus, and what is wrong with it beside it. Takes a comma or a point. */
export function NumberField({
  label,
  value,
  onValue,
  dimension,
  units,
  step,
  from,
  problem,
  autoFocus,
}: Props) {
  const id = useId()
  const scale = scaleOf(units, dimension)
  const shown = value === undefined ? '' : figure(scale.to(value), scale.step / (scale.step < 1 ? 1 : 2))
  const [typed, setTyped] = useState<string | null>(null)
  const text = typed ?? shown
  const unread = typed !== null && typed.trim() !== '' && numberTyped(typed, units) === undefined
  const wrong = unread ? { reason: 'a number is needed here' } : problem
  const move = (by: number) => {
    setTyped(null)
    onValue(scale.from(Math.round((scale.to(value ?? from ?? 0) + by) / Math.abs(by)) * Math.abs(by)))
  }
  const shownStep = step === undefined ? scale.step : niceStep(scale.to(step) - scale.to(0))
  return (
    <div className="grid min-w-0 content-start gap-1">
      <label htmlFor={id} className="text-15 font-semibold">
        {label}
      </label>
      <div className="flex items-stretch">
        <button
          type="button"
          aria-label={`${label}, less`}
          className="border-ink bg-raised text-24 min-h-[56px] w-12 shrink-0 rounded-l-md border-2"
          onClick={() => move(-shownStep)}
        >
          −
        </button>
        <div className="border-ink bg-raised flex min-w-[7.5rem] flex-1 items-center border-y-2 px-2">
          <input
            id={id}
            inputMode="decimal"
            autoComplete="off"
            autoFocus={autoFocus}
            className="text-24 w-full min-w-0 bg-transparent py-2 text-right outline-offset-0"
            value={text}
            aria-invalid={wrong !== undefined}
            aria-describedby={wrong ? `${id}-problem` : undefined}
            onFocus={(event) => event.target.select()}
            onBlur={() => setTyped(null)}
            onChange={(event) => {
              setTyped(event.target.value)
              const parsed = numberTyped(event.target.value, units)
              onValue(parsed === undefined ? undefined : scale.from(parsed))
            }}
          />
          <span className="text-18 text-quiet pl-2 whitespace-nowrap">{scale.unit}</span>
        </div>
        <button
          type="button"
          aria-label={`${label}, more`}
          className="border-ink bg-raised text-24 min-h-[56px] w-12 shrink-0 rounded-r-md border-2"
          onClick={() => move(shownStep)}
        >
          +
        </button>
      </div>
      {wrong && <FieldNote id={`${id}-problem`} problem={wrong} dimension={dimension} units={units} />}
    </div>
  )
}

/** Why a field was refused, and what would be accepted. */
export function FieldNote({
  id,
  problem,
  dimension,
  units,
}: {
  id?: string
  problem: FieldProblem
  dimension?: Dimension
  units: Units
}) {
  const range = () => {
    if (problem.low === undefined || problem.high === undefined) return ''
    const scale = dimension ? scaleOf(units, dimension) : undefined
    const low = scale ? figure(scale.to(problem.low), scale.step) : problem.low
    const high = scale ? figure(scale.to(problem.high), scale.step) : problem.high
    return ` Between ${low} and ${high} ${scale?.unit ?? problem.unit ?? ''}.`
  }
  const reason = capital(problem.reason)
  return (
    <p
      id={id}
      role="alert"
      className="border-amber bg-amber-ground text-15 text-amber m-0 border-l-4 px-2 py-1"
    >
      {reason}.{range()}
    </p>
  )
}

function niceStep(value: number): number {
  const power = 10 ** Math.floor(Math.log10(Math.abs(value)))
  const lead = Math.abs(value) / power
  return (lead < 1.5 ? 1 : lead < 3.5 ? 2 : lead < 7.5 ? 5 : 10) * power
}
