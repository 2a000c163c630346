import { useState, type FormEvent, type ReactNode } from 'react'
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
  const said = useSaid(onClose, (id) =>
    api.POST('/api/deliveries/{id}/taking-over', {
      params: { path: { id: slip.id } },
      body: { id, celsius },
    }),
  )
  return (
    <SaySheet
      title="Take over"
      said={said}
      fields={['celsius']}
      says="I have it"
      saying="Taking over …"
      onClose={onClose}
    >
      <p className="text-18 m-0">
        <b className="font-semibold">{units.litres(slip.litres)}</b> {slip.formulaName}. From here it is yours
        to keep hot, or cold.
      </p>
      <NumberField
        label="In the stock, if you read it"
        dimension="celsius"
        units={units.units}
        value={celsius}
        onValue={setCelsius}
        problem={said.error?.fields.celsius}
      />
    </SaySheet>
  )
}

function SendBack({ slip, left, onClose }: { slip: Slip; left: number; onClose: () => void }) {
  const units = useUnits()
  const [litres, setLitres] = useState<number>()
  const [celsius, setCelsius] = useState<number>()
  const [reason, setReason] = useState('')
  const said = useSaid(onClose, (id) =>
    api.POST('/api/deliveries/{id}/returns', {
      params: { path: { id: slip.id } },
      body: { id, litres, celsius, reason },
    }),
  )
  return (
    <SaySheet
      title="Send back"
      said={said}
      fields={['litres', 'celsius']}
      says={litres ? `Send ${units.litres(litres)} back` : undefined}
      saying="Sending back …"
      onClose={onClose}
    >
      <NumberField
        label={`${units.Litres}, of ${units.litres(left)}`}
        dimension="litres"
        units={units.units}
        value={litres}
        onValue={setLitres}
        problem={said.error?.fields.litres}
      />
      <NumberField
        label="In the stock"
        dimension="celsius"
        units={units.units}
        value={celsius}
        onValue={setCelsius}
        problem={said.error?.fields.celsius}
      />
      <TextField label="Why" value={reason} onValue={setReason} maxLength={300} />
      <p className="text-15 text-quiet m-0">
        {slip.lotId
          ? 'What is read cold lies in its lot again. What is not, or is not read at all, is thrown away.'
          : 'It never lay in a lot: what comes back of it is thrown away.'}
      </p>
    </SaySheet>
  )
}

/** Says something of a slip, under one id however often it is sent. */
function useSaid(onSaid: () => void, say: (id: string) => Parameters<typeof data>[0]) {
  const [id] = useState(newId)
  return useChange(
    async () => {
      await data(say(id))
      onSaid()
    },
    ...CHANGES,
  )
}

/** What is asked for, and the button that says it. */
function SaySheet({
  title,
  said,
  fields,
  says,
  saying,
  onClose,
  children,
}: {
  title: string
  said: ReturnType<typeof useSaid>
  /** That say themselves what is wrong with them. */
  fields: string[]
  /** Nothing where there is nothing to say yet. */
  says?: string
  saying: string
  onClose: () => void
  children: ReactNode
}) {
  const submit = (event: FormEvent) => {
    event.preventDefault()
    said.mutate(undefined)
  }
  return (
    <Sheet title={title} open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        {children}
        {said.error && !fields.some((field) => said.error!.fields[field]) && (
          <Note>{said.error.message}.</Note>
        )}
        <Button type="submit" tone="act" large disabled={said.isPending || says === undefined}>
          {said.isPending ? saying : (says ?? 'How much?')}
        </Button>
      </form>
    </Sheet>
  )
}

/** What either changes. */
const CHANGES = ['deliveries', 'lots', 'lot', 'batches', 'batch', 'range', 'calls'] as const

/** Nobody sends back less. */
const LEAST_L = 0.05
