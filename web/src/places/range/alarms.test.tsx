import { act, fireEvent, renderHook, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Card } from '../../api/queries'
import { answer, network, visit, said } from '../../testing/kitchen'
import { alarmsOf, audible, useAlarms, useAlarmSound, useSound } from './alarms'
import { AlarmStrip } from './AlarmStrip'

const range = answer<{ now: string; batches: Card[] }>('range')
const NOW = new Date(range.now).getTime()
const [first, second] = range.batches as [Card, Card]

const minutes = (m: number) => new Date(NOW + m * 60_000).toISOString()

function late(
  card: Card,
  kind: Card['due'][number]['kind'],
  cost: Card['due'][number]['cost'],
  by: number,
): Card {
  const due = { ...first.due[0]!, kind, cost, step: -1, parts: [] }
  return { ...card, due: [{ ...due, due: minutes(-by - 10), lateAt: minutes(-by), costsFrom: minutes(60) }] }
}

beforeEach(() => localStorage.clear())
afterEach(() => {
  vi.useRealTimers()
  delete document.documentElement.dataset.watch
})

describe('alarms', () => {
  it('are the acts that are late and cost something, safety first, then the one that has waited longest', () => {
    const skim = late(first, 'SKIM', 'CLARITY', 30)
    const cooling = late(second, 'READ_COOLING', 'SAFETY', 1)
    const free = late({ ...second, id: 'x' }, 'TASTE', 'NOTHING', 90)
    const ahead = { ...second, id: 'y', due: [{ ...skim.due[0]!, lateAt: minutes(5) }] }
    const found = alarmsOf([skim, free, ahead, cooling], NOW)
    expect(found.map((alarm) => alarm.due.kind)).toEqual(['READ_COOLING', 'SKIM'])
    expect(found.map((alarm) => alarm.safety)).toEqual([true, false])
  })

  it('are silent in the night watch, but for safety', () => {
    const all = alarmsOf([late(first, 'SKIM', 'CLARITY', 30), late(second, 'RESCUE', 'SAFETY', 1)], NOW)
    expect(audible(all, false)).toHaveLength(2)
    expect(audible(all, true).map((alarm) => alarm.due.kind)).toEqual(['RESCUE'])
  })

  it('stay acknowledged until their act is done, and come again when it is late again', () => {
    const skim = late(first, 'SKIM', 'CLARITY', 5)
    const { result, rerender } = renderHook(({ batches }) => useAlarms(batches, NOW), {
      initialProps: { batches: [skim] },
    })
    act(() => result.current.hear(result.current.alarms[0]!))
    expect(result.current.alarms).toEqual([])
    rerender({ batches: [{ ...skim }] })
    expect(result.current.alarms).toEqual([])
    rerender({ batches: [{ ...skim, due: [] }] })
    rerender({ batches: [skim] })
    expect(result.current.alarms).toHaveLength(1)
  })

  it('sound at once and again for as long as they last, and not at a screen that was silenced', () => {
    vi.useFakeTimers()
    const rung: boolean[] = []
    const ring = (safety: boolean) => rung.push(safety)
    const alarms = alarmsOf([late(first, 'SKIM', 'CLARITY', 5)], NOW)
    const { rerender } = renderHook(({ on, all }) => useAlarmSound(all, on, ring), {
      initialProps: { on: true, all: alarms },
    })
    vi.advanceTimersByTime(31_000)
    expect(rung).toEqual([false, false, false])
    rerender({ on: false, all: alarms })
    vi.advanceTimersByTime(60_000)
    expect(rung).toHaveLength(3)
    rerender({ on: true, all: [] })
    vi.advanceTimersByTime(60_000)
    expect(rung).toHaveLength(3)
  })

  it('keep what this screen was told about sound', () => {
    const { result } = renderHook(() => useSound())
    expect(result.current[0]).toBe(true)
    act(() => result.current[1](false))
    expect(result.current[0]).toBe(false)
    expect(renderHook(() => useSound()).result.current[0]).toBe(false)
  })
})

describe('the strip of alarms', () => {
  function open(batches: Card[]) {
    setServerTime(range.now)
    network({ '/api/range': { ...range, batches } })
    visit(<AlarmStrip />)
  }

  it('names the vessel, the act, how late it is and what that costs, one at a time', async () => {
    open([late(first, 'SKIM', 'CLARITY', 12), late(second, 'READ_COOLING', 'SAFETY', 2)])
    const strip = await screen.findByRole('alert')
    expect(said(strip)).toContain(`${second.vessel.name} read the cooling, 12 min late`)
    expect(said(strip)).toContain('and 1 more')
    fireEvent.click(screen.getByRole('button', { name: /^Heard/ }))
    await waitFor(() => expect(said(screen.getByRole('alert'))).toContain(`${first.vessel.name} skim`))
    fireEvent.click(screen.getByRole('button', { name: /^Heard/ }))
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull())
  })

  it('is not there while nothing is late', async () => {
    open([{ ...first, due: [{ ...first.due[0]!, lateAt: minutes(20) }] }])
    await waitFor(() => expect(screen.getByLabelText('address')).toBeTruthy())
    expect(screen.queryByRole('alert')).toBeNull()
  })
})
