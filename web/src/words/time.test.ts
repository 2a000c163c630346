import { describe, expect, it, vi } from 'vitest'
import {
  clockTime,
  dayOf,
  dayTime,
  duration,
  durationSpread,
  fromNow,
  instantOf,
  localOf,
  shortTime,
} from './time'

const zone = 'Europe/Zurich'
const now = new Date('2026-03-03T10:10:00Z').getTime()

describe('time', () => {
  it('shows the kitchen’s clock, not the tablet’s', () => {
    expect(clockTime(now, zone)).toBe('11:10')
    expect(clockTime(now, 'America/Denver')).toBe('03:10')
  })

  it('tells a day by its figures, in whatever order this browser writes a date', () => {
    const written = vi
      .spyOn(Intl.DateTimeFormat.prototype as { format: object }, 'format', 'get')
      .mockReturnValue(() => '03/03/2026')
    expect(dayOf(now, zone)).toBe('2026-03-03')
    expect(dayOf('2026-03-03T23:30:00Z', zone)).toBe('2026-03-04')
    written.mockRestore()
  })

  it('writes midnight as the day begins', () => {
    expect(clockTime('2026-03-03T23:00:00Z', zone)).toBe('00:00')
  })

  it('names the days next to today', () => {
    expect(dayTime('2026-03-03T13:00:00Z', now, zone)).toBe('14:00')
    expect(dayTime('2026-03-04T09:30:00Z', now, zone)).toBe('tomorrow 10:30')
    // Late on the evening before the clocks go forward, a day later on the clock is the day after tomorrow; in autumn it is still the same one.
    const spring = new Date('2026-03-28T23:30:00+01:00').getTime()
    expect(dayTime('2026-03-29T10:30:00+02:00', spring, zone)).toBe('tomorrow 10:30')
    expect(dayTime('2026-03-30T10:30:00+02:00', spring, zone)).toBe('Mon 30 Mar 10:30')
    const autumn = new Date('2026-10-25T00:30:00+02:00').getTime()
    expect(dayTime('2026-10-26T10:30:00+01:00', autumn, zone)).toBe('tomorrow 10:30')
    expect(dayTime('2026-03-02T09:30:00Z', now, zone)).toBe('yesterday 10:30')
    expect(dayTime('2026-03-06T09:30:00Z', now, zone)).toMatch(/^Fri,? 6 Mar 10:30$/)
  })

  it('says lengths and distances in words', () => {
    expect(duration(45)).toBe('45\u202fmin')
    expect(duration(180)).toBe('3 h')
    expect(duration(185)).toBe('3 h 05')
    expect(duration(26 * 60 + 20)).toBe('1 day 2 h')
    expect(duration(96 * 60 + 39)).toBe('4 days')
    expect(shortTime('2026-03-03T13:00:00Z', now, zone)).toBe('14:00')
    expect(shortTime('2026-03-05T21:10:00Z', now, zone)).toBe('Thu 22:10')
    expect(shortTime('2026-02-14T21:10:00Z', now, zone)).toBe('14 Feb 22:10')
    expect(fromNow(new Date(now + 12 * 60_000).toISOString(), now)).toBe('in 12\u202fmin')
    expect(fromNow(new Date(now).toISOString(), now)).toBe('now')
    expect(fromNow(new Date(now - 8 * 60_000).toISOString(), now)).toBe('8\u202fmin late')
  })

  it('says a stretch no finer than it is known', () => {
    expect(durationSpread(27.6, 41.2)).toBe('28–41\u202fmin')
    expect(durationSpread(47, 64)).toBe('47–64\u202fmin')
    expect(durationSpread(72, 107)).toBe('1 h 12 – 1 h 47')
    expect(durationSpread(104, 171)).toBe('1 h 45 – 2 h 50')
    expect(durationSpread(30.2, 30.4)).toBe('30\u202fmin')
    expect(durationSpread(95, undefined)).toBe('1 h 35 or more')
  })

  it('reads a wall-clock field in the kitchen’s zone, across a change of the clocks too', () => {
    expect(instantOf('2026-03-04T10:30', zone).toISOString()).toBe('2026-03-04T09:30:00.000Z')
    expect(instantOf('2026-03-29T10:30', zone).toISOString()).toBe('2026-03-29T08:30:00.000Z')
    expect(instantOf('2026-03-29T01:30', zone).toISOString()).toBe('2026-03-29T00:30:00.000Z')
    expect(localOf(now, zone)).toBe('2026-03-03T11:10')
  })
})
