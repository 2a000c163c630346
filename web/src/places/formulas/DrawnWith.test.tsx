import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Source } from '../../api/draws'
import { asked, openCharge } from '../../testing/charge'
import { answer, said } from '../../testing/kitchen'

describe('a charge that is drawn with stock', () => {
  const sources = answer<Source[]>('sources')
  const first = sources[0]!.stock
  const more = { '/api/sources': sources }

  it('says stock, its lot and its litres, and never cold water', async () => {
    const { charge } = openCharge('charge-half', `goal=WATER&value=4&draw=${first.sourceId}:4`, { more })
    const table = (await screen.findByText('Weigh out')).closest('section')!
    expect(within(table).queryByText('Cold water')).toBeNull()
    expect(said(within(table).getByRole('rowheader', { name: first.name }).closest('tr'))).toMatch(/4\.0 L/)
    const drawn = screen.getByRole('group', { name: 'Drawn with' })
    expect(said(drawn)).toMatch(/4\.0 L of stock/)
    expect(said(drawn)).toMatch(/contains .*celery/)
    expect(charge.draws).toHaveLength(1)
    // What is drawn decides; there is nothing else to solve from.
    expect(screen.queryByRole('radiogroup', { name: 'Solve from' })).toBeNull()
  })

  it('is solved from all the stock that is drawn', async () => {
    const { sent } = openCharge('charge-half', 'goal=LITRES&value=4', { more })
    const lot = await screen.findByRole('slider', { name: first.name })
    fireEvent.keyDown(lot, { key: 'End' })
    await waitFor(() =>
      expect(asked(sent).at(-1)).toMatchObject({
        goal: 'WATER',
        value: first.litres - sources[0]!.plannedL,
        draws: [{ sourceId: first.sourceId }],
      }),
    )
  })

  it('says what is no longer there, and goes on without it', async () => {
    const { sent } = openCharge('charge-half', `goal=WATER&value=4&draw=gone:3,${first.sourceId}:4`, { more })
    expect(await screen.findByText(/3\.0.*of it is no longer there/)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Without it' }))
    await waitFor(() =>
      expect(asked(sent).at(-1)).toMatchObject({
        draws: [{ sourceId: first.sourceId, litres: 4 }],
        value: 4,
      }),
    )
  })

  it('takes stock in the place of some of its water where a cook asks for that', async () => {
    const { sent } = openCharge('charge-white', 'goal=LITRES&value=20', { more })
    expect(screen.queryByRole('slider', { name: first.name })).toBeNull()
    fireEvent.click(await screen.findByRole('button', { name: 'Stock in the place of water' }))
    fireEvent.keyDown(await screen.findByRole('slider', { name: first.name }), { key: 'PageUp' })
    await waitFor(() =>
      expect(asked(sent).at(-1)).toMatchObject({
        goal: 'LITRES',
        value: 20,
        draws: [{ sourceId: first.sourceId }],
      }),
    )
  })

  it('teaches where nothing lies to draw from', async () => {
    openCharge('charge-half', 'goal=LITRES&value=4', { more: { '/api/sources': [] } })
    expect(await screen.findByText(/No stock lies here to draw from/)).toBeTruthy()
  })
})
