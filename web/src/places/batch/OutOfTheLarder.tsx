import { useState, type FormEvent } from 'react'
import type { Problem, Schemas } from '../../api/client'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { used } from '../../kit/rest'
import { useTimes, useUnits } from '../../kit/session'
import { boxRefusedWords } from '../../words/en'
import { plainDay } from '../../words/time'
import { happened, WhenField } from './WhenField'
import { useSend } from './useSend'

type Wanted = Schemas['WantedView']
type Offer = Wanted['offers'][number]

/** Weighing in out of the larder: box by box what goes in, the bed and every part, with what is still wanted beside it. */
export function OutOfTheLarder({
  page,
  wanted,
  first,
  onDone,
}: {
  page: Page
  wanted: Wanted[]
  /** A box that was scanned. */
  first?: string
  onDone: () => void
}) {
  const units = useUnits()
  const { now } = useTimes()
  const [takes, setTakes] = useState<Record<string, number | undefined>>(() => scanned(wanted, first))
  const [ago, setAgo] = useState(0)
  const { problem, busy, send } = useSend(page.card.id, () => {
    used()
    onDone()
  })
  const open = wanted.filter((one) => one.stillKg > 0)
  const chosen = open.flatMap((one) =>
    one.offers
      .filter((offer) => (takes[offer.boxId] ?? 0) > 0)
      .map((offer) => ({ part: one.part, kg: takes[offer.boxId]!, boxId: offer.boxId })),
  )
  const all = () =>
    setTakes(
      Object.fromEntries(
        open.flatMap((one) => one.offers.map((offer) => [offer.boxId, offer.takeKg || undefined])),
      ),
    )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void send(...chosen.map((one) => act('took', { ...one, ...happened(ago, now) })))
  }
  return (
    <form onSubmit={submit} className="grid gap-5">
      {open.length > 1 && (
        <Button type="button" onClick={all}>
          All as planned
        </Button>
      )}
      {open.map((one) => (
        <Row
          key={one.goods}
          one={one}
          takes={takes}
          onTake={(boxId, kg) => setTakes({ ...takes, [boxId]: kg })}
        />
      ))}
      <WhenField minutes={ago} onMinutes={setAgo} />
      {problem && <Note>{said(problem)}</Note>}
      <Button type="submit" tone="act" large disabled={busy || chosen.length === 0}>
        {busy ? 'Logging …' : chosen.length === 0 ? 'Choose a box' : `Weigh in ${units.kg(sum(chosen))}`}
      </Button>
    </form>
  )
}

function Row({
  one,
  takes,
  onTake,
}: {
  one: Wanted
  takes: Record<string, number | undefined>
  onTake: (boxId: string, kg: number | undefined) => void
}) {
  const units = useUnits()
  const taken = one.offers.reduce((kg, offer) => kg + (takes[offer.boxId] ?? 0), 0)
  return (
    <fieldset className="border-rule m-0 grid gap-2 border-0 border-t p-0 pt-3">
      <legend className="sr-only">{one.name}</legend>
      <p className="m-0 flex items-baseline justify-between gap-3" aria-hidden>
        <b className="text-18 font-semibold">{one.name}</b>
        <span className="text-18 whitespace-nowrap">
          <b className="font-semibold">{units.kg(taken)}</b> of {units.kg(one.stillKg)}
        </span>
      </p>
      {one.offers.length === 0 && <p className="text-15 text-quiet m-0">None of it is in the larder.</p>}
      {one.offers.map((offer) => (
        <BoxRow
          key={offer.boxId}
          offer={offer}
          kg={takes[offer.boxId]}
          onTake={(kg) => onTake(offer.boxId, kg)}
          would={first(one.stillKg - taken, offer)}
        />
      ))}
    </fieldset>
  )
}

/** A box: a touch takes of it what is still wanted, another puts it back; how much can be told otherwise. */
function BoxRow({
  offer,
  kg,
  would,
  onTake,
}: {
  offer: Offer
  kg: number | undefined
  would: number
  onTake: (kg: number | undefined) => void
}) {
  const units = useUnits()
  const [changing, setChanging] = useState(false)
  const taken = kg !== undefined
  return (
    <div className="grid gap-2">
      <div className="flex items-stretch gap-2">
        <button
          type="button"
          aria-pressed={taken}
          disabled={offer.refused !== undefined}
          onClick={() => onTake(taken ? undefined : would)}
          className="border-ink bg-raised text-15 aria-pressed:bg-ink aria-pressed:text-surface disabled:border-rule disabled:text-quiet grid min-h-[52px] flex-1 grid-cols-[minmax(0,1fr)_auto] items-center gap-3 rounded-md border-2 px-3 text-left"
        >
          <span>
            {boxWords(offer)}
            {offer.useBy && (
              <span className="text-13 block opacity-85">
                {offer.refused ? boxRefusedWords[offer.refused] : `use by ${plainDay(offer.useBy)}`}
                {taken && `, ${units.kg(offer.leftKg)} there`}
              </span>
            )}
          </span>
          <span className="text-18 font-semibold">{units.kg(taken ? kg : offer.leftKg)}</span>
        </button>
        {taken && !changing && (
          <Button type="button" tone="quiet" onClick={() => setChanging(true)}>
            Change
          </Button>
        )}
      </div>
      {taken && changing && (
        <NumberField
          label={`Out of ${boxWords(offer)}`}
          dimension="kg"
          units={units.units}
          value={kg}
          onValue={(next) => onTake(next ?? 0)}
          autoFocus
        />
      )}
    </div>
  )
}

const boxWords = (offer: Offer) =>
  offer.trim
    ? 'Trim of our own'
    : [offer.supplier, offer.supplierLot && `lot ${offer.supplierLot}`].filter(Boolean).join(', ') || 'A box'

const first = (open: number, offer: Offer) => Math.max(0, Math.min(open, offer.leftKg))

function scanned(wanted: Wanted[], box?: string): Record<string, number | undefined> {
  const one = wanted.find((each) => each.offers.some((offer) => offer.boxId === box))
  const offer = one?.offers.find((each) => each.boxId === box)
  return one && offer && !offer.refused ? { [offer.boxId]: first(one.stillKg, offer) } : {}
}

const sum = (chosen: { kg: number }[]) => chosen.reduce((kg, one) => kg + one.kg, 0)

const said = (problem: Problem) =>
  Object.values(problem.fields)
    .map((why) => why.reason)
    .join('; ') || problem.message
