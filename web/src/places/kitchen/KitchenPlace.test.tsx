import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Kitchen } from '../../api/queries'
import { answer, network, person, problem, visit, type Answers, said } from '../../testing/kitchen'
import KitchenPlace from './KitchenPlace'

function open({ who = person(), more = {} as Answers, room = 'range' } = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({
    '/api/kitchen': answer('kitchen'),
    '/api/kitchen/stations': answer('stations'),
    '/api/tokens': answer('tokens'),
    ...more,
  })
  visit(<KitchenPlace />, { at: `/kitchen?room=${room}`, path: '/kitchen', who })
  return sent
}

const changes = (sent: ReturnType<typeof network>) => sent.filter((s) => s.method !== 'GET')

describe('the kitchen', () => {
  it('says where it is and what water does there', async () => {
    open()
    expect(said(await screen.findByRole('heading', { level: 1 }))).toBe('Kestrel Lodge')
    expect(screen.getByText(/At 1150 m water boils at 96\.\d °C/)).toBeTruthy()
  })

  it('has all that stands in it, the vessels drawn to one scale', async () => {
    open()
    const kitchen = answer<Kitchen>('kitchen')
    for (const vessel of kitchen.vessels) {
      const drawn = await screen.findByRole('img', {
        name: new RegExp(`^${vessel.name}, .* filled to its line`),
      })
      expect(drawn).toBeTruthy()
    }
    const height = (name: string) =>
      Number(screen.getByRole('img', { name: new RegExp(`^${name},`) }).getAttribute('height'))
    expect(height('Tall 40')).toBeGreaterThan(height('Pot 12'))
    for (const thing of [...kitchen.burners, ...kitchen.ovens])
      expect(screen.getAllByText(thing.name).length).toBeGreaterThan(0)
  })

  it('leads from its plan to each part of it, and keeps that in the address', async () => {
    open()
    const kitchen = answer<Kitchen>('kitchen')
    const plan = await screen.findByRole('navigation', { name: 'The kitchen from above' })
    expect(screen.queryByText(kitchen.chillers[0]!.name)).toBeNull()
    fireEvent.click(within(plan).getByRole('link', { name: /^Baths and stores/ }))
    for (const thing of [...kitchen.chillers, ...kitchen.containers])
      expect((await screen.findAllByText(thing.name)).length).toBeGreaterThan(0)
    expect(within(plan).getByRole('link', { current: true }).textContent).toContain('Baths and stores')
  })

  it('draws a vessel while it is typed, and adds it', async () => {
    const sent = open({ more: { 'POST /api/kitchen/vessels': {} } })
    fireEvent.click(await screen.findByRole('button', { name: 'Add a vessel' }))
    const sheet = await screen.findByRole('dialog')
    const drawn = () => within(sheet).getByRole('img').getAttribute('aria-label')
    const before = drawn()
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Name' }), { target: { value: 'Pot 30' } })
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Inside diameter' }), {
      target: { value: '30' },
    })
    expect(drawn()).not.toBe(before)
    expect(within(sheet).getByRole('button', { name: 'Save' })).toBeTruthy()
    fireEvent.click(within(sheet).getByRole('button', { name: 'Save' }))
    await expect.poll(() => changes(sent).length).toBe(1)
    expect(changes(sent)[0]).toMatchObject({
      method: 'POST',
      path: '/api/kitchen/vessels',
      body: { name: 'Pot 30' },
    })
  })

  it('says beside the figure why a vessel cannot be', async () => {
    const vessel = answer<Kitchen>('kitchen').vessels[1]!
    open({
      more: {
        [`PUT /api/kitchen/vessels/${vessel.id}`]: problem(422, 'no', {
          heightCm: { reason: 'outside the range that makes sense', low: 5, high: 150, unit: 'cm' },
        }),
      },
    })
    fireEvent.click(await screen.findByRole('button', { name: vessel.name }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Inside height' }), {
      target: { value: '900' },
    })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Save' }))
    expect(said(await within(sheet).findByRole('alert'))).toContain('Between 5.0 and 150.0 cm')
  })

  it('takes a piece out of use', async () => {
    const oven = answer<Kitchen>('kitchen').ovens[0]!
    const sent = open({ more: { [`POST /api/kitchen/ovens/${oven.id}/retirement`]: {} } })
    fireEvent.click(await screen.findByRole('button', { name: oven.name }))
    fireEvent.click(await screen.findByRole('button', { name: 'Take it out of use' }))
    await expect.poll(() => changes(sent).length).toBe(1)
    expect(changes(sent)[0]).toMatchObject({
      method: 'POST',
      path: `/api/kitchen/ovens/${oven.id}/retirement`,
    })
  })

  it('is only looked at by whoever may not set it up', async () => {
    open({ who: person({ rights: ['READ'] }) })
    await screen.findByRole('heading', { level: 1 })
    for (const name of ['Add a vessel', 'Change', 'Add to ovens', 'East'])
      expect(screen.queryByRole('button', { name })).toBeNull()
  })

  it('quotes the limits that it works to, and where they were published', async () => {
    open({ room: 'rules' })
    const limits = answer<Kitchen>('kitchen').limits
    await screen.findByRole('heading', { level: 1 })
    expect(
      screen.getAllByText(new RegExp(limits.source.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))).length,
    ).toBeGreaterThan(0)
  })
})
