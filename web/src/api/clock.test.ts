import { afterEach, expect, it, vi } from 'vitest'
import { kitchenTime, now, setServerTime } from './clock'
import { act } from './outbox'

afterEach(() => vi.useRealTimers())

it.each([
  ['ahead', 10],
  ['behind', -10],
])('a tablet whose clock is ten minutes %s logs on the kitchen’s', (_, minutes) => {
  const kitchen = new Date('2026-11-25T10:10:00Z').getTime()
  vi.useFakeTimers({ toFake: ['Date'], now: kitchen + minutes * 60_000 })
  setServerTime('2026-11-25T10:10:00Z')
  expect(act('heat-on').at).toBe('2026-11-25T10:10:00.000Z')
  vi.setSystemTime(kitchen + minutes * 60_000 + 5_000)
  expect(now()).toBe(kitchen + 5_000)
  expect(kitchenTime(kitchen + minutes * 60_000)).toBe(kitchen)
  // A tablet that is opened again without a server goes by what it knew.
  expect(Number(localStorage.getItem('clock.offset'))).toBe(-minutes * 60_000)
})
