import { useId } from 'react'

interface Props {
  label: string
  value: string
  onValue: (value: string) => void
  options: { value: string; name: string }[]
}

/** One of many: the platform's own list, which every phone and keyboard knows. */
export function SelectField({ label, value, onValue, options }: Props) {
  const id = useId()
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="text-15 font-semibold">
        {label}
      </label>
      <select
        id={id}
        value={value}
        onChange={(event) => onValue(event.target.value)}
        className="border-ink bg-raised text-18 text-ink min-h-[48px] w-full rounded-md border-2 px-3"
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.name}
          </option>
        ))}
      </select>
    </div>
  )
}
