import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { Fork } from '../../graphics/Fork'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { wayOutName } from '../../words/en'
import { useTaking, type Trouble } from './trouble'
import { dayOf, daysAfter, duration, instantOf, plainDay } from '../../words/time'

type Looked = Schemas['WaysOutView']
type Way = Schemas['Way']
type Moved = Schemas['WayMoved']
type Told = Schemas['WayTold']

/** What something that goes otherwise does, and the ways out of it, the best first: each with what moves, who is told what, and what it costs. */
export function WaysOut({
  looked,
  trouble,
  take,
  busy = false,
  first,
  onTaken,
}: {
  looked: Looked
  /** As it is written down with the way that is taken. */
  trouble: Trouble
  /** What taking one is called. */
  take: string
  busy?: boolean
  /** What has to have happened before one is taken: where it does not, none is. */
  first?: () => Promise<boolean>
  onTaken: () => void
}) {
  const taking = useTaking()
  const [waits, setWaits] = useState(false)
  const takeIt = async (way: Way) => {
    setWaits(true)
    const goesOn = !first || (await first())
    setWaits(false)
    if (!goesOn) return
    taking.mutate({ trouble, version: looked.version, way: way.taking }, { onSuccess: onTaken })
  }
  const reaches = looked.ways.flatMap((way) => way.moved.flatMap((m) => [m.from, m.to].filter((r) => !!r)))
  const times = reaches.flatMap((r) => [r.start, r.ready]).sort()
  const span: [Date, Date] = [new Date(times[0] ?? 0), new Date(times[times.length - 1] ?? 1)]
  const most = Math.max(1, ...reaches.map((r) => r.litres))
  const { zone, now } = useTimes()
  const begins = dayOf(span[0], zone)
  const days = [1, 2, 3, 4]
    .map((n) => daysAfter(begins, n))
    .map((date) => ({ at: instantOf(`${date}T00:00`, zone), name: shortDay(date, dayOf(now, zone)) }))
    .filter(({ at }) => at < span[1])
  return (
    <div className="grid gap-4">
      {looked.told.map((told) => (
        <p key={told.callId} className="text-18 m-0">
          <ToldWords told={told} />
        </p>
      ))}
      {looked.ways.map((way, n) => (
        <section key={way.how} aria-label={nameOf(way)} className="border-rule border-t-2 pt-3">
          <div className="mb-2 flex flex-wrap items-start justify-between gap-x-4 gap-y-2">
            <div>
              <h3 className="text-18 m-0 font-bold">{nameOf(way)}</h3>
              <p className="text-15 text-quiet m-0">
                <Cost way={way} />
              </p>
            </div>
            <Button
              tone={n === 0 ? 'act' : 'plain'}
              disabled={busy || waits || taking.isPending}
              onClick={() => void takeIt(way)}
            >
              {take}
            </Button>
          </div>
          {way.told.length > 0 && (
            <ul className="text-18 m-0 mb-2 grid list-none gap-1 p-0">
              {way.told.map((told) => (
                <li key={told.callId}>
                  <ToldWords told={told} />
                </li>
              ))}
            </ul>
          )}
          <ul className="m-0 grid list-none gap-2 p-0">
            {way.moved.map((moved) => (
              <li key={(moved.from ?? moved.to)!.start + moved.formulaName}>
                <MovedWords moved={moved} />
                <Fork
                  from={moved.from}
                  to={moved.to}
                  span={span}
                  most={most}
                  days={days}
                  label={moved.formulaName}
                />
              </li>
            ))}
          </ul>
        </section>
      ))}
      {taking.error && <Note>{taking.error.message}</Note>}
    </div>
  )
}

/** Where nothing that is planned has to move, it waits for nothing. */
const nameOf = (way: Way) =>
  way.moved.length > 0 && way.moved.every((moved) => !moved.from)
    ? 'Made beside the rest'
    : wayOutName[way.how]

const shortDay = (date: string, today: string) => (date === daysAfter(today, 1) ? 'tomorrow' : plainDay(date))

/** What a way costs beside what was laid, in few words. */
function Cost({ way }: { way: Way }) {
  const units = useUnits()
  const costs = [
    way.moreLateL > 0 && `${units.litres(way.moreLateL)} more come late or not at all`,
    way.moreLateL < 0 && `${units.litres(-way.moreLateL)} fewer come late`,
    way.moreCookMin > 0 && `${duration(way.moreCookMin)} more of a cook's time`,
    way.moved.length > 0 &&
      (way.moved.length === 1 ? 'one batch changes' : `${way.moved.length} batches change`),
  ].filter(Boolean)
  return costs.length > 0 ? `${costs.join(', ')}.` : 'It costs nothing.'
}

function MovedWords({ moved }: { moved: Moved }) {
  const units = useUnits()
  const { day } = useTimes()
  const { from, to } = moved
  const name = moved.number ? `${moved.formulaName}, batch ${moved.number}` : moved.formulaName
  if (!to)
    return (
      <p className="text-15 m-0">
        <b className="font-semibold">{name}</b> in {from?.vesselName} is not made.
      </p>
    )
  const differs = from && units.litres(from.litres) !== units.litres(to.litres)
  const same = from && from.vesselName === to.vesselName
  return (
    <p className="text-15 m-0">
      <b className="font-semibold">{name}</b>:{' '}
      {from ? (
        <>
          {differs ? `${units.litres(to.litres)} instead of ${units.litres(from.litres)}, ` : ''}
          {same ? `in ${to.vesselName}` : `in ${to.vesselName} instead of ${from.vesselName}`}, starts{' '}
          <b className="font-semibold">{day(to.start)}</b> instead of {day(from.start)}.
        </>
      ) : (
        <>
          {units.litres(to.litres)} more, in {to.vesselName}, starts{' '}
          <b className="font-semibold">{day(to.start)}</b>.
        </>
      )}
    </p>
  )
}

/** What a station gets, and what it would have got. */
export function ToldWords({ told }: { told: Told }) {
  const units = useUnits()
  const { day } = useTimes()
  const parts = told.is.map(
    (one) => `${units.litres(one.litres)} ${one.at > told.by ? 'at' : 'by'} ${day(one.at)}`,
  )
  const asked = `${units.litres(told.litres)} by ${day(told.by)}`
  const missing = units.litres(told.missing)
  return (
    <span className="text-ember">
      <b className="font-semibold">{told.station}</b>, {told.formulaName}:{' '}
      {parts.length > 0 ? parts.join(', ') : 'nothing'}
      {told.missing > 0 && parts.length > 0 && `, ${missing} not at all`} instead of {asked}.
    </span>
  )
}
