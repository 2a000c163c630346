import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { answer, network, person, problem, visit, type Answers } from '../../testing/kitchen'
import type { Place } from '../range/HobMap'
import { HobSection } from './HobSection'

const hob = answer<Place[]>('hob')

function open({ who = person(), more = {} as Answers } = {}) {
  const sent = network({ '/api/kitchen/hob': hob, 'PUT /api/kitchen/hob': hob, ...more })
  visit(<HobSection />, { who })
  return sent
}

const laid = (sent: ReturnType<typeof network>) =>
  sent.filter((s) => s.method === 'PUT').map((s) => (s.body as { places: Omit<Place, 'name'>[] }).places)

const button = (place: Place) => screen.findByRole('button', { name: new RegExp(`^${place.name}, row`) })

describe('the range in the kitchen', () => {
  it('shows every burner in its row and place, with room to move into', async () => {
    open()
    const range = await screen.findByRole('group', { name: /^Burners/ })
    for (const place of hob)
      expect(
        within(range).getByRole('button', {
          name: `${place.name}, row ${place.row + 1}, place ${place.column + 1}`,
        }),
      ).toBeTruthy()
    expect(within(range).getAllByRole('button', { name: /^Empty/ }).length).toBeGreaterThan(hob.length)
  })

  it('moves a burner to the place that is tapped after it', async () => {
    const sent = open()
    fireEvent.click(await button(hob[0]!))
    fireEvent.click(screen.getByRole('button', { name: 'Empty, row 3, place 1' }))
    await expect.poll(() => laid(sent).length).toBe(1)
    expect(laid(sent)[0]).toContainEqual({ burnerId: hob[0]!.burnerId, row: 2, column: 0 })
    expect(laid(sent)[0]).toHaveLength(hob.length)
  })

  it('lets two burners change places', async () => {
    const sent = open()
    const [a, b] = hob as [Place, Place]
    fireEvent.click(await button(a))
    fireEvent.click(await button(b))
    await expect.poll(() => laid(sent).length).toBe(1)
    expect(laid(sent)[0]).toContainEqual({ burnerId: a.burnerId, row: b.row, column: b.column })
    expect(laid(sent)[0]).toContainEqual({ burnerId: b.burnerId, row: a.row, column: a.column })
  })

  it('moves nothing when a burner is tapped twice', async () => {
    const sent = open()
    fireEvent.click(await button(hob[0]!))
    expect((await button(hob[0]!)).getAttribute('aria-pressed')).toBe('true')
    fireEvent.click(await button(hob[0]!))
    expect((await button(hob[0]!)).getAttribute('aria-pressed')).toBe('false')
    expect(laid(sent)).toEqual([])
  })

  it('moves nothing for somebody who only reads', async () => {
    open({ who: person({ rights: ['READ'] }) })
    for (const place of hob) expect(await button(place)).toHaveProperty('disabled', true)
  })

  it('says why the range could not be laid', async () => {
    open({ more: { 'PUT /api/kitchen/hob': problem(422, 'Two burners cannot lie in one place') } })
    fireEvent.click(await button(hob[0]!))
    fireEvent.click(screen.getByRole('button', { name: 'Empty, row 3, place 1' }))
    expect(await screen.findByText('Two burners cannot lie in one place')).toBeTruthy()
  })
})
