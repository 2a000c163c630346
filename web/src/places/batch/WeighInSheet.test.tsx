import { fireEvent, screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Schemas } from '../../api/client'
import type { Page } from '../../api/queries'
import { answer, network, person, problem, said, visit, type Answers } from '../../testing/kitchen'
import { WeighInSheet } from './WeighInSheet'

type Wanted = Schemas['WantedView']
const page = answer<Page>('batch-prepare-fish')
const path = `/api/batches/${page.card.id}`
const offer = (boxId: string, leftKg: number, takeKg: number) => ({
  boxId,
  leftKg,
  takeKg,
  useBy: '2026-11-26',
  trim: false,
  supplier: 'Quay',
  supplierLot: boxId,
})
const wanted: Wanted[] = [
  {
    part: 'bed',
    goods: 'fish-frames',
    name: 'Frames',
    wantedKg: 3.6,
    stillKg: 3.6,
    offers: [offer('A', 2, 2), offer('B', 6, 1.6), { ...offer('old', 9, 0), refused: 'PAST_USE_BY' }],
  },
  { part: 'leek', goods: 'leek', name: 'Leek', wantedKg: 0.4, stillKg: 0.4, offers: [offer('L', 5, 0.4)] },
  { part: 'onion', goods: 'onion', name: 'Onion', wantedKg: 0.3, stillKg: 0, offers: [offer('O', 5, 0)] },
]

function open(more: Answers = {}, box?: string) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({ [`${path}/larder`]: wanted, [`POST ${path}/acts`]: page, ...more })
  visit(<WeighInSheet page={page} box={box} onClose={() => undefined} />, {
    at: '/',
    path: '/',
    who: person(),
  })
  return () => sent.filter((one) => one.method === 'POST').map((one) => one.body as Record<string, unknown>)
}

describe('weighing in out of the larder', () => {
  it('takes box after box, each for what is still wanted', async () => {
    const acts = open()
    fireEvent.click(await screen.findByRole('button', { name: /Quay, lot A/ }))
    fireEvent.click(screen.getByRole('button', { name: /Quay, lot B/ }))
    fireEvent.click(screen.getByRole('button', { name: /^Weigh in/ }))
    await expect.poll(() => acts().length).toBe(2)
    expect(acts()).toMatchObject([
      { kind: 'took', part: 'bed', kg: 2, boxId: 'A' },
      { kind: 'took', part: 'bed', kg: 1.6, boxId: 'B' },
    ])
  })

  it('takes all as planned by one touch, and leaves out what is in already', async () => {
    const acts = open()
    fireEvent.click(await screen.findByRole('button', { name: 'All as planned' }))
    fireEvent.click(screen.getByRole('button', { name: /^Weigh in 4/ }))
    await expect.poll(() => acts().length).toBe(3)
    expect(acts().map((one) => one['boxId'])).toEqual(['A', 'B', 'L'])
    expect(screen.queryByText('Onion')).toBeNull()
  })

  it('logs nothing that nobody has chosen, and offers no box that may not be used', async () => {
    open()
    expect((await screen.findByRole('button', { name: 'Choose a box' })).hasAttribute('disabled')).toBe(true)
    const old = screen.getByRole('button', { name: /lot old/ })
    expect(old.hasAttribute('disabled')).toBe(true)
    expect(said(old)).toContain('past its use-by')
  })

  it('begins with the box that was scanned', async () => {
    open({}, 'B')
    const scanned = await screen.findByRole('button', { name: /Quay, lot B/, pressed: true })
    expect(said(scanned)).toContain('3.60')
    expect(screen.getByRole('button', { name: /Quay, lot A/, pressed: false })).toBeTruthy()
  })

  it('lets another amount be told, and puts a box back', async () => {
    const acts = open({}, 'B')
    const box = await screen.findByRole('button', { name: /Quay, lot B/ })
    fireEvent.click(screen.getByRole('button', { name: 'Change' }))
    fireEvent.change(screen.getByRole('textbox', { name: 'Out of Quay, lot B' }), {
      target: { value: '3.1' },
    })
    fireEvent.click(screen.getByRole('button', { name: /^Weigh in 3\.1/ }))
    await expect.poll(() => acts().length).toBe(1)
    expect(acts()[0]).toMatchObject({ boxId: 'B', kg: 3.1 })
    fireEvent.click(box)
    expect(screen.getByRole('button', { name: 'Choose a box' })).toBeTruthy()
  })

  it('says what stands against it', async () => {
    open({
      [`POST ${path}/acts`]: problem(422, 'no', {
        kg: { reason: 'more than is left in this box', low: 0, high: 1 },
      }),
    })
    fireEvent.click(await screen.findByRole('button', { name: /Quay, lot A/ }))
    fireEvent.click(screen.getByRole('button', { name: /^Weigh in/ }))
    expect(await screen.findByText(/more than is left in this box/)).toBeTruthy()
  })

  it('asks for the scale where the larder has nothing of it', async () => {
    open({ [`${path}/larder`]: wanted.map((one) => ({ ...one, offers: [] })) })
    expect(await screen.findByRole('textbox', { name: 'On the scale' })).toBeTruthy()
  })
})
