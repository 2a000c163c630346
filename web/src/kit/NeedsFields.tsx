import { allergenName, everyAllergen, needName, type Allergen, type Need } from '../words/en'
import { Several } from './Several'

/** What must not be in a stock, and what it must be. */
export function NeedsFields({
  without,
  needs,
  onValue,
}: {
  without: readonly Allergen[]
  needs: readonly Need[]
  onValue: (changed: { without?: Allergen[]; needs?: Need[] }) => void
}) {
  return (
    <>
      <fieldset className="m-0 border-0 p-0">
        <legend className="text-15 mb-1 font-semibold">It must be</legend>
        <Several
          label="It must be"
          value={needs}
          onValue={(next) => onValue({ needs: next })}
          options={(Object.keys(needName) as Need[]).map((need) => ({ value: need, name: needName[need] }))}
        />
      </fieldset>
      <details open={without.length > 0}>
        <summary className="text-15 min-h-[44px] cursor-pointer content-center font-semibold">
          {without.length > 0 ? `Without ${without.map(allergenName).join(', ')}` : 'Without …'}
        </summary>
        <Several
          label="Without"
          value={without}
          onValue={(next) => onValue({ without: next })}
          options={everyAllergen.map((allergen) => ({ value: allergen, name: allergenName(allergen) }))}
        />
      </details>
    </>
  )
}
