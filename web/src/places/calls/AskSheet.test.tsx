import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import { answer, network, person, problem, visit } from '../../testing/kitchen'
import { CallsPlace } from './CallsPlace'

interface Menu {
  formulas: { slug: string }[]
}

describe('asking', () => {
  it('waits until it is known what there is, and says what is refused where no field can', async () => {
    setServerTime(answer<{ now: string }>('range').now)
    let come!: () => void
    const menu = new Promise<unknown>((go) => (come = () => go(answer('menu'))))
    const sent = network({
      '/api/calls': answer('calls'),
      '/api/calls/menu': () => menu,
      'POST /api/calls': problem(422, 'Nobody makes that here.', { formula: { reason: 'is not made here' } }),
    })
    const who = person({ role: 'STATION', rights: ['ASK'], stationId: 'soup' })
    visit(<CallsPlace />, { at: '/calls', path: '/calls', who })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    const ask = within(sheet).getByRole('button', { name: 'Ask' })
    expect(ask).toHaveProperty('disabled', true)
    come()
    await expect.poll(() => ask.hasAttribute('disabled')).toBe(false)
    fireEvent.click(ask)
    expect(await within(sheet).findByText('Nobody makes that here.')).toBeTruthy()
    const told = sent.find((s) => s.method === 'POST')!
    expect(told.body).toMatchObject({ formula: answer<Menu>('menu').formulas[0]!.slug })
  })
})
