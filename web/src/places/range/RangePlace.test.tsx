import { fireEvent, screen, within } from '@testing-library/react'
import { dueWords } from '../batch/acts'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Call, Card, Page } from '../../api/queries'
import { answer, network, person, visit, said } from '../../testing/kitchen'
import { counted, lay, type Place } from './HobMap'
import { RangePlace } from './RangePlace'

interface Range {
  now: string
  hob: Place[]
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
      expect(said(pot)).toContain(card.formulaName)
      expect(within(pot).getByText(/^Ready /)).toBeTruthy()
    }
    const veal = screen.getByRole('article', { name: 'Broad 40, Simmer' })
    expect(within(veal).getAllByText(/\d+\.\d L/).length).toBeGreaterThan(0)
    const next = shown.batches.find((card) => card.vessel.name === 'Broad 40')!.due[0]!
    expect(within(veal).getByRole('button', { name: new RegExp(`^${dueWords(next)}`) })).toBeTruthy()
  })

  it.each([
    [undefined, 'In the ice bath at'],
    ['Blast chiller', 'In Blast chiller at'],
  ])('shows in what a batch is cooling: %s', async (chiller, words) => {
    open((it) => ({
      ...it,
      batches: it.batches.map((card) => ({ ...card, cooling: { ...card.cooling, chiller } })),
    }))
    const cooling = await screen.findByRole('img', { name: new RegExp(`^${words}`) })
    expect(said(cooling).includes('Blast chiller')).toBe(chiller !== undefined)
  })

  it('says what is in the oven, until when, and to which shade', async () => {
    const { shown } = open()
    const oven = shown.batches.find((card) => card.oven)!.oven!
    const section = (await screen.findByText('In the oven')).closest('section')!
    expect(said(section)).toContain(`${oven.oven} at ${oven.ovenC} °C`)
    expect(said(section)).toContain(`to shade ${oven.shade}`)
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
    expect(said(first)).toContain(vessel(shown.moved[0]!.batchId))
    expect(said(first)).toContain(`${vessel(shown.moved[0]!.becauseBatchId)} wants both hands first`)
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
    expect(said(screen.getByLabelText('address'))).toBe(
      `/batches/${counted(lay(shown.hob, shown.batches))[1]!.id}`,
    )
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
    expect(said(sheet)).toContain('Not there yet')
    fireEvent.click(within(sheet).getByRole('radio', { name: /^6 dark/ }))
    expect(said(sheet)).toContain('It is there: take it out.')
    fireEvent.click(within(sheet).getByRole('button', { name: 'Log' }))
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({
      kind: 'card-read',
      card: 'SHADE',
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
    expect(said(pot)).toContain('Foam is boiling in')
  })

  it('lets somebody who may not act read the same, without a button', async () => {
    const { shown } = open((r) => r, person({ rights: ['READ'] }))
    const pot = await screen.findByRole('article', { name: 'Broad 40, Simmer' })
    const buttons = within(pot).getAllByRole('button')
    expect(buttons.map((button) => button.getAttribute('aria-label'))).toEqual([
      expect.stringMatching(/^Why: /),
    ])
    const next = shown.batches.find((card) => card.vessel.name === 'Broad 40')!.due[0]!
    expect(said(pot)).toContain(dueWords(next))
  })

  it('teaches where a pot comes from when nothing is on the heat', async () => {
    open((r) => ({ ...r, batches: [], moved: [] }))
    expect(await screen.findByText('Nothing is on the heat')).toBeTruthy()
    expect(screen.getAllByRole('link', { name: 'Calls' })[0]!.getAttribute('href')).toBe('/calls')
  })

  it('counts the calls that wait for a plan', async () => {
    const at = new Date(range().now).getTime()
    const soon = answer<Call[]>('calls').filter(
      (call) => call.status === 'OPEN' && new Date(call.readyBy).getTime() < at + 2 * 86_400_000,
    )
    expect(soon.length).toBeGreaterThan(1)
    open()
    expect(await screen.findByRole('link', { name: `${soon.length} calls wait for a plan` })).toBeTruthy()
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
    expect(said(pot)).toMatch(/\d\.\d\d gal/)
    expect(said(pot)).not.toMatch(/\d L\b/)
  })
})

describe('the vessels on the hob', () => {
  const pots = range().batches
  const on = (card: Card, burnerId: string | undefined, since = card.since): Card => ({
    ...card,
    burnerId,
    since,
    onTheHob: burnerId !== undefined,
  })

  it('stand on their burners row by row, the rest beside the range', () => {
    const hob = range().hob
    const [first, second, third] = pots as [Card, Card, Card]
    const back = hob.find((place) => place.row === 0 && place.column === 1)!
    const front = hob.find((place) => place.row === 1 && place.column === 0)!
    const laid = lay(hob, [on(first, front.burnerId), on(second, back.burnerId), on(third, undefined)])
    expect(laid.rows[0]!.map((at) => at.card?.id)).toEqual([undefined, second.id, undefined])
    expect(laid.rows[1]![0]!.card?.id).toBe(first.id)
    expect(counted(laid).map((card) => card.id)).toEqual([second.id, first.id, third.id])
  })

  it('of two that share a burner the one that has been there longer has it', () => {
    const hob = range().hob
    const [first, second] = pots as [Card, Card]
    const burner = hob[0]!.burnerId
    const laid = lay(hob, [
      on(first, burner, '2026-11-25T09:00:00Z'),
      on(second, burner, '2026-11-25T07:00:00Z'),
    ])
    expect(laid.rows[0]![0]!.card?.id).toBe(second.id)
    expect(laid.beside.map((card) => card.id)).toEqual([first.id])
  })

  it('say which burner they stand on or wait for, and free burners say that they are free', async () => {
    const hob = range().hob
    const [first, second] = pots as [Card, Card]
    const burner = hob[0]!
    open((r) => ({
      ...r,
      batches: [
        on(first, burner.burnerId, '2026-11-25T07:00:00Z'),
        on(second, burner.burnerId, '2026-11-25T09:00:00Z'),
      ],
    }))
    const there = await screen.findByRole('article', { name: new RegExp(`^${first.vessel.name}`) })
    expect(said(there)).toContain(`on ${burner.name}`)
    const waits = screen.getByRole('article', { name: new RegExp(`^${second.vessel.name}`) })
    expect(said(waits)).toContain(`waits for ${burner.name}`)
    const row = screen.getByRole('list', { name: 'Burners, row 1 from the back' })
    expect(within(row).getByText(hob.find((p) => p.row === 0 && p !== burner)!.name)).toBeTruthy()
    expect(within(row).getAllByText(/kW, free$/).length).toBe(hob.filter((p) => p.row === 0).length - 1)
  })

  it('are shown in big figures on a screen that was asked to, and stay so', async () => {
    localStorage.clear()
    const { shown } = open()
    fireEvent.click(await screen.findByRole('button', { name: 'Big figures' }))
    const pot = screen.getByRole('article', { name: 'Broad 40, Simmer' })
    expect(within(pot).queryByRole('img')).toBeNull()
    expect(within(pot).getAllByText(/\d+\.\d L/)[0]!.className).toContain('text-60')
    expect(screen.getAllByRole('article')).toHaveLength(shown.batches.length)
    expect(localStorage.getItem('range.big')).toBe('yes')
    fireEvent.keyDown(document.body, { key: 'f' })
    expect(
      within(await screen.findByRole('article', { name: 'Broad 40, Simmer' })).getByRole('img'),
    ).toBeTruthy()
  })
})
