import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { logged, openBatch } from '../../testing/batch'
import { answer, person } from '../../testing/kitchen'

const hot = (who = person(), restHot = true) =>
  openBatch('batch-cool', (page) => ({ ...page, restL: 9, restHot, storedL: 0, lots: [] }), who, {
    '/api/calls/menu': answer('menu'),
  })

describe('hot litres', () => {
  it('go straight to a station, with the thermometer', async () => {
    const { sent } = hot()
    fireEvent.click(await screen.findByRole('button', { name: 'Hot to a station' }))
    const sheet = screen.getByRole('dialog', { name: 'Hot to a station' })
    fireEvent.click(await within(sheet).findByRole('radio', { name: 'Soup' }))
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Litres on this slip' }), {
      target: { value: '4' },
    })
    const deliver = within(sheet).getByRole('button', { name: /^Deliver 4\.0/ })
    expect(deliver).toHaveProperty('disabled', true)
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'In the stock, as it is handed over' }), {
      target: { value: '84' },
    })
    fireEvent.click(deliver)
    const [act] = await logged(sent)
    expect(act).toMatchObject({ kind: 'delivered', litres: 4, celsius: 84, lotId: 'rest' })
  })

  it('are not offered once they have cooled', async () => {
    hot(person(), false)
    await screen.findByRole('button', { name: 'Into another pot' })
    expect(screen.queryByRole('button', { name: 'Hot to a station' })).toBeNull()
  })

  it('are handed out by whoever may hand out alone', async () => {
    hot(person({ rights: ['READ', 'ACT'] }))
    await screen.findByRole('heading', { level: 1 })
    expect(screen.queryByRole('button', { name: 'Hot to a station' })).toBeNull()
  })
})
