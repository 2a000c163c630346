import { screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Box } from '../../api/larder'
import type { Charge } from '../../api/queries'
import { asked, openCharge } from '../../testing/charge'
import { answer, pick, said } from '../../testing/kitchen'

const bones: Box = {
  ...answer<Box[]>('boxes')[0]!,
  id: 'bones-of-7',
  goods: 'spent-bones',
  name: 'Spent bones',
  leftKg: 6.5,
  of: { batchId: 'veal', batchNumber: 7, formulaName: 'Brown veal stock' },
}

const second = (charge: Charge): Charge => ({
  ...charge,
  bed: [{ kind: 'spent-bones', name: 'spent veal or beef bones', share: 1, kg: 6.5, leftOver: true }],
})

const open = (query: string, boxes: Box[] = [bones]) =>
  openCharge('charge-white', query, {
    more: { '/api/larder': boxes, '/api/charges': second(answer<Charge>('charge-white')) },
  })

describe('a charge whose bed came out of another pot', () => {
  it('is asked which one, and solved from all of what is kept of it', async () => {
    const { sent } = open('goal=LITRES&value=6')
    await screen.findByText(/nobody knows what is in it/)
    await pick(screen.getByLabelText('Out of which pot'), /Brown veal stock, batch 7/)
    await waitFor(() =>
      expect(asked(sent).at(-1)).toMatchObject({
        goal: 'BED',
        value: 6.5,
        brought: [{ part: 'bed', boxId: 'bones-of-7' }],
      }),
    )
    expect(said(await screen.findByText(/6\.50.kg of it.*The whole contains/))).toBeTruthy()
  })

  it('teaches where they are kept when there are none', async () => {
    open('goal=LITRES&value=6', [])
    expect(await screen.findByText(/weighed on its page and kept from there/)).toBeTruthy()
  })
})
