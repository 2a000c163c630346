import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Schemas } from '../../api/client'
import type { Page } from '../../api/queries'
import { answer, network, problem, visit, type Sent, said } from '../../testing/kitchen'
import { wayOutName } from '../../words/en'
import { JudgeSheet } from './JudgeSheet'

const NOW = answer<{ now: string }>('range').now

function open(more = {}): { page: Page; sent: Sent[] } {
  const page = answer<Page>('batch-simmer')
  setServerTime(NOW)
  const sent = network({ [`POST /api/batches/${page.card.id}/acts`]: page, ...more })
  visit(<JudgeSheet page={page} onClose={vi.fn()} />)
  return { page, sent }
}

async function logged(sent: Sent[], count = 1) {
  const acts = () =>
    sent.filter((s) => s.path.endsWith('/acts')).map((s) => s.body as Record<string, unknown>)
  await expect.poll(() => acts().length).toBe(count)
  return acts()
}

describe('judging the end', () => {
  it('judges the end with what was tasted, and tells the price of every more', async () => {
    const judging = answer<object[]>('judging')
    const { page, sent } = open({
      [`/api/batches/${answer<Page>('batch-simmer').card.id}/judging`]: judging.map((choice, i) =>
        i < 3
          ? choice
          : {
              ...choice,
              lateMin: 40,
              waiting: { batchId: 'b', number: 6, formulaName: 'Fish fumet', from: NOW, waitMin: 25 },
            },
      ),
    })
    const sheet = await screen.findByRole('dialog', { name: 'Judge the end' })
    for (const more of ['+15 min', '+30 min', '+60 min']) {
      const button = await within(sheet).findByRole('button', { name: new RegExp(`^\\${more}ends`) })
      expect(said(button)).toMatch(/ends .*, ready .*\d L out, \d+ g\/L gelatin/)
    }
    const hour = within(sheet).getByRole('button', { name: /^\+60/ }).textContent
    expect(hour).toContain(`40\u202fmin late for ${page.call!.stationName}`)
    expect(hour).toContain('Fish fumet, batch 6, waits 25\u202fmin for its burner')
    expect(said(within(sheet).getByRole('button', { name: /^\+30/ }))).not.toContain('late')
    fireEvent.click(within(sheet).getByRole('button', { name: 'round' }))
    fireEvent.click(within(sheet).getByRole('button', { name: 'joints fall apart' }))
    fireEvent.click(within(sheet).getByRole('button', { name: /^Enough/ }))
    const [tasted, judged] = await logged(sent, 2)
    expect(tasted).toMatchObject({ kind: 'tasted', words: 'round, joints fall apart' })
    expect(judged).toMatchObject({ kind: 'judged-enough' })
  })

  it('moves the end when it is not yet enough', async () => {
    const { sent } = open()
    fireEvent.click(await screen.findByRole('button', { name: /^\+30 min/ }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'judged-not-yet', longerMin: 30 })
  })

  it('can be judged also when what it would change cannot be asked for', async () => {
    const { sent } = open({
      [`/api/batches/${answer<Page>('batch-simmer').card.id}/judging`]: problem(500, 'broken'),
    })
    expect(await screen.findByText(/the judgement is kept all the same/)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: '+15 min' }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'judged-not-yet', longerMin: 15 })
  })

  const looked = () => answer<Schemas['WaysOutView']>('ways-out')

  it('shows what going on longer does to what is planned, and takes a way out with the judgement', async () => {
    const ways = looked()
    const { sent } = open({
      'POST /api/course/ways-out': ways,
      'POST /api/course/ways-out/taken': new Response(null, { status: 204 }),
    })
    const brought = vi.spyOn(Element.prototype, 'scrollIntoView')
    fireEvent.click(await screen.findByRole('button', { name: /^\+30 min/ }))
    const way = await screen.findByRole('region', { name: wayOutName[ways.ways[0]!.how] })
    // They come below what was tapped, where a small screen does not reach.
    expect((brought.mock.contexts[0] as Element).contains(way)).toBe(true)
    expect(said(way)).toContain(ways.ways[0]!.told[0]!.station)
    expect(sent.some((s) => s.path.endsWith('/acts'))).toBe(false)
    fireEvent.click(within(way).getByRole('button', { name: 'Judge and take this' }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'judged-not-yet', longerMin: 30 })
    await expect.poll(() => sent.some((s) => s.path.endsWith('/taken'))).toBe(true)
    expect(sent.find((s) => s.path.endsWith('/taken'))!.body).toEqual({
      trouble: { kind: 'NOW' },
      version: ways.version,
      way: ways.ways[0]!.taking,
    })
  })

  it('judges once, however often a way out is tapped and also where it is refused', async () => {
    const ways = looked()
    const { sent } = open({
      'POST /api/course/ways-out': ways,
      'POST /api/course/ways-out/taken': problem(409, 'Somebody changed the course meanwhile.'),
    })
    fireEvent.click(await screen.findByRole('button', { name: /^\+30 min/ }))
    const way = await screen.findByRole('region', { name: wayOutName[ways.ways[0]!.how] })
    const take = within(way).getByRole('button', { name: 'Judge and take this' })
    fireEvent.click(take)
    fireEvent.click(take)
    expect(await screen.findByText('Somebody changed the course meanwhile.')).toBeTruthy()
    fireEvent.click(take)
    await expect.poll(() => sent.filter((s) => s.path.endsWith('/taken')).length).toBeGreaterThan(1)
    expect(sent.filter((s) => s.path.endsWith('/acts'))).toHaveLength(1)
  })

  it('tells its own call that it comes later, also where nothing else is hit', async () => {
    const told = looked().ways[0]!.told.slice(0, 1)
    const stay = { moves: [], tells: [{ callId: told[0]!.callId, comes: told[0]!.is }] }
    const { sent } = open({
      'POST /api/course/ways-out': { version: 3, told, stay, ways: [] },
      'POST /api/course/ways-out/taken': new Response(null, { status: 204 }),
    })
    fireEvent.click(await screen.findByRole('button', { name: /^\+15 min/ }))
    await logged(sent)
    await expect.poll(() => sent.find((s) => s.path.endsWith('/taken'))?.body).toMatchObject({ way: stay })
  })

  it('judges and moves nothing where that is wanted', async () => {
    const { sent } = open({ 'POST /api/course/ways-out': looked() })
    fireEvent.click(await screen.findByRole('button', { name: /^\+30 min/ }))
    fireEvent.click(await screen.findByRole('button', { name: 'Judge it and move nothing' }))
    await logged(sent)
    expect(sent.some((s) => s.path.endsWith('/taken'))).toBe(false)
  })
})
