import { type FormEvent } from 'react'
import { api, data, newId } from '../../api/client'
import { now } from '../../api/clock'
import { useChange, useMenu } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { Days, DAYS } from '../../kit/Days'
import { useDraft } from '../../kit/draft'
import { FieldNote, NumberField } from '../../kit/NumberField'
import { MomentField } from '../../kit/MomentField'
import { NeedsFields } from '../../kit/NeedsFields'
import { Note } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { useUnits, useVisit } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { allergenName, needsSaid, type Allergen, type Need } from '../../words/en'
import { instantOf, localOf } from '../../words/time'

const HANDLED = ['litres', 'readyBy', 'by', 'without', 'needs', 'note']
const HOUR = /^([01]\d|2[0-3]):[0-5]\d$/

/** A station asks for litres by an hour. */
export function AskSheet({ onClose }: { onClose: () => void }) {
  const { person, zone } = useVisit()
  const units = useUnits()
  const menu = useMenu()
  const [typed, setTyped, forget] = useDraft('call', () => ({
    id: newId(),
    formula: undefined as string | undefined,
    station: undefined as string | undefined,
    litres: 10 as number | undefined,
    readyBy: localOf(now() + 86_400_000, zone).slice(0, 11) + '10:30',
    note: '',
    without: [] as Allergen[],
    needs: [] as Need[],
    often: 'once' as 'once' | 'weekly' | 'on-hand',
    days: [...DAYS],
    by: '10:30',
  }))
  const { id, formula, station, litres, readyBy, note, without, needs, often, days, by } = typed
  const weekly = often !== 'once'
  const change = (next: Partial<typeof typed>) => setTyped({ ...typed, ...next })
  const chosen = menu.data?.formulas.find((f) => f.slug === formula) ?? menu.data?.formulas[0]
  const stationId = person.stationId ?? station ?? menu.data?.stations[0]?.id
  const asks = menu.data?.stations.find((s) => s.id === stationId)
  const ask = useChange(
    async () => {
      const what = {
        id,
        formula: chosen?.slug ?? '',
        stationId,
        litres: litres ?? 0,
        without,
        needs,
        note,
      }
      if (weekly)
        await data(
          api.POST('/api/standing-calls', {
            body: { ...what, days, by, onHand: often === 'on-hand' },
          }),
        )
      else
        await data(
          api.POST('/api/calls', {
            body: { ...what, readyBy: instantOf(readyBy, zone).toISOString() },
          }),
        )
    },
    'calls',
    'standing',
  )
  const done = () => {
    forget()
    onClose()
  }
  const submit = (event: FormEvent) => {
    event.preventDefault()
    ask.mutate(undefined, { onSuccess: done })
  }
  const problem = ask.error
  const refused = problem?.fields.without ?? problem?.fields.needs
  const rest = problem && !HANDLED.some((field) => problem.fields[field])
  return (
    <Sheet title={`Ask for ${units.litresWord}`} open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        <SelectField
          label="Stock"
          value={chosen?.slug ?? ''}
          onValue={(next) => change({ formula: next })}
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
            onValue={(next) => change({ station: next })}
            options={(menu.data?.stations ?? []).map((s) => ({ value: s.id, name: s.name }))}
          />
        )}
        <NumberField
          label="How much, cold and strained"
          dimension="litres"
          units={units.units}
          value={litres}
          onValue={(next) => change({ litres: next })}
          step={1}
          problem={litres === undefined ? { reason: 'a number is needed here' } : problem?.fields.litres}
        />
        <Choice
          label="How often"
          value={often}
          onValue={(next) => change({ often: next })}
          options={[
            { value: 'once', name: 'Once' },
            { value: 'weekly', name: 'Week by week' },
            { value: 'on-hand', name: 'Always there' },
          ]}
        />
        {often === 'on-hand' && (
          <p className="text-15 text-quiet m-0">
            So much is to stand in the cold, for whoever needs it. When there is less, what lacks is asked for
            by itself.
          </p>
        )}
        {weekly ? (
          <>
            <Days label="On which days" value={days} onValue={(next) => change({ days: next })} />
            <TextField
              label="Ready by"
              value={by}
              onValue={(next) => change({ by: next })}
              hint="Hour and minute, as 10:30"
              problem={HOUR.test(by) ? problem?.fields.by : { reason: 'an hour, as 10:30' }}
            />
          </>
        ) : (
          <MomentField
            label="Ready by"
            value={readyBy}
            onValue={(next) => change({ readyBy: next })}
            problem={problem?.fields.readyBy}
          />
        )}
        <NeedsFields without={without} needs={needs} onValue={change} />
        {asks && needsSaid(asks) && (
          <p className="text-15 text-quiet m-0">
            Whatever {asks.name} asks for: {needsSaid(asks)}.
          </p>
        )}
        {refused && <FieldNote problem={refused} units={units.units} />}
        <TextField
          label="For what"
          value={note}
          onValue={(next) => change({ note: next })}
          hint="The dish, or anything the cook should know"
          maxLength={300}
        />
        {rest && <Note>{problem.message}</Note>}
        <Button
          type="submit"
          tone="act"
          large
          // What there is to ask for may still be on its way.
          disabled={
            ask.isPending ||
            !chosen ||
            litres === undefined ||
            (weekly && !(HOUR.test(by) && days.length > 0))
          }
        >
          {ask.isPending ? 'Asking …' : 'Ask'}
        </Button>
      </form>
    </Sheet>
  )
}
