import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Page } from '../../api/queries'
import { logged, openBatch } from '../../testing/batch'
import { answer, person, problem, said } from '../../testing/kitchen'

type Left = NonNullable<Page['left']>

const NOW = new Date(answer<{ now: string }>('range').now).getTime()
const at = (minutes: number) => new Date(NOW + minutes * 60_000).toISOString()

const left = (more: Partial<Left> = {}): Left => ({
  offers: [
    { as: 'SECOND_WETTING', aboutKg: 6.84, until: at(60), weighedKg: 0 },
    { as: 'PICKED_MEAT', until: at(60), weighedKg: 0 },
    { as: 'COMPOST', aboutKg: 8.2, weighedKg: 0 },
  ],
  weighed: [],
  in: [
    { cause: 'BED', kg: 8.3 },
    { cause: 'LIQUOR', kg: 17.7 },
  ],
  out: [
    { cause: 'STOCK', kg: 13.2 },
    { cause: 'STEAM', kg: 5 },
    { cause: 'UNEXPLAINED', kg: -0.4 },
  ],
  notWeighedKg: 8.2,
  ...more,
})

const open = (of: Left, who = person(), more = {}) =>
  openBatch('batch-cool', (page) => ({ ...page, left: of }), who, {
    '/api/formulas': answer('shelf'),
    ...more,
  })

const part = async () => (await screen.findByText('What is left')).closest('section')!

describe('what is left of a stock', () => {
  it('is offered with what it should weigh and until when', async () => {
    open(left())
    const rows = within(await part()).getAllByRole('listitem')
    expect(said(rows[0]!)).toMatch(/Second wetting.*about 6\.8.*kg, until/)
    expect(said(rows[1]!)).toMatch(/Picked meat.*until/)
    expect(said(rows[2]!)).toMatch(/Compost.*about 8\.2/)
  })

  it('is kept by its weight, which nobody proposes', async () => {
    const { sent } = open(left())
    fireEvent.click(within(await part()).getAllByRole('button', { name: 'Weigh it' })[0]!)
    const sheet = screen.getByRole('dialog', { name: 'Second wetting' })
    expect(within(sheet).getByRole('button', { name: 'Put it on the scale' })).toHaveProperty(
      'disabled',
      true,
    )
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'On the scale' }), {
      target: { value: '6,5' },
    })
    fireEvent.click(within(sheet).getByRole('button', { name: /^Keep 6\.50/ }))
    const [act] = await logged(sent)
    expect(act).toMatchObject({ kind: 'left-over', leftOver: 'second-wetting', kg: 6.5 })
  })

  it('says beside the weight that there cannot be as much', async () => {
    open(left(), person(), {
      [`POST /api/batches/${answer<Page>('batch-cool').card.id}/acts`]: problem(422, 'no', {
        kg: { reason: 'more than can be left of what went in', low: 0, high: 11, unit: 'kg' },
      }),
    })
    fireEvent.click(within(await part()).getAllByRole('button', { name: 'Weigh it' })[2]!)
    fireEvent.change(screen.getByRole('textbox', { name: 'On the scale' }), { target: { value: '82' } })
    fireEvent.click(screen.getByRole('button', { name: /^Throw away 82/ }))
    expect(said(await screen.findByRole('alert'))).toContain('More than can be left')
  })

  it('goes no further once it has stood too long, and can still be thrown away', async () => {
    const late = left()
    open(left({ offers: late.offers.map((offer) => ({ ...offer, until: offer.until && at(-1) })) }))
    const rows = within(await part()).getAllByRole('listitem')
    expect(said(rows[0]!)).toMatch(/stood for too long/)
    expect(within(rows[0]!).queryByRole('button')).toBeNull()
    expect(within(rows[2]!).getByRole('button', { name: 'Weigh it' })).toBeTruthy()
  })

  it('leads from bones that are kept to the stock that is made of these very bones', async () => {
    const kept = left()
    open(
      left({
        offers: kept.offers.map((offer, i) => (i === 0 ? { ...offer, weighedKg: 6.5 } : offer)),
        weighed: [
          { eventId: 'e1', as: 'SECOND_WETTING', kg: 6.5, at: at(-5), boxId: 'e1', goods: 'spent-bones' },
        ],
      }),
    )
    const link = await screen.findByRole('link', { name: 'Second wetting of it' })
    expect(link.getAttribute('href')).toBe(
      '/formulas/second-wetting?goal=BED&value=6.5&brought=bed:e1&start=now',
    )
  })

  it('shows every kilogram, and more out than the account leaves on the other side', async () => {
    open(left())
    const balance = await screen.findByRole('img', { name: /Ledger of kilograms/ })
    const [put, came] = balance.getAttribute('aria-label')!.split('Out:')
    expect(put).toMatch(/Bed 8\.30.*Unexplained 400/)
    expect(came).toMatch(/Stock 13\.2.*Not weighed 8\.20/)
    expect(came).not.toContain('Unexplained')
  })

  it('is looked at, and not weighed, by who may only look', async () => {
    open(left(), person({ rights: ['READ'] }))
    expect(within(await part()).queryByRole('button')).toBeNull()
  })
})
