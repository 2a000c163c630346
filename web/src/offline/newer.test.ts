import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { newerCame, newerThere, onNewer, watchTouches } from './newer'

beforeEach(() => {
  vi.useFakeTimers()
  sessionStorage.clear()
})
afterEach(() => {
  vi.useRealTimers()
  document.body.innerHTML = ''
})

const gone = () => window.dispatchEvent(new Event('vite:preloadError', { cancelable: true }))

it('loads a page anew once when a part of it is gone, and falls over with a word when that does not help', () => {
  const load = vi.fn()
  watchTouches(load)
  expect(gone()).toBe(false)
  expect(load).toHaveBeenCalledTimes(1)
  expect(gone()).toBe(true)
  vi.advanceTimersByTime(61_000)
  expect(gone()).toBe(false)
  expect(load).toHaveBeenCalledTimes(2)
})

it('waits with another build until nobody touches the page and nothing is open on it', () => {
  const load = vi.fn()
  const told = vi.fn()
  onNewer(told)
  watchTouches(vi.fn())
  window.dispatchEvent(new Event('pointerdown'))
  newerCame(load)
  newerCame(load)
  expect(newerThere()).toBe(true)
  expect(told).toHaveBeenCalledTimes(1)
  vi.advanceTimersByTime(10_000)
  expect(load).not.toHaveBeenCalled()
  document.body.innerHTML = '<div role="dialog"></div>'
  vi.advanceTimersByTime(60_000)
  expect(load).not.toHaveBeenCalled()
  document.body.innerHTML = ''
  vi.advanceTimersByTime(4_000)
  expect(load).toHaveBeenCalledTimes(1)
})
