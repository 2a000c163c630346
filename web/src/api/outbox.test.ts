import 'fake-indexeddb/auto'
import { openDB } from 'idb'
import { beforeEach, describe, expect, it, vi } from 'vitest'

const server = vi.hoisted(() => {
  const relative = globalThis.Request
  const made = {
    acts: [] as { id: string; kind: string }[],
    mode: 'up' as 'up' | 'away' | 'refusing' | 'busy',
  }
  const problem = (status: number, fields: object) => Response.json({ detail: 'no', fields }, { status })
  // The client takes these two when it is made, so the server has to stand before anything is imported. A relative address needs a page to be
  // relative to.
  globalThis.Request = class extends relative {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' ? new URL(input, 'http://kitchen.test') : input, init)
    }
  }
  globalThis.fetch = async (input) => {
    if (made.mode === 'away') throw new TypeError('Failed to fetch')
    const body = (await (input as Request).json()) as { id: string; kind: string }
    if (made.mode === 'busy') return problem(503, {})
    if (made.mode === 'refusing')
      return problem(422, { litres: { reason: 'it would run over', low: 0, high: 3 } })
    if (!made.acts.some((known) => known.id === body.id)) made.acts.push(body)
    return Response.json({ card: { id: 'b1' } })
  }
  return made
})

import { act, flush, log } from './outbox'

async function waiting(): Promise<number> {
  return (await openDB('potamos')).count('acts')
}

describe('the outbox', () => {
  beforeEach(() => {
    server.acts = []
    server.mode = 'up'
  })

  it('sends an act and strikes it off', async () => {
    const outcome = await log('b1', act('skimmed', { litres: 0.1 }))
    expect(outcome.kind).toBe('sent')
    expect(server.acts).toHaveLength(1)
    expect(await waiting()).toBe(0)
  })

  it('keeps what it could not send and sends it in order when it can', async () => {
    server.mode = 'away'
    const first = await log('b1', act('skimmed', { litres: 0.1 }))
    const second = await log('b1', act('level-read', { belowRimCm: 14 }))
    expect([first.kind, second.kind]).toEqual(['kept', 'kept'])
    expect(await waiting()).toBe(2)
    server.mode = 'up'
    await flush()
    expect(server.acts.map((a) => a.kind)).toEqual(['skimmed', 'level-read'])
    expect(await waiting()).toBe(0)
  })

  it('keeps an act while the server says that it is busy', async () => {
    server.mode = 'busy'
    expect((await log('b1', act('skimmed', { litres: 0.1 }))).kind).toBe('kept')
    server.mode = 'up'
    await flush()
    expect(server.acts).toHaveLength(1)
  })

  it('tells a refusal with its field and does not send it again', async () => {
    server.mode = 'refusing'
    const outcome = await log('b1', act('topped-up', { litres: 90 }))
    if (outcome.kind !== 'refused') throw new Error(`expected a refusal, got ${outcome.kind}`)
    expect(outcome.problem.fields.litres).toEqual({ reason: 'it would run over', low: 0, high: 3 })
    expect(await waiting()).toBe(0)
  })
})
