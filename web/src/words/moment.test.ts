import { describe, expect, it } from 'vitest'
import { dayTyped, momentOf } from './moment'

const zone = 'Europe/Zurich'
/** Thursday 26 November 2026, 14:20 on the kitchen's clock. */
const now = Date.UTC(2026, 10, 26, 13, 20)

describe('a moment as it is typed', () => {
  it.each([
    ['18', '2026-11-26T18:00'],
    ['9', '2026-11-27T09:00'],
    ['14:20', '2026-11-27T14:20'],
    ['1830', '2026-11-26T18:30'],
    ['9.30pm', '2026-11-26T21:30'],
    ['12 am', '2026-11-27T00:00'],
    ['noon', '2026-11-27T12:00'],
    ['tom 9', '2026-11-27T09:00'],
    ['Tomorrow 10:30', '2026-11-27T10:30'],
    ['today 17', '2026-11-26T17:00'],
    ['sat 15:30', '2026-11-28T15:30'],
    ['thu 15', '2026-11-26T15:00'],
    ['thu 9', '2026-12-03T09:00'],
    ['mo 7pm', '2026-11-30T19:00'],
    ['28 nov 7pm', '2026-11-28T19:00'],
    ['1.12. 8', '2026-12-01T08:00'],
    ['2 jan 11', '2027-01-02T11:00'],
    ['2026-12-24 06:15', '2026-12-24T06:15'],
  ])('takes «%s» ahead as %s', (typed, meant) => {
    expect(momentOf(typed, now, zone, 'ahead')).toBe(meant)
  })

  it.each([
    ['14:05', '2026-11-26T14:05'],
    ['18', '2026-11-25T18:00'],
    ['yest 22:40', '2026-11-25T22:40'],
    ['thu 9', '2026-11-26T09:00'],
    ['thu 18', '2026-11-19T18:00'],
    ['wed 18', '2026-11-25T18:00'],
    ['28 nov 7', '2025-11-28T07:00'],
  ])('takes «%s» in the past as %s', (typed, meant) => {
    expect(momentOf(typed, now, zone, 'past')).toBe(meant)
  })

  it.each(['', 'soon', '25', '9:75', 'sat', '31 feb 9', 'tom', '13pm', '2026-02-30 9'])(
    'takes «%s» for nothing',
    (typed) => {
      expect(momentOf(typed, now, zone, 'ahead')).toBeUndefined()
    },
  )

  it('takes a day by its name or its date', () => {
    expect(dayTyped('yesterday', now, zone, 'past')).toBe('2026-11-25')
    expect(dayTyped('24.11.', now, zone, 'past')).toBe('2026-11-24')
    expect(dayTyped('24 nov', now, zone, 'past')).toBe('2026-11-24')
    expect(dayTyped('31 apr', now, zone, 'past')).toBeUndefined()
  })
})
