import { useState, type FormEvent } from 'react'
import { Link } from 'react-router'
import { api, data, newId, type Schemas } from '../../api/client'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { Sheet } from '../../kit/Sheet'
import { useTimes, useUnits } from '../../kit/session'
import { TextField } from '../../kit/TextField'
import { containsWords } from '../../words/en'

export type Slip = Schemas['DeliveryView']

/** Litres that a station was handed, and what it says of them: that it has them, and what of them comes back. */
export function SlipRow({ slip, station, hand }: { slip: Slip; station?: string; hand: boolean }) {
  const units = useUnits()
  const { day, time } = useTimes()
  const [asked, setAsked] = useState<'taking-over' | 'returns'>()
  const left = slip.litres - slip.backL
  return (
    <li className="border-rule grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1 border-t py-3">
      <span className="text-18">
        {station && <b className="font-semibold">{station}, </b>}
        {slip.lotId ? (
          <Link to={`/lots/${slip.lotId}`} className="font-semibold">
            {slip.formulaName}
          </Link>
        ) : (
          <b className="font-semibold">{slip.formulaName}</b>
        )}
      </span>
      <b className="text-24 justify-self-end font-semibold whitespace-nowrap">{units.litres(slip.litres)}</b>
      <span className="text-13 text-quiet">
        {[
          slip.lotCode ? `lot ${slip.lotCode}` : 'straight from the pot',
          slip.celsius !== undefined && units.celsius(slip.celsius),
          day(slip.deliveredAt),
          containsWords(slip),
        ]
          .filter(Boolean)
          .join(', ')}
        {slip.backL > 0 && (
          <b className="text-amber block font-semibold">{units.litres(slip.backL)} came back</b>
        )}
        {slip.takenOverAt && (
          <span className="block">
            taken over {time(slip.takenOverAt)}, {slip.takenOverBy}
          </span>
        )}
      </span>
      {hand && (
        <span className="col-span-2 flex flex-wrap gap-2">
          {!slip.takenOverAt && (
            <Button tone={station ? undefined : 'act'} onClick={() => setAsked('taking-over')}>
              Take over
            </Button>
          )}
          {left > LEAST_L && (
            <Button tone="quiet" onClick={() => setAsked('returns')}>
              Send back
            </Button>
          )}
        </span>
      )}
      {asked === 'taking-over' && <TakeOver slip={slip} onClose={() => setAsked(undefined)} />}
      {asked === 'returns' && <SendBack slip={slip} left={left} onClose={() => setAsked(undefined)} />}
    </li>
  )
}

function TakeOver({ slip, onClose }: { slip: Slip; onClose: () => void }) {
  const units = useUnits()
  const [celsius, setCelsius] = useState<number>()
  const [id] = useState(newId)
  const take = useChange(
    async () => {
      await data(
        api.POST('/api/deliveries/{id}/taking-over', {
          params: { path: { id: slip.id } },
          body: { id, celsius },
        }),
      )
      onClose()
    },
    ...CHANGES,
  )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    take.mutate(undefined)
  }
  return (
    <Sheet title="Take over" open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        <p className="text-18 m-0">
          <b className="font-semibold">{units.litres(slip.litres)}</b> {slip.formulaName}. From here it is
          yours to keep hot, or cold.
        </p>
        <NumberField
          label="In the stock, if you read it"
          dimension="celsius"
          units={units.units}
          value={celsius}
          onValue={setCelsius}
          problem={take.error?.fields.celsius}
        />
        {take.error && !take.error.fields.celsius && <Note>{take.error.message}.</Note>}
        <Button type="submit" tone="act" large disabled={take.isPending}>
          {take.isPending ? 'Taking over …' : 'I have it'}
        </Button>
      </form>
    </Sheet>
  )
}

function SendBack({ slip, left, onClose }: { slip: Slip; left: number; onClose: () => void }) {
  const units = useUnits()
  const [litres, setLitres] = useState<number>()
  const [celsius, setCelsius] = useState<number>()
  const [reason, setReason] = useState('')
  const [id] = useState(newId)
  const back = useChange(
    async () => {
      await data(
        api.POST('/api/deliveries/{id}/returns', {
          params: { path: { id: slip.id } },
          body: { id, litres, celsius, reason },
        }),
      )
      onClose()
    },
    ...CHANGES,
  )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    back.mutate(undefined)
  }
  return (
    <Sheet title="Send back" open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        <NumberField
          label={`${units.Litres}, of ${units.litres(left)}`}
          dimension="litres"
          units={units.units}
          value={litres}
          onValue={setLitres}
          problem={back.error?.fields.litres}
        />
        <NumberField
          label="In the stock"
          dimension="celsius"
          units={units.units}
          value={celsius}
          onValue={setCelsius}
          problem={back.error?.fields.celsius}
        />
        <TextField label="Why" value={reason} onValue={setReason} maxLength={300} />
        <p className="text-15 text-quiet m-0">
          {slip.lotId
            ? 'What is read cold lies in its lot again. What is not, or is not read at all, is thrown away.'
            : 'It never lay in a lot: what comes back of it is thrown away.'}
        </p>
        {back.error && Object.keys(back.error.fields).length === 0 && <Note>{back.error.message}.</Note>}
        <Button type="submit" tone="act" large disabled={back.isPending || !litres}>
          {back.isPending ? 'Sending back …' : litres ? `Send ${units.litres(litres)} back` : 'How much?'}
        </Button>
      </form>
    </Sheet>
  )
}

/** What either changes. */
const CHANGES = ['deliveries', 'lots', 'lot', 'batches', 'batch', 'range', 'calls'] as const

/** Nobody sends back less. */
const LEAST_L = 0.05
