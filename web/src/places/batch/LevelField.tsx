import { useState } from 'react'
import type { FieldProblem } from '../../api/client'
import { levelAt, litresAt, type VesselShape } from '../../graphics/vessel'
import { Choice } from '../../kit/Choice'
import { NumberField } from '../../kit/NumberField'
import { useUnits } from '../../kit/session'
import type { Units } from '../../words/units'

interface Props {
  label: string
  /** Centimetres below the rim, however it was read. */
  value: number | undefined
  onValue: (belowRimCm: number | undefined) => void
  units: Units
  problem?: FieldProblem
  vessel: VesselShape
}

/** A level, read off a ruler or off a scale of litres; what it is in the other stands below at once. */
export function LevelField({ label, value, onValue, units, problem, vessel }: Props) {
  const [by, setBy] = useState<'ruler' | 'litres'>('ruler')
  const words = useUnits()
  const litres = value === undefined ? undefined : litresAt(vessel, vessel.heightCm - value)
  return (
    <div className="grid gap-3">
      <Choice
        label="Read"
        value={by}
        onValue={setBy}
        options={[
          { value: 'ruler', name: 'Below the rim' },
          { value: 'litres', name: `${words.Litres} on the scale` },
        ]}
      />
      {by === 'ruler' ? (
        <NumberField
          label={label}
          value={value}
          onValue={onValue}
          dimension="cm"
          units={units}
          problem={problem}
          autoFocus
        />
      ) : (
        <NumberField
          label={`${words.Litres}, the bed counted in`}
          value={litres}
          onValue={(l) => onValue(l === undefined ? undefined : vessel.heightCm - levelAt(vessel, l))}
          dimension="litres"
          units={units}
          problem={problem}
          autoFocus
        />
      )}
      {value !== undefined && litres !== undefined && (
        <p className="text-15 text-quiet m-0">
          {by === 'ruler'
            ? `${words.litres(litres)}, the bed counted in`
            : `${words.cm(value)} below the rim`}
        </p>
      )}
    </div>
  )
}
