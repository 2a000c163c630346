import { act as renderAct, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { act, log } from '../api/outbox'
import { setServerTime } from '../api/clock'
import type { Page } from '../api/queries'
import { noteAge, stamped } from '../offline/seen'
import { answer, network, person, problem, visit, said } from '../testing/kitchen'
import { Shell } from './Shell'

const page = answer<Page>('batch-simmer')
const path = `/api/batches/${page.card.id}/acts`

function open(who = person(), connected = true) {
  setServerTime('2026-11-25T10:10:00Z')
  visit(
    <Shell connected={connected}>
      <h1>the place</h1>
    </Shell>,
    { at: '/range', who },
  )
}

describe('the shell', () => {
  it('has the places that this person may see, and the kitchen’s time', () => {
    open()
    const places = screen.getByRole('navigation', { name: 'Places' })
    expect(
      within(places)
        .getAllByRole('link')
        .map((l) => l.textContent),
    ).toEqual(['Range', 'Calls', 'Course', 'Formulas', 'Larder', 'Cold side', 'Batches', 'Kitchen'])
    expect(said(screen.getByLabelText('Kitchen time'))).toBe('11:10')
  })

  it('has no more for a station than its calls', () => {
    open(person({ rights: ['ASK'] }))
    expect(within(screen.getByRole('navigation', { name: 'Places' })).getAllByRole('link').length).toBe(1)
  })

  it('tells its keys in a sheet, and goes to the range by one of them', async () => {
    open()
    fireEvent.keyDown(document.body, { key: '?' })
    const sheet = await screen.findByRole('dialog', { name: 'Keys and colours' })
    expect(said(sheet)).toContain('judge the end')
    fireEvent.keyDown(sheet, { key: 'Escape' })
    fireEvent.keyDown(document.body, { key: 'g' })
    expect(said(screen.getByLabelText('address'))).toBe('/range')
  })

  it('offers a way back for what was just logged', async () => {
    const sent = network({ [`POST ${path}`]: page })
    open()
    const skim = act('skimmed', { litres: 0.1 })
    await log(page.card.id, skim)
    const said = await screen.findByText('Skimmed')
    expect(said.closest('[role=status]')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }))
    await expect.poll(() => sent.filter((s) => s.method === 'POST').length).toBe(2)
    expect(sent.at(-1)!.body).toMatchObject({ kind: 'withdrawn', corrects: skim.id })
  })

  it('says what waits while there is no connection, and sends it once when there is', async () => {
    let away = true
    let taken = 0
    const answers = () => {
      if (away) return problem(503, 'The store is away.')
      taken++
      return page
    }
    const sent = network({ [`POST ${path}`]: answers })
    open(person(), false)
    const outcome = await log(page.card.id, act('skimmed', { litres: 0.2 }))
    expect(outcome.kind).toBe('kept')
    expect(said(await screen.findByText(/1 act waits to be sent/))).toContain('No connection')
    away = false
    window.dispatchEvent(new Event('online'))
    await expect.poll(() => taken).toBe(1)
    await waitFor(() => expect(screen.queryByText(/waits to be sent/)).toBeNull())
    expect(taken, 'taken once').toBe(1)
    const ids = sent.filter((s) => s.method === 'POST').map((s) => (s.body as { id: string }).id)
    expect(new Set(ids).size, 'the same act, known by its id').toBe(1)
  })

  it('says how old it is when what is shown was kept from before, until something fresh has come', async () => {
    network({})
    open()
    const twentyMinutes = 20 * 60_000
    const kept = await stamped(new Response('{}'), Date.now() - twentyMinutes)
    renderAct(() => noteAge(kept))
    expect(
      (await screen.findByText(/^Shown as it stood at \d\d:\d\d, 20 min ago/)).getAttribute('role'),
    ).toBe('status')
    renderAct(() => noteAge(new Response('{}')))
    await waitFor(() => expect(screen.queryByText(/^Shown as it stood/)).toBeNull())
  })
})
