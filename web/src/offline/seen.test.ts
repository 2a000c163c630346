import { describe, expect, it, vi } from 'vitest'
import { forgetSeen, noteAge, onSeen, saysNobody, SEEN, SEEN_AT, seenAt, stamped, worthKeeping } from './seen'

const fresh = () => new Response('{}')
const kept = async (at: number) => stamped(fresh(), at)

describe('what was seen last', () => {
  it.each(['/api/session', '/api/range', '/api/course', '/api/batches/1', '/api/kitchen/hob', '/api/lots/9'])(
    'keeps %s',
    (path) => expect(worthKeeping(path)).toBe(true),
  )

  it.each(['/api/live', '/api/charges', '/api/batches/1/record.csv', '/api/tokens', '/actuator/health'])(
    'does not keep %s',
    (path) => expect(worthKeeping(path)).toBe(false),
  )

  it('is stamped with its moment and otherwise the same', async () => {
    const answer = new Response('{"litres":12}', {
      status: 200,
      headers: { 'Content-Type': 'application/json' },
    })
    const old = await stamped(answer, 1_700_000_000_000)
    expect(old.headers.get(SEEN_AT)).toBe('1700000000000')
    expect(old.headers.get('Content-Type')).toBe('application/json')
    expect(await old.json()).toEqual({ litres: 12 })
  })

  it('is as old as the oldest of it, until an answer is fresh again', async () => {
    const told = vi.fn()
    const stop = onSeen(told)
    noteAge(await kept(2000))
    noteAge(await kept(1000))
    noteAge(await kept(3000))
    expect(seenAt()).toBe(1000)
    expect(told).toHaveBeenCalledTimes(2)
    noteAge(fresh())
    expect(seenAt()).toBeUndefined()
    stop()
    noteAge(await kept(5))
    expect(told).toHaveBeenCalledTimes(3)
    noteAge(fresh())
  })

  it('is thrown away with the visit', async () => {
    const gone: string[] = []
    vi.stubGlobal('caches', { delete: (name: string) => Promise.resolve(gone.push(name) > 0) })
    await forgetSeen()
    expect(gone).toEqual([SEEN])
    vi.unstubAllGlobals()
    await expect(forgetSeen()).resolves.toBeUndefined()
  })

  it('does not keep the word that nobody is here, and leaves an answer to be read on', async () => {
    const nobody = Response.json({ now: '2026-03-03T10:10:00Z' })
    expect(await saysNobody('/api/session', nobody)).toBe(true)
    expect(((await nobody.json()) as { now: string }).now).toBeTruthy()
    expect(await saysNobody('/api/session', Response.json({ person: { id: 'i' } }))).toBe(false)
    expect(await saysNobody('/api/range', Response.json({ batches: [] }))).toBe(false)
  })
})
