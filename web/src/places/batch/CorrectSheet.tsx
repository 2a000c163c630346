import { useState, type FormEvent } from 'react'
import type { Problem, Schemas } from '../../api/client'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { eventName } from '../../words/en'
import { logAll } from './acts'

const fields = [
  ['kg', 'kg', 'Weight'],
  ['litres', 'litres', 'Volume'],
  ['belowRimCm', 'cm', 'Below the rim'],
  ['celsius', 'celsius', 'Temperature'],
  ['value', 'brix', 'Refractometer'],
] as const

/** Telling an entry right. Both stay in the record, with who and why. */
export function CorrectSheet({
  page,
  event,
  onClose,
}: {
  page: Page
  event: Schemas['EventView']
  onClose: () => void
}) {
  const units = useUnits()
  const { clock } = useTimes()
  const first = event.correctedTo ?? event.figures
  const [values, setValues] = useState<Record<string, number | undefined>>({
    kg: first.kg,
    litres: first.litres,
    belowRimCm: first.belowRimCm,
    celsius: first.celsius,
    value: first.value,
  })
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<Problem>()
  const send = async (kind: 'corrected' | 'withdrawn') => {
    const body = kind === 'withdrawn' ? {} : { ...values, part: first.part }
    const outcome = await logAll(page.card.id, [act(kind, { corrects: event.id, words: reason, ...body })])
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else onClose()
  }
  const submit = (submitted: FormEvent) => {
    submitted.preventDefault()
    void send('corrected')
  }
  return (
    <Sheet
      title={`Correct: ${eventName[event.kind]?.toLowerCase()} at ${clock(event.at)}`}
      open
      onClose={onClose}
    >
      <form onSubmit={submit} className="grid gap-5">
        {fields
          .filter(([name]) => first[name] !== undefined)
          .map(([name, dimension, label]) => (
            <NumberField
              key={name}
              label={label}
              dimension={dimension}
              units={units.units}
              value={values[name]}
              onValue={(value) => setValues({ ...values, [name]: value })}
              problem={
                values[name] === undefined ? { reason: 'a number is needed here' } : problem?.fields[name]
              }
            />
          ))}
        <TextField
          label="Why"
          value={reason}
          onValue={setReason}
          hint="Misread, wrong vessel, wrong scale …"
          required
        />
        {problem && !fields.some(([name]) => problem.fields[name]) && <Note>{problem.message}.</Note>}
        <Button type="submit" tone="act" large disabled={reason.trim() === ''}>
          Correct the record
        </Button>
        <Button onClick={() => void send('withdrawn')} disabled={reason.trim() === ''}>
          It did not happen
        </Button>
      </form>
    </Sheet>
  )
}
