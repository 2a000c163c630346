import { useQuery } from '@tanstack/react-query'
import { useMemo, type ReactNode } from 'react'
import { api, data } from '../../api/client'
import type { Schemas } from '../../api/client'
import type { Course } from '../../graphics/River'
import { Button } from '../../kit/Button'
import { useKeys } from '../../kit/keys'
import { Pick } from '../../kit/Pick'
import { SelectField } from '../../kit/SelectField'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { brokenName, obstacleName } from '../../words/en'
import { duration } from '../../words/time'
import { callOf, startsLater, type Draft, type Moved } from './changes'

const STEPS = [-60, -10, 10, 60]

/** A name in front of what is wrong with it, or what is wrong alone. */
export const about = (thing: string, words: string) => (thing ? `${thing} ${words}` : words)

/** What a batch breaks, each rule once for each thing, with where it first does. */
export function brokenBy(course: Course, draft: Draft): Course['broken'] {
  const its = course.broken.filter((b) => b.draftIds.includes(draft.id))
  return [...new Map(its.reverse().map((b) => [b.rule + b.thing, b])).values()].reverse()
}

/** One batch of the course, taken in hand: where it is put, what it breaks there, and what holds it. */
export function InHand({
  course,
  days,
  draft,
  busy,
  vessels,
  onSplit,
  onJoin,
  onHold,
  onRelease,
  onShelve,
  onAccept,
  onClose,
}: {
  course: Course
  days: number
  draft: Draft
  busy: boolean
  vessels: { id: string; name: string }[]
  onSplit: () => void
  onJoin: (otherId: string) => void
  onHold: (moved?: Moved) => void
  onRelease: () => void
  /** Whatever it is for is not laid any more. */
  onShelve: () => void
  onAccept: () => void
  onClose: () => void
}) {
  const units = useUnits()
  const may = useMay()
  const { day } = useTimes()
  const plans = may('PLAN')
  const keys = useMemo(() => {
    const across = (steps: number) => {
      const vessel = vessels[vessels.findIndex((one) => one.id === draft.vesselId) + steps]
      if (vessel) onHold({ vesselId: vessel.id })
    }
    return {
      Escape: onClose,
      ...(plans && {
        ArrowLeft: () => onHold({ start: startsLater(draft, -10) }),
        ArrowRight: () => onHold({ start: startsLater(draft, 10) }),
        '+': () => onHold({ litres: draft.litres + 1 }),
        '-': () => onHold({ litres: Math.max(1, draft.litres - 1) }),
        ArrowUp: () => across(-1),
        ArrowDown: () => across(1),
      }),
    }
  }, [plans, onHold, onClose, draft, vessels])
  useKeys(keys)
  const broken = brokenBy(course, draft)
  const others = course.drafts.filter((one) => one.id !== draft.id && one.formula === draft.formula)
  return (
    <section
      aria-label="In hand"
      className="border-river bg-raised mt-3 grid gap-x-8 gap-y-3 border-l-4 px-4 py-3 lg:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]"
    >
      <div className="grid content-start gap-3">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-18 m-0 font-bold">
            {draft.formulaName}, {units.litres(draft.litres)} in {draft.vesselName}
          </h2>
          <span className={`text-15 font-semibold ${draft.held ? 'text-river' : 'text-quiet'}`}>
            {draft.held ? 'held here' : 'laid, not held'}
          </span>
        </div>
        <p className="text-18 m-0">
          Starts <b className="font-semibold">{day(draft.start)}</b>, ready{' '}
          <b className="font-semibold">{day(draft.ready)}</b>
          {draft.chiller ? `, cooled in ${draft.chiller}` : ''}.
        </p>
        {plans && (
          <>
            <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
              <Group label="Start">
                {STEPS.map((minutes) => (
                  <Button
                    key={minutes}
                    disabled={busy}
                    aria-label={`Start ${duration(Math.abs(minutes))} ${minutes < 0 ? 'sooner' : 'later'}`}
                    onClick={() => onHold({ start: startsLater(draft, minutes) })}
                  >
                    {minutes < 0 ? '−' : '+'}
                    {duration(Math.abs(minutes))}
                  </Button>
                ))}
              </Group>
              <Group label="Litres">
                {[-1, 1].map((litres) => (
                  <Button
                    key={litres}
                    disabled={busy || draft.litres + litres < 1}
                    onClick={() => onHold({ litres: draft.litres + litres })}
                  >
                    {litres < 0 ? '−' : '+'}
                    {units.litres(1)}
                  </Button>
                ))}
              </Group>
              <div className="min-w-[180px]">
                <SelectField
                  label="Vessel"
                  value={draft.vesselId}
                  options={vessels.map((vessel) => ({ value: vessel.id, name: vessel.name }))}
                  onValue={(vesselId) => onHold({ vesselId })}
                />
              </div>
            </div>
            <div className="flex flex-wrap gap-2">
              <Button tone="act" disabled={busy} onClick={onAccept}>
                Accept
              </Button>
              {draft.held ? (
                <Button disabled={busy} onClick={onRelease}>
                  Let it go
                </Button>
              ) : (
                <Button disabled={busy} onClick={() => onHold()}>
                  Hold it here
                </Button>
              )}
              <Button disabled={busy} onClick={onSplit}>
                Split in two
              </Button>
              {others.length > 0 && (
                <Pick
                  label="Join with"
                  look="small"
                  value=""
                  empty="Join with …"
                  disabled={busy}
                  onValue={onJoin}
                  options={others.map((one) => ({
                    value: one.id,
                    name: `${units.litres(one.litres)} in ${one.vesselName}, ${day(one.start)}`,
                  }))}
                />
              )}
              {draft.gives.length > 0 && (
                <Button disabled={busy} onClick={onShelve}>
                  {draft.gives.length === 1 ? 'Set its call aside' : 'Set its calls aside'}
                </Button>
              )}
              <Button tone="quiet" onClick={onClose}>
                Put it down
              </Button>
            </div>
          </>
        )}
      </div>
      <div>
        {broken.map((b) => (
          <p key={b.rule + b.from} className="text-18 text-ember m-0 font-semibold">
            {about(b.thing, brokenName[b.rule])}, from {day(b.from)}.
          </p>
        ))}
        <h3 className="text-15 m-0 font-semibold">Why here?</h3>
        <WhyHere course={course} days={days} draft={draft} />
      </div>
    </section>
  )
}

function Group({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={label} className="grid gap-1">
      <span className="text-15 font-semibold" aria-hidden>
        {label}
      </span>
      <div className="flex flex-wrap gap-2">{children}</div>
    </div>
  )
}

function WhyHere({ course, days, draft }: { course: Course; days: number; draft: Draft }) {
  const units = useUnits()
  const { day } = useTimes()
  const why = useQuery({
    queryKey: ['why-here', days, draft.id, draft.start, draft.vesselId, draft.litres, course.held.version],
    queryFn: () =>
      data(api.GET('/api/course/drafts/{id}/why', { params: { path: { id: draft.id }, query: { days } } })),
    staleTime: 60_000,
  })
  if (why.isPending) return <p className="text-15 text-quiet m-0">Looking …</p>
  if (!why.data) return <p className="text-15 text-quiet m-0">It cannot be said just now.</p>
  const it = why.data
  const first = course.calls.find((call) => call.id === it.callId)
  return (
    <ul className="text-15 m-0 grid list-none gap-1 p-0">
      <li>
        {first
          ? it.spareMin >= 0
            ? `Ready ${duration(it.spareMin)} before ${first.station} wants ${units.litres(first.litres)} by ${day(first.by)}.`
            : `Ready ${duration(-it.spareMin)} after ${first.station} wants ${units.litres(first.litres)} by ${day(first.by)}.`
          : 'Nobody has called for it.'}
      </li>
      <li>
        Ten minutes later:{' '}
        {it.later
          ? against(course, it.later)
          : it.tight
            ? 'a simmer that is judged an hour longer would come too late.'
            : 'nothing is in its way.'}
      </li>
      <li>
        Ten minutes sooner:{' '}
        {it.earlier ? against(course, it.earlier) : 'nothing is in its way, but it would be less fresh.'}
      </li>
      <li>
        {it.instead
          ? `In ${it.instead.vesselName} it would start ${day(it.instead.start)} and ${shift(it.instead.laterMin)}${cost(it.instead, units.litres)}.`
          : 'In no other vessel is there room for it.'}
      </li>
    </ul>
  )
}

function against(course: Course, way: Schemas['InTheWay']): string {
  const whose = course.drafts.find((draft) => draft.id === way.draftId)
  const by = whose ? `, by ${whose.formulaName}` : ''
  return `${about(way.thing, obstacleName[way.what])}${by}.`
}

const shift = (laterMin: number) =>
  laterMin === 0
    ? 'be ready at the same time'
    : `be ready ${duration(Math.abs(laterMin))} ${laterMin > 0 ? 'later' : 'sooner'}`

/** What it would cost the course; nothing where it costs nothing. */
function cost(instead: Schemas['Instead'], litres: (value: number) => string): string {
  const costs = [
    instead.lateL > 0 && `${litres(instead.lateL)} more come late`,
    instead.cookMin > 0 && `${duration(instead.cookMin)} more of a cook's time`,
  ].filter(Boolean)
  return costs.length > 0 ? `: ${costs.join(', and ')}` : ', at no cost'
}

/** Of whom a batch is, in few words. */
export function forWhom(
  course: Course,
  draft: Draft,
  litres: (value: number) => string,
  day: (at: string) => string,
) {
  return draft.gives
    .map((g) => {
      const call = callOf(course, g)
      return `${call?.station ?? ''} ${litres(g.litres)} by ${call ? day(call.by) : ''}`
    })
    .join('; ')
}
