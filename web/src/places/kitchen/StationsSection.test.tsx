import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Station } from '../../api/queries'
import { answer, network, person, problem, said, visit, type Answers } from '../../testing/kitchen'
import { StationsSection } from './StationsSection'

const stations = answer<Station[]>('stations')
const first = stations[0]!
const ids = stations.map((station) => station.id)

function open(more: Answers = {}, who = person()) {
  const sent = network({ '/api/kitchen/stations': stations, ...more })
  visit(<StationsSection />, { at: '/', path: '/', who })
  return () => sent.filter((one) => one.method !== 'GET')
}

describe('the stations', () => {
  it('stand in their order, and are put in another', async () => {
    const changes = open({ 'PUT /api/kitchen/stations': stations })
    fireEvent.click(await screen.findByRole('button', { name: `${first.name} later` }))
    await expect.poll(() => changes().length).toBe(1)
    expect(changes()[0]!.body).toEqual({ ids: [ids[1], ids[0], ...ids.slice(2)] })
    expect(screen.getByRole('button', { name: `${first.name} sooner` }).hasAttribute('disabled')).toBe(true)
  })

  it('say what they always need', async () => {
    const [, second] = stations
    open({
      '/api/kitchen/stations': [first, { ...second!, without: ['CELERY'], needs: ['MEAT_FREE', 'PALE'] }],
    })
    const rows = await screen.findAllByRole('listitem')
    expect(said(rows[1]!)).toContain('always meat-free, pale, without celery')
    expect(said(rows[0]!)).not.toContain('always')
  })

  it('are changed in all that they are', async () => {
    const changes = open({ [`PUT /api/kitchen/stations/${first.id}`]: stations })
    fireEvent.click(await screen.findByRole('button', { name: first.name }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Name' }), { target: { value: 'Grill' } })
    fireEvent.click(within(sheet).getByRole('radio', { name: 'Most' }))
    fireEvent.click(within(sheet).getByRole('button', { name: 'fish-free' }))
    fireEvent.click(within(sheet).getByText('Without …'))
    fireEvent.click(within(sheet).getByRole('button', { name: 'milk' }))
    fireEvent.click(within(sheet).getByRole('button', { name: 'Save' }))
    await expect.poll(() => changes().length).toBe(1)
    expect(changes()[0]!.body).toEqual({
      name: 'Grill',
      importance: 'MOST',
      without: ['MILK'],
      needs: ['FISH_FREE'],
    })
  })

  it('are not taken out of use by one touch, nor while they wait for stock', async () => {
    const changes = open({
      [`DELETE /api/kitchen/stations/${first.id}`]: problem(409, 'Sauce still waits for stock.', {}),
    })
    fireEvent.click(await screen.findByRole('button', { name: first.name }))
    fireEvent.click(await screen.findByRole('button', { name: `Take ${first.name} out of use` }))
    expect(changes()).toEqual([])
    fireEvent.click(screen.getByRole('button', { name: 'Take it out of use' }))
    expect(await screen.findByText(/still waits/)).toBeTruthy()
  })

  it('are only looked at by whoever may not set up', async () => {
    open({}, person({ rights: ['READ'] }))
    await screen.findByText(first.name)
    expect(screen.queryAllByRole('button')).toEqual([])
  })
})
