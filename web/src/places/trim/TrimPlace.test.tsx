import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Trim } from '../../api/queries'
import { answer, listOf, network, person, problem, type Answers, visit, said } from '../../testing/kitchen'
import TrimPlace from './TrimPlace'

function open({ who = person(), more = {} as Answers } = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({ '/api/trim': answer('trim'), '/api/formulas/larder': answer('larder'), ...more })
  visit(<TrimPlace />, { at: '/trim', path: '/trim', who })
  return sent
}

const posts = (sent: ReturnType<typeof network>) => sent.filter((s) => s.method === 'POST')

describe('the trim bank', () => {
  it('lists its bags oldest first, with their age and what all of them weigh', async () => {
    open()
    const bags = await screen.findAllByRole('listitem')
    const trim = answer<Trim[]>('trim')
    expect(bags.map((b) => b.querySelector('b')!.textContent)).toEqual(trim.map((t) => t.name))
    const all = trim.reduce((sum, t) => sum + t.kg, 0)
    const said = screen.getByText(/kg in all$/).textContent
    expect(Number.parseFloat(said)).toBeCloseTo(all, 1)
  })

  it('says what has lain too long', async () => {
    open()
    const old = answer<Trim[]>('trim').filter((t) => t.old)
    expect(old.length).toBe(1)
    expect((await screen.findAllByText(/Use it or throw it away/)).length).toBe(old.length)
  })

  it('puts a bag by with its weight and its day', async () => {
    const sent = open()
    fireEvent.click(await screen.findByRole('button', { name: 'Put trim by' }))
    const sheet = await screen.findByRole('dialog')
    const what = await within(sheet).findByRole('button', { name: /^What: / })
    expect(await listOf(what)).not.toContain('Red wine')
    fireEvent.click(screen.getByRole('menuitemradio', { name: 'Leek' }))
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Weight' }), { target: { value: '0,8' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Put it in the box' }))
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.body).toMatchObject({ item: 'leek', kg: 0.8, day: '2026-11-25' })
    await expect.poll(() => screen.queryByRole('dialog')).toBeNull()
  })

  it('keeps the sheet and says beside the field what was refused', async () => {
    open({
      more: {
        'POST /api/trim': problem(422, 'refused', {
          kg: { reason: 'outside the range', low: 0.01, high: 200, unit: 'kg' },
        }),
      },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Put trim by' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Weight' }), { target: { value: '900' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Put it in the box' }))
    expect(said(await within(sheet).findByRole('alert'))).toContain('Outside the range. Between')
  })

  it('takes all of a bag out unless told otherwise', async () => {
    const sent = open({ more: { [`POST /api/trim/${answer<Trim[]>('trim')[1]!.id}/takings`]: [] } })
    const bag = answer<Trim[]>('trim')[1]!
    const row = (await screen.findByText(bag.name)).closest('li')!
    fireEvent.click(within(row).getByRole('button', { name: 'Take out' }))
    fireEvent.click(await screen.findByRole('button', { name: 'Take it out' }))
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]).toMatchObject({ path: `/api/trim/${bag.id}/takings`, body: { kg: bag.kg } })
  })

  it('is only looked at by whoever may not act', async () => {
    open({ who: person({ rights: ['READ'] }) })
    await screen.findAllByRole('listitem')
    expect(screen.queryByRole('button')).toBeNull()
  })

  it('teaches what belongs in an empty box', async () => {
    open({ more: { '/api/trim': [] } })
    expect(await screen.findByText('The box is empty')).toBeTruthy()
    expect(screen.getByText(/skins, ends, leaves and tops/)).toBeTruthy()
  })
})
