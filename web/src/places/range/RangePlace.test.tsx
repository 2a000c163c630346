import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Card, Page } from '../../api/queries'
import { answer, network, person, visit } from '../../testing/kitchen'
import { RangePlace } from './RangePlace'

interface Range {
  now: string
  batches: Card[]
  moved: { batchId: string; becauseBatchId: string; late: boolean }[]
}

const range = () => answer<Range>('range')

function open(changes: (range: Range) => Range = (r) => r, who = person()) {
  const shown = changes(range())
  setServerTime(shown.now)
  const sent = network({ '/api/range': shown, '/api/calls': answer('calls') })
  visit(<RangePlace />, { at: '/range', path: '/range', who })
  return { shown, sent }
}

describe('the range', () => {
  it('shows every working vessel with its stage, its litres and its next act', async () => {
    const { shown } = open()
    for (const card of shown.batches) {
      const pot = await screen.findByRole('article', { name: new RegExp(`^${card.vessel.name}`) })
      expect(within(pot).getByText(card.formulaName)).toBeTruthy()
      expect(within(pot).getByText(/^Ready /)).toBeTruthy()
    }
    const veal = screen.getByRole('article', { name: 'Broad 40, Simmer' })
    expect(within(veal).getByText(/\d+\.\d L/)).toBeTruthy()
    expect(within(veal).getByRole('button', { name: /^Skim/ })).toBeTruthy()
  })

  it('says what is in the oven, until when, and to which shade', async () => {
    const { shown } = open()
    const oven = shown.batches.find((card) => card.oven)!.oven!
    const section = (await screen.findByText('In the oven')).closest('section')!
    expect(section.textContent).toContain(`${oven.oven} at ${oven.ovenC} °C`)
    expect(section.textContent).toContain(`to shade ${oven.shade}`)
    expect(within(section).getByRole('img').getAttribute('aria-label')).toMatch(/tray.*% of the roast/)
  })

  it('has no oven where nothing is roasting', async () => {
    open((r) => ({ ...r, batches: r.batches.filter((card) => !card.oven) }))
    await screen.findByRole('article', { name: 'Broad 40, Simmer' })
    expect(screen.queryByText('In the oven')).toBeNull()
  })

  it('sees ahead when two pots want both hands, and says which gives way to what', async () => {
    const { shown } = open()
    const list = await screen.findByRole('list', { name: 'Both hands at once' })
    const vessel = (id: string) => shown.batches.find((card) => card.id === id)!.vessel.name
    const first = within(list).getAllByRole('listitem')[0]!
    expect(first.textContent).toContain(vessel(shown.moved[0]!.batchId))
    expect(first.textContent).toContain(`${vessel(shown.moved[0]!.becauseBatchId)} wants both hands first`)
  })

  it('puts every act of the coming hour on the ruler, in the order of the clock', async () => {
    open()
    const ruler = await screen.findByRole('list', { name: 'Acts of the coming hour' })
    const words = within(ruler)
      .getAllByRole('listitem')
      .map((item) => item.textContent)
    expect(words).toContain('Tall 40 First foam, skim')
    expect(words).toContain('Pot 12 Fresh cold water')
    expect(words.some((w) => w?.includes('Rondeau 15 Judge the shade'))).toBe(false)
  })

  it('opens a batch by the key of its place, and by its act on the ruler', async () => {
    const { shown } = open()
    await screen.findByRole('article', { name: 'Broad 40, Simmer' })
    fireEvent.keyDown(document.body, { key: '2' })
    expect(screen.getByLabelText('address').textContent).toBe(`/batches/${shown.batches[1]!.id}`)
  })

  it('logs what needs no figure at one tap', async () => {
    const { shown, sent } = open((r) => ({ ...r, batches: r.batches.filter((c) => c.stage === 'PREPARE') }))
    const fish = shown.batches.find((card) => card.family === 'FISH')!
    const pot = await screen.findByRole('article', { name: /^Pot 12/ })
    fireEvent.click(within(pot).getByRole('button', { name: /^Fresh cold water/ }))
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
    const act = sent.find((s) => s.method === 'POST')!
    expect(act.path).toBe(`/api/batches/${fish.id}/acts`)
    expect(act.body).toMatchObject({ kind: 'water-changed' })
  })

  it('asks for the shade before it logs one', async () => {
    const page = answer<Page>('batch-prepare-vegetable')
    const shade = page.card.due.find((due) => due.kind === 'JUDGE_SHADE')!
    const card = { ...page.card, due: [{ ...shade, due: range().now }] }
    setServerTime(range().now)
    const sent = network({
      '/api/range': { ...range(), batches: [card] },
      '/api/calls': [],
      [`/api/batches/${card.id}`]: { ...page, card },
    })
    visit(<RangePlace />)
    fireEvent.click(await screen.findByRole('button', { name: /^Judge the shade/ }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.click(within(sheet).getByRole('radio', { name: /^4 nut/ }))
    expect(sheet.textContent).toContain('Not there yet')
    fireEvent.click(within(sheet).getByRole('radio', { name: /^6 dark/ }))
    expect(sheet.textContent).toContain('It is there: take it out.')
    fireEvent.click(within(sheet).getByRole('button', { name: 'Log' }))
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({
      kind: 'card-read',
      card: 'shade',
      value: 6,
    })
  })

  it('says what is lost once an act has waited too long', async () => {
    open((r) => ({
      ...r,
      batches: r.batches.map((card) =>
        card.stage === 'BRING_UP'
          ? { ...card, due: card.due.map((due) => ({ ...due, costsFrom: '2026-01-01T00:00:00Z' })) }
          : card,
      ),
    }))
    const pot = await screen.findByRole('article', { name: 'Tall 40, Bring up' })
    expect(pot.textContent).toContain('Foam is boiling in')
  })

  it('lets somebody who may not act read the same, without a button', async () => {
    open((r) => r, person({ rights: ['READ'] }))
    const pot = await screen.findByRole('article', { name: 'Broad 40, Simmer' })
    expect(within(pot).queryByRole('button')).toBeNull()
    expect(pot.textContent).toContain('Skim')
  })

  it('teaches where a pot comes from when nothing is on the heat', async () => {
    open((r) => ({ ...r, batches: [], moved: [] }))
    expect(await screen.findByText('Nothing is on the heat')).toBeTruthy()
    expect(screen.getAllByRole('link', { name: 'Calls' })[0]!.getAttribute('href')).toBe('/calls')
  })

  it('counts the calls that wait for a plan', async () => {
    open()
    expect(await screen.findByRole('link', { name: '2 calls wait for a plan' })).toBeTruthy()
  })

  it('says so when the range cannot be fetched, and tries again', async () => {
    const answers: Record<string, unknown> = { '/api/calls': [] }
    network(answers)
    visit(<RangePlace />)
    const retry = await screen.findByRole('button', { name: 'Try again' })
    answers['/api/range'] = range()
    fireEvent.click(retry)
    expect(await screen.findByRole('article', { name: 'Broad 40, Simmer' })).toBeTruthy()
  })

  it('speaks US units to whoever wants them', async () => {
    open((r) => r, person({ units: 'us' }))
    const pot = await screen.findByRole('article', { name: 'Broad 40, Simmer' })
    expect(pot.textContent).toMatch(/\d\.\d\d gal/)
    expect(pot.textContent).not.toMatch(/\d L\b/)
  })
})
