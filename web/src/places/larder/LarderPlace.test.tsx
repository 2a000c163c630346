import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Box, Provision } from '../../api/larder'
import { answer, network, person, problem, said, visit, type Answers } from '../../testing/kitchen'
import { daysAfter } from '../../words/time'
import LarderPlace from './LarderPlace'
import { shelves } from './shelves'

const boxes = answer<Box[]>('boxes')
const today = answer<{ now: string }>('range').now.slice(0, 10)

function open(more: Answers = {}, who = person()) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({
    '/api/larder': boxes,
    '/api/larder/goods': answer('goods'),
    '/api/course/provisions': answer('provisions'),
    ...more,
  })
  visit(<LarderPlace />, { at: '/larder', path: '/larder', who })
  return () => sent.filter((one) => one.method !== 'GET')
}

const shelf = (name: string) => screen.findByRole('region', { name })

describe('the larder', () => {
  it('stands on shelves by what has to go first', async () => {
    open()
    const first = within(await shelf('Goes today')).getAllByRole('link')
    expect(first.length).toBe(boxes.filter((box) => box.useBy === today).length)
    const frozen = within(await shelf('In the freezer')).getAllByRole('link')
    expect(said(frozen[0]!)).toMatch(/kg/)
  })

  it.each([
    [
      'past its day',
      { useBy: daysAfter(today, -1), refused: 'PAST_USE_BY' as const },
      'Not to be used any more',
    ],
    ['today', { useBy: today }, 'Goes today'],
    ['tomorrow', { useBy: daysAfter(today, 1) }, 'Goes tomorrow'],
    ['in a week', { useBy: daysAfter(today, 7) }, 'Goes within the week'],
    ['in eight days', { useBy: daysAfter(today, 8) }, 'Goes later'],
    ['frozen', { useBy: daysAfter(today, 1), frozen: true, refused: 'FROZEN' as const }, 'In the freezer'],
    ['keeping', { useBy: undefined }, 'Keeps'],
  ])('a box that is %s has its shelf', (_, told, name) => {
    const box = { ...boxes[0]!, frozen: false, refused: undefined, ...told }
    expect(shelves([box], today).map((one) => one.name)).toEqual([name])
  })

  it('asks of what is raw how cold it came, and of what is frozen how thick it lies', async () => {
    const changes = open({ 'POST /api/larder/boxes': boxes[0] })
    fireEvent.click(await screen.findByRole('button', { name: 'Take in' }))
    const sheet = await screen.findByRole('dialog')
    const type = (name: string, value: string) =>
      fireEvent.change(within(sheet).getByRole('textbox', { name }), { target: { value } })
    type('Weight, without its box', '12.5')
    await within(sheet).findByRole('textbox', { name: 'Temperature at the door' })
    type('Temperature at the door', '-19')
    fireEvent.click(within(sheet).getByRole('radio', { name: 'Frozen' }))
    type('How thick it lies: it thaws by that', '10')
    type('Their lot', 'HF-1')
    fireEvent.click(within(sheet).getByRole('button', { name: 'Take it in' }))
    await expect.poll(() => changes().length).toBe(1)
    expect(changes()[0]!.body).toMatchObject({
      goods: 'chicken-carcass',
      kg: 12.5,
      doorC: -19,
      frozen: true,
      thickCm: 10,
      supplierLot: 'HF-1',
    })
  })

  it('takes a box in that comes without its slip, and says so', async () => {
    const changes = open({ 'POST /api/larder/boxes': boxes[0] })
    fireEvent.click(await screen.findByRole('button', { name: 'Take in' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Weight, without its box' }), {
      target: { value: '7' },
    })
    fireEvent.change(within(sheet).getByLabelText('Photo of the slip'), {
      target: { files: [new File(['x'], 'slip.gif', { type: 'image/gif' })] },
    })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Take it in' }))
    // Nothing in this kitchen takes photos.
    expect(await within(sheet).findByText('The box is in. Its slip is not kept yet.')).toBeTruthy()
    const box = changes().find((one) => one.method === 'POST')!.body as { id: string }
    expect(changes().find((one) => one.method === 'PUT')!.path).toContain(`/boxes/${box.id}/photos/`)
    fireEvent.click(within(sheet).getByRole('button', { name: 'Without a photo' }))
    await expect.poll(() => screen.queryByRole('dialog')).toBeNull()
  })

  it('says beside its field why something cannot come in, and keeps what was typed', async () => {
    open({
      'POST /api/larder/boxes': problem(422, 'no', { useBy: { reason: 'until when may it be used' } }),
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Take in' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Weight, without its box' }), {
      target: { value: '7' },
    })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Take it in' }))
    expect((await within(sheet).findAllByText(/until when may it be used/i)).length).toBeGreaterThan(0)
    expect(
      within(sheet).getByRole<HTMLInputElement>('textbox', { name: 'Weight, without its box' }).value,
    ).toMatch(/^7/)
  })

  it('puts trim by as what it is', async () => {
    const changes = open({ 'POST /api/larder/boxes': boxes[0] })
    fireEvent.click(await screen.findByRole('button', { name: 'Put trim by' }))
    const sheet = await screen.findByRole('dialog')
    expect(within(sheet).queryByRole('textbox', { name: 'Temperature at the door' })).toBeNull()
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Weight, without its box' }), {
      target: { value: '0.5' },
    })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Put it in the freezer' }))
    await expect.poll(() => changes().length).toBe(1)
    expect(changes()[0]!.body).toMatchObject({ goods: 'onion', kg: 0.5, trim: true })
  })

  it('says what the course lacks, summed, and what has to come out of the freezer', async () => {
    const one = answer<Provision[]>('provisions')[0]!
    open({
      '/api/course/provisions': [
        { ...one, goods: 'veal', name: 'Veal', lacksKg: 4, frozenKg: 0, thawFrom: undefined },
        { ...one, goods: 'veal', name: 'Veal', lacksKg: 2.5, frozenKg: 0, thawFrom: undefined },
        { ...one, goods: 'beef', name: 'Beef', lacksKg: 0, frozenKg: 9, thawFrom: '2026-11-24T06:00:00Z' },
      ],
    })
    const aside = await screen.findByRole('complementary', { name: 'For the course' })
    expect(said(within(aside).getByRole('row'))).toMatch(/Veal.*6\.5/)
    expect(said(within(aside).getByRole('listitem'))).toMatch(/9.*kg beef.*should have come out/)
  })

  it('is only looked at by whoever may not act', async () => {
    open({}, person({ rights: ['READ'] }))
    await shelf('Goes today')
    expect(screen.queryByRole('button', { name: 'Take in' })).toBeNull()
  })

  it('teaches while it is empty', async () => {
    open({ '/api/larder': [] })
    expect(await screen.findByText('The larder is empty')).toBeTruthy()
  })
})
