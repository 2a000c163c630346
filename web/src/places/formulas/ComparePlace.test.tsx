import { screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Charge } from '../../api/queries'
import { answer, network, pick, problem, type Answers, visit } from '../../testing/kitchen'
import ComparePlace from './ComparePlace'

type Asked = { formula: string; vesselId?: string; schools: Record<string, unknown>; value?: number }

function open(query: string, more: Answers = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({
    '/api/formulas': answer('shelf'),
    '/api/kitchen': answer('kitchen'),
    '/api/charges': (body: Asked) =>
      answer<Charge>(body.formula === 'brown-beef' ? 'charge-brown' : 'charge-white'),
    ...more,
  })
  visit(<ComparePlace />, { at: `/compare?${query}`, path: '/compare' })
  return sent
}

const a = `a=${encodeURIComponent('white-chicken?goal=LITRES&value=20')}`
const b = `b=${encodeURIComponent('brown-beef?goal=LITRES&value=20')}`
const asked = (sent: ReturnType<typeof network>) =>
  sent.filter((s) => s.path === '/api/charges').map((s) => s.body as Asked)

describe('two charges side by side', () => {
  it('are both solved and stand on the same scale', async () => {
    const sent = open(`${a}&${b}`)
    const one = await screen.findByRole('region', { name: 'The one' })
    const other = screen.getByRole('region', { name: 'The other' })
    await expect.poll(() => within(other).queryAllByRole('img').length).toBeGreaterThan(0)
    expect(
      asked(sent)
        .map((r) => r.formula)
        .sort(),
    ).toEqual(['brown-beef', 'white-chicken'])
    const height = (side: HTMLElement) => Number(within(side).getAllByRole('img')[0]!.getAttribute('height'))
    // Both stand in the K80, so both are drawn as tall.
    expect(height(one)).toBe(height(other))
  })

  it('begin as twins where only one is named', async () => {
    const sent = open(a)
    await screen.findByRole('region', { name: 'The other' })
    await expect.poll(() => asked(sent).length).toBeGreaterThan(0)
    expect(new Set(asked(sent).map((r) => r.formula))).toEqual(new Set(['white-chicken']))
  })

  it('change one without the other', async () => {
    const sent = open(`${a}&${b}`)
    const other = await screen.findByRole('region', { name: 'The other' })
    await pick(await within(other).findByRole('button', { name: /^Formula: / }), 'Fish fumet')
    await expect.poll(() => asked(sent).at(-1)?.formula).toBe('fish-fumet')
    const address = new URLSearchParams(screen.getByLabelText('address').textContent.split('?')[1])
    expect(address.get('a')).toContain('white-chicken')
    expect(address.get('b')).toContain('fish-fumet')
  })

  it('take another vessel for one of them', async () => {
    const sent = open(`${a}&${b}`)
    const one = await screen.findByRole('region', { name: 'The one' })
    await pick(await within(one).findByRole('button', { name: /^Vessel: / }), 'Tall 40')
    const tall = answer<{ vessels: { id: string; name: string }[] }>('kitchen').vessels.find(
      (v) => v.name === 'Tall 40',
    )!
    await expect.poll(() => asked(sent).at(-1)?.vesselId).toBe(tall.id)
  })

  it('say what differs, figure by figure', async () => {
    open(`${a}&${b}`)
    const table = await screen.findByRole('table')
    expect(within(table).getAllByRole('row').length).toBeGreaterThan(4)
    expect(table.textContent).toMatch(/gelatin/i)
  })

  it('say of a side that it cannot be, and keep the other', async () => {
    open(`${a}&${b}`, {
      '/api/charges': (body: Asked) =>
        body.formula === 'brown-beef'
          ? problem(422, 'No bed meets this in this vessel.')
          : answer<Charge>('charge-white'),
    })
    expect(await screen.findByText(/No bed meets this in this vessel/)).toBeTruthy()
    const one = screen.getByRole('region', { name: 'The one' })
    expect(within(one).getAllByRole('img').length).toBeGreaterThan(0)
  })
})
