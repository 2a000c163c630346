import { clockTime, dayOf, daysAfter } from './time'

/** Which way a moment without a day is meant: the next one, or the last. */
export type Direction = 'ahead' | 'past'

const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday']
const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

const two = (number: number) => String(number).padStart(2, '0')
const beginsLike = (word: string, whole: string, least: number) =>
  word.length >= least && whole.startsWith(word)

/** «18», «18:30», «1830», «9am», «9.30 pm»: the wall clock as hh:mm. */
function timeOf(words: string): string | undefined {
  const found =
    /^(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?$/.exec(words) ?? /^(\d{1,2})(\d{2})()$/.exec(words) ?? undefined
  if (!found) return words === 'noon' ? '12:00' : words === 'midnight' ? '00:00' : undefined
  const half = found[3]
  const told = Number(found[1])
  const minute = Number(found[2] ?? 0)
  if (half && (told < 1 || told > 12)) return undefined
  const hour = half ? (told % 12) + (half === 'pm' ? 12 : 0) : told
  return hour < 24 && minute < 60 ? `${two(hour)}:${two(minute)}` : undefined
}

/** The day that some words name; nothing when they name none. */
function dayNamed(words: string, today: string, direction: Direction): string | undefined {
  if (beginsLike(words, 'today', 3)) return today
  if (beginsLike(words, 'tomorrow', 3)) return daysAfter(today, 1)
  if (beginsLike(words, 'yesterday', 3)) return daysAfter(today, -1)
  const weekday = weekdays.findIndex((name) => beginsLike(words, name, 2))
  if (weekday >= 0) {
    const at = new Date(`${today}T12:00:00Z`).getUTCDay()
    return daysAfter(today, direction === 'ahead' ? (weekday - at + 7) % 7 : -((at - weekday + 7) % 7))
  }
  const written = /^(\d{4})-(\d{2})-(\d{2})$/.exec(words)
  if (written) return real(Number(written[1]), Number(written[2]), Number(written[3]))
  const spoken = /^(\d{1,2})[./\s]*([a-z]{3,9}|\d{1,2})[./]?$/.exec(words)
  if (!spoken) return undefined
  const named = months.findIndex((name) => spoken[2]!.startsWith(name)) + 1
  const month = /^\d/.test(spoken[2]!) ? Number(spoken[2]) : named
  const year = Number(today.slice(0, 4))
  const near = real(year, month, Number(spoken[1]))
  if (!near) return undefined
  // A date without its year is the nearest in the direction that is meant.
  if (direction === 'ahead' && near < today) return real(year + 1, month, Number(spoken[1]))
  return direction === 'past' && near > today ? real(year - 1, month, Number(spoken[1])) : near
}

/** A day that there is, and nothing for the 31st of February. */
function real(year: number, month: number, day: number): string | undefined {
  const made = new Date(Date.UTC(year, month - 1, day))
  const told = `${year}-${two(month)}-${two(day)}`
  return made.toISOString().slice(0, 10) === told ? told : undefined
}

/**
 * What somebody types for a moment, as a wall-clock value: «18», «tom 9», «sat 15:30», «28 nov 7pm». Without a day it is the next such time, or the last
 * one where it is past; nothing when it is no time.
 */
export function momentOf(typed: string, now: number, zone: string, direction: Direction): string | undefined {
  const words = typed.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ')
  const today = dayOf(now, zone)
  const alone = timeOf(words)
  if (alone) {
    const clock = clockTime(now, zone)
    const off = direction === 'ahead' ? (alone > clock ? 0 : 1) : alone <= clock ? 0 : -1
    return `${daysAfter(today, off)}T${alone}`
  }
  for (let at = words.indexOf(' '); at > 0; at = words.indexOf(' ', at + 1)) {
    const day = dayNamed(words.slice(0, at), today, direction)
    const time = timeOf(words.slice(at + 1))
    if (day && time) return `${weekLater(day, time, words, now, zone, direction)}T${time}`
  }
  return undefined
}

/** «sat 15:30» said on a Saturday evening is the next one. */
function weekLater(
  day: string,
  time: string,
  words: string,
  now: number,
  zone: string,
  direction: Direction,
): string {
  const weekday = weekdays.some((name) => beginsLike(words.split(' ')[0]!, name, 2))
  const today = day === dayOf(now, zone)
  if (!weekday || !today) return day
  const over = time <= clockTime(now, zone)
  if (direction === 'ahead') return over ? daysAfter(day, 7) : day
  return over ? day : daysAfter(day, -7)
}

/** What somebody types for a day. */
export const dayTyped = (typed: string, now: number, zone: string, direction: Direction) =>
  dayNamed(typed.trim().toLowerCase().replace(/\s+/g, ' '), dayOf(now, zone), direction)
