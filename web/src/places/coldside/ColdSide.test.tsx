import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Source } from '../../api/draws'
import type { Card, Lot, Page } from '../../api/queries'
import { answer, network, person, problem, visit, type Answers, said } from '../../testing/kitchen'
import ColdPlace from './ColdPlace'
import LotPlace from './LotPlace'

const NOW = answer<{ now: string }>('range').now
const lot = () => answer<Lot>('lot')

/** The page of the batch that the lot came from: nothing in the answers is put away, so one is told to be. */
function shelved(): Page {
  const page = answer<Page>('batch-cool')
  const card: Card = { ...page.card, id: lot().batchId, stage: 'ON_SHELF', due: [], shelfL: lot().leftL }
  const { id, litres, leftL } = lot()
  const lots: Page['lots'] = [
    {
      id,
      litres,
      leftL,
      place: '',
      kept: 'COLD',
      container: '5 L tub',
      containers: 2,
      cubes: 0,
      thawsFirst: false,
    },
  ]
  return { ...page, card, storedL: litres, restL: 0, lots, lotId: id, call: undefined }
}

function answers(more: Answers = {}): Answers {
  const cooling = answer<Page>('batch-cool')
  return {
    '/api/range': answer('range'),
    '/api/lots': answer('lots'),
    '/api/deliveries': answer('deliveries'),
    '/api/calls': answer('calls'),
    '/api/calls/menu': answer('menu'),
    [`/api/batches/${cooling.card.id}`]: cooling,
    [`/api/batches/${lot().batchId}`]: shelved(),
    [`/api/lots/${lot().id}`]: lot(),
    ...more,
  }
}

describe('the cold side', () => {
  it('has what is cooling, what is on the shelf, and who got what', async () => {
    setServerTime(NOW)
    network(answers())
    visit(<ColdPlace />, { at: '/cold', path: '/cold' })
    expect(await screen.findByText('Cooling now')).toBeTruthy()
    const shelf = screen.getByText('On the shelf').closest('section')!
    const link = within(shelf)
      .getAllByRole('link')
      .find((one) => one.getAttribute('href') === `/lots/${lot().id}`)!
    expect(said(link)).toContain(lot().formulaName)
    expect(said(link)).toContain(`${lot().leftL.toFixed(1)} L`)
  })

  it('teaches where a lot comes from when the shelf is empty', async () => {
    setServerTime(NOW)
    network(answers({ '/api/lots': [], '/api/range': { ...answer<object>('range'), batches: [] } }))
    visit(<ColdPlace />, { at: '/cold', path: '/cold' })
    expect(await screen.findByText('The shelf is empty')).toBeTruthy()
    expect(screen.getByText('Nothing is cooling')).toBeTruthy()
  })
})

describe('a lot', () => {
  function open(more: Answers = {}, who = person()) {
    setServerTime(NOW)
    const sent = network(answers(more))
    visit(<LotPlace />, { at: `/lots/${lot().id}`, path: '/lots/:id', who })
    return sent
  }

  it('says until when, how much is left, what is in it, and how it was cooled', async () => {
    open()
    const heading = await screen.findByRole('heading', { level: 1 })
    expect(said(heading)).toContain(`lot ${lot().code}`)
    for (const allergen of lot().allergens)
      expect(screen.getByText(new RegExp(allergen.toLowerCase()))).toBeTruthy()
    expect(screen.getByText('Passed')).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Label (PDF)' }).getAttribute('href')).toBe(
      `/api/lots/${lot().id}/label.pdf`,
    )
  })

  it('warns in red once its day is past', async () => {
    open({ [`/api/lots/${lot().id}`]: { ...lot(), pastUseBy: true } })
    expect((await screen.findByText(/Past its use-by day/)).className).toContain('hazard')
  })

  it('lists the slips that left it', async () => {
    open()
    const slips = (await screen.findByText('What left this lot')).closest('div')!.parentElement!
    expect(within(slips).getAllByRole('listitem').length).toBe(lot().deliveries.length)
  })

  it('says which pot it went into', async () => {
    open({
      [`/api/lots/${lot().id}`]: {
        ...lot(),
        drawnOff: [
          { batchId: 'half', batchNumber: 12, formulaName: 'Half reduction', litres: 8, at: lot().madeAt },
        ],
      },
    })
    const link = await screen.findByRole('link', { name: 'Half reduction, batch 12' })
    expect(link.getAttribute('href')).toBe('/batches/half')
    expect(said(link.closest('li'))).toMatch(/8\.0 L/)
  })

  it('goes on into another pot: how much, and into which', async () => {
    open({ '/api/formulas': answer('shelf') })
    fireEvent.click(await screen.findByRole('button', { name: 'Into another pot' }))
    const half = Math.round((lot().leftL / 2) * 10) / 10
    const link = await screen.findByRole('link', { name: 'Half reduction' })
    expect(link.getAttribute('href')).toBe(
      `/formulas/half-reduction?goal=WATER&value=${half}&draw=${lot().id}:${half}&start=now`,
    )
    // In the place of water it is solved from what is wanted, and not from what is drawn.
    expect(screen.getByRole('link', { name: 'Brown veal stock' }).getAttribute('href')).toBe(
      `/formulas/brown-veal?draw=${lot().id}:${half}&start=now`,
    )
  })

  it('hands litres to a station, a slip at a time', async () => {
    const sent = open({ [`POST /api/batches/${lot().batchId}/acts`]: shelved() })
    fireEvent.click(await screen.findByRole('radio', { name: 'Banquets' }))
    fireEvent.change(screen.getByRole('textbox', { name: 'Litres on this slip' }), {
      target: { value: '2,5' },
    })
    fireEvent.click(screen.getByRole('button', { name: /^Deliver 2\.5\sL to Banquets/ }))
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({ kind: 'delivered', litres: 2.5 })
  })

  it('says beside the litres that there are not as many', async () => {
    open({
      [`POST /api/batches/${lot().batchId}/acts`]: problem(422, 'no', {
        litres: { reason: 'more than is left of this lot', low: 0, high: lot().leftL, unit: 'L' },
      }),
    })
    fireEvent.change(await screen.findByRole('textbox', { name: 'Litres on this slip' }), {
      target: { value: '99' },
    })
    fireEvent.click(screen.getByRole('button', { name: /^Deliver 99/ }))
    expect(said(await screen.findByRole('alert'))).toContain('More than is left of this lot')
  })

  it('can be looked at by a station, which hands nothing out', async () => {
    open({}, person({ rights: ['ASK'], stationId: 'soup' }))
    await screen.findByRole('heading', { level: 1 })
    expect(screen.queryByRole('button', { name: /^Deliver/ })).toBeNull()
    expect(screen.queryByRole('link', { name: 'Label (PDF)' })).toBeNull()
  })

  it('is taken over by the station that scans its label', async () => {
    const [slip] = answer<Lot['deliveries']>('deliveries')
    const theirs = { ...slip!, id: 'theirs', lotId: lot().id, takenOverAt: undefined, takenOverBy: undefined }
    const sent = open(
      {
        [`/api/lots/${lot().id}`]: { ...lot(), deliveries: [theirs] },
        'POST /api/deliveries/theirs/taking-over': new Response(null, { status: 204 }),
      },
      person({ rights: ['ASK'], stationId: slip!.stationId }),
    )
    fireEvent.click(await screen.findByRole('button', { name: 'Take over' }))
    fireEvent.click(await screen.findByRole('button', { name: 'I have it' }))
    await expect.poll(() => sent.filter((s) => s.path.endsWith('/taking-over')).length).toBe(1)
  })

  it('is handed out of by name where its batch has several lots, and never out of the freezer', async () => {
    const page = shelved()
    const frozen = {
      ...page.lots[0]!,
      id: 'bags',
      kept: 'FROZEN' as const,
      container: '1 L bag',
      thawsFirst: true,
    }
    const cubes = { ...frozen, id: 'cubes', container: 'tray', cubes: 24, thawsFirst: false }
    const both = { ...page, lots: [...page.lots, frozen, cubes] }
    const sent = open({
      [`/api/batches/${lot().batchId}`]: both,
      [`POST /api/batches/${lot().batchId}/acts`]: both,
    })
    fireEvent.click(await screen.findByRole('radio', { name: /1 L bag, frozen/ }))
    expect(screen.queryByRole('button', { name: /^Deliver/ })).toBeNull()
    fireEvent.click(screen.getByRole('radio', { name: /tray, 24 cubes of/ }))
    expect(screen.getByRole('button', { name: /^Deliver/ })).toBeTruthy()
    fireEvent.click(screen.getByRole('radio', { name: /5 L tub, cold/ }))
    fireEvent.click(await screen.findByRole('button', { name: /^Deliver/ }))
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({ kind: 'delivered', lotId: lot().id })
  })

  it('is blended with a lot of another batch, and the new lot opens', async () => {
    const source = answer<Source[]>('sources').find((one) => one.useBy !== undefined)!
    const other = {
      ...source,
      batchId: 'monday',
      stock: { ...source.stock, sourceId: 'mondays', name: 'White chicken stock 261123-9' },
    }
    const sent = open({
      '/api/sources': [source, other],
      [`POST /api/batches/${lot().batchId}/acts`]: shelved(),
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Blend it' }))
    const sheet = screen.getByRole('dialog', { name: 'Blend with another lot' })
    // The lot itself is of this batch, and is not offered to itself.
    const slider = await within(sheet).findByRole('slider', { name: other.stock.name })
    expect(within(sheet).queryByRole('slider', { name: source.stock.name })).toBeNull()
    fireEvent.keyDown(slider, { key: 'End' })
    const both = lot().leftL + other.stock.litres - other.plannedL
    fireEvent.click(
      within(sheet).getByRole('button', { name: new RegExp(`^Pour ${both.toFixed(1)}.L together`) }),
    )
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({
      kind: 'blended',
      lotId: lot().id,
      litres: lot().leftL,
      sourceId: 'mondays',
      otherLitres: other.stock.litres - other.plannedL,
    })
  })

  it('says what was poured to it', async () => {
    open({
      [`/api/lots/${lot().id}`]: {
        ...lot(),
        blend: [{ sourceId: 'mondays', name: 'White chicken stock 261123-9', litres: 2 }],
      },
    })
    const link = await screen.findByRole('link', { name: 'White chicken stock 261123-9' })
    expect(link.getAttribute('href')).toBe('/lots/mondays')
    expect(said(link.closest('p'))).toMatch(/Blended with 2\.0.L of/)
  })

  it('is counted as what is really there', async () => {
    const sent = open({ [`POST /api/batches/${lot().batchId}/acts`]: shelved() })
    fireEvent.click(await screen.findByRole('button', { name: 'Count it' }))
    const field = screen.getByRole('textbox', { name: 'Really there' })
    expect(field).toHaveProperty('value', '')
    fireEvent.change(field, { target: { value: '1.5' } })
    fireEvent.click(screen.getByRole('button', { name: 'That is there' }))
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(1)
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({
      kind: 'counted',
      lotId: lot().id,
      litres: 1.5,
    })
  })

  it('goes into the freezer and is poured away with a reason, each as an act of its batch', async () => {
    const sent = open({ [`POST /api/batches/${lot().batchId}/acts`]: shelved() })
    const acts = () => sent.filter((s) => s.method === 'POST').map((s) => s.body)
    fireEvent.click(await screen.findByRole('button', { name: 'Into the freezer' }))
    await expect.poll(() => acts().length).toBe(1)
    expect(acts()[0]).toMatchObject({ kind: 'moved', lotId: lot().id, kept: 'frozen' })
    fireEvent.click(screen.getByRole('button', { name: 'Pour it away' }))
    fireEvent.change(screen.getByRole('textbox', { name: 'Why it is poured away' }), {
      target: { value: 'smells' },
    })
    fireEvent.click(screen.getByRole('button', { name: /^Pour [0-9.]+.* away$/ }))
    await expect.poll(() => acts().length).toBe(2)
    expect(acts()[1]).toMatchObject({
      kind: 'discarded',
      lotId: lot().id,
      words: 'smells',
      litres: lot().leftL,
    })
  })
})
