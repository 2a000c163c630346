import { useEffect, useId, useRef, useState, type ReactNode } from 'react'
import type { FieldProblem } from '../api/client'
import { dayTyped, momentOf, type Direction } from '../words/moment'
import { dayOf, dayTime, daysAfter, fromNow, instantOf, plainDay } from '../words/time'
import { FieldNote } from './NumberField'
import { useTimes } from './session'

interface Props {
  label: string
  /** On the kitchen's clock: 2026-11-28T10:30. */
  value: string
  onValue: (value: string) => void
  direction?: Direction
  problem?: FieldProblem
}

/** Hours at which stock is usually wanted. */
const USUAL = ['10:30', '17:00']
const QUARTERS = ['00', '15', '30', '45']
const HOURS = Array.from({ length: 24 }, (_, hour) => String(hour).padStart(2, '0'))

/** A moment: a chip for the usual ones, a day and an hour to tap, or typed as it is said: «18», «tom 9», «sat 15:30». */
export function MomentField({ label, value, onValue, direction = 'ahead', problem }: Props) {
  const { now, zone } = useTimes()
  const [open, setOpen] = useState(false)
  const [day = '', time = ''] = value.split('T')
  const today = dayOf(now, zone)
  const ahead = direction === 'ahead'
  const days = Array.from({ length: 7 }, (_, n) => daysAfter(today, ahead ? n : -n))
  const usual = [0, 1, 2]
    .flatMap((n) => USUAL.map((hour) => `${daysAfter(today, n)}T${hour}`))
    .filter((local) => instantOf(local, zone).getTime() > now)
    .slice(0, 3)
  const instant = instantOf(value, zone).getTime()
  return (
    <Typed
      label={label}
      shown={dayTime(instant, now, zone)}
      read={(typed) => momentOf(typed, now, zone, direction)}
      onValue={onValue}
      refusal="Not a time. Write 18, tom 9 or sat 15:30"
      problem={problem}
      hint={ahead ? fromNow(instant, now) : undefined}
      aside={
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="text-15 min-h-[44px] shrink-0 cursor-pointer px-1 font-semibold whitespace-nowrap underline underline-offset-4"
        >
          {open ? 'Close' : 'Day, hour'}
        </button>
      }
    >
      {ahead && !open && (
        <div className="flex flex-wrap gap-2">
          {usual.map((local) => (
            <Chip key={local} on={local === value} onTap={() => onValue(local)}>
              {dayTime(instantOf(local, zone).getTime(), now, zone)}
            </Chip>
          ))}
        </div>
      )}
      {open && (
        <div className="grid gap-2">
          <Strip label="Day">
            {days.map((each) => (
              <Chip key={each} on={each === day} onTap={() => onValue(`${each}T${time}`)}>
                {nameOf(each, today)}
              </Chip>
            ))}
          </Strip>
          <Strip label="Hour">
            {HOURS.map((hour) => (
              <Chip
                key={hour}
                on={time.startsWith(hour)}
                onTap={() => onValue(`${day}T${hour}:${time.slice(3)}`)}
              >
                {hour}
              </Chip>
            ))}
          </Strip>
          <Strip label="Minute">
            {QUARTERS.map((minute) => (
              <Chip
                key={minute}
                on={time.endsWith(minute)}
                onTap={() => onValue(`${day}T${time.slice(0, 3)}${minute}`)}
              >
                :{minute}
              </Chip>
            ))}
          </Strip>
        </div>
      )}
    </Typed>
  )
}

/** How far the days lie from today that are offered to a finger. */
const OFFERED: Record<Direction, number[]> = { past: [0, -1, -2], ahead: [0, 1, 2, 3, 7] }

/** A day: in the past or to come, today with both. Empty while there is none. */
export function DayField({ label, value, onValue, direction = 'past', problem }: Props) {
  const { now, zone } = useTimes()
  const today = dayOf(now, zone)
  return (
    <Typed
      label={label}
      shown={value && nameOf(value, today)}
      read={(typed) => dayTyped(typed, now, zone, direction)}
      onValue={onValue}
      refusal="Not a day. Write today, mon or 24 nov"
      problem={problem}
    >
      <div className="flex flex-wrap gap-2">
        {OFFERED[direction].map((n) => {
          const day = daysAfter(today, n)
          return (
            <Chip key={day} on={day === value} onTap={() => onValue(day)}>
              {nameOf(day, today)}
            </Chip>
          )
        })}
      </div>
    </Typed>
  )
}

function nameOf(day: string, today: string): string {
  if (day === today) return 'today'
  if (day === daysAfter(today, 1)) return 'tomorrow'
  return day === daysAfter(today, -1) ? 'yesterday' : plainDay(day)
}

/** What is typed is read when the hand leaves the field; until then it stands as it was typed. */
function Typed({
  label,
  shown,
  read,
  onValue,
  refusal,
  problem,
  hint,
  aside,
  children,
}: {
  label: string
  shown: string
  read: (typed: string) => string | undefined
  onValue: (value: string) => void
  refusal: string
  problem?: FieldProblem
  hint?: string
  aside?: ReactNode
  children: ReactNode
}) {
  const id = useId()
  const [typed, setTyped] = useState<string>()
  const wrong = typed !== undefined && typed.trim() !== '' && read(typed) === undefined
  const note = wrong ? { reason: refusal } : problem
  const take = () => {
    const meant = typed === undefined ? undefined : read(typed)
    if (meant) onValue(meant)
    if (meant || typed?.trim() === '') setTyped(undefined)
  }
  return (
    <div className="grid min-w-0 content-start gap-1">
      <div className="flex min-h-[23px] items-end justify-between gap-3">
        <label htmlFor={id} className="text-15 font-semibold">
          {label}
        </label>
        {hint && !note && <span className="text-13 text-quiet">{hint}</span>}
      </div>
      <div className="border-ink bg-raised flex items-center rounded-md border-2 pr-2">
        <input
          id={id}
          value={typed ?? shown}
          autoComplete="off"
          aria-invalid={note !== undefined}
          aria-describedby={note ? `${id}-problem` : undefined}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && typed !== undefined) {
              event.preventDefault()
              take()
            }
          }}
          className="text-18 min-h-[44px] w-full min-w-0 bg-transparent px-3 outline-offset-[-2px]"
        />
        {aside}
      </div>
      {note && <FieldNote id={`${id}-problem`} problem={note} units="metric" />}
      {children}
    </div>
  )
}

function Strip({ label, children }: { label: string; children: ReactNode }) {
  const strip = useRef<HTMLDivElement>(null)
  // What is chosen lies in sight when the strip opens.
  useEffect(() => {
    const chosen = strip.current?.querySelector<HTMLElement>('[aria-pressed="true"]')
    if (strip.current && chosen) strip.current.scrollLeft = chosen.offsetLeft - strip.current.clientWidth / 2
  }, [])
  return (
    <div
      ref={strip}
      role="group"
      aria-label={label}
      className="relative flex snap-x gap-1 overflow-x-auto pb-1"
    >
      {children}
    </div>
  )
}

function Chip({ on, onTap, children }: { on: boolean; onTap: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onTap}
      className={`text-15 min-h-[44px] shrink-0 cursor-pointer snap-start border-b-4 px-2 whitespace-nowrap ${on ? 'border-river font-semibold' : 'border-rule'}`}
    >
      {children}
    </button>
  )
}
