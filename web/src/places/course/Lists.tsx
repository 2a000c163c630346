import type { Course } from '../../graphics/River'
import { Heading } from '../../kit/Note'
import { OwnCalendar } from '../../kit/OwnCalendar'
import { useTimes, useUnits, useVisit } from '../../kit/session'
import { dayOf, daysAfter, duration } from '../../words/time'
import { callOf, type Call } from './changes'

/** What of it is pinned to a wall or taken elsewhere. */
export function Papers({ days }: { days: number }) {
  const { now } = useTimes()
  const { zone } = useVisit()
  const today = dayOf(now, zone)
  const sheet = (day: string) => `/api/course/day-sheet.pdf?day=${day}`
  const weighOut = (day: string) => `/api/course/weigh-out.pdf?day=${day}`
  const links = [
    { href: sheet(today), name: "Today's sheet" },
    { href: sheet(daysAfter(today, 1)), name: "Tomorrow's sheet" },
    { href: weighOut(today), name: "Today's weigh-out" },
    { href: weighOut(daysAfter(today, 1)), name: "Tomorrow's weigh-out" },
    { href: `/api/course/needs.csv?days=${days}`, name: 'To thaw, order and weigh, as a table' },
    { href: `/api/course/batches.csv?days=${days}`, name: 'The batches, as a table' },
  ]
  return (
    <section className="mt-6">
      <Heading>On paper and elsewhere</Heading>
      <p className="text-18 m-0 flex flex-wrap gap-x-6 gap-y-2">
        {links.map(({ href, name }) => (
          <a
            key={href}
            href={href}
            target="_blank"
            rel="noreferrer"
            className="text-river inline-flex min-h-[44px] items-center font-semibold"
          >
            {name}
          </a>
        ))}
      </p>
      <OwnCalendar />
    </section>
  )
}

/** Litres that are there already, or coming, and whose they would be. */
export function FromTheShelf({ course }: { course: Course }) {
  const units = useUnits()
  const { day } = useTimes()
  const lots = course.lots.filter((lot) => lot.gives.length > 0)
  if (lots.length === 0) return null
  return (
    <section className="mt-6">
      <Heading aside="oldest first">From what there is</Heading>
      <ul className="m-0 list-none p-0">
        {lots.flatMap((lot) =>
          lot.gives.map((g) => {
            const call = callOf(course, g)
            return (
              <li
                key={lot.id + g.callId}
                className="border-rule text-18 flex flex-wrap justify-between gap-x-4 border-t py-3 last:border-b"
              >
                <b className="font-semibold">
                  {call?.station} {units.litres(g.litres)}
                </b>
                <span className="text-15 text-quiet">
                  {lot.formulaName}, {lot.id}; by {call ? day(call.by) : ''}
                </span>
              </li>
            )
          }),
        )}
      </ul>
    </section>
  )
}

/** What comes late, and what is in its way. */
export function Late({ calls }: { calls: Call[] }) {
  const units = useUnits()
  const { day } = useTimes()
  if (calls.length === 0) return null
  return (
    <section className="mt-6">
      <Heading>Late</Heading>
      <ul className="m-0 list-none p-0">
        {calls.map((call) => (
          <li key={call.id} className="border-rule text-18 border-t py-3 last:border-b">
            <b className="text-ember font-semibold">
              {call.station}, {units.litres(call.litres)} of {call.formulaName} by {day(call.by)}
            </b>
            <span className="text-15 text-quiet block">
              {duration(call.lateMin)} late
              {call.why && `: ${call.why}`}.
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
