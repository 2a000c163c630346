import { useState, type FormEvent } from 'react'
import { Link } from 'react-router'
import { act } from '../../api/outbox'
import { useCalls, useMenu, type Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { FieldNote, NumberField } from '../../kit/NumberField'
import { Note } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { keptName } from '../../words/en'
import { useSend } from './useSend'

/** Handing litres of a lot to a station: a slip at a time, against the station's call where there is one. */
export function Deliver({ page, lot, onDone }: { page: Page; lot?: string; onDone?: () => void }) {
  const may = useMay()
  const units = useUnits()
  const { day } = useTimes()
  const menu = useMenu()
  const calls = useCalls()
  const [chosen, setChosen] = useState<string>()
  const [litres, setLitres] = useState<number>()
  const [celsius, setCelsius] = useState<number>()
  const { problem, send } = useSend(page.card.id, () => {
    setLitres(undefined)
    setChosen(undefined)
    setCelsius(undefined)
    onDone?.()
  })
  const lots = page.lots.filter((one) => one.leftL > DROP)
  const [lotId, setLotId] = useState(lot)
  const rest = lotId === REST || (lots.length === 0 && page.restL > DROP)
  const from = rest
    ? undefined
    : (lots.find((one) => one.id === lotId) ?? lots.find((one) => one.kept === 'COLD') ?? lots[0])
  const frozen = from?.thawsFirst ?? false
  const left = rest ? page.restL : (from?.leftL ?? 0)
  const stations = menu.data?.stations ?? []
  const open = (calls.data ?? []).filter((c) => ['OPEN', 'PLANNED', 'PARTLY_MET'].includes(c.status))
  const own = open.find((c) => c.id === page.call?.id)
  const station = chosen ?? own?.stationId ?? stations[0]?.id
  // The batch was made for its own call; only a station beside it is met from another of theirs.
  const call =
    own?.stationId === station
      ? own
      : open.find((c) => c.stationId === station && c.formulaName === page.card.formulaName)
  const wanted = call ? Math.min(left, call.litres - call.deliveredL) : Math.min(left, 1)
  const amount = litres ?? wanted
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void send(
      act('delivered', {
        litres: amount,
        stationId: station,
        callId: call?.id,
        celsius,
        ...(rest ? { lotId: REST } : page.lots.length > 1 && { lotId: from?.id }),
      }),
    )
  }
  return (
    <div className="grid gap-4">
      {page.storedL > 0 && (
        <p className="text-18 m-0">
          <b className="text-36 font-semibold">{units.litres(page.card.shelfL)}</b> left of{' '}
          {units.litres(page.storedL)} put away.{' '}
          {page.lots.length === 1 && page.lotId && <Link to={`/lots/${page.lotId}`}>Lot and label</Link>}
          {page.lots.length > 1 && (
            <a href={`/api/batches/${page.card.id}/labels.pdf`} target="_blank" rel="noreferrer">
              All labels (PDF)
            </a>
          )}
        </p>
      )}
      {page.lots.length + (page.restL > DROP ? 1 : 0) > 1 && (
        <Lots page={page} chosen={rest ? REST : from?.id} onChoose={setLotId} />
      )}
      {frozen && (
        <p className="text-15 m-0">It lies frozen: it is taken out to thaw before it goes anywhere.</p>
      )}
      {left > DROP && !frozen && may('DELIVER') && (
        <form onSubmit={submit} className="grid gap-4">
          <fieldset className="m-0 flex flex-wrap gap-2 border-0 p-0">
            <legend className="text-15 mb-1 p-0 font-semibold">To</legend>
            {stations.map((s) => (
              <label
                key={s.id}
                className="border-ink bg-raised has-checked:bg-ink has-checked:text-surface has-focus-visible:outline-river flex min-h-[48px] cursor-pointer items-center gap-2 rounded-md border-2 px-4 font-semibold has-focus-visible:outline-3"
              >
                <input
                  type="radio"
                  name="station"
                  className="sr-only"
                  checked={s.id === station}
                  onChange={() => {
                    setChosen(s.id)
                    setLitres(undefined)
                  }}
                />
                {s.name}
              </label>
            ))}
          </fieldset>
          <NumberField
            label={`${units.Litres} on this slip`}
            dimension="litres"
            units={units.units}
            value={amount}
            onValue={setLitres}
            problem={problem?.fields.litres}
          />
          <NumberField
            label={rest ? 'In the stock, as it is handed over' : 'In the stock, if it was read'}
            dimension="celsius"
            units={units.units}
            value={celsius}
            onValue={setCelsius}
            problem={problem?.fields.celsius}
          />
          {problem?.fields.callId && <FieldNote problem={problem.fields.callId} units={units.units} />}
          {problem && !problem.fields.litres && !problem.fields.callId && !problem.fields.celsius && (
            <Note>{problem.message}.</Note>
          )}
          <p className="text-15 text-quiet m-0">
            {call
              ? `Against the call for ${units.litres(call.litres)} by ${day(call.readyBy)}, ${units.litres(call.litres - call.deliveredL)} still owed.`
              : 'No call of theirs is open for this stock; the slip stands by itself.'}
          </p>
          <Button type="submit" tone="act" large disabled={rest && celsius === undefined}>
            Deliver {units.litres(amount)} to {stations.find((s) => s.id === station)?.name ?? '…'}
          </Button>
        </form>
      )}
    </div>
  )
}

/** What nobody pours. */
const DROP = 0.01

/** In the place of a lot: what is strained and not put away yet. */
const REST = 'rest'

/** The lots of a batch and what is not put away yet, and which of them is handed out of. */
function Lots({ page, chosen, onChoose }: { page: Page; chosen?: string; onChoose: (id: string) => void }) {
  const units = useUnits()
  const lots = page.lots.map((one) => ({
    id: one.id,
    words: `${one.containers > 1 ? `${one.containers} × ` : ''}${one.container || 'lot'}, ${one.cubes > 0 ? units.cubes(one.leftL, one.cubes) : keptName[one.kept]}`,
    litres: one.leftL,
  }))
  const rest = page.restL > DROP ? [{ id: REST, words: 'not put away yet', litres: page.restL }] : []
  return (
    <fieldset className="m-0 grid gap-2 border-0 p-0">
      <legend className="text-15 mb-1 p-0 font-semibold">Out of</legend>
      {[...rest, ...lots].map((one) => (
        <label
          key={one.id}
          className="border-ink bg-raised has-checked:bg-ink has-checked:text-surface has-focus-visible:outline-river flex min-h-[48px] cursor-pointer items-center justify-between gap-3 rounded-md border-2 px-4 has-focus-visible:outline-3"
        >
          <input
            type="radio"
            name="lot"
            className="sr-only"
            checked={one.id === chosen}
            onChange={() => onChoose(one.id)}
          />
          <span>{one.words}</span>
          <b className="font-semibold">{units.litres(one.litres)}</b>
          {one.id !== REST && (
            <Link to={`/lots/${one.id}`} className="text-inherit">
              Open
            </Link>
          )}
        </label>
      ))}
    </fieldset>
  )
}
