import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Call } from '../../api/queries'
import { answer, network, person, problem, visit, type Answers } from '../../testing/kitchen'
import { CallsPlace } from './CallsPlace'

function open({ who = person(), more = {} as Answers } = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({
    '/api/calls': answer('calls'),
    '/api/calls/menu': answer('menu'),
    '/api/deliveries': answer('deliveries'),
    ...more,
  })
  visit(<CallsPlace />, { at: '/calls', path: '/calls', who })
  return sent
}

const bram = () => person({ role: 'STATION', rights: ['ASK'], stationId: 'soup' })
const posts = (sent: ReturnType<typeof network>) => sent.filter((s) => s.method === 'POST')

describe('calls', () => {
  it('tells for each who wants how much of what, by when, and what has become of it', async () => {
    open()
    for (const call of answer<Call[]>('calls').filter((c) => c.status !== 'MET')) {
      const row = (await screen.findAllByText(call.formulaName))
        .map((e) => e.closest('li')!)
        .find((li) => li.textContent.includes(`${call.litres.toFixed(1)} L`))!
      expect(row.textContent).toContain(call.stationName)
      expect(row.textContent).toContain(call.status === 'OPEN' ? 'Waiting for a plan' : 'Being made')
    }
  })

  it('plans an open one, and leads to the batch of one that is being made', async () => {
    open()
    const calls = answer<Call[]>('calls')
    const first = calls.find((c) => c.status === 'OPEN')!
    const plan = await screen.findAllByRole('link', { name: 'Plan it' })
    expect(plan[0]!.getAttribute('href')).toBe(`/formulas/${first.formulaSlug}?call=${first.id}`)
    expect(screen.getAllByRole('link', { name: 'Batch' }).length).toBe(calls.filter((c) => c.batchId).length)
  })

  it('sets apart what was met', async () => {
    open()
    const past = (await screen.findByText(/Met or withdrawn/)).closest('section')!
    expect(within(past).getAllByRole('listitem').length).toBe(
      answer<Call[]>('calls').filter((c) => c.status === 'MET').length,
    )
  })

  it('withdraws an open one', async () => {
    const open1 = answer<Call[]>('calls').find((c) => c.status === 'OPEN')!
    const sent = open({ more: { [`POST /api/calls/${open1.id}/withdrawal`]: {} } })
    fireEvent.click((await screen.findAllByRole('button', { name: 'Withdraw' }))[0]!)
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.path).toBe(`/api/calls/${open1.id}/withdrawal`)
  })

  it('says why one cannot be withdrawn any more', async () => {
    const open1 = answer<Call[]>('calls').find((c) => c.status === 'OPEN')!
    open({
      more: {
        [`POST /api/calls/${open1.id}/withdrawal`]: problem(
          409,
          'It is being made already. Speak to the stock cook.',
        ),
      },
    })
    fireEvent.click((await screen.findAllByRole('button', { name: 'Withdraw' }))[0]!)
    expect(await screen.findByText('It is being made already. Speak to the stock cook.')).toBeTruthy()
  })

  it('lets a station ask for itself, and shows what it was handed', async () => {
    const sent = open({ who: bram(), more: { 'POST /api/calls': {} } })
    expect((await screen.findByRole('heading', { level: 1 })).textContent).toBe('Your calls')
    expect(screen.getByText('Handed to you')).toBeTruthy()
    expect(screen.queryByRole('link', { name: 'Plan it' })).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    expect(within(sheet).queryByRole('combobox', { name: 'For' })).toBeNull()
    const stock = within(sheet).getByRole('combobox', { name: 'Stock' })
    await within(stock).findByRole('option', { name: 'Shellfish stock' })
    fireEvent.change(stock, { target: { value: 'shellfish' } })
    fireEvent.change(within(sheet).getByLabelText('How much, cold and strained'), { target: { value: '8' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Ask' }))
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.body).toMatchObject({ formula: 'shellfish', litres: 8, stationId: 'soup' })
  })

  it('says what a stock contains before it is asked for', async () => {
    open()
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    const stock = within(sheet).getByRole('combobox', { name: 'Stock' })
    await within(stock).findByRole('option', { name: 'Fish fumet' })
    fireEvent.change(stock, { target: { value: 'fish-fumet' } })
    expect(sheet.textContent).toMatch(/It contains .*fish/)
  })

  it('keeps what was typed when the server refuses it', async () => {
    open({
      more: {
        'POST /api/calls': problem(422, 'no', { readyBy: { reason: 'that time is already past' } }),
      },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByLabelText('How much, cold and strained'), { target: { value: '7' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Ask' }))
    expect((await within(sheet).findByRole('alert')).textContent).toContain('That time is already past')
    expect(within(sheet).getByLabelText('How much, cold and strained')).toHaveProperty('value', '7')
  })

  it('invites the first call where nobody waits', async () => {
    open({ more: { '/api/calls': [] } })
    expect(await screen.findByText('Nobody is waiting for stock')).toBeTruthy()
  })
})
