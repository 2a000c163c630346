import { fireEvent, screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Device, Kitchen } from '../../api/queries'
import { answer, network, person, pick, problem, type Answers, visit } from '../../testing/kitchen'
import { DevicesSection } from './DevicesSection'

const vessels = answer<Kitchen>('kitchen').vessels
const probe: Device = {
  id: 'p1',
  name: 'Probe 1',
  kind: 'PROBE',
  vesselId: vessels[1]!.id,
  lastAt: '2026-11-25T10:02:00Z',
  lastValue: 91.4,
  silent: false,
}

function open(devices: Device[], { who = person(), more = {} as Answers } = {}) {
  setServerTime('2026-11-25T10:10:00Z')
  const sent = network({ '/api/devices': devices, ...more })
  visit(<DevicesSection vessels={vessels} />, { who })
  return sent
}

const posts = (sent: ReturnType<typeof network>) => sent.filter((s) => s.method !== 'GET')

describe('probes and scales', () => {
  it('say where they are and what they last read, in the reader’s units', async () => {
    open([
      probe,
      { ...probe, id: 's1', name: 'Floor scale', kind: 'SCALE', lastValue: 14.25, vesselId: undefined },
    ])
    expect(await screen.findByText('91.5 °C')).toBeTruthy()
    expect(screen.getByText('14.3 kg')).toBeTruthy()
    expect(screen.getByRole('button', { name: `Vessel of Probe 1: ${vessels[1]!.name}` })).toBeTruthy()
    expect(screen.getByText('2 of 2 reporting')).toBeTruthy()
  })

  it('that fall silent are shown as silent, since when', async () => {
    open([
      { ...probe, silent: true },
      { ...probe, id: 'p2', name: 'Probe 2', lastAt: undefined, lastValue: undefined, silent: true },
    ])
    expect((await screen.findByText(/silent since 11:02/)).className).toContain('amber')
    expect(screen.getByText('nothing yet')).toBeTruthy()
    expect(screen.getByText('0 of 2 reporting')).toBeTruthy()
  })

  it('go into another vessel, or into none', async () => {
    const sent = open([probe], { more: { 'PUT /api/devices/p1/vessel': [] } })
    const vessel = () => screen.findByRole('button', { name: /^Vessel of Probe 1/ })
    await pick(await vessel(), vessels[0]!.name)
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.body).toEqual({ vesselId: vessels[0]!.id })
    await pick(await vessel(), 'in no vessel')
    await expect.poll(() => posts(sent).length).toBe(2)
    expect(posts(sent)[1]!.body).toEqual({})
  })

  it('are added with a token that is told once', async () => {
    const sent = open([], { more: { 'POST /api/devices': { id: 'new', token: 'potamos_secret' } } })
    fireEvent.change(await screen.findByRole('textbox', { name: 'A new device' }), {
      target: { value: 'Scale' },
    })
    await pick(screen.getByRole('button', { name: /^It is a/ }), 'floor scale')
    fireEvent.click(screen.getByRole('button', { name: 'Add' }))
    expect(await screen.findByText('potamos_secret')).toBeTruthy()
    expect(screen.getByText('POST /api/devices/new/readings')).toBeTruthy()
    expect(posts(sent)[0]!.body).toEqual({ name: 'Scale', kind: 'SCALE' })
  })

  it('are refused beside the name', async () => {
    open([], {
      more: {
        'POST /api/devices': problem(422, 'no', { name: { reason: 'too many devices; take one out first' } }),
      },
    })
    fireEvent.change(await screen.findByRole('textbox', { name: 'A new device' }), {
      target: { value: 'Scale' },
    })
    fireEvent.click(screen.getByRole('button', { name: 'Add' }))
    expect((await screen.findByRole('alert')).textContent).toContain('Too many devices')
  })

  it('are only looked at by whoever reads only', async () => {
    open([probe], { who: person({ rights: ['READ'] }) })
    expect(await screen.findByRole('button', { name: /^Vessel of Probe 1/ })).toHaveProperty('disabled', true)
    expect(screen.queryByRole('button', { name: 'Take out' })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Add' })).toBeNull()
  })
})
