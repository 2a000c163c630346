import { fireEvent, screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { answer, listOf, network, person, pick, problem, visit, said } from '../../testing/kitchen'
import { PeopleSection } from './PeopleSection'

const me = person()
const WEN = { id: 'w', signIn: 'wen', name: 'Wen Abara', initials: 'WA', role: 'TRAINEE' }
const ILSE = { id: me.id, signIn: 'ilse', name: me.name, initials: me.initials, role: 'COOK' }

function open(more = {}, who = me) {
  const sent = network({
    '/api/kitchen/people': [ILSE, WEN],
    '/api/calls/menu': answer('menu'),
    'POST /api/kitchen/people': [ILSE, WEN],
    ...more,
  })
  visit(<PeopleSection />, { who })
  return sent
}

const type = (name: string, value: string) =>
  fireEvent.change(screen.getByLabelText(name), { target: { value } })

describe('the people of a kitchen', () => {
  it('are listed with what they work as', async () => {
    open()
    const items = (await screen.findAllByRole('listitem')).map((item) => item.textContent)
    expect(items[0]).toContain(`${me.name}, stock cook, you`)
    expect(items[1]).toContain('Wen Abara, trainee')
  })

  it('take somebody in, with a station where they work at one', async () => {
    const sent = open()
    fireEvent.click(await screen.findByRole('button', { name: 'Take somebody in' }))
    type('Name', 'Nia Okonkwo')
    await pick(screen.getByRole('button', { name: /^Works as/ }), 'Station')
    const stations = await screen.findByRole('button', { name: /^At the station/ })
    const last = (await listOf(stations)).at(-1)!
    fireEvent.click(screen.getByRole('menuitemradio', { name: last }))
    type('Sign-in name', 'nia')
    type('First password', 'kestrel-nia-1')
    fireEvent.click(screen.getByRole('button', { name: 'Take in' }))
    await expect
      .poll(() => sent.find((s) => s.method === 'POST')?.body)
      .toMatchObject({
        name: 'Nia Okonkwo',
        role: 'STATION',
        stationId: answer<{ id: string; name: string }[]>('stations').find((s) => s.name === last)!.id,
        signIn: 'nia',
      })
    await expect.poll(() => screen.queryByRole('dialog')).toBeNull()
  })

  it('say beside the field what will not do', async () => {
    open({
      'POST /api/kitchen/people': problem(422, 'too short or too long', {
        password: { reason: 'too short or too long', low: 10, high: 72, unit: 'characters' },
      }),
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Take somebody in' }))
    type('Name', 'Nia')
    type('Sign-in name', 'nia')
    type('First password', 'short')
    fireEvent.click(screen.getByRole('button', { name: 'Take in' }))
    expect(said(await screen.findByRole('alert'))).toBe(
      'Too short or too long. Between 10 and 72 characters.',
    )
  })

  it('let somebody go only after asking once more', async () => {
    const sent = open({ 'DELETE /api/kitchen/people/w': {} })
    fireEvent.click(await screen.findByRole('button', { name: 'Change Wen Abara' }))
    fireEvent.click(await screen.findByRole('button', { name: 'Wen Abara has left' }))
    expect(sent.filter((s) => s.method === 'DELETE')).toEqual([])
    fireEvent.click(screen.getByRole('button', { name: 'They have left' }))
    await expect.poll(() => sent.filter((s) => s.method === 'DELETE').length).toBe(1)
  })

  it('do not let anybody take themselves out', async () => {
    open()
    fireEvent.click(await screen.findByRole('button', { name: `Change ${me.name}` }))
    await screen.findByRole('dialog', { name: me.name })
    expect(screen.queryByRole('button', { name: /has left/ })).toBeNull()
  })

  it('are changed by nobody who may not', async () => {
    open({}, person({ rights: ['READ', 'ACT'] }))
    await screen.findAllByRole('listitem')
    expect(screen.queryByRole('button')).toBeNull()
  })
})
