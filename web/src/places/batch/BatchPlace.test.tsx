import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Page } from '../../api/queries'
import { answer, network, person, pick, problem, visit, said } from '../../testing/kitchen'
import BatchPlace from './BatchPlace'
import { acts, logged, openBatch } from '../../testing/batch'

describe('a pot that held what swims', () => {
  it('is cleaned down before it is filled, and that is logged', async () => {
    const { sent } = openBatch('batch-prepare-vegetable', (page) => ({
      ...page,
      cleanDown: { vessel: true, afterBatch: 4, formulaName: 'Shellfish stock', of: ['CRUSTACEANS'] },
    }))
    expect(said((await screen.findByText('Clean down first.')).closest('p'))).toMatch(
      /held shellfish stock \(batch 4\): crustaceans/,
    )
    fireEvent.click(screen.getByRole('button', { name: 'They are clean' }))
    const [first] = await logged(sent)
    expect(first).toMatchObject({ kind: 'cleaned-down' })
  })

  it('asks for strainer set and ladle alone where another pot was strained through them', async () => {
    openBatch('batch-simmer', (page) => ({
      ...page,
      cleanDown: { vessel: false, afterBatch: 4, formulaName: 'Shellfish stock', of: ['CRUSTACEANS'] },
    }))
    expect(said((await screen.findByText('Clean down first.')).closest('p'))).toMatch(
      /Strainer set and ladle were in shellfish stock.*before this pot is skimmed or strained/,
    )
  })

  it('says nothing where it need not be', async () => {
    openBatch('batch-bring-up')
    await screen.findByRole('heading', { level: 1 })
    expect(screen.queryByText('Clean down first.')).toBeNull()
  })
})

describe('a batch at its simmer', () => {
  it('says what it is, in what, for whom, and when it is ready', async () => {
    const { page } = openBatch('batch-simmer')
    const heading = await screen.findByRole('heading', { level: 1 })
    expect(said(heading)).toBe(`Brown veal stock in Broad 40, batch ${page.card.number}`)
    expect(screen.getByText(/^Ready /)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Sauce' })).toBeTruthy()
  })

  it('shows every stage of its plan, with the one it is in and how far the past ones were off', async () => {
    const { page } = openBatch('batch-simmer')
    const stages = await screen.findByRole('list', { name: 'Stages' })
    const items = within(stages).getAllByRole('listitem')
    expect(items.length).toBe(page.planned.length)
    expect(items.map((i) => i.firstChild?.textContent)).toContain('Prepare')
    expect(said(items.filter((i) => i.getAttribute('aria-current') === 'step')[0])).toContain('Simmer')
    expect(said(items[items.length - 1])).toMatch(/Store\d\d:\d\d/)
  })

  it('closes its ledger in view, the unexplained with it', async () => {
    const { page } = openBatch('batch-simmer')
    const mouths = await screen.findByRole('img', { name: /^Ledger of litres/ })
    expect(mouths.getAttribute('aria-label')).toContain('If strained now')
    const rows = within(mouths.closest('figure')!).getAllByRole('row', { hidden: true })
    expect(rows.length).toBe(page.ledger.entries.length + 2)
  })

  it('logs a level as it is read, in centimetres below the rim', async () => {
    const { sent } = openBatch('batch-simmer')
    fireEvent.click(await screen.findByRole('button', { name: 'Level' }))
    const sheet = await screen.findByRole('dialog')
    const expected = /Expected (\d+(?:\.\d)?) cm below the rim/.exec(said(sheet))![1]!
    // A reading starts empty: nobody logs by a tap what nobody has read.
    const field = within(sheet).getByRole<HTMLInputElement>('textbox', { name: 'Below the rim' })
    expect(field.value).toBe('')
    expect(within(sheet).getByRole<HTMLButtonElement>('button', { name: 'Log' }).disabled).toBe(true)
    const read = Number(expected) + 0.5
    fireEvent.change(field, { target: { value: read.toFixed(1).replace('.', ',') } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Log' }))
    const entry = (await logged(sent))[0]!
    expect(entry).toMatchObject({ kind: 'level-read' })
    expect(entry.belowRimCm).toBeCloseTo(read, 6)
  })

  it('says beside the figure what the server would not take, and keeps the sheet', async () => {
    const page = answer<Page>('batch-simmer')
    const refusal = problem(422, 'above the boiling point here', {
      celsius: { reason: 'above the boiling point here', low: 0, high: 99.2, unit: '°C' },
    })
    openBatch('batch-simmer', (p) => p, person(), { [`POST /api/batches/${page.card.id}/acts`]: refusal })
    fireEvent.click(await screen.findByRole('button', { name: 'Temperature' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox'), { target: { value: '400' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Log' }))
    fireEvent.click(within(sheet).getByRole('button', { name: 'It stands: log it' }))
    const refused = await within(sheet).findByRole('alert')
    expect(said(refused)).toBe('Above the boiling point here. Between 0.0 and 99.0 °C.')
    expect(screen.getByRole('dialog')).toBeTruthy()
  })

  it('holds the set card and the ladle card against it', async () => {
    const { sent } = openBatch('batch-simmer')
    fireEvent.click(await screen.findByRole('button', { name: 'Set' }))
    fireEvent.click(await screen.findByRole('radio', { name: '4 sets' }))
    fireEvent.click(screen.getByRole('button', { name: 'Log' }))
    await logged(sent)
    fireEvent.click(await screen.findByRole('button', { name: 'Ladle' }))
    fireEvent.click(await screen.findByRole('radio', { name: /^5/ }))
    fireEvent.click(screen.getByRole('button', { name: 'Log' }))
    const both = await logged(sent, 2)
    expect(both[0]).toMatchObject({ kind: 'card-read', card: 'SET', value: 4 })
    expect(both[1]).toMatchObject({ kind: 'card-read', card: 'LADLE', value: 5 })
  })

  it('logs nothing from a card before a place on it is chosen', async () => {
    openBatch('batch-simmer')
    fireEvent.click(await screen.findByRole('button', { name: 'Ladle' }))
    await screen.findByRole('radiogroup', { name: 'Ladle card' })
    expect(screen.getByRole('button', { name: 'Log' })).toHaveProperty('disabled', true)
  })

  it('says which burner the vessel stands on, and moves it to another', async () => {
    const hob = answer<{ burnerId: string; name: string; ratedKw: number }[]>('hob')
    const { page, sent } = openBatch('batch-simmer', (p) => p, person(), { '/api/kitchen/hob': hob })
    const own = hob.find((place) => place.burnerId === page.card.burnerId)!
    const other = hob.find((place) => place.burnerId !== page.card.burnerId)!
    await pick(
      await screen.findByRole('button', { name: new RegExp(`^Stands on: ${own.name}`) }),
      new RegExp(`^${other.name}, ${other.ratedKw.toFixed(1)}.kW`),
    )
    await expect.poll(() => sent.filter((s) => s.method === 'PUT').length).toBe(1)
    expect(sent.find((s) => s.method === 'PUT')).toMatchObject({
      path: `/api/batches/${page.card.id}/burner`,
      body: { burnerId: other.burnerId },
    })
  })

  it('swaps with the pot that stands on the other burner, once it was asked', async () => {
    const hob = answer<{ burnerId: string; name: string }[]>('hob')
    const range = answer<{ batches: Page['card'][] }>('range')
    const other = hob.find((place) => place.burnerId !== answer<Page>('batch-simmer').card.burnerId)!
    range.batches = range.batches.map((card) =>
      card.stage === 'BRING_UP' ? { ...card, burnerId: other.burnerId } : card,
    )
    const tall = range.batches.find((card) => card.burnerId === other.burnerId && card.onTheHob)!
    const { sent } = openBatch('batch-simmer', (p) => p, person(), {
      '/api/kitchen/hob': hob,
      '/api/range': range,
    })
    await pick(
      await screen.findByRole('button', { name: /^Stands on/ }),
      new RegExp(`^${other.name}.*${tall.vessel.name} is on it`),
    )
    expect(sent.filter((s) => s.method === 'PUT')).toEqual([])
    fireEvent.click(screen.getByRole('button', { name: 'Swap the two' }))
    await expect
      .poll(() => sent.find((s) => s.method === 'PUT')?.body)
      .toEqual({ burnerId: other.burnerId, swap: true })
  })

  it('keeps every button its act when one before it is done, so that no finger finds another one under it', async () => {
    const before = answer<Page>('batch-simmer')
    const [, second, ...rest] = before.card.due
    const after = { ...before, card: { ...before.card, due: [before.card.due[0]!, ...rest] } }
    const acted = { [`POST /api/batches/${before.card.id}/acts`]: after }
    const { sent } = openBatch('batch-simmer', (p) => p, person(), acted)
    const buttons = () => screen.getAllByRole('button', { name: /: log now$/ })
    await screen.findByRole('region', { name: 'Acts' })
    const stood = new Map(buttons().map((button) => [button.getAttribute('aria-label'), button]))
    expect(stood.size).toBe(before.card.due.length - 1)
    fireEvent.click(screen.getByRole('button', { name: 'Skimmed' }))
    fireEvent.click(within(await screen.findByRole('dialog')).getByRole('button', { name: 'Log' }))
    await logged(sent)
    await waitFor(() => expect(buttons()).toHaveLength(stood.size - 1))
    expect(second).toBeDefined()
    for (const button of buttons()) expect(stood.get(button.getAttribute('aria-label'))).toBe(button)
  })

  it('leaves a hand at the keyboard where the next act stands', async () => {
    const before = answer<Page>('batch-cool')
    const due = before.card.due.find((d) => d.kind === 'READ_COOLING')!
    const becomes = [{ kind: 'cooling-began' as const, figures: {} }]
    const start = { ...due, kind: 'BEGIN_COOLING' as const, asks: false, becomes }
    const page = { ...before, card: { ...before.card, due: [start, due] } }
    const after = { ...before, card: { ...before.card, due: [due] } }
    openBatch('batch-cool', () => page, person(), { [`POST /api/batches/${before.card.id}/acts`]: after })
    const button = await screen.findByRole('button', { name: /^Start cooling/ })
    button.focus()
    fireEvent.click(button)
    await waitFor(() => expect(screen.queryByRole('button', { name: /^Start cooling/ })).toBeNull())
    // The place of a button that was just used rests, so that a second tap does nothing; then the hand goes on.
    const next = screen.getByRole<HTMLButtonElement>('button', { name: /^Read the cooling/ })
    expect(next.disabled).toBe(true)
    fireEvent.keyDown(document.body, { key: 'n' })
    expect(screen.queryByRole('dialog')).toBeNull()
    await waitFor(() => expect(document.activeElement).toBe(next))
  })

  it('puts in what goes in together at one tap, each its own entry', async () => {
    const { page, sent } = openBatch('batch-simmer')
    const add = page.card.due.find((due) => due.kind === 'ADD')!
    fireEvent.click(await screen.findByRole('button', { name: /(Put in|Sachet in).*log now/ }))
    const all = await logged(sent, add.parts.length)
    expect(all.map((a) => a.part).sort()).toEqual(add.parts.map((p) => p.id).sort())
    expect(new Set(all.map((a) => a.id)).size).toBe(add.parts.length)
  })

  it.each([
    ['l', 'level-read', 'Below the rim'],
    ['t', 'temperature-read', 'In the liquor'],
    ['k', 'skimmed', 'Liquor lost with the scum'],
    ['w', 'topped-up', 'Water added'],
  ])('opens the sheet of a reading by the key %s', async (key, _kind, label) => {
    openBatch('batch-simmer')
    await screen.findByRole('heading', { level: 1 })
    fireEvent.keyDown(document.body, { key })
    expect(within(await screen.findByRole('dialog')).getByRole('textbox', { name: label })).toBeTruthy()
  })

  it('is given up only after a second word', async () => {
    const { sent } = openBatch('batch-simmer')
    fireEvent.click(await screen.findByRole('button', { name: 'Give this batch up' }))
    expect(acts(sent)).toEqual([])
    fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
    fireEvent.click(screen.getByRole('button', { name: 'Give this batch up' }))
    fireEvent.click(screen.getByRole('button', { name: 'Give it up' }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'abandoned' })
  })
})

describe('a batch in its bath', () => {
  it('shows its readings against the limits, with a verdict', async () => {
    const { page } = openBatch('batch-cool')
    expect((await screen.findAllByText(/^(On course|Passed|Tight)$/)).length).toBeGreaterThan(0)
    expect(said(screen.getByText(/^Planned: /))).toContain(page.coolingPlan.into[0]!.container)
    expect(screen.queryByRole('button', { name: 'Level' })).toBeNull()
  })

  it('says in red that it will not make its limit, and what to do', async () => {
    openBatch('batch-cool', (p) => ({
      ...p,
      card: { ...p.card, cooling: { ...p.card.cooling, overall: 'WILL_FAIL' } },
    }))
    expect((await screen.findByText(/will not make its limit/)).className).toContain('hazard')
  })

  it('takes a reading of the stock, not of a pot', async () => {
    const { sent } = openBatch('batch-cool')
    await screen.findByRole('heading', { level: 1 })
    fireEvent.keyDown(document.body, { key: 't' })
    const sheet = await screen.findByRole('dialog', { name: 'Read the cooling' })
    fireEvent.change(within(sheet).getByRole('textbox'), { target: { value: '30' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Log' }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'cooling-read', celsius: 30 })
  })
})

describe('a batch before its water', () => {
  it('says what of it is done, under way and ahead', async () => {
    openBatch('batch-prepare-fish')
    const chores = await screen.findByRole('list', { name: 'Before the water' })
    const words = within(chores)
      .getAllByRole('listitem')
      .map((item) => item.textContent)
    expect(words[0]).toMatch(/^Rinse \d\d:\d\d$/)
    expect(words[1]).toMatch(/^Soak since \d\d:\d\d$/)
    expect(words.at(-1)).toBe('Cook the wine down ahead')
  })

  it('never hides what was not logged', async () => {
    openBatch('batch-simmer', (page) => ({
      ...page,
      chores: page.chores.map((c) => (c.phase === 'deglaze' ? { ...c, finished: undefined } : c)),
    }))
    const chores = await screen.findByRole('list', { name: 'Before the water' })
    expect(said(chores)).toContain('Deglaze not logged')
  })

  it('begins and ends its phases by their step in the procedure', async () => {
    const { page, sent } = openBatch('batch-prepare-fish')
    const soak = page.card.due.find((due) => due.kind === 'END' && due.phase === 'soak')!
    fireEvent.click(await screen.findByRole('button', { name: 'Out of the soak: log now' }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'finished', step: soak.step })
  })

  it('shows its bed and its water to come, not a level that is not there', async () => {
    const { page } = openBatch('batch-prepare-fish')
    expect((await screen.findAllByText(new RegExp(`^${page.bedName}`))).length).toBeGreaterThan(0)
    expect(screen.queryByText('In the pot')).toBeNull()
    expect(screen.queryByRole('button', { name: 'Skimmed' })).toBeNull()
  })

  it('turns a roast at one tap of the next act', async () => {
    const { sent } = openBatch('batch-prepare-vegetable')
    await screen.findByRole('heading', { level: 1 })
    fireEvent.keyDown(document.body, { key: 'n' })
    expect((await logged(sent))[0]).toMatchObject({ kind: 'turned' })
  })
})

describe('a batch that is not there', () => {
  it('says so and offers to try again', async () => {
    network({})
    visit(<BatchPlace />, { at: '/batches/nothing', path: '/batches/:id' })
    expect(said(await screen.findByRole('alert'))).toContain('The batch could not be fetched')
  })
})
