import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Kitchen, Page } from '../../api/queries'
import { answer, network, person, pick, problem, said, visit, type Answers } from '../../testing/kitchen'
import { PutAwaySheet } from './PutAwaySheet'

const page: Page = { ...answer<Page>('batch-cool'), restL: 14, storedL: 0, lots: [] }
const path = `/api/batches/${page.card.id}/acts`
const tub = answer<Kitchen>('kitchen').containers.find((one) => one.holdsL === 5)!

function open(more: Answers = {}, of: Page = page) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({ '/api/kitchen': answer('kitchen'), [`POST ${path}`]: of, ...more })
  visit(<PutAwaySheet page={of} onClose={() => undefined} />, { at: '/', path: '/', who: person() })
  return () => sent.filter((one) => one.method === 'POST').map((one) => one.body as Record<string, unknown>)
}

const lot = (place: number) => within(screen.getByRole('group', { name: `Lot ${place}` }))
const litres = (place: number, value: string) =>
  fireEvent.change(lot(place).getByRole('textbox', { name: 'Litres in it' }), { target: { value } })

describe('putting away', () => {
  it('proposes all of it, in the cold store', async () => {
    const acts = open()
    fireEvent.click(screen.getByRole('button', { name: 'Put it away' }))
    await expect.poll(() => acts().length).toBe(1)
    expect(acts()[0]).toMatchObject({
      kind: 'stored',
      litres: 14,
      kept: 'cold',
      words: 'Cold store',
      containers: 1,
    })
  })

  it('splits it: as many tubs as it takes, the rest frozen, each an entry of its own', async () => {
    const acts = open()
    litres(1, '8')
    await pick(await lot(1).findByRole('button', { name: /^In/ }), tub.name)
    expect(said(lot(1).getByRole('status'))).toBe('2')
    fireEvent.click(screen.getByRole('button', { name: 'Another lot' }))
    fireEvent.click(lot(2).getByRole('radio', { name: 'frozen' }))
    expect(screen.getByText('All of it has its place.')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Put it away' }))
    await expect.poll(() => acts().length).toBe(2)
    expect(acts()).toMatchObject([
      { litres: 8, kept: 'cold', container: tub.name, containers: 2 },
      { litres: 6, kept: 'frozen', words: 'Freezer' },
    ])
  })

  it('freezes in cubes, and says how large one is', async () => {
    const acts = open()
    litres(1, '1.5')
    expect(lot(1).queryByRole('textbox', { name: 'As cubes' })).toBeNull()
    fireEvent.click(lot(1).getByRole('radio', { name: 'frozen' }))
    fireEvent.change(lot(1).getByRole('textbox', { name: 'As cubes' }), { target: { value: '40' } })
    expect(said(lot(1).getByText(/each/))).toMatch(/^38 mL each/)
    fireEvent.click(screen.getByRole('button', { name: 'Put it away' }))
    await expect.poll(() => acts().length).toBe(1)
    expect(acts()[0]).toMatchObject({ litres: 1.5, kept: 'frozen', cubes: 40 })
  })

  it('keeps what is left over in sight', () => {
    open()
    litres(1, '11.5')
    expect(screen.getByText(/2\.5.* are left over/)).toBeTruthy()
    litres(1, '15')
    expect(screen.getByText(/1\.0.* more than there is/)).toBeTruthy()
  })

  it('pours a rest away with a reason', async () => {
    const acts = open({}, { ...page, restL: 0.6, lots: [{ ...first, id: 'a' }] })
    fireEvent.click(screen.getByRole('button', { name: /^Pour .* away$/ }))
    fireEvent.change(screen.getByRole('textbox', { name: 'Why it is poured away' }), {
      target: { value: 'no tub' },
    })
    fireEvent.click(screen.getByRole('button', { name: /^Pour .* away$/ }))
    await expect.poll(() => acts().length).toBe(1)
    expect(acts()[0]).toMatchObject({ kind: 'discarded', litres: 0.6, words: 'no tub', lotId: 'rest' })
  })

  it('says what stands against it', async () => {
    open({ [`POST ${path}`]: problem(422, 'cooling failed', { act: { reason: 'cooling failed' } }) })
    fireEvent.click(screen.getByRole('button', { name: 'Put it away' }))
    expect(await screen.findByText(/cooling failed/)).toBeTruthy()
  })
})

const first: Page['lots'][number] = {
  id: '',
  litres: 13,
  leftL: 13,
  place: '',
  kept: 'COLD',
  container: '',
  containers: 1,
  cubes: 0,
  thawsFirst: false,
}
