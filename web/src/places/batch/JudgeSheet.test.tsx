import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Page } from '../../api/queries'
import { answer, network, problem, visit, type Sent, said } from '../../testing/kitchen'
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
  const acts = () => sent.filter((s) => s.method === 'POST').map((s) => s.body as Record<string, unknown>)
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
})
