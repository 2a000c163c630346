import { api, data, type Schemas } from '../../api/client'
import { useChange, useStanding } from '../../api/queries'
import { Button } from '../../kit/Button'
import { daysSaid } from '../../kit/Days'
import { Heading, Note } from '../../kit/Note'
import { useMay, useTimes, useUnits, useVisit } from '../../kit/session'
import { needsSaid } from '../../words/en'
import { dayOf, plainDay } from '../../words/time'

type Pattern = Schemas['StandingView']

/** Calls that come back week by week: one day can be left out without the rest. */
export function Standing() {
  const standing = useStanding()
  if (!standing.data || standing.data.length === 0) return null
  return (
    <section className="mt-8">
      <Heading aside="each becomes calls for the two weeks ahead">Week by week</Heading>
      <ul className="m-0 list-none p-0">
        {standing.data.map((pattern) => (
          <Row key={pattern.id} pattern={pattern} />
        ))}
      </ul>
    </section>
  )
}

function Row({ pattern }: { pattern: Pattern }) {
  const units = useUnits()
  const may = useMay()
  const { zone } = useVisit()
  const { day } = useTimes()
  const path = { id: pattern.id }
  const leaveOut = useChange(
    (on: string) =>
      data(api.PUT('/api/standing-calls/{id}/skips/{day}', { params: { path: { ...path, day: on } } })),
    'standing',
    'calls',
  )
  const takeIn = useChange(
    (on: string) =>
      data(api.DELETE('/api/standing-calls/{id}/skips/{day}', { params: { path: { ...path, day: on } } })),
    'standing',
    'calls',
  )
  const end = useChange(
    () => data(api.DELETE('/api/standing-calls/{id}', { params: { path } })),
    'standing',
    'calls',
  )
  const busy = leaveOut.isPending || takeIn.isPending || end.isPending
  const problem = leaveOut.error ?? takeIn.error ?? end.error
  const next = pattern.next && dayOf(pattern.next, zone)
  return (
    <li className="border-rule grid items-center gap-x-6 gap-y-2 border-t py-3 last:border-b md:grid-cols-[150px_minmax(0,1.4fr)_minmax(0,1fr)_280px]">
      <span className="text-24 font-semibold whitespace-nowrap">
        {pattern.onHand && <span className="text-15 block">at least</span>}
        {units.litres(pattern.litres)}
      </span>
      <span>
        <b className="text-18 block font-semibold">{pattern.formulaName}</b>
        <span className="text-15 text-quiet">
          {pattern.stationName}
          {needsSaid(pattern) && `, ${needsSaid(pattern)}`}
          {pattern.note && `, ${pattern.note}`}
        </span>
      </span>
      <span>
        <span className="text-18 block">
          {pattern.onHand ? 'on hand; asked for ' : ''}
          {pattern.onHand ? daysSaid(pattern.days).toLowerCase() : daysSaid(pattern.days)} by {pattern.by}
        </span>
        <span className="text-15 text-quiet block">
          {pattern.next ? `next ${day(pattern.next)}` : 'not in the coming two weeks'}
        </span>
      </span>
      {may('ASK') && (
        <span className="flex flex-wrap justify-end gap-2">
          {next && (
            <Button tone="quiet" disabled={busy} onClick={() => leaveOut.mutate(next)}>
              Leave the next out
            </Button>
          )}
          <Button tone="quiet" disabled={busy} onClick={() => end.mutate(undefined)}>
            End it
          </Button>
        </span>
      )}
      {pattern.skips.length > 0 && (
        <span className="text-15 flex flex-wrap items-center gap-x-3 md:col-span-4">
          Left out:
          {pattern.skips.map((skip) => (
            <span key={skip} className="inline-flex items-center">
              {plainDay(skip)}
              {may('ASK') && (
                <Button
                  tone="quiet"
                  disabled={busy}
                  onClick={() => takeIn.mutate(skip)}
                  aria-label={`Take in ${plainDay(skip)}`}
                >
                  Take it in
                </Button>
              )}
            </span>
          ))}
        </span>
      )}
      {problem && <Note>{problem.message}</Note>}
    </li>
  )
}
