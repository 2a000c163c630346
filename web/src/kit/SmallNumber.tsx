import { useId, useState } from 'react'
import { digitsOf, numberTyped, scaleOf, type Dimension, type Units } from '../words/units'

interface Props {
  /** Said to a screen reader, and shown before the field where {@code shown} is set. */
  label: string
  shown?: boolean
  value: number | undefined
  onValue: (value: number | undefined) => void
  /** What it is measured in; a plain unit where it is the same for everybody. */
  dimension?: Dimension
  units?: Units
  unit?: string
  problem?: string
  /** Stands there while there is no number. */
  empty?: string
}

/** A number in a row of others: small, with its unit, refused beside itself. */
export function SmallNumber({
  label,
  shown,
  value,
  onValue,
  dimension,
  units = 'metric',
  unit,
  problem,
  empty,
}: Props) {
  const id = useId()
  const scale = dimension ? scaleOf(units, dimension) : undefined
  const [typed, setTyped] = useState<string | null>(null)
  const text = typed ?? (value === undefined ? '' : trim(scale ? scale.to(value) : value))
  return (
    <span className="inline-grid">
      <span className="text-15 inline-flex items-center gap-2">
        <label htmlFor={id} className={shown ? 'text-quiet' : 'sr-only'}>
          {label}
        </label>
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          placeholder={empty}
          aria-invalid={problem !== undefined}
          aria-describedby={problem ? `${id}-problem` : undefined}
          className={`bg-raised min-h-[44px] w-[5.2rem] rounded-md border-2 px-2 text-right ${problem ? 'border-amber' : 'border-rule'}`}
          onFocus={(event) => event.target.select()}
          onBlur={() => setTyped(null)}
          onChange={(event) => {
            setTyped(event.target.value)
            const parsed = numberTyped(event.target.value, units)
            onValue(parsed === undefined ? undefined : scale ? scale.from(parsed) : parsed)
          }}
        />
        {(value !== undefined || !empty) && (
          <span className="text-13 text-quiet whitespace-nowrap">{scale?.unit ?? unit}</span>
        )}
      </span>
      {problem && (
        <span id={`${id}-problem`} role="alert" className="text-13 text-amber bg-amber-ground px-1">
          {problem}
        </span>
      )}
    </span>
  )
}

const trim = (value: number) => String(Number(value.toFixed(Math.max(3, digitsOf(0.001)))))
