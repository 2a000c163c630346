import type { FieldProblem } from '../../api/client'
import type { Page } from '../../api/queries'
import { NumberField } from '../../kit/NumberField'
import { useUnits } from '../../kit/session'
import type { Units } from '../../words/units'

interface Props {
  label: string
  value: number | undefined
  onValue: (degrees: number | undefined) => void
  units: Units
  problem?: FieldProblem
  scale: Page['brixScale']
}

/** A refractometer's degrees; what they come to in dissolved grams stands below at once. */
export function BrixField({ scale, ...field }: Props) {
  const words = useUnits()
  const grams = field.value === undefined ? undefined : gramsAt(scale, field.value)
  return (
    <div className="grid gap-3">
      <NumberField {...field} dimension="brix" autoFocus />
      {grams !== undefined && <p className="text-15 text-quiet m-0">{words.dissolved(grams)} dissolved</p>}
    </div>
  )
}

/** Grams in a litre; nothing off the scale. */
function gramsAt(scale: Page['brixScale'], degrees: number): number | undefined {
  const next = scale.findIndex((point) => point.degrees >= degrees)
  const above = scale[next]
  const below = scale[Math.max(0, next - 1)]
  if (!above || !below || degrees < 0) return undefined
  const share = above === below ? 0 : (degrees - below.degrees) / (above.degrees - below.degrees)
  return below.gPerL + share * (above.gPerL - below.gPerL)
}
