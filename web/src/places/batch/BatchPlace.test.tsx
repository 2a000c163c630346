import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Page } from '../../api/queries'
import { answer, network, person, problem, visit, type Sent } from '../../testing/kitchen'
import BatchPlace from './BatchPlace'

const NOW = answer<{ now: string }>('range').now

function open(
  name: string,
  change: (page: Page) => Page = (p) => p,
  who = person(),
  more = {},
): { page: Page; sent: Sent[] } {
  const page = change(answer<Page>(name))
  setServerTime(NOW)
  const at = `/batches/${page.card.id}`
  const sent = network({ [`/api${at}`]: page, [`POST /api${at}/acts`]: page, '/api/calls': [], ...more })
  visit(<BatchPlace />, { at, path: '/batches/:id', who })
  return { page, sent }
}

const acts = (sent: Sent[]) =>
  sent.filter((s) => s.method === 'POST').map((s) => s.body as Record<string, unknown>)

async function logged(sent: Sent[], count = 1) {
  await expect.poll(() => acts(sent).length).toBe(count)
  return acts(sent)
}

describe('a batch at its simmer', () => {
  it('says what it is, in what, for whom, and when it is ready', async () => {
    const { page } = open('batch-simmer')
    const heading = await screen.findByRole('heading', { level: 1 })
    expect(heading.textContent).toBe(`Brown veal stock in Broad 40, batch ${page.card.number}`)
    expect(screen.getByText(/^Ready /)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Sauce' })).toBeTruthy()
  })

  it('shows every stage of its plan, with the one it is in and how far the past ones were off', async () => {
    const { page } = open('batch-simmer')
    const stages = await screen.findByRole('list', { name: 'Stages' })
    const items = within(stages).getAllByRole('listitem')
    expect(items.length).toBe(page.planned.length)
    expect(items.map((i) => i.firstChild?.textContent)).toContain('Prepare')
    expect(items.filter((i) => i.getAttribute('aria-current') === 'step')[0]!.textContent).toContain('Simmer')
    expect(items[items.length - 1]!.textContent).toMatch(/Store\d\d:\d\d/)
  })

  it('closes its ledger in view, the unexplained with it', async () => {
    const { page } = open('batch-simmer')
    const mouths = await screen.findByRole('img', { name: /^Ledger of litres/ })
    expect(mouths.getAttribute('aria-label')).toContain('If strained now')
    const rows = within(mouths.closest('figure')!).getAllByRole('row', { hidden: true })
    expect(rows.length).toBe(page.ledger.entries.length + 2)
  })

  it('logs a level as it is read, in centimetres below the rim', async () => {
    const { sent } = open('batch-simmer')
    fireEvent.click(await screen.findByRole('button', { name: 'Level' }))
    const sheet = await screen.findByRole('dialog')
    const expected = /Expected (\d+(?:\.\d)?) cm below the rim/.exec(sheet.textContent)![1]!
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
    open('batch-simmer', (p) => p, person(), { [`POST /api/batches/${page.card.id}/acts`]: refusal })
    fireEvent.click(await screen.findByRole('button', { name: 'Temperature' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox'), { target: { value: '400' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Log' }))
    fireEvent.click(within(sheet).getByRole('button', { name: 'It stands: log it' }))
    const said = await within(sheet).findByRole('alert')
    expect(said.textContent).toBe('Above the boiling point here. Between 0.0 and 99.0 °C.')
    expect(screen.getByRole('dialog')).toBeTruthy()
  })

  it('holds the set card and the ladle card against it', async () => {
    const { sent } = open('batch-simmer')
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
    open('batch-simmer')
    fireEvent.click(await screen.findByRole('button', { name: 'Ladle' }))
    await screen.findByRole('radiogroup', { name: 'Ladle card' })
    expect(screen.getByRole('button', { name: 'Log' })).toHaveProperty('disabled', true)
  })

  it('says which burner the vessel stands on, and moves it to another', async () => {
    const hob = answer<{ burnerId: string; name: string }[]>('hob')
    const { page, sent } = open('batch-simmer', (p) => p, person(), { '/api/kitchen/hob': hob })
    const stands = await screen.findByRole('combobox', { name: 'Stands on' })
    expect(stands).toHaveProperty('value', page.card.burnerId)
    const other = hob.find((place) => place.burnerId !== page.card.burnerId)!
    fireEvent.change(stands, { target: { value: other.burnerId } })
    await expect.poll(() => sent.filter((s) => s.method === 'PUT').length).toBe(1)
    expect(sent.find((s) => s.method === 'PUT')).toMatchObject({
      path: `/api/batches/${page.card.id}/burner`,
      body: { burnerId: other.burnerId },
    })
  })

  it('keeps every button its act when one before it is done, so that no finger finds another one under it', async () => {
    const before = answer<Page>('batch-simmer')
    const [, second, ...rest] = before.card.due
    const after = { ...before, card: { ...before.card, due: [before.card.due[0]!, ...rest] } }
    const acted = { [`POST /api/batches/${before.card.id}/acts`]: after }
    const { sent } = open('batch-simmer', (p) => p, person(), acted)
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
    open('batch-cool', () => page, person(), { [`POST /api/batches/${before.card.id}/acts`]: after })
    const button = await screen.findByRole('button', { name: /^Start cooling/ })
    button.focus()
    fireEvent.click(button)
    await waitFor(() => expect(screen.queryByRole('button', { name: /^Start cooling/ })).toBeNull())
    // The place of a button that was just used rests, so that a second tap does nothing; then the hand goes on.
    const next = screen.getByRole<HTMLButtonElement>('button', { name: /^Read the cooling/ })
    expect(next.disabled).toBe(true)
    fireEvent.keyDown(document.body, { key: 'n' })
    expect(screen.queryByRole('dialog')).toBeNull()
    await waitFor(() => expect(document.activeElement).toBe(next), { timeout: 4000 })
  })

  it('puts in what goes in together at one tap, each its own entry', async () => {
    const { page, sent } = open('batch-simmer')
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
    open('batch-simmer')
    await screen.findByRole('heading', { level: 1 })
    fireEvent.keyDown(document.body, { key })
    expect(within(await screen.findByRole('dialog')).getByRole('textbox', { name: label })).toBeTruthy()
  })

  it('is given up only after a second word', async () => {
    const { sent } = open('batch-simmer')
    fireEvent.click(await screen.findByRole('button', { name: 'Give this batch up' }))
    expect(acts(sent)).toEqual([])
    fireEvent.click(screen.getByRole('button', { name: 'Keep it' }))
    fireEvent.click(screen.getByRole('button', { name: 'Give this batch up' }))
    fireEvent.click(screen.getByRole('button', { name: 'Give it up' }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'abandoned' })
  })
})

describe('the record of a batch', () => {
  it('tells every entry with its time and initials, the latest first', async () => {
    const { page } = open('batch-simmer')
    const list = await screen.findByRole('list', { name: 'Entries, latest first' })
    const rows = within(list).getAllByRole('listitem')
    expect(rows.length).toBe(12)
    fireEvent.click(screen.getByRole('button', { name: `All ${page.events.length} entries` }))
    expect(within(list).getAllByRole('listitem').length).toBe(page.events.length)
    const first = within(list).getAllByRole('listitem')[page.events.length - 1]!
    expect(first.textContent).toMatch(/^\d\d:\d\d(IV|WA)Weighed in veal/)
  })

  it('names the phase that began and ended, and what a card said', async () => {
    open('batch-simmer')
    const list = await screen.findByRole('list', { name: 'Entries, latest first' })
    fireEvent.click(screen.getByRole('button', { name: /^All / }))
    expect(list.textContent).toContain('Begun roast')
    expect(list.textContent).toContain('shade 5.5, dark')
  })

  it('strikes a corrected figure through and sets the right one beside it', async () => {
    open('batch-simmer', (page) => {
      const event = page.events.find((e) => e.kind === 'filled')!
      event.correctedTo = { ...event.figures, litres: 21.5 }
      event.reason = 'misread the jug'
      const by = { recordedAt: event.recordedAt, by: 'IV', byName: 'Ilse Varga' }
      event.corrections = [
        { ...by, seq: 8, reason: 'counted jugs', figures: { ...event.figures, litres: 20.5 } },
        { ...by, seq: 9, reason: 'misread the jug', figures: { ...event.figures, litres: 21.5 } },
      ]
      event.late = true
      return { ...page, events: [event] }
    })
    const list = await screen.findByRole('list', { name: 'Entries, latest first' })
    expect(within(list).getByText('21.5 L')).toBeTruthy()
    expect(list.querySelector('.line-through')!.textContent).toMatch(/L$/)
    // Every correction is there with its person, also one that another has followed; and that it was told from memory.
    expect(list.textContent).toContain('Ilse Varga: corrected to 20.5 L')
    expect(list.textContent).toContain('counted jugs')
    expect(list.textContent).toContain('misread the jug')
    expect(list.textContent).toContain('from memory')
  })

  it('corrects an entry by another one that names it', async () => {
    const { page, sent } = open('batch-simmer', (p) => ({
      ...p,
      events: p.events.filter((e) => e.kind === 'filled'),
    }))
    fireEvent.click(await screen.findByRole('button', { name: /^Correct Filled/ }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Volume' }), { target: { value: '19' } })
    const correct = within(sheet).getByRole('button', { name: 'Correct the record' })
    expect(correct).toHaveProperty('disabled', true)
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Why' }), { target: { value: 'misread' } })
    fireEvent.click(correct)
    expect((await logged(sent))[0]).toMatchObject({
      kind: 'corrected',
      corrects: page.events[0]!.id,
      litres: 19,
    })
  })

  it('offers no correction to a trainee', async () => {
    open('batch-simmer', (p) => p, person({ rights: ['READ', 'ACT'] }))
    await screen.findByRole('list', { name: 'Entries, latest first' })
    expect(screen.queryByRole('button', { name: /^Correct/ })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Judge' })).toBeNull()
  })
})

describe('a batch in its bath', () => {
  it('shows its readings against the limits, with a verdict', async () => {
    const { page } = open('batch-cool')
    expect((await screen.findAllByText(/^(On course|Passed|Tight)$/)).length).toBeGreaterThan(0)
    expect(screen.getByText(/^Planned: /).textContent).toContain(page.coolingPlan.into[0]!.container)
    expect(screen.queryByRole('button', { name: 'Level' })).toBeNull()
  })

  it('says in red that it will not make its limit, and what to do', async () => {
    open('batch-cool', (p) => ({
      ...p,
      card: { ...p.card, cooling: { ...p.card.cooling, overall: 'WILL_FAIL' } },
    }))
    expect((await screen.findByText(/will not make its limit/)).className).toContain('hazard')
  })

  it('takes a reading of the stock, not of a pot', async () => {
    const { sent } = open('batch-cool')
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
    open('batch-prepare-fish')
    const chores = await screen.findByRole('list', { name: 'Before the water' })
    const words = within(chores)
      .getAllByRole('listitem')
      .map((item) => item.textContent)
    expect(words[0]).toMatch(/^Rinse \d\d:\d\d$/)
    expect(words[1]).toMatch(/^Soak since \d\d:\d\d$/)
    expect(words.at(-1)).toBe('Cook the wine down ahead')
  })

  it('never hides what was not logged', async () => {
    open('batch-simmer', (page) => ({
      ...page,
      chores: page.chores.map((c) => (c.phase === 'deglaze' ? { ...c, finished: undefined } : c)),
    }))
    const chores = await screen.findByRole('list', { name: 'Before the water' })
    expect(chores.textContent).toContain('Deglaze not logged')
  })

  it('begins and ends its phases by their step in the procedure', async () => {
    const { page, sent } = open('batch-prepare-fish')
    const soak = page.card.due.find((due) => due.kind === 'END' && due.phase === 'soak')!
    fireEvent.click(await screen.findByRole('button', { name: 'Out of the soak: log now' }))
    expect((await logged(sent))[0]).toMatchObject({ kind: 'finished', step: soak.step })
  })

  it('shows its bed and its water to come, not a level that is not there', async () => {
    const { page } = open('batch-prepare-fish')
    expect((await screen.findAllByText(new RegExp(`^${page.bedName}`))).length).toBeGreaterThan(0)
    expect(screen.queryByText('In the pot')).toBeNull()
    expect(screen.queryByRole('button', { name: 'Skimmed' })).toBeNull()
  })

  it('turns a roast at one tap of the next act', async () => {
    const { sent } = open('batch-prepare-vegetable')
    await screen.findByRole('heading', { level: 1 })
    fireEvent.keyDown(document.body, { key: 'n' })
    expect((await logged(sent))[0]).toMatchObject({ kind: 'turned' })
  })
})

describe('a batch that is not there', () => {
  it('says so and offers to try again', async () => {
    network({})
    visit(<BatchPlace />, { at: '/batches/nothing', path: '/batches/:id' })
    expect((await screen.findByRole('alert')).textContent).toContain('The batch could not be fetched')
  })
})
