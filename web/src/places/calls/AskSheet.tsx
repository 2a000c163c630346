import { useState, type FormEvent } from 'react'
import { api, newId } from '../../api/client'
import { now } from '../../api/clock'
import { useChange, useMenu } from '../../api/queries'
import { Button } from '../../kit/Button'
import { FieldNote, NumberField } from '../../kit/NumberField'
import { MomentField } from '../../kit/MomentField'
import { Note } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { useUnits, useVisit } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { allergenName } from '../../words/en'
import { instantOf, localOf } from '../../words/time'

const HANDLED = ['litres', 'readyBy', 'stationId', 'formula', 'without', 'note']

/** A station asks for litres by an hour. */
export function AskSheet({ onClose }: { onClose: () => void }) {
  const { person, zone } = useVisit()
  const units = useUnits()
  const menu = useMenu()
  const [id] = useState(newId)
  const [formula, setFormula] = useState<string>()
  const [station, setStation] = useState<string>()
  const [litres, setLitres] = useState<number | undefined>(10)
  const [readyBy, setReadyBy] = useState(() => localOf(now() + 86_400_000, zone).slice(0, 11) + '10:30')
  const [note, setNote] = useState('')
  const [noCelery, setNoCelery] = useState(false)
  const chosen = menu.data?.formulas.find((f) => f.slug === formula) ?? menu.data?.formulas[0]
  const ask = useChange(
    () =>
      api.POST('/api/calls', {
        body: {
          id,
          formula: chosen?.slug ?? '',
          stationId: person.stationId ?? station ?? menu.data?.stations[0]?.id,
          litres: litres ?? 0,
          readyBy: instantOf(readyBy, zone).toISOString(),
          without: noCelery ? ['CELERY'] : [],
          note,
        },
      }),
    'calls',
  )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    ask.mutate(undefined, { onSuccess: onClose })
  }
  const problem = ask.error
  const rest = problem && !HANDLED.some((field) => problem.fields[field])
  return (
    <Sheet title={`Ask for ${units.litresWord}`} open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        <SelectField
          label="Stock"
          value={chosen?.slug ?? ''}
          onValue={setFormula}
          options={(menu.data?.formulas ?? []).map((f) => ({ value: f.slug, name: f.name }))}
        />
        {chosen && chosen.allergens.length > 0 && (
          <p className="text-15 text-quiet m-0">
            It contains {chosen.allergens.map(allergenName).join(', ')}.
          </p>
        )}
        {!person.stationId && (
          <SelectField
            label="For"
            value={station ?? menu.data?.stations[0]?.id ?? ''}
            onValue={setStation}
            options={(menu.data?.stations ?? []).map((s) => ({ value: s.id, name: s.name }))}
          />
        )}
        <NumberField
          label="How much, cold and strained"
          dimension="litres"
          units={units.units}
          value={litres}
          onValue={setLitres}
          step={1}
          problem={litres === undefined ? { reason: 'a number is needed here' } : problem?.fields.litres}
        />
        <MomentField
          label="Ready by"
          value={readyBy}
          onValue={setReadyBy}
          problem={problem?.fields.readyBy}
        />
        <label className="text-18 flex min-h-[48px] cursor-pointer items-center gap-3">
          <input
            type="checkbox"
            className="accent-river size-6"
            checked={noCelery}
            onChange={(e) => setNoCelery(e.target.checked)}
          />
          Without celery
        </label>
        {problem?.fields.without && <FieldNote problem={problem.fields.without} units={units.units} />}
        <TextField
          label="For what"
          value={note}
          onValue={setNote}
          hint="The dish, or anything the cook should know"
          maxLength={300}
        />
        {rest && <Note>{problem.message}</Note>}
        <Button type="submit" tone="act" large disabled={ask.isPending || litres === undefined}>
          {ask.isPending ? 'Asking …' : 'Ask'}
        </Button>
      </form>
    </Sheet>
  )
}
