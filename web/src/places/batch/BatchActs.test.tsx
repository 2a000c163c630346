import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Page } from '../../api/queries'
import { answer, said } from '../../testing/kitchen'
import { acts, logged, openBatch } from '../../testing/batch'
import { dueWords, type Due } from './acts'

describe('what is logged at a pot', () => {
  it('does not log an act twice that is the next one once more', async () => {
    const { page, sent } = openBatch('batch-prepare-fish')
    const due = page.card.due[0]!
    const button = await screen.findByRole<HTMLButtonElement>('button', {
      name: new RegExp(`^${dueWords(due)}`),
    })
    fireEvent.click(button)
    fireEvent.click(button)
    fireEvent.keyDown(document.body, { key: 'n' })
    await logged(sent)
    expect(button.disabled).toBe(true)
    expect(button.isConnected).toBe(true)
    expect(acts(sent)).toHaveLength(1)
  })

  it('proposes for a top-up what it says brings the pot back to its mark', async () => {
    openBatch('batch-simmer', (page) => ({ ...page, card: { ...page.card, due: [] } }))
    await screen.findByRole('heading', { level: 1 })
    fireEvent.keyDown(document.body, { key: 'w' })
    const sheet = await screen.findByRole('dialog')
    const proposed = within(sheet).getByRole<HTMLInputElement>('textbox', { name: 'Water added' }).value
    expect(Number(proposed)).toBeGreaterThan(0)
    expect(said(within(sheet).getByText(/bring it back to the mark/))).toContain(
      `${Number(proposed).toFixed(1)} L`,
    )
  })

  it('says at the strainer how much fat is no part of what comes out, until it was lifted', async () => {
    const before = answer<Page>('batch-bring-up')
    const strain: Due = {
      ...before.card.due[0]!,
      kind: 'STRAIN',
      asks: true,
      becomes: [{ kind: 'strained', figures: { passes: 2 } }],
    }
    const fat = before.fatOnItL
    expect(fat).toBeGreaterThan(0.1)
    const straining = (page: Page) => ({ ...page, card: { ...page.card, due: [strain] } })
    openBatch('batch-bring-up', straining)
    fireEvent.click(await screen.findByRole('button', { name: /^Strain and measure/ }))
    expect(said(await screen.findByText(/without its fat/))).toContain(
      `about ${fat.toFixed(1)} L float on it`,
    )
    cleanup()
    openBatch('batch-bring-up', (page) => ({
      ...straining(page),
      fatOnItL: 0,
    }))
    fireEvent.click(await screen.findByRole('button', { name: /^Strain and measure/ }))
    expect(await screen.findByText(/Ladle from the top/)).toBeTruthy()
    expect(screen.queryByText(/without its fat/)).toBeNull()
  })
})

describe('a batch that was given up', () => {
  const given = (page: Page): Page => ({
    ...page,
    card: { ...page.card, stage: 'ABANDONED', due: [] },
    path: [...page.path, { stage: 'ABANDONED', at: page.card.readyAt }],
    events: [
      ...page.events,
      {
        ...page.events[0]!,
        id: 'given-up',
        kind: 'abandoned',
        figures: { words: 'the frames smelt' },
        withdrawn: false,
      },
    ],
  })

  it('says by whom and why, and tells no times of what will not come', async () => {
    openBatch('batch-prepare-fish', given)
    expect(said(await screen.findByRole('region', { name: 'Given up' }))).toMatch(
      / by .*: the frames smelt\./,
    )
    const stages = within(screen.getByRole('list', { name: 'Stages' })).getAllByRole('listitem')
    expect(said(stages.find((stage) => stage.getAttribute('aria-current') === 'step'))).toBe(
      'Preparegiven up',
    )
    expect(said(stages[stages.length - 1])).toBe('Store–')
    expect(screen.queryByText(/^Cooling:/)).toBeNull()
    expect(screen.queryByRole('img', { name: /^Ledger of litres/ })).toBeNull()
  })

  it('keeps the account of litres of a pot that had its water', async () => {
    openBatch('batch-simmer', given)
    expect(await screen.findByRole('img', { name: /^Ledger of litres/ })).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Level' })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Something happened' })).toBeNull()
  })
})
