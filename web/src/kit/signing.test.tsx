import { fireEvent, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { App } from '../App'
import { api, onEnded } from '../api/client'
import { act, actAs, log } from '../api/outbox'
import { surroundings, type Page } from '../api/queries'
import { startOutbox } from '../api/outbox'
import { answer, network, person, problem, type Sent } from '../testing/kitchen'

const ILSE = { id: 'ilse', name: 'Ilse Varga', initials: 'IV' }
const WEN = { id: 'wen', name: 'Wen Abara', initials: 'WA' }
const page = answer<Page>('batch-simmer')
const acts = `POST /api/batches/${page.card.id}/acts`

const session = (
  signature: 'PASSWORD' | 'PIN' | 'NOBODY',
  who = ILSE,
  shared = signature !== 'PASSWORD',
) => ({
  ...answer('session'),
  shared,
  demo: [],
  person: person({ ...who, signature, ...(signature === 'NOBODY' ? { rights: ['READ'] } : {}) }),
})

/** The whole program at its range, as this session opens it. */
function open(first: object, more: Record<string, unknown> = {}): Sent[] {
  const sent = network({
    '/api/session': first,
    '/api/session/hands': [ILSE, WEN],
    '/api/range': { ...answer<object>('range'), batches: [], moved: [] },
    ...more,
  })
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } })
  startOutbox(surroundings(client))
  onEnded(() => void client.invalidateQueries({ queryKey: ['session'] }))
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={['/range']}>
        <App />
      </MemoryRouter>
    </QueryClientProvider>,
  )
  return sent
}

const bar = () => screen.findByRole('complementary', { name: 'Who is at work' })
const digits = (pin: string) =>
  [...pin].forEach((d) => fireEvent.click(screen.getByRole('button', { name: d })))

beforeEach(() => {
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener() {}
      close() {}
    },
  )
})
afterEach(() => {
  actAs(undefined)
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('a tablet that several share', () => {
  it('asks who is at work, and is theirs after their PIN', async () => {
    const sent = open(session('NOBODY'), { 'POST /api/session/signature': session('PIN', WEN) })
    expect((await bar()).textContent).toContain('Who is at work?')
    fireEvent.click(await screen.findByRole('button', { name: 'WA, Wen Abara' }))
    await screen.findByRole('dialog', { name: 'Wen Abara' })
    digits('4603')
    fireEvent.click(screen.getByRole('button', { name: 'Sign' }))
    expect(await screen.findByRole('button', { name: 'WA, Wen Abara', pressed: true })).toBeTruthy()
    expect(sent.find((s) => s.path === '/api/session/signature')!.body).toEqual({
      personId: 'wen',
      pin: '4603',
    })
    expect(await screen.findByRole('button', { name: /^Wen Abara/ })).toBeTruthy()
  })

  it('takes a PIN from a keyboard, and says when it is wrong', async () => {
    const wrong = problem(422, 'that is not the PIN', { pin: { reason: 'that is not the PIN' } })
    open(session('NOBODY'), { 'POST /api/session/signature': wrong })
    fireEvent.click(await screen.findByRole('button', { name: 'IV, Ilse Varga' }))
    const sheet = await screen.findByRole('dialog', { name: 'Ilse Varga' })
    for (const key of ['9', '9', '1', 'Backspace', '8', '7']) fireEvent.keyDown(sheet, { key })
    expect(screen.getByLabelText('4 digits')).toBeTruthy()
    fireEvent.keyDown(sheet, { key: 'Enter' })
    expect((await within(sheet).findByRole('alert')).textContent).toBe('That is not the PIN.')
    expect(screen.getByLabelText('0 digits')).toBeTruthy()
  })

  it('signs with no fewer than four digits', async () => {
    open(session('NOBODY'))
    fireEvent.click(await screen.findByRole('button', { name: 'IV, Ilse Varga' }))
    await screen.findByRole('dialog')
    digits('123')
    expect(screen.getByRole('button', { name: 'Sign' })).toHaveProperty('disabled', true)
  })

  it('is stepped back from by whoever goes, or by itself after two minutes untouched', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'], shouldAdvanceTime: true })
    const sent = open(session('PIN', WEN), { 'DELETE /api/session/signature': session('NOBODY', WEN) })
    const left = () => sent.filter((s) => s.method === 'DELETE').length
    expect((await bar()).textContent).toContain('At work')
    await vi.advanceTimersByTimeAsync(100_000)
    fireEvent.pointerDown(document.body)
    await vi.advanceTimersByTimeAsync(100_000)
    expect(left()).toBe(0)
    await vi.advanceTimersByTimeAsync(21_000)
    await expect.poll(left).toBe(1)
    expect((await bar()).textContent).toContain('Who is at work?')
  })

  it('is not there where everybody has signed in for themselves', async () => {
    open(session('PASSWORD'))
    await screen.findByRole('navigation', { name: 'Places' })
    expect(screen.queryByRole('complementary', { name: 'Who is at work' })).toBeNull()
  })
})

describe('a visit that has ended elsewhere', () => {
  it('asks to sign in, and not for a connection', async () => {
    let ended = false
    open(
      {},
      {
        '/api/session': () => (ended ? { ...answer('session'), person: undefined } : session('PASSWORD')),
        '/api/range': () => (ended ? new Response(null, { status: 401 }) : answer('range')),
      },
    )
    await screen.findByRole('navigation', { name: 'Places' })
    ended = true
    await expect(api.GET('/api/range')).rejects.toMatchObject({ status: 401 })
    expect(await screen.findByLabelText('Sign-in name')).toBeTruthy()
  })
})

describe('what somebody logged without a connection', () => {
  it('waits for them, and is never sent as somebody else’s', async () => {
    let away = true
    const sent = open(session('PIN', WEN), {
      'POST /api/session/signature': session('PIN', ILSE),
      [acts]: () => (away ? problem(503, 'away') : page),
    })
    await bar()
    await log(page.card.id, act('skimmed', { litres: 0.1 }))
    away = false
    actAs(ILSE)
    const posted = () => sent.filter((s) => s.path.endsWith('/acts')).length
    const before = posted()
    await log(page.card.id, act('skimmed', { litres: 0.3 }))
    expect(posted()).toBe(before + 1)
    expect(await screen.findByText(/1 act waits for WA to be here again/)).toBeTruthy()
    actAs(WEN)
    await expect.poll(posted).toBe(before + 2)
    expect(sent.filter((s) => s.path.endsWith('/acts')).at(-1)!.body).toMatchObject({ litres: 0.1 })
  })
})
