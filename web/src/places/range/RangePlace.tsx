import { useMemo } from 'react'
import { Link, useNavigate } from 'react-router'
import { useCalls, useRange, type Card } from '../../api/queries'
import { ActsRuler, type RulerAct } from '../../graphics/ActsRuler'
import { useKeys } from '../../kit/keys'
import { Empty, Failed, Heading, Loading } from '../../kit/Note'
import { useTimes } from '../../kit/session'
import { dueWords } from '../batch/acts'
import { RangeVessel } from './RangeVessel'

/** What needs my hands now? */
export function RangePlace() {
  const range = useRange()
  const calls = useCalls()
  const navigate = useNavigate()
  const { now, clock } = useTimes()
  const batches = useMemo(() => range.data?.batches ?? [], [range.data])
  useKeys(
    useMemo(
      () =>
        Object.fromEntries(
          batches.slice(0, 9).map((card, i) => [String(i + 1), () => void navigate(`/batches/${card.id}`)]),
        ),
      [batches, navigate],
    ),
  )
  if (range.isPending) return <Loading what="the range" />
  if (range.isError && !range.data)
    return <Failed what="The range" error={range.error} onRetry={() => void range.refetch()} />
  const open = (calls.data ?? []).filter((call) => call.status === 'OPEN')
  return (
    <>
      <h1 className="sr-only">Range</h1>
      {batches.length === 0 ? (
        <Empty title="Nothing is on the heat">
          <p>
            A pot appears here when a plan is accepted: open a call under <Link to="/calls">Calls</Link>, or
            try a charge under <Link to="/formulas">Formulas</Link>.
          </p>
        </Empty>
      ) : (
        <Hob batches={batches} now={now} />
      )}
      {batches.length > 0 && (
        <section className="mt-8">
          <Heading aside={`now ${clock(now)}`}>The coming hour</Heading>
          <ActsRuler
            acts={acts(batches, now)}
            clock={(minute) => clock(now + minute * 60_000)}
            onOpen={(href) => void navigate(href)}
          />
        </section>
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

/** Pots side by side in their true sizes, standing on the range. */
function Hob({ batches, now }: { batches: Card[]; now: number }) {
  const widest = Math.max(...batches.map((card) => card.vessel.widthCm))
  const tallest = Math.max(...batches.map((card) => card.vessel.heightCm))
  const scale = Math.min(5.2, 250 / tallest, 270 / widest)
  return (
    <div
      className="grid items-end gap-x-6 gap-y-10"
      style={{ gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 300px), 1fr))' }}
    >
      {batches.map((card, i) => (
        <RangeVessel key={card.id} card={card} place={i + 1} scale={scale} now={now} />
      ))}
    </div>
  )
}

function acts(batches: Card[], now: number): RulerAct[] {
  return batches
    .flatMap((card) =>
      card.due.map((due, i) => ({
        id: `${card.id}:${i}`,
        vessel: card.vessel.name,
        words: dueWords(due),
        minute: (new Date(due.due).getTime() - now) / 60_000,
        late: new Date(due.lateAt).getTime() < now,
        href: `/batches/${card.id}`,
      })),
    )
    .sort((a, b) => a.minute - b.minute)
}
