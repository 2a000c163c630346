import type { Page } from '../../api/queries'
import { spentName } from '../../words/en'

interface Props {
  label?: string
  options: string[]
  value: string[]
  onValue: (value: string[]) => void
}

/** Several words of a short list, each a tap. */
export function Ticks({ label, options, value, onValue }: Props) {
  return (
    <fieldset className="m-0 border-0 p-0">
      {label && <legend className="text-15 mb-1 p-0 font-semibold">{label}</legend>}
      <div className="flex flex-wrap gap-2">
        {options.map((option) => {
          const on = value.includes(option)
          return (
            <button
              key={option}
              type="button"
              aria-pressed={on}
              onClick={() => onValue(on ? value.filter((v) => v !== option) : [...value, option])}
              className="border-ink bg-raised text-18 aria-pressed:bg-ink aria-pressed:text-surface min-h-[52px] rounded-md border-2 px-3"
            >
              {option}
            </button>
          )
        })}
      </div>
    </fieldset>
  )
}

/** By what a cook sees that this bed has given what it has; nothing where it shows nothing. */
export function SpentTicks({
  signs,
  value,
  onValue,
}: Pick<Props, 'value' | 'onValue'> & { signs: Page['spentSigns'] }) {
  if (signs.length === 0) return null
  return (
    <Ticks label="The bed" options={signs.map((sign) => spentName[sign])} value={value} onValue={onValue} />
  )
}
