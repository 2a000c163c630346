import { useMemo } from 'react'
import { Link, useNavigate } from 'react-router'
import type { Schemas } from '../../api/client'
import { useCalls, useRange, type Card } from '../../api/queries'
import { OvenTrays } from '../../graphics/OvenTrays'
import { ActsRuler, type RulerAct } from '../../graphics/ActsRuler'
import { Button } from '../../kit/Button'
import { useKeys } from '../../kit/keys'
import { Empty, Failed, Heading, Loading } from '../../kit/Note'
import { useKept } from '../../kit/screen'
import { useTimes, useUnits } from '../../kit/session'
import { dueKey, dueWords } from '../batch/acts'
import { HitNow } from '../course/HitNow'
import { TellMissing } from '../course/Missing'
import { useSound } from './alarms'
import { BigFigures } from './BigFigures'
import { counted, HobMap, lay, type Laid } from './HobMap'
import { RangeVessel } from './RangeVessel'

/** Calls further on are nobody's hurry. */
const SOON_MS = 2 * 86_400_000

/** What needs my hands now? */
export function RangePlace() {
  const range = useRange()
  const calls = useCalls()
  const navigate = useNavigate()
  const { now, clock } = useTimes()
  const [big, setBig] = useBig()
  const [sound, setSound] = useSound()
  const laid = useMemo(() => lay(range.data?.hob ?? [], range.data?.batches ?? []), [range.data])
  const batches = useMemo(() => counted(laid), [laid])
  useKeys(
    useMemo(
      () =>
        Object.fromEntries([
          ...batches
            .slice(0, 9)
            .map((card, i) => [String(i + 1), () => void navigate(`/batches/${card.id}`)] as const),
          ['f', () => setBig(!big)] as const,
        ]),
      [batches, navigate, big, setBig],
    ),
  )
  if (range.isPending) return <Loading what="the range" />
  if (range.isError && !range.data)
    return <Failed what="The range" error={range.error} onRetry={() => void range.refetch()} />
  const open = (calls.data ?? []).filter(
    (call) => call.status === 'OPEN' && new Date(call.readyBy).getTime() < now + SOON_MS,
  )
  return (
    <>
      <h1 className="sr-only">Range</h1>
      <HitNow notBegun={batches.some((card) => card.stage === 'WEIGH_IN')} />
      {batches.length === 0 ? (
        <Empty title="Nothing is on the heat">
          <p>
            A pot appears here when a plan is accepted: open a call under <Link to="/calls">Calls</Link>, or
            try a charge under <Link to="/formulas">Formulas</Link>.
          </p>
        </Empty>
      ) : big ? (
        <BigFigures batches={batches} now={now} />
      ) : (
        <Vessels laid={laid} batches={batches} now={now} />
      )}
      <Ovens batches={batches} now={now} />
      {batches.length > 0 && (
        <section className="mt-8">
          <Heading aside={`now ${clock(now)}`}>The coming hour</Heading>
          <Moved moved={range.data?.moved ?? []} batches={batches} />
          <ActsRuler
            acts={acts(batches, now)}
            clock={(minute) => clock(now + minute * 60_000)}
            onOpen={(href) => void navigate(href)}
          />
        </section>
      )}
      {batches.length > 0 && (
        <div role="group" aria-label="This screen" className="mt-8 flex flex-wrap items-center gap-2">
          <Link to="/hand-over" className="text-18 mr-6 font-semibold">
            Hand over
          </Link>
          <TellMissing />
          <span className="text-15 text-quiet mr-2">This screen</span>
          <Button onClick={() => setBig(!big)}>{big ? 'Show the pots' : 'Big figures'}</Button>
          <Button onClick={() => setSound(!sound)}>{sound ? 'Silence alarms' : 'Let alarms sound'}</Button>
        </div>
      )}
      {open.length > 0 && (
        <p className="text-18 mt-6">
          <Link to="/calls" className="text-ember font-semibold">
            {open.length} {open.length === 1 ? 'call waits' : 'calls wait'} for a plan
          </Link>
        </p>
      )}
    </>
  )
}

/** Whether this screen shows figures alone, as one that hangs across the kitchen does. */
function useBig(): [boolean, (big: boolean) => void] {
  const [said, keep] = useKept('range.big')
  return [said === 'yes', (big) => keep(big ? 'yes' : 'no')]
}

/** Acts that want the same hands: which one gives way, and to what. */
function Moved({ moved, batches }: { moved: Schemas['MovedView'][]; batches: Card[] }) {
  const { clock } = useTimes()
  const vessel = (id: string) => batches.find((card) => card.id === id)?.vessel.name ?? ''
  const words = (id: string, kind: string) => {
    const due = batches.find((card) => card.id === id)?.due.find((d) => d.kind === kind)
    return due ? dueWords(due).toLowerCase() : ''
  }
  if (moved.length === 0) return null
  return (
    <ul className="text-15 m-0 mb-3 grid list-none gap-1 p-0" aria-label="Both hands at once">
      {moved.slice(0, 3).map((m) => (
        <li key={`${m.batchId}${m.kind}`} className={m.late ? 'text-ember font-semibold' : 'text-quiet'}>
          <b className="text-ink font-semibold">{vessel(m.batchId)}</b> {words(m.batchId, m.kind)} at{' '}
          {clock(m.from)}: {vessel(m.becauseBatchId)} wants both hands first (
          {words(m.becauseBatchId, m.becauseKind)}){m.late && ', and that is late'}
        </li>
      ))}
    </ul>
  )
}

/** What is in the ovens, tray by tray, and when it comes out. */
function Ovens({ batches, now }: { batches: Card[]; now: number }) {
  const { time } = useTimes()
  const units = useUnits()
  const roasting = batches.filter((card) => card.oven)
  if (roasting.length === 0) return null
  return (
    <section className="mt-8">
      <Heading>In the oven</Heading>
      <ul className="m-0 grid list-none gap-x-6 gap-y-3 p-0 md:grid-cols-2">
        {roasting.map((card) => {
          const oven = card.oven!
          const whole = new Date(oven.outAt).getTime() - new Date(oven.since).getTime()
          const done = Math.min(1, Math.max(0, (now - new Date(oven.since).getTime()) / Math.max(1, whole)))
          return (
            <li key={card.id} className="flex items-center gap-4">
              <OvenTrays trays={oven.trays} done={done} />
              <span>
                <b className="text-18 block font-semibold">
                  {oven.oven} at {units.celsius(oven.ovenC, 5)}, {card.formulaName}
                </b>
                <span className="text-15 text-quiet block">
                  in since {time(oven.since)}, out about{' '}
                  <b className="text-ink font-semibold">{time(oven.outAt)}</b>, to shade {oven.shade}
                  {oven.lastShade !== undefined && `, last ${oven.lastShade}`}
                </span>
              </span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** More vessels than these do not stand in view at once as large as they could be. */
const UNCROWDED = 3

/** Pots in their true sizes on the burners they stand on, and beside the range what is being prepared, strained or cooled. */
function Vessels({ laid, batches, now }: { laid: Laid; batches: Card[]; now: number }) {
  const widest = Math.max(...batches.map((card) => card.vessel.widthCm))
  const tallest = Math.max(...batches.map((card) => card.vessel.heightCm))
  const crowded = batches.length > UNCROWDED
  const scale = crowded ? Math.min(150 / tallest, 140 / widest) : Math.min(5.2, 250 / tallest, 270 / widest)
  const burner = (card: Card) => {
    if (card.heat === 'OVEN' && ['BRING_UP', 'SIMMER'].includes(card.stage)) return 'in the oven'
    const place = laid.rows.flat().find((at) => at.place.burnerId === card.burnerId)
    if (!place || !card.onTheHob) return undefined
    return place.card === card ? `on ${place.place.name}` : `waits for ${place.place.name}`
  }
  const vessel = (card: Card) => (
    <RangeVessel
      key={card.id}
      card={card}
      burner={burner(card)}
      place={batches.indexOf(card) + 1}
      scale={scale}
      crowded={crowded}
      now={now}
    />
  )
  return (
    <>
      <HobMap laid={laid} crowded={crowded}>
        {vessel}
      </HobMap>
      {laid.beside.length > 0 && (
        <section className="mt-8">
          <Heading>Beside the range</Heading>
          <div
            className={`grid gap-x-6 gap-y-10 ${crowded ? '' : 'items-end'}`}
            style={{
              gridTemplateColumns: `repeat(auto-fill, minmax(min(100%, ${crowded ? 360 : 300}px), 1fr))`,
            }}
          >
            {laid.beside.map(vessel)}
          </div>
        </section>
      )}
    </>
  )
}

function acts(batches: Card[], now: number): RulerAct[] {
  return batches
    .flatMap((card) =>
      card.due.map((due) => ({
        id: `${card.id}:${dueKey(due)}`,
        vessel: card.vessel.name,
        words: dueWords(due),
        minute: (new Date(due.due).getTime() - now) / 60_000,
        late: new Date(due.lateAt).getTime() < now,
        href: `/batches/${card.id}`,
      })),
    )
    .sort((a, b) => a.minute - b.minute)
}
