import { useId } from 'react'
import { Pick, type Option } from './Pick'

interface Props {
  label: string
  value: string
  onValue: (value: string) => void
  options: readonly Option[]
  /** Stands there while nothing is picked. */
  empty?: string
}

/** One of many, under its label. */
export function SelectField({ label, value, onValue, options, empty }: Props) {
  const id = useId()
  return (
    <div className="grid min-w-0 content-start gap-1">
      <label htmlFor={id} className="text-15 font-semibold">
        {label}
      </label>
      <Pick id={id} label={label} value={value} onValue={onValue} options={options} empty={empty} />
    </div>
  )
}
