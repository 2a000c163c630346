import { joined } from './units'

type Look = Intl.DateTimeFormatOptions

const CLOCK: Look = { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }
const DAY: Look = { year: 'numeric', month: '2-digit', day: '2-digit' }
const WEEKDAY: Look = { weekday: 'short', day: 'numeric', month: 'short' }
const PARTS: Look = {
  hourCycle: 'h23',
  year: 'numeric',
  month: '2-digit',
  day: '2-digit',
  hour: '2-digit',
  minute: '2-digit',
}

// Making a formatter costs more than a whole page of times does; each is made once.
const made = new Map<Look, Map<string, Intl.DateTimeFormat>>()

function formatter(look: Look, zone: string): Intl.DateTimeFormat {
  const ofLook = made.get(look) ?? new Map<string, Intl.DateTimeFormat>()
  made.set(look, ofLook)
  const known = ofLook.get(zone) ?? new Intl.DateTimeFormat('en-GB', { ...look, timeZone: zone })
  ofLook.set(zone, known)
  return known
}

/** Times as the kitchen's clock shows them, whatever zone the tablet thinks it is in. */
export function clockTime(instant: string | number | Date, zone: string): string {
  return formatter(CLOCK, zone).format(new Date(instant))
}

/** «2026-11-28». Put together by ourselves: in which order a language writes its dates is not the same in every browser. */
export function dayOf(instant: string | number | Date, zone: string): string {
  const part = partsOf(DAY, zone, new Date(instant))
  return `${part('year')}-${part('month')}-${part('day')}`
}

function partsOf(look: Look, zone: string, at: Date): (type: Intl.DateTimeFormatPartTypes) => string {
  const parts = formatter(look, zone).formatToParts(at)
  return (type) => parts.find((part) => part.type === type)?.value ?? '0'
}

/** A day so many days after another, by the calendar: a day of a change of the clocks is shorter or longer than the others. */
export function daysAfter(day: string, days: number): string {
  const noon = new Date(`${day}T12:00:00Z`)
  noon.setUTCDate(noon.getUTCDate() + days)
  return noon.toISOString().slice(0, 10)
}

/** «14:30», «tomorrow 10:30», «Thu 26 Nov 10:30». */
export function dayTime(instant: string | number | Date, now: number, zone: string): string {
  const time = clockTime(instant, zone)
  const day = dayOf(instant, zone)
  const today = dayOf(now, zone)
  if (day === today) return time
  if (day === daysAfter(today, 1)) return `tomorrow ${time}`
  if (day === daysAfter(today, -1)) return `yesterday ${time}`
  return `${weekday(zone, new Date(instant))} ${time}`
}

const SHORT_DAY: Look = { weekday: 'short' }
const DATE: Look = { day: 'numeric', month: 'short' }

/** «14:30» today, «Thu 22:10» in the days around it, «14 Nov 22:10» further off: for a list, where there is no room for more. */
export function shortTime(instant: string | number | Date, now: number, zone: string): string {
  const day = dayOf(instant, zone)
  const today = dayOf(now, zone)
  const time = clockTime(instant, zone)
  if (day === today) return time
  const near = day > daysAfter(today, -6) && day < daysAfter(today, 6)
  return `${formatter(near ? SHORT_DAY : DATE, zone).format(new Date(instant))} ${time}`
}

/** A day without a time: «Fri 27 Nov». */
export function plainDay(day: string): string {
  return weekday('UTC', new Date(`${day}T12:00:00Z`))
}

/** Some browsers put a comma after the day of the week. */
const weekday = (zone: string, at: Date) => formatter(WEEKDAY, zone).format(at).replace(',', '')

const DAY_MIN = 24 * 60
const TWO_DAYS_MIN = 2 * DAY_MIN

/** «45 min», «3 h 05», «1 day 3 h», «4 days». */
export function duration(minutes: number): string {
  const whole = Math.round(Math.abs(minutes))
  if (whole < 60) return joined(whole, 'min')
  if (whole >= TWO_DAYS_MIN) return `${Math.round(whole / DAY_MIN)} days`
  if (whole >= DAY_MIN + 60) return `1 day ${Math.floor((whole - DAY_MIN) / 60)} h`
  const rest = whole % 60
  return rest === 0
    ? `${Math.floor(whole / 60)} h`
    : `${Math.floor(whole / 60)} h ${String(rest).padStart(2, '0')}`
}

/** «28–41 min», «47–64 min», «1 h 10 – 1 h 45», «28 min or more». */
export function durationSpread(from: number, to: number | undefined): string {
  if (to === undefined) return `${duration(from)} or more`
  const step = to - from > 60 ? 5 : 1
  const low = Math.round(from / step) * step
  const high = Math.round(to / step) * step
  if (low === high) return duration(low)
  return low < 60 && high < 100 ? joined(`${low}–${high}`, 'min') : `${duration(low)} – ${duration(high)}`
}

/** «now», «in 12 min», «8 min late». */
export function fromNow(instant: string | number, now: number): string {
  const minutes = Math.round((new Date(instant).getTime() - now) / 60_000)
  if (minutes > 0) return `in ${duration(minutes)}`
  return minutes > -1 ? 'now' : `${duration(minutes)} late`
}

/** The instant of a wall-clock date and time in a zone; what a datetime-local field means there. */
export function instantOf(local: string, zone: string): Date {
  const asUtc = new Date(`${local}:00Z`)
  const offset = (at: Date) => {
    const part = partsOf(PARTS, zone, at)
    const shown = Date.UTC(
      Number(part('year')),
      Number(part('month')) - 1,
      Number(part('day')),
      Number(part('hour')),
      Number(part('minute')),
    )
    return shown - Math.floor(at.getTime() / 60_000) * 60_000
  }
  // The offset at the guess can differ from the one at the answer only across a change of the clocks; a second look settles it.
  const guess = new Date(asUtc.getTime() - offset(asUtc))
  return new Date(asUtc.getTime() - offset(guess))
}

/** A wall-clock value for a datetime-local field. */
export function localOf(instant: number, zone: string): string {
  return `${dayOf(instant, zone)}T${clockTime(instant, zone)}`
}

/** How far a hand moves a length at a time: a quarter of an hour in a long one, a minute in the shortest. */
export const handStep = (mostMin: number) => (mostMin > 120 ? 15 : mostMin > 20 ? 5 : 1)
