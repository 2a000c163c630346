import { renderHook } from '@testing-library/react'
import { openDB } from 'idb'
import { beforeEach, describe, expect, it } from 'vitest'
import { edge } from '../testing/edge'
import { setServerTime } from './clock'
import {
  act,
  actAs,
  flush,
  letGo,
  log,
  startOutbox,
  tryAgain,
  useOutbox,
  type Act,
  type OutboxState,
} from './outbox'

type Mode = 'up' | 'away' | 'refusing' | 'busy' | 'ended' | 'forged' | 'forbidding' | 'between'

const server = { acts: [] as { id: string; kind: string; at: string; sentAt: string }[], mode: 'up' as Mode }

const problem = (status: number, fields: object, type = 'refused') =>
  Response.json({ type: `urn:potamos:problem:${type}`, detail: 'no', fields }, { status })

async function answer(request: Request): Promise<Response> {
  if (server.mode === 'away') throw new TypeError('Failed to fetch')
  const body = (await request.json()) as (typeof server.acts)[number]
  if (server.mode === 'busy') return problem(503, {}, 'busy')
  if (server.mode === 'ended') return new Response(null, { status: 401 })
  if (server.mode === 'forged') return Response.json({ status: 403, error: 'Forbidden' }, { status: 403 })
  if (server.mode === 'forbidding') return problem(403, {}, 'forbidden')
  if (server.mode === 'between') return new Response('<h1>Not found</h1>', { status: 404 })
  if (server.mode === 'refusing')
    return problem(422, { litres: { reason: 'it would run over', low: 0, high: 3 } })
  if (!server.acts.some((known) => known.id === body.id)) server.acts.push(body)
  return Response.json({ card: { id: 'b1' } })
}

const ILSE = { id: 'ilse', initials: 'IV' }
const here = { is: ILSE as typeof ILSE | undefined }

const waiting = async () => (await openDB('potamos')).count('acts')
const state = (): OutboxState => renderHook(() => useOutbox()).result.current

/** An act that somebody logged and walked away from: nobody waits for its answer any more. */
async function leftBehind(kind: Act['kind'], fields: object) {
  server.mode = 'away'
  await log('b1', act(kind, fields))
}

describe('the outbox', () => {
  beforeEach(async () => {
    edge.answer = answer
    server.acts = []
    server.mode = 'up'
    here.is = ILSE
    await flush()
    for (const item of state().refused) await letGo(item)
    startOutbox({ onPage: () => {}, potOf: () => 'Tall 40', whoIsHere: () => Promise.resolve(here.is) })
    actAs(ILSE)
    server.acts = []
  })

  it('sends an act and strikes it off', async () => {
    const outcome = await log('b1', act('skimmed', { litres: 0.1 }))
    expect(outcome.kind).toBe('sent')
    expect(server.acts).toHaveLength(1)
    expect(await waiting()).toBe(0)
  })

  it('gives a late answer to the page that sent the act, and not to one that was started since', async () => {
    const got: string[] = []
    const page = (name: string) => ({
      onPage: () => void got.push(name),
      potOf: () => undefined,
      whoIsHere: () => Promise.resolve(here.is),
    })
    let asked = () => {}
    let release = () => {}
    const sent = new Promise<void>((resolve) => (asked = resolve))
    const held = new Promise<void>((resolve) => (release = resolve))
    edge.answer = async (request) => {
      asked()
      await held
      return answer(request)
    }
    startOutbox(page('before'))
    const outcome = log('b1', act('skimmed', { litres: 0.1 }))
    await sent
    startOutbox(page('since'))
    release()
    expect((await outcome).kind).toBe('sent')
    expect(got).toEqual(['before'])
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

  it.each<Mode>(['ended', 'forged', 'between'])(
    'keeps an act through an answer that is not about it (%s), and sends it once',
    async (mode) => {
      server.mode = mode
      here.is = mode === 'between' ? ILSE : undefined
      expect((await log('b1', act('skimmed', { litres: 0.1 }))).kind).toBe('kept')
      expect(await waiting()).toBe(1)
      server.mode = 'up'
      await flush()
      expect(server.acts).toHaveLength(1)
      expect(await waiting()).toBe(0)
    },
  )

  it('keeps an act when the PIN of whoever logged it has run out, and takes the word of the kitchen when it has not', async () => {
    server.mode = 'forbidding'
    here.is = undefined
    expect((await log('b1', act('judged-enough'))).kind).toBe('kept')
    here.is = ILSE
    await flush()
    expect(state().refused).toHaveLength(1)
    expect(await waiting()).toBe(1)
  })

  it('tells a refusal with its field and does not send it again', async () => {
    server.mode = 'refusing'
    const outcome = await log('b1', act('topped-up', { litres: 90 }))
    if (outcome.kind !== 'refused') throw new Error(`expected a refusal, got ${outcome.kind}`)
    expect(outcome.problem.fields.litres).toEqual({ reason: 'it would run over', low: 0, high: 3 })
    expect(await waiting()).toBe(0)
  })

  it('keeps what was refused while nobody looked, with its pot and figure, until it is settled', async () => {
    await leftBehind('topped-up', { litres: 90 })
    server.mode = 'refusing'
    await flush()
    const [refused] = state().refused
    expect(refused).toMatchObject({ pot: 'Tall 40', act: { litres: 90 }, by: ILSE })
    expect(refused!.refused!.fields.litres!.reason).toBe('it would run over')
    // It holds up nothing behind it, and is not sent again by itself.
    server.mode = 'up'
    await log('b1', act('skimmed', { litres: 0.1 }))
    expect(server.acts.map((a) => a.kind)).toEqual(['skimmed'])
    await tryAgain(state().refused[0]!)
    expect(server.acts.map((a) => a.kind)).toEqual(['skimmed', 'topped-up'])
    expect(await waiting()).toBe(0)
  })

  it('sends an act on the kitchen’s clock as it is known by then, and says what that clock shows', async () => {
    await leftBehind('skimmed', { litres: 0.1 })
    setServerTime(new Date(Date.now() - 600_000).toISOString())
    server.mode = 'up'
    await flush()
    const [sent] = server.acts
    expect(Date.now() - new Date(sent!.at).getTime()).toBeGreaterThan(595_000)
    expect(new Date(sent!.sentAt).getTime() - new Date(sent!.at).getTime()).toBeLessThan(5_000)
    setServerTime(new Date().toISOString())
  })

  it('says what a browser has thrown away with its storage', async () => {
    await leftBehind('skimmed', { litres: 0.1 })
    const store = await openDB('potamos')
    await store.clear('acts')
    startOutbox({ onPage: () => {}, potOf: () => undefined, whoIsHere: () => Promise.resolve(here.is) })
    await expect.poll(() => state().lost).toBe(1)
  })
})
