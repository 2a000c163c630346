import { describe, expect, it } from 'vitest'
import { QueryClient, QueryObserver } from '@tanstack/react-query'
import { answer } from '../testing/kitchen'
import type { Schemas } from './client'
import { answered, askAnew, madeStale, readNow } from './live'

describe('a change that is told', () => {
  it('makes stale the very batch that it is about, and what shows many', () => {
    const stale = madeStale({ topic: 'batches', ref: 'b1', act: '' })
    expect(stale).toContainEqual(['batch', 'b1'])
    expect(stale).toContainEqual(['course', 'b1'])
    expect(stale).toContainEqual(['range'])
    expect(stale).not.toContainEqual(['batch'])
  })

  it('makes everything of its kind stale where it names nothing', () => {
    expect(madeStale({ topic: 'batches', ref: '', act: '' })).toContainEqual(['batch'])
    expect(madeStale({ topic: 'clock', ref: '', act: '' })).toContainEqual(['batch'])
    expect(madeStale({ topic: 'clock', ref: '', act: '' })).toContainEqual(['course'])
  })

  it('of a topic that nobody knows makes nothing stale', () => {
    expect(madeStale({ topic: 'weather', ref: '1', act: '' })).toEqual([])
  })

  it('of an act that has its answer asks for nothing that was in it', () => {
    const told = { topic: 'batches', ref: 'b1', act: 'a1' }
    expect(madeStale(told)).toContainEqual(['batch', 'b1'])
    answered('a1')
    expect(madeStale(told)).toContainEqual(['lots'])
    expect(madeStale(told).map(([key]) => key)).not.toEqual(expect.arrayContaining(['batch']))
    expect(madeStale({ ...told, act: 'somebody else’s' })).toContainEqual(['batch', 'b1'])
  })
})

describe('what is asked for while a change is told', () => {
  const shown = (client: QueryClient) => {
    const answers: ((level: number) => void)[] = []
    const query = new QueryObserver<number>(client, {
      queryKey: ['batch', 'b1'],
      queryFn: () => new Promise((answer) => answers.push(answer)),
    })
    const seen: (number | undefined)[] = []
    query.subscribe(({ data }) => seen.push(data))
    const answer = (level: number) => answers.shift()!(level)
    return { answer, answers, seen }
  }

  it('the first time is asked for once more, for it may be answered as it was before', async () => {
    const client = new QueryClient()
    const { answer, answers, seen } = shown(client)
    askAnew(client, ['batch'])
    answer(12)
    await expect.poll(() => answers.length).toBe(1)
    answer(13)
    await expect.poll(() => seen.at(-1)).toBe(13)
  })

  it('once it is known is asked for once', async () => {
    const client = new QueryClient()
    const { answer, answers, seen } = shown(client)
    answer(12)
    await expect.poll(() => seen.at(-1)).toBe(12)
    askAnew(client, ['batch'])
    expect(answers).toHaveLength(1)
    answer(13)
    await expect.poll(() => seen.at(-1)).toBe(13)
    expect(answers).toHaveLength(0)
  })
})

describe('what a probe reads', () => {
  const range = (): Schemas['Range'] => {
    const as = answer<Schemas['Range']>('range')
    const probe = { name: 'Probe 1', celsius: 90, at: as.now, silent: false }
    return { ...as, batches: as.batches.map((card, i) => (i === 0 ? { ...card, probe } : card)) }
  }
  const watched = () => range().batches[0]!
  const reading = (more: Partial<Schemas['DeviceView']> = {}): Schemas['DeviceView'] => ({
    id: 'd1',
    name: watched().probe!.name,
    kind: 'PROBE',
    vesselId: watched().vessel.id,
    lastAt: range().now,
    lastValue: 77.5,
    silent: false,
    ...more,
  })
  const after = (device: Schemas['DeviceView']) => {
    const client = new QueryClient()
    client.setQueryData(['range'], range())
    readNow(client, [device])
    return client.getQueryData<Schemas['Range']>(['range'])!.batches
  }

  it('stands on the card of its vessel, and on no other', () => {
    const cards = after(reading())
    expect(cards.find((card) => card.id === watched().id)!.probe!.celsius).toBe(77.5)
    expect(cards.filter((card) => card.probe?.celsius === 77.5)).toHaveLength(1)
  })

  it('says that it has fallen silent, and nothing of a vessel that it does not stand in', () => {
    expect(after(reading({ silent: true })).find((card) => card.id === watched().id)!.probe!.silent).toBe(
      true,
    )
    expect(after(reading({ vesselId: 'another' }))).toEqual(range().batches)
  })
})
