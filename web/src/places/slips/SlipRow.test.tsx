import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import { answer, network, problem, said, visit, type Answers } from '../../testing/kitchen'
import { SlipRow, type Slip } from './SlipRow'

const slip: Slip = {
  id: 'slip',
  lotId: 'lot',
  lotCode: '261124-7',
  formulaName: 'White chicken stock',
  stationId: 'soup',
  stationName: 'Soup',
  litres: 5,
  deliveredAt: '2026-11-25T08:00:00Z',
  useBy: '2026-11-27',
  allergens: ['CELERY'],
  allergensUnknown: false,
  deliveredBy: 'Ilse Varga',
  backL: 0,
}

function open(changes: Partial<Slip> = {}, more: Answers = {}, hand = true) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network(more)
  visit(
    <ul>
      <SlipRow slip={{ ...slip, ...changes }} hand={hand} />
    </ul>,
    { at: '/', path: '/' },
  )
  return () => sent.filter((one) => one.method === 'POST')
}

const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value } })

describe('a slip', () => {
  it('says what it is, of which lot, how much, and what is in it', async () => {
    open()
    const row = said(await screen.findByRole('listitem'))
    expect(row).toMatch(/White chicken stock/)
    expect(row).toMatch(/5\.0 L/)
    expect(row).toMatch(/lot 261124-7.*contains celery/)
    expect(screen.getByRole('link', { name: 'White chicken stock' }).getAttribute('href')).toBe('/lots/lot')
  })

  it('says that it came hot, straight from the pot', async () => {
    open({ lotId: undefined, lotCode: undefined, celsius: 84 })
    expect(said(await screen.findByRole('listitem'))).toMatch(/straight from the pot, 84.*°C/)
    expect(screen.queryByRole('link')).toBeNull()
  })

  it('is taken over with what the thermometer says', async () => {
    const posted = open({}, { 'POST /api/deliveries/slip/taking-over': null })
    fireEvent.click(await screen.findByRole('button', { name: 'Take over' }))
    type('In the stock, if you read it', '3,5')
    fireEvent.click(screen.getByRole('button', { name: 'I have it' }))
    await expect.poll(() => posted().length).toBe(1)
    expect(posted()[0]!.body).toMatchObject({ celsius: 3.5 })
    expect((posted()[0]!.body as { id: string }).id).toMatch(/^[0-9a-f-]{36}$/)
  })

  it('says so where somebody has taken it over meanwhile', async () => {
    open(
      {},
      {
        'POST /api/deliveries/slip/taking-over': problem(422, 'it is already taken over', {
          act: { reason: 'it is already taken over' },
        }),
      },
    )
    fireEvent.click(await screen.findByRole('button', { name: 'Take over' }))
    fireEvent.click(screen.getByRole('button', { name: 'I have it' }))
    expect(await screen.findByText(/it is already taken over/i)).toBeTruthy()
  })

  it('says who has taken it over, and is not taken over again', async () => {
    open({ takenOverAt: '2026-11-25T08:20:00Z', takenOverBy: 'Priya Lindqvist' })
    expect(said(await screen.findByRole('listitem'))).toMatch(/taken over 09:20, Priya Lindqvist/)
    expect(screen.queryByRole('button', { name: 'Take over' })).toBeNull()
  })

  it('sends back what is not used, and says beforehand what becomes of it', async () => {
    const posted = open({}, { 'POST /api/deliveries/slip/returns': null })
    fireEvent.click(await screen.findByRole('button', { name: 'Send back' }))
    expect(screen.getByText(/What is read cold lies in its lot again/)).toBeTruthy()
    type(/^Litres, of 5\.0/, '2')
    type('In the stock', '4')
    type('Why', 'a table less')
    fireEvent.click(screen.getByRole('button', { name: /^Send 2\.0.*back/ }))
    await expect.poll(() => posted().length).toBe(1)
    expect(posted()[0]!.body).toMatchObject({ litres: 2, celsius: 4, reason: 'a table less' })
  })

  it('keeps what was typed when more comes back than was handed out', async () => {
    open(
      {},
      {
        'POST /api/deliveries/slip/returns': problem(422, 'more than is left of what was handed out', {
          litres: { reason: 'more than is left of what was handed out', low: 0, high: 3, unit: 'L' },
        }),
      },
    )
    fireEvent.click(await screen.findByRole('button', { name: 'Send back' }))
    const sheet = screen.getByRole('dialog', { name: 'Send back' })
    type(/^Litres, of 5\.0/, '4')
    fireEvent.click(within(sheet).getByRole('button', { name: /^Send 4\.0/ }))
    expect(await within(sheet).findByText(/More than is left of what was handed out/)).toBeTruthy()
    expect(within(sheet).getByRole<HTMLInputElement>('textbox', { name: /^Litres/ }).value).toContain('4')
  })

  it('is only looked at by whoever hands nothing out', async () => {
    open({}, {}, false)
    await screen.findByRole('listitem')
    expect(screen.queryByRole('button')).toBeNull()
  })
})
