import type { FormEvent, ReactNode } from 'react'
import { type FieldProblem, type Problem } from '../../api/client'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { useDraft } from '../../kit/draft'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { SelectField } from '../../kit/SelectField'
import { Sheet } from '../../kit/Sheet'
import { SmallNumber } from '../../kit/SmallNumber'
import { TextField } from '../../kit/TextField'
import { useUnits } from '../../kit/session'
import type { Dimension } from '../../words/units'

export type Values = Record<string, string | number | boolean | undefined>

export interface Field {
  name: string
  label: string
  kind: 'text' | 'number' | 'plain' | 'words' | 'flag'
  dimension?: Dimension
  unit?: string
  words?: [string, string][]
  step?: number
  /** May be left empty. */
  optional?: boolean
  /** Whether it counts, going by the others. */
  when?: (values: Values) => boolean
}

interface Props {
  title: string
  fields: Field[]
  start: Values
  /** Drawn from what is typed. */
  drawing?: (values: Values) => ReactNode
  save: (values: Values) => Promise<unknown>
  retire?: () => Promise<unknown>
  onClose: () => void
}

/** A piece of equipment as it is measured and read off its plate, drawn while it is typed. */
export function EquipmentSheet({ title, fields, start, drawing, save, retire, onClose }: Props) {
  const [values, setValues, forget] = useDraft<Values>(`kitchen ${title}`, () => start)
  const close = () => {
    forget()
    onClose()
  }
  const shown = fields.filter((field) => field.when?.(values) ?? true)
  const saving = useChange(
    () => save(Object.fromEntries(shown.map((field) => [field.name, values[field.name]]))),
    'kitchen',
    'charge',
  )
  const retiring = useChange(() => retire!(), 'kitchen', 'charge')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    saving.mutate(undefined, { onSuccess: close })
  }
  const problem = saving.error ?? undefined
  const known = shown.some((field) => problem?.fields[field.name])
  const missing = shown.some(
    (field) => field.kind !== 'flag' && !field.optional && (values[field.name] ?? '') === '',
  )
  return (
    <Sheet title={title} open onClose={close}>
      <form onSubmit={submit} className="grid gap-5">
        {drawing?.(values)}
        {shown.map((field) => (
          <OneField
            key={field.name}
            field={field}
            value={values[field.name]}
            problem={problem?.fields[field.name]}
            onValue={(value) => setValues({ ...values, [field.name]: value })}
          />
        ))}
        {problem && !known && <Note>{said(problem)}</Note>}
        <Button type="submit" tone="act" large disabled={missing || saving.isPending}>
          Save
        </Button>
        {retire && (
          <div>
            <Button
              tone="quiet"
              disabled={retiring.isPending}
              onClick={() => retiring.mutate(undefined, { onSuccess: close })}
            >
              Take it out of use
            </Button>
            <p className="text-13 text-quiet m-0">
              Batches that used it keep it; new plans are not offered it.
            </p>
            {retiring.error && <Note>{retiring.error.message}</Note>}
          </div>
        )}
      </form>
    </Sheet>
  )
}

const said = (problem: Problem) =>
  Object.entries(problem.fields)
    .map(([field, why]) => `${field}: ${why.reason}`)
    .join('; ') || problem.message

function OneField({
  field,
  value,
  problem,
  onValue,
}: {
  field: Field
  value: string | number | boolean | undefined
  problem?: FieldProblem
  onValue: (value: string | number | boolean | undefined) => void
}) {
  const units = useUnits()
  switch (field.kind) {
    case 'text':
      return (
        <TextField
          label={field.label}
          value={String(value ?? '')}
          onValue={onValue}
          problem={problem}
          required
        />
      )
    case 'words':
      return (
        <SelectField
          label={field.label}
          value={String(value ?? '')}
          onValue={onValue}
          options={(field.words ?? []).map(([word, name]) => ({ value: word, name }))}
        />
      )
    case 'flag':
      return (
        <label className="text-18 flex min-h-[48px] items-center gap-3 font-semibold">
          <input
            type="checkbox"
            checked={value === true}
            onChange={(event) => onValue(event.target.checked)}
            className="size-6 accent-(--river)"
          />
          {field.label}
        </label>
      )
    case 'number':
      return (
        <NumberField
          label={field.label}
          dimension={field.dimension ?? 'cm'}
          units={units.units}
          value={typeof value === 'number' ? value : undefined}
          onValue={onValue}
          problem={problem}
          step={field.step ?? 1}
        />
      )
    default:
      return (
        <SmallNumber
          label={field.label}
          shown
          dimension={field.dimension}
          units={units.units}
          unit={field.unit}
          value={typeof value === 'number' ? value : undefined}
          onValue={onValue}
          problem={
            problem &&
            `${problem.reason}${problem.low === undefined ? '' : `: ${problem.low} to ${problem.high} ${problem.unit ?? ''}`}`
          }
        />
      )
  }
}
