import { cleanup, act, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import type { Call, Charge } from '../../api/queries'
import { answer, listOf, person, pick, problem, said } from '../../testing/kitchen'
import { address, asked, openCharge } from '../../testing/charge'

describe('a charge', () => {
  it('asks for what the address says, and shows the pot with everything that follows', async () => {
    const { charge, sent } = openCharge('charge-white')
    expect(said(await screen.findByRole('heading', { level: 1 }))).toBe('White chicken stock in K80')
    expect(asked(sent)[0]).toMatchObject({ formula: 'white-chicken', goal: 'LITRES', value: 20 })
    const pot = screen.getByRole('region', { name: 'What comes of it' })
    for (const figure of ['Litres out', 'Water', 'Bed', 'Bring-up', 'Steam, all', 'When cold'])
      expect(within(pot).getByText(figure)).toBeTruthy()
    const litres = within(pot).getByText('Litres out').parentElement!.textContent
    expect(Number.parseFloat(/likely ([\d.]+)/.exec(litres)![1]!)).toBeCloseTo(charge.forecast.yieldL.p10, 0)
  })

  it('answers one wish at a time while a finger drags, and of those in between only the last', async () => {
    const waiting: (() => void)[] = []
    let held = false
    const later = (body: unknown) => {
      const charge = answer<Charge>('charge-white')
      charge.waterL = (body as { value: number }).value
      return held ? new Promise((resolve) => waiting.push(() => resolve(charge))) : charge
    }
    const { sent } = openCharge('charge-white', undefined, { more: { '/api/charges': later } })
    const line = await screen.findByRole('slider', { name: 'Water line' })
    held = true
    const before = asked(sent).length
    for (let i = 0; i < 5; i++) fireEvent.keyDown(line, { key: 'ArrowDown' })
    await waitFor(() => expect(waiting).toHaveLength(1))
    expect(asked(sent)).toHaveLength(before + 1)
    expect(screen.getByRole('button', { name: 'Accept this plan' })).toHaveProperty('disabled', true)
    waiting[0]!()
    await waitFor(() => expect(waiting).toHaveLength(2))
    held = false
    waiting[1]!()
    const [first, last] = asked(sent).slice(before)
    expect(last!.value).toBeLessThan(first!.value as number)
    await waitFor(() =>
      expect(line.getAttribute('aria-valuetext')).toContain(
        `${(last!.value as number).toFixed(1)}\u202fL of water`,
      ),
    )
    expect(asked(sent)).toHaveLength(before + 2)
  })

  it('says how sure it is of each figure that it foretells', async () => {
    openCharge('charge-brown')
    const pot = await screen.findByRole('region', { name: 'What comes of it' })
    for (const name of ['Litres out', 'Roast in East', 'Bring-up', 'Steam, all', 'When cold', 'Down to 5 °C'])
      expect(said(within(pot).getByText(name).parentElement)).toMatch(/likely .*\d/)
  })

  it('lists what to weigh in the order in which it goes in, with the cooling at the end', async () => {
    const { charge } = openCharge('charge-white')
    const table = (await screen.findByText('Weigh out')).closest('section')!
    const rows = within(table)
      .getAllByRole('row')
      .map((row) => row.textContent)
    expect(rows[1]).toContain('Chicken carcass')
    expect(rows[2]).toContain('Cold water')
    expect(rows.findIndex((r) => r.includes('Onion'))).toBeLessThan(
      rows.findIndex((r) => r.includes('Bay leaf')),
    )
    for (const filled of charge.cooling.into)
      expect(rows.some((r) => r.includes(`${filled.count} × ${filled.container}`))).toBe(true)
  })

  it('says what of it the larder has, the trim of its own first', async () => {
    openCharge('charge-white')
    const table = (await screen.findByText('Weigh out')).closest('section')!
    expect(said(table)).toMatch(/cut 13 mm; trim 650 g, 2\d\d g in the larder/)
  })

  it('has what the drippings are deglazed with in its weigh-out, and none where nothing is', async () => {
    const { charge } = openCharge('charge-brown')
    const row = (await screen.findByText('For deglazing, water or wine')).closest('tr')
    expect(charge.deglazeL).toBeGreaterThan(0)
    expect(said(row)).toContain(`${charge.deglazeL.toFixed(1)} L`)
    cleanup()
    openCharge('charge-white')
    await screen.findByText('Weigh out')
    expect(screen.queryByText('For deglazing, water or wine')).toBeNull()
  })

  it('swaps a part for another of its kind, and keeps that in the address', async () => {
    const { sent } = openCharge('charge-white')
    const onion = await screen.findByRole('button', { name: /^Instead of Onion/ })
    expect(await listOf(onion)).not.toContain('Red wine')
    fireEvent.click(screen.getByRole('menuitemradio', { name: 'Shallot' }))
    await expect.poll(() => asked(sent).length).toBeGreaterThan(1)
    expect(asked(sent).at(-1)).toMatchObject({ swaps: { onion: 'shallot' } })
    await expect.poll(() => address().get('swap')).toBe('onion:shallot')
  })

  it('is solved from the bed when that is given instead', async () => {
    const { sent } = openCharge('charge-white')
    fireEvent.click(await screen.findByRole('radio', { name: 'Bed' }))
    await expect.poll(() => asked(sent).at(-1)?.goal).toBe('BED')
    const kg = await screen.findByRole('textbox', { name: 'Bed in hand' })
    fireEvent.change(kg, { target: { value: '11' } })
    await expect.poll(() => asked(sent).at(-1)?.value).toBe(11)
    await expect.poll(() => address().get('goal')).toBe('BED')
  })

  it('moves the water line by the keys and asks for what fills it so high', async () => {
    const { charge, sent } = openCharge('charge-white')
    fireEvent.keyDown(await screen.findByRole('slider', { name: 'Water line' }), { key: 'ArrowUp' })
    await expect.poll(() => asked(sent).at(-1)?.goal).toBe('LEVEL')
    expect(asked(sent).at(-1)!.value as number).toBeGreaterThan(charge.levels.filledCm)
  })

  it('lets the address follow once the hand rests, and asks for nothing again when it does', async () => {
    const { sent } = openCharge('charge-white')
    const line = await screen.findByRole('slider', { name: 'Water line' })
    const before = address().toString()
    fireEvent.keyDown(line, { key: 'ArrowUp' })
    await expect.poll(() => asked(sent)).toHaveLength(2)
    expect(address().toString()).toBe(before)
    await expect.poll(() => address().get('goal')).toBe('LEVEL')
    expect(Number(address().get('value'))).toBe(asked(sent)[1]!.value)
    expect(asked(sent)).toHaveLength(2)
  })

  it('keeps what is asked for while its address is on the way', async () => {
    const { sent } = openCharge('charge-white')
    const line = await screen.findByRole('slider', { name: 'Water line' })
    const litres = screen.getByRole('radio', { name: 'Litres' })
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    fireEvent.keyDown(line, { key: 'ArrowUp' })
    act(() => {
      vi.advanceTimersByTime(600)
      fireEvent.click(litres)
    })
    expect(screen.getByRole('radio', { name: 'Litres' }).getAttribute('aria-checked')).toBe('true')
    act(() => void vi.advanceTimersByTime(600))
    vi.useRealTimers()
    await expect.poll(() => address().get('goal')).toBe('LITRES')
    expect(asked(sent).at(-1)!.goal).toBe('LITRES')
  })

  it('is not fetched back by its address once it is left', async () => {
    openCharge('charge-white')
    const line = await screen.findByRole('slider', { name: 'Water line' })
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    fireEvent.keyDown(line, { key: 'ArrowUp' })
    fireEvent.click(screen.getByRole('link', { name: 'Edit the formula' }))
    act(() => void vi.advanceTimersByTime(60_000))
    vi.useRealTimers()
    expect(said(screen.getByLabelText('address'))).toBe('/formulas/white-chicken/edit')
  })

  it('simmers longer by the scrubber', async () => {
    const { charge, sent } = openCharge('charge-white')
    fireEvent.keyDown(await screen.findByRole('slider', { name: 'Simmer' }), { key: 'ArrowRight' })
    await expect
      .poll(() => (asked(sent).at(-1)?.schools as { simmerMin?: number }).simmerMin)
      .toBe(charge.simmerMin + 15)
  })

  it('shows which vessels fit and which are in use, and takes another', async () => {
    const { charge, sent } = openCharge('charge-white')
    const group = await screen.findByRole('group', { name: 'Vessel' })
    for (const vessel of charge.vessels) {
      const button = within(group).getByRole('button', { name: new RegExp(`^${vessel.name}`) })
      expect(said(button)).toContain(!vessel.free ? 'in use' : vessel.fits ? 'fits' : 'does not fit')
    }
    fireEvent.click(within(group).getByRole('button', { name: /^Pot 24/ }))
    const pot24 = charge.vessels.find((v) => v.name === 'Pot 24')!
    await expect.poll(() => asked(sent).at(-1)?.vesselId).toBe(pot24.id)
  })

  it('tells what another school would change before it is taken', async () => {
    const { sent } = openCharge('charge-brown')
    const lid = await screen.findByRole('group', { name: 'Lid' })
    const paper = within(lid).getByRole('radio', { name: /^Paper lid/ })
    expect(said(paper.closest('label'))).toMatch(/[+−]/)
    fireEvent.click(paper)
    await expect.poll(() => (asked(sent).at(-1)?.schools as { cover?: string }).cover).toBe('paper-lid')
    fireEvent.click(screen.getByRole('button', { name: 'All as the formula has it' }))
    await expect.poll(() => address().get('cover')).toBeNull()
  })

  it('draws water by another rule', async () => {
    const { sent } = openCharge('charge-white')
    await pick(await screen.findByRole('button', { name: /^Water rule/ }), 'to the fill line')
    await expect
      .poll(() => (asked(sent).at(-1)?.schools as { water?: { rule: string } }).water?.rule)
      .toBe('to-the-line')
  })

  it('moves a cut by the keys, beside the stretch that fits', async () => {
    const { sent } = openCharge('charge-brown')
    const ruler = await screen.findByRole('slider', { name: 'Cut of Onion' })
    expect(ruler.getAttribute('aria-valuetext')).toMatch(/14 mm, \d+ % spent after 2 h/)
    fireEvent.keyDown(ruler, { key: 'ArrowRight' })
    await expect.poll(() => asked(sent).at(-1)?.cutMm).toEqual({ onion: 15 })
  })
})

describe('a charge that would not do', () => {
  it('says what is wrong, with the figures and what to do, and cannot be accepted', async () => {
    openCharge('charge-tight')
    const warnings = await screen.findByRole('list', { name: 'Warnings' })
    expect(said(warnings)).toContain('Pot 12 would run over.')
    expect(said(warnings)).toContain('Too heavy to lift alone.')
    expect(screen.getByRole('button', { name: 'Accept this plan' })).toHaveProperty('disabled', true)
  })

  it('offers the vessel that fits, or to fill this one', async () => {
    const { charge, sent } = openCharge('charge-tight')
    fireEvent.click(await screen.findByRole('button', { name: 'Take K80' }))
    const k80 = charge.vessels.find((v) => v.name === 'K80')!
    await expect.poll(() => asked(sent).at(-1)?.vesselId).toBe(k80.id)
    fireEvent.click(screen.getByRole('button', { name: 'Fill this one instead' }))
    await expect.poll(() => asked(sent).at(-1)?.goal).toBe('VESSEL')
  })

  it('splits over several vessels where no single one is free', async () => {
    const charge = answer<Charge>('charge-tight')
    charge.vessels.forEach((v) => (v.fits = false))
    openCharge('charge-tight', undefined, { more: { '/api/charges': charge } })
    const offer = said((await screen.findByText(/Split over free vessels/)).parentElement)
    expect(offer).toContain('K80 31.2 L from 23.4 kg, Pot 24 13.8 L from 10.1 kg')
  })

  it('says that containers are missing, and that cooling would be too slow', async () => {
    const charge = answer<Charge>('charge-white')
    charge.cooling.enough = false
    charge.cooling.iceShortKg = 4
    charge.cooling.verdict = 'FAIL'
    openCharge('charge-white', undefined, { more: { '/api/charges': charge } })
    const warnings = await screen.findByRole('list', { name: 'Warnings' })
    expect(said(warnings)).toContain('Not enough containers.')
    expect(said(warnings)).toContain('Not enough ice.')
    expect(said(warnings)).toContain('It would not be cold in time.')
  })

  it('says that trays are crowded, and how many loads it takes', async () => {
    const charge = answer<Charge>('charge-brown')
    charge.warnings = [
      { kind: 'TRAYS_CROWDED', value: 1.4, limit: 1, unit: 'layers', stops: false },
      { kind: 'SEVERAL_LOADS', value: 2, limit: 1, unit: 'loads', stops: false },
    ]
    openCharge('charge-brown', undefined, { more: { '/api/charges': charge } })
    const warnings = await screen.findByRole('list', { name: 'Warnings' })
    expect(said(warnings)).toContain('lie 1.4 deep in East')
    expect(said(warnings)).toContain('2 loads in East.')
  })

  it('keeps the pot in view and says beside the figure why it was refused', async () => {
    let refuse = false
    const charge = answer<Charge>('charge-white')
    openCharge('charge-white', undefined, {
      more: {
        '/api/charges': () =>
          refuse
            ? problem(422, 'out of range', {
                litres: { reason: 'outside the range that makes sense', low: 0.25, high: 500, unit: 'L' },
              })
            : charge,
      },
    })
    const litres = await screen.findByRole('textbox', { name: 'Litres out, strained' })
    refuse = true
    fireEvent.change(litres, { target: { value: '0' } })
    expect(said(await screen.findByRole('alert'))).toContain('Between 0.3 and 500.0 L')
    expect(screen.getByRole('region', { name: 'The pot' })).toBeTruthy()
  })
})

describe('accepting a plan', () => {
  const calls = answer<Call[]>('calls')
  const call = calls.find((c) => c.status === 'OPEN')!

  it('freezes it for its call and opens the batch', async () => {
    const { charge, sent } = openCharge('charge-white', `call=${call.id}`, {
      more: { 'POST /api/batches': { card: { id: 'made' } } },
    })
    expect(said(await screen.findByText(/asks for/))).toContain('Soup asks for 20.0 L')
    fireEvent.click(screen.getByRole('button', { name: 'Accept this plan' }))
    await expect.poll(() => screen.getByLabelText('address').textContent).toBe('/batches/made')
    const body = sent.find((s) => s.path === '/api/batches')!.body as Record<string, unknown>
    expect(body).toMatchObject({
      callId: call.id,
      charge: { vesselId: charge.vessel.id, readyBy: call.readyBy },
    })
  })

  it('says what stands against it and stays where it is', async () => {
    openCharge('charge-white', `call=${call.id}`, {
      more: { 'POST /api/batches': problem(409, 'K80 is in use. Choose another vessel.') },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Accept this plan' }))
    expect(await screen.findByText('K80 is in use. Choose another vessel.')).toBeTruthy()
    expect(said(screen.getByLabelText('address'))).toContain('/formulas/white-chicken')
  })

  it('is not offered to somebody who may not plan', async () => {
    openCharge('charge-white', undefined, { who: person({ rights: ['READ'] }) })
    await screen.findByRole('heading', { level: 1 })
    expect(screen.queryByRole('button', { name: 'Accept this plan' })).toBeNull()
  })
})
