import { useState, type FormEvent } from 'react'
import { Link } from 'react-router'
import type { Problem } from '../../api/client'
import { act } from '../../api/outbox'
import { useCalls, useMenu, type Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { FieldNote, NumberField } from '../../kit/NumberField'
import { Note } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { logAll } from './acts'

/** Handing litres of a lot to a station: a slip at a time, against the station's call where there is one. */
export function Deliver({ page }: { page: Page }) {
  const may = useMay()
  const units = useUnits()
  const { day } = useTimes()
  const menu = useMenu()
  const calls = useCalls()
  const [chosen, setChosen] = useState<string>()
  const [litres, setLitres] = useState<number>()
  const [problem, setProblem] = useState<Problem>()
  const left = page.card.shelfL
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
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    setProblem(undefined)
    const outcome = await logAll(page.card.id, [
      act('delivered', { litres: amount, stationId: station, callId: call?.id }),
    ])
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else {
      setLitres(undefined)
      setChosen(undefined)
    }
  }
  return (
    <div className="grid gap-4">
      <p className="text-18 m-0">
        <b className="text-36 font-semibold">{units.litres(left)}</b> on the shelf of{' '}
        {units.litres(page.storedL)} put away.{' '}
        {page.lotId && <Link to={`/lots/${page.lotId}`}>Lot and label</Link>}
      </p>
      {left > 0.01 && may('DELIVER') && (
        <form onSubmit={(event) => void submit(event)} className="grid gap-4">
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
          {problem?.fields.callId && <FieldNote problem={problem.fields.callId} units={units.units} />}
          {problem && !problem.fields.litres && !problem.fields.callId && <Note>{problem.message}.</Note>}
          <p className="text-15 text-quiet m-0">
            {call
              ? `Against the call for ${units.litres(call.litres)} by ${day(call.readyBy)}, ${units.litres(call.litres - call.deliveredL)} still owed.`
              : 'No call of theirs is open for this stock; the slip stands by itself.'}
          </p>
          <Button type="submit" tone="act" large>
            Deliver {units.litres(amount)} to {stations.find((s) => s.id === station)?.name ?? '…'}
          </Button>
        </form>
      )}
    </div>
  )
}
