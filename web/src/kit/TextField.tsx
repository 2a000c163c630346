import { useId, type InputHTMLAttributes } from 'react'
import type { FieldProblem } from '../api/client'
import { FieldNote } from './NumberField'

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange'> {
  label: string
  value: string
  onValue: (value: string) => void
  problem?: FieldProblem
  hint?: string
}

export function TextField({ label, value, onValue, problem, hint, ...rest }: Props) {
  const id = useId()
  return (
    <div className="grid min-w-0 content-start gap-1">
      <label htmlFor={id} className="text-15 font-semibold">
        {label}
      </label>
      <input
        id={id}
        {...rest}
        value={value}
        onChange={(event) => onValue(event.target.value)}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? `${id}-problem` : hint ? `${id}-hint` : undefined}
        className="border-ink bg-raised text-18 min-h-[48px] w-full min-w-0 rounded-md border-2 px-3"
      />
      {hint && !problem && (
        <p id={`${id}-hint`} className="text-13 text-quiet m-0">
          {hint}
        </p>
      )}
      {problem && <FieldNote id={`${id}-problem`} problem={problem} units="metric" />}
    </div>
  )
}
