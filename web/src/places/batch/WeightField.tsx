import { useState } from 'react'
import type { FieldProblem } from '../../api/client'
import { useDevices } from '../../api/queries'
import { Button } from '../../kit/Button'
import { NumberField } from '../../kit/NumberField'
import { useUnits } from '../../kit/session'
import type { Units } from '../../words/units'

interface Props {
  label: string
  /** Net, kg. */
  value: number | undefined
  onValue: (netKg: number | undefined) => void
  units: Units
  problem?: FieldProblem
}

/** A weight off a scale, with the empty box taken off; a scale that reports can be read at a tap. */
export function WeightField({ label, value, onValue, units, problem }: Props) {
  const [tare, setTare] = useState<number>()
  const words = useUnits()
  const devices = useDevices()
  const scales = (devices.data ?? []).filter(
    (device) => device.kind === 'SCALE' && !device.silent && device.lastValue !== undefined,
  )
  const box = tare ?? 0
  const gross = value === undefined ? undefined : value + box
  const weigh = (grossKg: number | undefined, boxKg: number) =>
    onValue(grossKg === undefined ? undefined : grossKg - boxKg)
  return (
    <div className="grid gap-3">
      <NumberField
        label={label}
        value={gross}
        onValue={(kg) => weigh(kg, box)}
        dimension="kg"
        units={units}
        problem={problem}
        autoFocus
      />
      <div className="flex flex-wrap gap-2">
        {scales.map((scale) => (
          <Button key={scale.id} onClick={() => weigh(scale.lastValue, box)}>
            {scale.name} reads {words.kg(scale.lastValue!)}
          </Button>
        ))}
        {tare === undefined && <Button onClick={() => setTare(0)}>It is in a box</Button>}
      </div>
      {tare !== undefined && (
        <>
          <NumberField
            label="The box, empty"
            value={tare}
            onValue={(kg) => {
              setTare(kg ?? 0)
              weigh(gross, kg ?? 0)
            }}
            dimension="kg"
            units={units}
          />
          {value !== undefined && (
            <p className="text-18 m-0">
              Without the box <b className="font-semibold">{words.kg(value)}</b>
            </p>
          )}
        </>
      )}
    </div>
  )
}
