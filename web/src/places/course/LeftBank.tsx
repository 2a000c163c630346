import { useState, type PointerEvent, type RefObject } from 'react'
import { Pool } from '../../graphics/Pool'
import { landing } from '../../graphics/river'
import type { Course, Guest } from '../../graphics/River'
import { Button } from '../../kit/Button'
import { Heading } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import type { Call } from './changes'

/** A call that waits for a hand. */
interface Waiting {
  call: Call
  /** Somebody has set it aside; otherwise nothing has a place for it. */
  aside: boolean
}

/** What nobody wants laid, and then what nothing has a place for. */
const waiting = (course: Course): Waiting[] => [
  ...course.aside.map((call) => ({ call, aside: true })),
  ...course.calls.filter((call) => call.missing > 0).map((call) => ({ call, aside: false })),
]

interface Props {
  course: Course
  /** The picture that pools are dragged into. */
  river: RefObject<HTMLElement | null>
  vessels: { id: string; name: string }[]
  plans: boolean
  busy: boolean
  /** Where one would begin, as long as it is held over the river. */
  onOver: (guest: Guest | undefined) => void
  onDrop: (call: Call, start: string, vesselId: string) => void
  onBringIn: (call: Call) => void
  onLay: (call: Call) => void
  onSetAside: (call: Call) => void
}

/** Calls that are not in the river: each can be dragged in, brought in by a button, or laid. */
export function LeftBank({ course, plans, busy, onBringIn, onLay, onSetAside, ...drag }: Props) {
  const units = useUnits()
  const { day } = useTimes()
  const all = waiting(course)
  if (all.length === 0) return null
  const most = Math.max(...all.map(({ call }) => call.missing))
  return (
    <section aria-label="On the left bank" className="mb-4">
      <Heading
        aside={
          plans && <span className="hidden md:inline">drag a pool to the hour and the pot it is for</span>
        }
      >
        On the left bank
      </Heading>
      <ul className="border-ink m-0 flex list-none flex-wrap gap-x-8 gap-y-3 border-b-2 p-0 pb-3">
        {all.map(({ call, aside }) => (
          <li key={call.id} className="grid gap-x-3 md:grid-cols-[64px_minmax(0,1fr)_auto]">
            <Grip call={call} course={course} most={most} free={plans && !busy} {...drag} />
            <div>
              <b className="text-18 block font-semibold">
                {call.station} {units.litres(call.missing)}
              </b>
              <span className="text-15 text-quiet block">
                {call.formulaName} by {day(call.by)}
              </span>
              <span className={`text-15 block ${aside ? 'text-quiet' : 'text-ember font-semibold'}`}>
                {aside ? 'set aside' : `no place: ${call.why || 'nothing makes it in time'}`}
              </span>
            </div>
            {plans && (
              <div className="mt-1 flex flex-wrap items-start gap-2 md:mt-0">
                {aside && (
                  <Button disabled={busy} onClick={() => onLay(call)} aria-label={`Lay ${named(call)}`}>
                    Lay it
                  </Button>
                )}
                <Button
                  disabled={busy}
                  onClick={() => onBringIn(call)}
                  aria-label={`Bring ${named(call)} in`}
                >
                  Bring it in
                </Button>
                {!aside && (
                  <Button
                    tone="quiet"
                    disabled={busy}
                    onClick={() => onSetAside(call)}
                    aria-label={`Set ${named(call)} aside`}
                  >
                    Set aside
                  </Button>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

const named = (call: Call) => `${call.formulaName} for ${call.station}`

/** A pool that is taken by hand and let go over the river, where a batch for it begins. */
function Grip({
  call,
  course,
  most,
  free,
  river,
  vessels,
  onOver,
  onDrop,
}: Pick<Props, 'course' | 'river' | 'vessels' | 'onOver' | 'onDrop'> & {
  call: Call
  most: number
  free: boolean
}) {
  const units = useUnits()
  const { day } = useTimes()
  const [held, setHeld] = useState(false)
  const over = (event: PointerEvent) => {
    const picture = river.current?.getBoundingClientRect()
    const place = picture && landing(course, picture, event.clientX, event.clientY, vessels.length)
    const vessel = place && vessels[place.vessel]
    return place && vessel ? { ...place, vesselId: vessel.id, vesselName: vessel.name } : undefined
  }
  const end = () => {
    setHeld(false)
    onOver(undefined)
  }
  return (
    <span
      data-pool={call.id}
      className={`hidden pt-1 md:block ${free ? `touch-none ${held ? 'cursor-grabbing' : 'cursor-grab'}` : ''}`}
      onPointerDown={(event) => {
        if (!free) return
        event.preventDefault()
        event.currentTarget.setPointerCapture(event.pointerId)
        setHeld(true)
      }}
      onPointerMove={(event) => {
        if (!held) return
        const place = over(event)
        onOver(
          place && {
            ...place,
            litres: call.missing,
            family: call.family,
            says: `${call.formulaName} ${units.litres(call.missing)} into ${place.vesselName}, starts ${day(place.at)}`,
          },
        )
      }}
      onPointerUp={(event) => {
        if (!held) return
        const place = over(event)
        end()
        if (place) onDrop(call, new Date(place.at).toISOString(), place.vesselId)
      }}
      onPointerCancel={end}
    >
      <Pool litres={call.missing} most={most} family={call.family} />
    </span>
  )
}
