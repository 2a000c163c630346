import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Schemas } from '../../api/client'
import { answer, network, person, pick, problem, said, visit, type Answers } from '../../testing/kitchen'
import { wayOutName } from '../../words/en'
import { weight } from '../../words/units'
import { HitNow } from './HitNow'
import { Missing } from './Missing'

const ways = () => answer<Schemas['WaysOutView']>('ways-out')
const NONE = { version: 1, told: [], stay: { moves: [], tells: [] }, ways: [] }
const gone = () => new Response(null, { status: 204 })

describe('what is missing', () => {
  const open = (more: Answers = {}, who = person()) => {
    setServerTime(answer<{ now: string }>('range').now)
    const sent = network({
      '/api/kitchen': answer('kitchen'),
      '/api/larder/goods': answer('goods'),
      '/api/larder': answer('boxes'),
      'GET /api/kitchen/outages': [],
      ...more,
    })
    visit(<Missing />, { who })
    return sent
  }
  const tell = async (what: string) => {
    fireEvent.click(await screen.findByRole('button', { name: 'Something is missing' }))
    await screen.findByRole('dialog', { name: 'Something is missing' })
    await pick(await screen.findByRole('button', { name: /^What/ }), what)
  }

  it('shows what a pot that is out of order does before it is told, and takes a way out with it', async () => {
    const looked = ways()
    const sent = open({ 'POST /api/course/ways-out': looked, 'POST /api/course/ways-out/taken': gone() })
    await tell('Vessel: K80')
    const first = looked.ways[0]!
    const way = await screen.findByRole('region', { name: wayOutName[first.how] })
    for (const told of first.told) expect(said(way)).toContain(told.station)
    for (const moved of first.moved) expect(said(way)).toContain((moved.to ?? moved.from)!.vesselName)
    expect(within(way).getAllByRole('img')).toHaveLength(first.moved.length)
    expect(sent.some((s) => s.path === '/api/kitchen/outages' && s.method === 'POST')).toBe(false)
    fireEvent.click(within(way).getByRole('button', { name: 'Take this way' }))
    await expect.poll(() => sent.some((s) => s.path.endsWith('/taken'))).toBe(true)
    const body = sent.find((s) => s.path.endsWith('/taken'))!.body as Schemas['Take']
    expect(body.trouble.outage).toMatchObject({ kind: 'VESSEL' })
    expect(body.way).toEqual(first.taking)
    await expect.poll(() => screen.queryByRole('dialog')).toBeNull()
  })

  it('tells of bones that did not come what the larder has of them all the same', async () => {
    const boxes = answer<Schemas['BoxView'][]>('boxes')
    const carcass = boxes.filter((box) => box.goods === 'chicken-carcass')
    const kg = carcass.reduce((sum, box) => sum + box.leftKg, 0)
    // What nobody may use any more is not there for this.
    const stopped = { ...carcass[0]!, id: 'stopped', refused: 'STOPPED' as const }
    const sent = open({
      '/api/larder': [stopped, ...boxes],
      'POST /api/course/ways-out': NONE,
      'POST /api/kitchen/outages': new Response(null, { status: 201 }),
    })
    await tell('Did not come: chicken carcass, raw')
    expect(kg).toBeGreaterThan(0)
    expect(said(await screen.findByText(/lie in the larder/))).toContain(
      said({ textContent: weight(kg, 'metric') }),
    )
    fireEvent.click(await screen.findByRole('button', { name: 'Write it down' }))
    await expect
      .poll(() => sent.find((s) => s.method === 'POST' && s.path === '/api/kitchen/outages')?.body)
      .toMatchObject({ kind: 'BED', thingId: 'chicken-carcass' })
  })

  it('says where nothing is hit, and writes it down', async () => {
    const sent = open({
      'POST /api/course/ways-out': NONE,
      'POST /api/kitchen/outages': new Response(null, { status: 201 }),
    })
    await tell('A cook is away')
    expect(await screen.findByText('Nothing that is planned is hit by it.')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Write it down' }))
    await expect
      .poll(() => sent.some((s) => s.path === '/api/kitchen/outages' && s.method === 'POST'))
      .toBe(true)
    expect(sent.find((s) => s.method === 'POST' && s.path === '/api/kitchen/outages')!.body).toMatchObject({
      kind: 'COOKS',
      cooks: 1,
    })
  })

  it('tells what is refused beside its field', async () => {
    open({
      'POST /api/course/ways-out': problem(422, 'refused', {
        until: { reason: 'must come after its beginning, and is still to come' },
      }),
    })
    await tell('Vessel: K80')
    expect(await screen.findByText(/ust come after its beginning/)).toBeTruthy()
  })

  it('lists what is missing, until it is there again', async () => {
    const outage = {
      id: 'o',
      kind: 'BURNER',
      name: 'Front left',
      cooks: 0,
      from: '2026-11-25T09:00:00Z',
      until: '2026-11-25T18:00:00Z',
      reason: 'its jet is blocked',
    }
    const sent = open({ 'GET /api/kitchen/outages': [outage], 'DELETE /api/kitchen/outages/o': gone() })
    const row = (await screen.findByText('Front left')).closest('li')!
    expect(said(row)).toContain('its jet is blocked')
    fireEvent.click(within(row).getByRole('button', { name: 'It is there again' }))
    await expect.poll(() => sent.some((s) => s.method === 'DELETE')).toBe(true)
  })

  it('is read by whoever plans nothing, and told by others', async () => {
    open({}, person({ role: 'REVIEWER', rights: ['READ'] }))
    expect(await screen.findByText('Everything is there, and everybody.')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Something is missing' })).toBeNull()
  })
})

describe('what is hit by what has happened', () => {
  it('names the batch and shows the ways out', async () => {
    const looked = ways()
    const moved = { ...looked.ways[0]!.moved.find((m) => m.from)!, number: 14 }
    looked.ways[0]!.moved = [moved]
    network({ 'POST /api/course/ways-out': looked })
    visit(<HitNow notBegun />)
    const told = await screen.findByText(/no room any more for/)
    expect(said(told)).toContain(`${moved.formulaName}, batch 14, in ${moved.from!.vesselName} from `)
    fireEvent.click(screen.getByRole('button', { name: 'See the ways out' }))
    expect(await screen.findByRole('region', { name: wayOutName[looked.ways[0]!.how] })).toBeTruthy()
  })

  it('waits for nothing where nothing that is planned has to move', async () => {
    const looked = ways()
    looked.ways = [
      { ...looked.ways[0]!, moved: looked.ways[0]!.moved.map((m) => ({ ...m, from: undefined })) },
    ]
    network({ 'POST /api/course/ways-out': looked })
    visit(<HitNow notBegun />)
    fireEvent.click(await screen.findByRole('button', { name: 'See the ways out' }))
    expect(await screen.findByRole('region', { name: 'Made beside the rest' })).toBeTruthy()
  })

  it('asks nothing where everything has begun', () => {
    const sent = network({})
    visit(<HitNow notBegun={false} />)
    expect(sent).toHaveLength(0)
  })
})
