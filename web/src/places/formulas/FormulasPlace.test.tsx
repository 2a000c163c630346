import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Schemas } from '../../api/client'
import type { Kitchen } from '../../api/queries'
import { answer, network, person, problem, visit, said } from '../../testing/kitchen'
import FormulasPlace from './FormulasPlace'

type Shelf = Schemas['ShelfView'][]
type Overview = Schemas['OverviewView'][]

function open({
  at = '/formulas',
  who = person(),
  shelf = answer<Shelf>('shelf'),
  overview = answer<unknown>('overview'),
} = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({
    '/api/formulas': shelf,
    '/api/kitchen': answer('kitchen'),
    '/api/charges/overview': overview,
  })
  visit(<FormulasPlace />, { at, path: '/formulas', who })
  return sent
}

const asked = (sent: ReturnType<typeof network>) =>
  sent.filter((s) => s.path === '/api/charges/overview').at(-1)?.body as Record<string, unknown>

describe('the shelf of formulas', () => {
  it('has every formula under its family, each with what the question comes to', async () => {
    open()
    const shelf = answer<Shelf>('shelf')
    expect(shelf.length).toBeGreaterThanOrEqual(16)
    await screen.findByText('Brown veal stock')
    const names = screen.getAllByRole('link').map((link) => link.querySelector('b')?.textContent)
    for (const formula of shelf) expect(names).toContain(formula.name)
    for (const family of ['Brown', 'White', 'Fish', 'Shellfish', 'Vegetable', 'Reductions'])
      expect(screen.getByRole('heading', { level: 2, name: family })).toBeTruthy()
    const veal = screen.getByRole('link', { name: /^Brown veal stock/ })
    await expect.poll(() => said(veal)).toMatch(/\d+(\.\d+)? kg/)
  })

  it('says what a formula contains', async () => {
    open()
    const fumet = await screen.findByRole('link', { name: /^Fish fumet/ })
    expect(said(fumet)).toContain('contains')
    expect(said(fumet)).toContain('fish')
  })

  it('turns the question around', async () => {
    const sent = open()
    await screen.findByText('Brown veal stock')
    expect(asked(sent)).toMatchObject({ goal: 'LITRES', value: 14 })
    fireEvent.click(screen.getByRole('radio', { name: 'I have a bed' }))
    await expect.poll(() => asked(sent).goal).toBe('BED')
    expect(asked(sent).value).toBe(11)
    fireEvent.click(screen.getByRole('radio', { name: 'Fill this pot' }))
    await expect.poll(() => asked(sent).goal).toBe('VESSEL')
    expect(asked(sent).vesselId).toBe(answer<Kitchen>('kitchen').vessels[0]!.id)
    expect(screen.queryByRole('textbox', { name: 'Litres out' })).toBeNull()
  })

  it('carries the question along to the charge', async () => {
    open({ at: '/formulas?goal=BED&value=9' })
    const link = await screen.findByRole('link', { name: /^White chicken stock/ })
    expect(link.getAttribute('href')).toBe('/formulas/white-chicken?goal=BED&value=9')
  })

  it('says which formula has no answer and why, without hiding it', async () => {
    const overview = answer<Overview>('overview').map((a) =>
      a.slug === 'glaze' ? { ...a, refusal: 'no bed meets this in this vessel', fits: false } : a,
    )
    open({ overview })
    const glaze = await screen.findByRole('link', { name: /^Glaze/ })
    await expect.poll(() => glaze.textContent).toContain('no bed meets this in this vessel')
  })

  it('says why a question as such is refused', async () => {
    open({ overview: problem(422, 'More than any vessel holds') })
    expect(await screen.findByText('More than any vessel holds')).toBeTruthy()
    expect(screen.getByText('Brown veal stock')).toBeTruthy()
  })

  it('keeps retired formulas out of the way and within reach', async () => {
    const shelf = answer<Shelf>('shelf').map((s) => (s.slug === 'brown-game' ? { ...s, retired: true } : s))
    open({ shelf })
    await screen.findByText('Brown veal stock')
    expect(screen.queryByText('Brown game stock')).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: '1 retired' }))
    const link = (await screen.findByText(/Brown game stock/)).closest('a')!
    expect(link.getAttribute('href')).toBe('/formulas/brown-game/edit')
  })

  it('reads a file only for whoever may set the kitchen up', async () => {
    open({ who: person({ rights: ['READ'] }) })
    await screen.findByText('Brown veal stock')
    expect(screen.queryByRole('button', { name: 'Read a file' })).toBeNull()
  })

  it('shows both answers of a row on one line: bed and litres', async () => {
    open()
    const link = await screen.findByRole('link', { name: /^White chicken stock/ })
    await expect.poll(() => within(link).queryAllByText(/^(out|bed)$/).length).toBe(2)
  })
})
