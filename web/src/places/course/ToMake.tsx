import { Button } from '../../kit/Button'
import { Heading } from '../../kit/Note'
import { useMay, useTimes, useUnits, useVisit } from '../../kit/session'
import type { Course } from '../../graphics/River'
import { brokenName } from '../../words/en'
import { dayOf, daysAfter, plainDay } from '../../words/time'
import { about, brokenBy, forWhom } from './InHand'

/** What is to be made, day by day: one, a day, or all becomes batches. */
export function ToMake({
  course,
  taken,
  busy,
  onPoint,
  onTake,
  onAccept,
}: {
  course: Course
  taken?: string
  busy: boolean
  onPoint: (id: string | undefined) => void
  onTake: (id: string) => void
  onAccept: (drafts: Course['drafts']) => void
}) {
  const units = useUnits()
  const may = useMay()
  const { day, clock, now } = useTimes()
  const { zone } = useVisit()
  const drafts = [...course.drafts].sort((a, b) => a.start.localeCompare(b.start))
  if (drafts.length === 0) return null
  const dates = [...new Set(drafts.map((draft) => dayOf(draft.start, zone)))]
  const days = dates.map(
    (date) => [date, drafts.filter((draft) => dayOf(draft.start, zone) === date)] as const,
  )
  const today = dayOf(now, zone)
  const dayName = (date: string) =>
    date === today ? 'Today' : date === daysAfter(today, 1) ? 'Tomorrow' : plainDay(date)
  return (
    <section className="mt-6">
      <Heading
        aside={
          may('PLAN') &&
          drafts.length > 1 && (
            <Button disabled={busy} onClick={() => onAccept(drafts)}>
              {`Accept all ${drafts.length}`}
            </Button>
          )
        }
      >
        To make, by when it starts
      </Heading>
      {days.map(([date, ofTheDay]) => (
        <section key={date} aria-label={dayName(date)}>
          <div className="border-ink flex items-center justify-between gap-4 border-b-2 pt-4 pb-1">
            <h3 className="text-18 m-0 font-bold">{dayName(date)}</h3>
            {may('PLAN') && days.length > 1 && ofTheDay.length > 1 && (
              <Button
                tone="quiet"
                disabled={busy}
                onClick={() => onAccept(ofTheDay)}
              >{`Accept these ${ofTheDay.length}`}</Button>
            )}
          </div>
          <ul className="m-0 list-none p-0">
            {ofTheDay.map((draft) => {
              const broken = brokenBy(course, draft)
              return (
                <li
                  key={draft.id}
                  className={`border-rule grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-t py-3 last:border-b md:grid-cols-[110px_minmax(0,3fr)_minmax(0,3fr)_auto] ${taken === draft.id ? 'bg-raised' : ''}`}
                  onMouseEnter={() => onPoint(draft.id)}
                  onMouseLeave={() => onPoint(undefined)}
                >
                  <b className="text-24 font-semibold">{clock(draft.start)}</b>
                  <span className="order-last col-span-2 md:order-none md:col-span-1">
                    <b className="text-18 font-semibold">
                      {draft.formulaName}, {units.litres(draft.litres)}
                    </b>
                    <span className="text-15 text-quiet block">
                      in {draft.vesselName}, ready {day(draft.ready)}
                      {draft.held && ', held'}
                    </span>
                    {broken.map((b) => (
                      <span key={b.rule + b.from} className="text-15 text-ember block font-semibold">
                        {about(b.thing, brokenName[b.rule])}
                      </span>
                    ))}
                  </span>
                  <span className="text-15 order-last col-span-2 md:order-none md:col-span-1">
                    {forWhom(course, draft, (value) => units.litres(value), day) ||
                      'nobody has called for it'}
                  </span>
                  <span className="flex gap-2">
                    <Button
                      onClick={() => onTake(draft.id)}
                      aria-pressed={taken === draft.id}
                      aria-label={`Take ${draft.formulaName} in ${draft.vesselName} in hand`}
                    >
                      Take
                    </Button>
                    {may('PLAN') && (
                      <Button
                        disabled={busy}
                        onClick={() => onAccept([draft])}
                        aria-label={`Accept ${draft.formulaName} in ${draft.vesselName}`}
                      >
                        Accept
                      </Button>
                    )}
                  </span>
                </li>
              )
            })}
          </ul>
        </section>
      ))}
    </section>
  )
}
