import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Page } from '../../api/queries'
import { levelAt, litresAt } from '../../graphics/vessel'
import { answer, network, person, visit, type Sent, said } from '../../testing/kitchen'
import { ActButton } from './ActButton'
import type { ProposedName } from './acts'
import { FigureSheet } from './FigureSheet'

function open(
  kind: ProposedName,
  change: (page: Page) => Page = (p) => p,
  { units = 'metric', more = {} } = {},
) {
  const page = change(answer<Page>(kind === 'weighed-in' ? 'batch-prepare-fish' : 'batch-simmer'))
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({ [`POST /api/batches/${page.card.id}/acts`]: page, '/api/devices': [], ...more })
  const onClose = vi.fn()
  visit(<FigureSheet page={page} kind={kind} onClose={onClose} />, { who: person({ units }) })
  return { page, sent, onClose }
}

const type = (name: string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } })
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }))
const first = async (sent: Sent[]) => {
  await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
  return sent.find((s) => s.method === 'POST')!.body as Record<string, number>
}

describe('a level', () => {
  it('read in litres is logged below the rim, and each is shown in the other at once', async () => {
    const { page, sent } = open('level-read')
    const vessel = page.card.vessel
    fireEvent.click(await screen.findByRole('radio', { name: 'Litres on the scale' }))
    const litres = litresAt(vessel, page.card.pot.levelCm) - 0.5
    type('Litres, the bed counted in', litres.toFixed(2))
    expect(screen.getByText(/^\d+(\.\d)? cm below the rim$/)).toBeTruthy()
    press('Log')
    const { belowRimCm } = await first(sent)
    expect(litresAt(vessel, vessel.heightCm - belowRimCm!)).toBeCloseTo(litres, 1)
  })

  it('far from what is likely is asked about, and logged as it was read when it stands', async () => {
    const { page, sent, onClose } = open('level-read')
    const odd = Math.round(page.likely['level-read']!.high) + 4
    type('Below the rim', odd.toFixed(1))
    press('Log')
    expect(said(screen.getByText(/far from what is likely here/))).toContain(
      `${odd.toFixed(1)} cm is far from`,
    )
    expect(sent.filter((s) => s.method === 'POST')).toEqual([])
    press('It stands: log it')
    expect((await first(sent)).belowRimCm).toBeCloseTo(odd, 1)
    await expect.poll(() => onClose.mock.calls.length).toBe(1)
  })

  it('read again differently is a fresh figure, asked about anew or taken', async () => {
    const { page, sent } = open('level-read')
    type('Below the rim', '28')
    press('Log')
    type('Below the rim', page.card.pot.belowRimCm.toFixed(1))
    expect(screen.queryByText(/far from what is likely/)).toBeNull()
    press('Log')
    expect((await first(sent)).belowRimCm).toBeCloseTo(page.card.pot.belowRimCm, 0)
  })

  it('goes both ways through the vessel without loss', () => {
    const { vessel } = answer<Page>('batch-simmer').card
    for (let litres = 0.5; litres < vessel.brimfulL - 1; litres += 0.7) {
      expect(litresAt(vessel, levelAt(vessel, litres))).toBeCloseTo(litres, 6)
    }
    expect(levelAt(vessel, 1e6)).toBe(vessel.heightCm)
    expect(levelAt(vessel, 0)).toBe(0)
  })
})

describe('a weight', () => {
  it('in a box is logged without it', async () => {
    const { page, sent } = open('weighed-in')
    press('It is in a box')
    type('The box, empty', '1.2')
    type('On the scale', (page.plannedBedKg + 1.2).toFixed(2))
    expect(screen.getByText(/^Without the box/)).toBeTruthy()
    press('Log')
    expect((await first(sent)).kg).toBeCloseTo(page.plannedBedKg, 2)
  })

  it('keeps what stands on the scale when the box is told afterwards', async () => {
    const { sent } = open('weighed-in')
    type('On the scale', '4.6')
    press('It is in a box')
    type('The box, empty', '1')
    press('Log')
    expect((await first(sent)).kg).toBeCloseTo(3.6, 6)
  })

  it('is read off a scale that reports, and not off one that is silent', async () => {
    const scale = { id: 's', kind: 'SCALE', name: 'Floor scale', silent: false, lastValue: 3.7 }
    const { sent } = open('weighed-in', (p) => p, {
      more: { '/api/devices': [scale, { ...scale, id: 't', name: 'Old scale', silent: true }] },
    })
    fireEvent.click(await screen.findByRole('button', { name: /^Floor scale reads 3\.70\skg/ }))
    expect(screen.queryByRole('button', { name: /^Old scale/ })).toBeNull()
    press('Log')
    expect(await first(sent)).toMatchObject({ kind: 'weighed-in', kg: 3.7, part: 'bed' })
  })

  it('ten times too much is asked about', () => {
    const { page, sent } = open('weighed-in')
    type('On the scale', (page.plannedBedKg * 10).toFixed(1))
    press('Log')
    expect(screen.getByText(/far from what is likely/)).toBeTruthy()
    expect(sent.filter((s) => s.method === 'POST')).toEqual([])
  })
})

describe('a refractometer', () => {
  it('is logged in its own degrees', async () => {
    const { sent } = open('brix-read')
    const sheet = await screen.findByRole('dialog', { name: 'Read the refractometer' })
    expect(within(sheet).getByText('°Bx')).toBeTruthy()
    type('Refractometer', '4,2')
    press('Log')
    expect(await first(sent)).toMatchObject({ kind: 'brix-read', value: 4.2 })
  })

  it('says at once what its degrees come to, between the points of its scale and not beyond them', async () => {
    const { page } = open('brix-read')
    await screen.findByRole('dialog', { name: 'Read the refractometer' })
    const [, five, ten] = page.brixScale
    type('Refractometer', '5')
    expect(screen.getByText(`${Math.round(five!.gPerL)} g/L dissolved`)).toBeTruthy()
    type('Refractometer', '7.5')
    expect(screen.getByText(`${Math.round((five!.gPerL + ten!.gPerL) / 2)} g/L dissolved`)).toBeTruthy()
    type('Refractometer', '95')
    expect(screen.queryByText(/dissolved/)).toBeNull()
  })
})

describe('a temperature', () => {
  const probe = { name: 'Probe 1', celsius: 92.84, at: new Date().toISOString(), silent: false }
  const probed = (page: Page) => ({ ...page, card: { ...page.card, probe } })

  it('taken over from the probe is the probe’s', async () => {
    const { sent } = open('temperature-read', probed)
    fireEvent.click(screen.getByRole('button', { name: /^Take Probe 1/ }))
    press('Log')
    expect(await first(sent)).toMatchObject({ celsius: 92.8, byProbe: true })
  })

  it('typed over it is the hand’s', async () => {
    const { sent } = open('temperature-read', probed)
    fireEvent.click(screen.getByRole('button', { name: /^Take Probe 1/ }))
    type('In the liquor', '91.5')
    press('Log')
    const entry = await first(sent)
    expect(entry).toMatchObject({ celsius: 91.5 })
    expect(entry).not.toHaveProperty('byProbe')
  })
})

describe('an act that moves litres', () => {
  it('shows them, and is logged at one more touch', async () => {
    const page = answer<Page>('batch-simmer')
    const skim = page.card.due.find((due) => due.kind === 'SKIM')!
    const sent = network({ [`POST /api/batches/${page.card.id}/acts`]: page })
    visit(<ActButton card={page.card} due={skim} now={new Date(skim.due).getTime()} />)
    fireEvent.click(screen.getByRole('button', { name: /^Skim/ }))
    expect(sent).toEqual([])
    fireEvent.click(screen.getByRole('button', { name: /^Log \d/ }))
    expect(await first(sent)).toMatchObject({ kind: 'skimmed', litres: skim.becomes[0]!.figures.litres })
  })
})

describe('filling past what was not logged', () => {
  const unfinished = (page: Page): Page => ({
    ...page,
    chores: [
      { step: 1, phase: 'roast', finished: page.acceptedAt },
      { step: 2, phase: 'brown' },
    ],
  })

  it('asks once what became of it, and closes it when it was done', async () => {
    const { sent } = open('filled', unfinished)
    type('Filled with', '15')
    expect(screen.getByText(/Not logged as done: brown\./)).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Log' })).toHaveProperty('disabled', true)
    fireEvent.click(screen.getByRole('radio', { name: 'It was done' }))
    press('Log')
    await expect
      .poll(() => sent.filter((s) => s.method === 'POST').map((s) => (s.body as { kind: string }).kind))
      .toEqual(['finished', 'filled'])
  })

  it('leaves it open when it was left out', async () => {
    const { sent } = open('filled', unfinished)
    type('Filled with', '15')
    fireEvent.click(screen.getByRole('radio', { name: 'Left out' }))
    press('Log')
    expect(((await first(sent)) as unknown as { kind: string }).kind).toBe('filled')
  })
})
