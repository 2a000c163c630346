import { useState, type FormEvent } from 'react'
import type { Schemas } from '../../api/client'
import { eventKinds } from '../../api/kinds'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { MomentField } from '../../kit/MomentField'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { Ticks } from './Ticks'
import { eventName, figureName } from '../../words/en'
import { instantOf, localOf } from '../../words/time'
import type { Dimension } from '../../words/units'
import { useSend } from './useSend'

type Figures = Schemas['Figures']
type Told = Figures[keyof Figures]
type Asked = (typeof eventKinds)[keyof typeof eventKinds]['figures'][number]

/** What a figure of a quantity is typed as. What is not here says which thing an entry is about: such an entry is taken back and logged anew. */
const typed: Partial<Record<Asked['quantity'], Dimension | 'words' | 'yes'>> = {
  LITRES: 'litres',
  KILOGRAMS: 'kg',
  CELSIUS: 'celsius',
  CENTIMETRES: 'cm',
  MINUTES: 'minutes',
  MARK: 'mark',
  COUNT: 'count',
  WORDS: 'words',
  YES: 'yes',
}

/** Telling an entry right. Both stay in the record, with who and why; what is not changed here stays as it was told. */
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
  const { time, zone } = useTimes()
  const told = event.correctedTo ?? event.figures
  const was = localOf(new Date(event.correctedAt ?? event.at).getTime(), zone)
  const [at, setAt] = useState(was)
  const [changes, setChanges] = useState<Partial<Record<Asked['name'], Told | undefined>>>({})
  const [reason, setReason] = useState('')
  const { problem, send } = useSend(page.card.id, onClose)
  const kindOfEvent = eventKinds[event.kind as keyof typeof eventKinds]
  const asked: readonly Asked[] = kindOfEvent?.correctable
    ? kindOfEvent.figures.filter((figure) => typed[figure.quantity] !== undefined)
    : []
  const changed = Object.entries(changes).filter(([name, value]) => value !== told[name as Asked['name']])
  const moved = at !== was && { happenedAt: instantOf(at, zone).toISOString() }
  const missing = Object.values(changes).some((value) => value === undefined)
  const submit = (submitted: FormEvent) => {
    submitted.preventDefault()
    void send(act('corrected', { corrects: event.id, reason, ...moved, ...Object.fromEntries(changed) }))
  }
  return (
    <Sheet
      title={`Correct: ${eventName[event.kind]?.toLowerCase()} at ${time(event.at)}`}
      open
      onClose={onClose}
    >
      <form onSubmit={submit} className="grid gap-5">
        {asked.map((figure) => {
          const value = figure.name in changes ? changes[figure.name] : told[figure.name]
          const set = (next: Told | undefined) => setChanges({ ...changes, [figure.name]: next })
          const label = figureName(event.kind, figure.name)
          const kind = typed[figure.quantity]!
          if (kind === 'words')
            return <TextField key={figure.name} label={label} value={(value as string) ?? ''} onValue={set} />
          if (kind === 'yes')
            return (
              <Ticks
                key={figure.name}
                options={[label]}
                value={value ? [label] : []}
                onValue={(ticked) => set(ticked.length > 0)}
              />
            )
          return (
            <NumberField
              key={figure.name}
              label={label}
              dimension={kind === 'mark' && told.card === undefined ? 'brix' : kind}
              units={units.units}
              value={value as number | undefined}
              onValue={set}
              problem={
                figure.name in changes && value === undefined
                  ? { reason: 'a number is needed here' }
                  : problem?.fields[figure.name]
              }
            />
          )
        })}
        {kindOfEvent?.correctable && (
          <MomentField
            label="It happened"
            direction="past"
            value={at}
            onValue={setAt}
            problem={problem?.fields.happenedAt}
          />
        )}
        <TextField
          label="Why"
          value={reason}
          onValue={setReason}
          hint="Misread, wrong vessel, wrong scale …"
          required
        />
        {problem && !problem.fields.happenedAt && !asked.some((figure) => problem.fields[figure.name]) && (
          <Note>{problem.message}.</Note>
        )}
        {kindOfEvent?.correctable && (
          <Button
            type="submit"
            tone="act"
            large
            disabled={reason.trim() === '' || (changed.length === 0 && !moved) || missing}
          >
            Correct the record
          </Button>
        )}
        <Button
          onClick={() => void send(act('withdrawn', { corrects: event.id, reason }))}
          disabled={reason.trim() === ''}
        >
          It did not happen
        </Button>
      </form>
    </Sheet>
  )
}
