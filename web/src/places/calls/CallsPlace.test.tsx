import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Call } from '../../api/queries'
import { answer, network, person, pick, problem, type Answers, visit, said } from '../../testing/kitchen'
import { statusName } from '../../words/en'
import { CallsPlace } from './CallsPlace'

function open({ who = person(), more = {} as Answers } = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({
    '/api/calls': answer('calls'),
    '/api/calls/menu': answer('menu'),
    '/api/deliveries': answer('deliveries'),
    ...more,
  })
  visit(<CallsPlace />, { at: '/calls', path: '/calls', who })
  return sent
}

const bram = () => person({ role: 'STATION', rights: ['ASK'], stationId: 'soup' })
/** Asks, once what there is to ask for has come. */
async function ask(sheet: HTMLElement) {
  const button = within(sheet).getByRole('button', { name: 'Ask' })
  await expect.poll(() => button.hasAttribute('disabled')).toBe(false)
  fireEvent.click(button)
}

const posts = (sent: ReturnType<typeof network>) => sent.filter((s) => s.method === 'POST')

describe('calls', () => {
  it('tells for each who wants how much of what, by when, and what has become of it', async () => {
    open()
    await screen.findAllByText(answer<Call[]>('calls')[0]!.formulaName)
    fireEvent.click(screen.getByRole('button', { name: /further on$/ }))
    for (const call of answer<Call[]>('calls').filter((c) => c.status !== 'MET')) {
      const row = screen
        .getAllByText(call.formulaName)
        .map((e) => e.closest('li')!)
        .find(
          (li) =>
            said(li).includes(`${call.litres.toFixed(1)} L`) && said(li).includes(statusName[call.status]),
        )!
      expect(said(row)).toContain(call.stationName)
      expect(said(row)).toContain(call.status === 'OPEN' ? 'Waiting for a plan' : 'Being made')
    }
  })

  it('plans an open one, and leads to the batch of one that is being made', async () => {
    open()
    const calls = answer<Call[]>('calls')
    const first = calls.find((c) => c.status === 'OPEN')!
    const plan = await screen.findAllByRole('link', { name: 'Plan it' })
    expect(plan[0]!.getAttribute('href')).toBe(`/formulas/${first.formulaSlug}?call=${first.id}`)
    expect(screen.getAllByRole('link', { name: 'Batch' }).length).toBe(calls.filter((c) => c.batchId).length)
  })

  it('sets apart what was met', async () => {
    open()
    const past = (await screen.findByText(/^Met, closed/)).closest('section')!
    expect(within(past).getAllByRole('listitem').length).toBe(
      answer<Call[]>('calls').filter((c) => c.status === 'MET').length,
    )
  })

  it('shows what was said of how it comes', async () => {
    const first = answer<Call[]>('calls').find((c) => c.status === 'OPEN')!
    const told = { comes: [{ at: first.readyBy, litres: 4 }], at: first.askedAt, by: 'Ilse Varga' }
    open({ more: { '/api/calls': [{ ...first, told }] } })
    const row = (await screen.findByText(/Ilse Varga said/)).closest('li')!
    expect(said(row)).toContain('4.0 L by')
  })

  it('asks for what is to stand in the cold, and lists it as that', async () => {
    const pattern = {
      id: 'p',
      stationName: 'Soup',
      formulaName: 'White chicken stock',
      litres: 8,
      days: ['MONDAY', 'THURSDAY'],
      by: '15:00',
      skips: [],
      without: [],
      needs: [],
      note: '',
      onHand: true,
    }
    const sent = open({
      more: { 'GET /api/standing-calls': [pattern], 'POST /api/standing-calls': [pattern] },
    })
    const row = (await screen.findByText(/on hand; asked for/)).closest('li')!
    expect(said(row)).toContain('at least8.0 L')
    fireEvent.click(screen.getByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.click(within(sheet).getByRole('radio', { name: 'Always there' }))
    expect(said(sheet)).toContain('what lacks is asked for by itself')
    await ask(sheet)
    await expect
      .poll(() => posts(sent).find((s) => s.path === '/api/standing-calls')?.body)
      .toMatchObject({ onHand: true, by: '10:30' })
  })

  it('reads calls from a table, and says which line will not do', async () => {
    let answered: unknown = problem(422, 'refused', {
      'line 3: litres': { reason: 'outside the range that makes sense', low: 0.5, high: 300, unit: 'L' },
    })
    const sent = open({ more: { 'POST /api/calls/table': () => answered } })
    fireEvent.click(await screen.findByRole('button', { name: 'From a table' }))
    const sheet = await screen.findByRole('dialog')
    const choose = (text: string) =>
      fireEvent.change(within(sheet).getByLabelText('Choose a file'), {
        target: { files: [new File([text], 'calls.csv', { type: 'text/csv' })] },
      })
    choose('"a,b"')
    await expect.poll(() => said(sheet)).toContain('line 3: litres: outside the range')
    answered = answer<Call[]>('calls').slice(0, 2)
    choose('"a,b"')
    await expect.poll(() => said(sheet)).toContain('2 calls are asked for.')
    expect(sent.filter((s) => s.path === '/api/calls/table')).toHaveLength(2)
  })

  it('withdraws an open one', async () => {
    const open1 = answer<Call[]>('calls').find((c) => c.status === 'OPEN')!
    const sent = open({ more: { [`POST /api/calls/${open1.id}/withdrawal`]: {} } })
    fireEvent.click((await screen.findAllByRole('button', { name: 'Withdraw' }))[0]!)
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }))
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.path).toBe(`/api/calls/${open1.id}/withdrawal`)
  })

  it('says why one cannot be withdrawn any more', async () => {
    const open1 = answer<Call[]>('calls').find((c) => c.status === 'OPEN')!
    open({
      more: {
        [`POST /api/calls/${open1.id}/withdrawal`]: problem(
          409,
          'It is being made already. Speak to the stock cook.',
        ),
      },
    })
    fireEvent.click((await screen.findAllByRole('button', { name: 'Withdraw' }))[0]!)
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }))
    expect(await screen.findByText('It is being made already. Speak to the stock cook.')).toBeTruthy()
  })

  it('asks before one is taken back, and leaves it at a word', async () => {
    const sent = open()
    fireEvent.click((await screen.findAllByRole('button', { name: 'Withdraw' }))[0]!)
    fireEvent.click(screen.getByRole('button', { name: 'Leave it' }))
    expect(screen.queryByRole('button', { name: 'Take it back' })).toBeNull()
    expect(posts(sent).length).toBe(0)
  })

  it('asks again for what was taken back a moment ago, and not for what was taken back before', async () => {
    const { now } = answer<{ now: string }>('range')
    const until = (seconds: number) => new Date(new Date(now).getTime() + seconds * 1000).toISOString()
    const taken = { ...answer<Call[]>('calls')[0]!, status: 'WITHDRAWN' as const }
    const calls = [
      { ...taken, id: 'just', againUntil: until(40) },
      { ...taken, id: 'long', againUntil: until(-5) },
    ]
    const sent = open({ more: { '/api/calls': calls, 'DELETE /api/calls/just/withdrawal': {} } })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask again' }))
    await expect
      .poll(() => sent.filter((s) => s.method === 'DELETE').map((s) => s.path))
      .toEqual(['/api/calls/just/withdrawal'])
  })

  const shorter = (changes: Partial<Call>): Call => ({
    ...answer<Call[]>('calls')[0]!,
    status: 'SHORT',
    litres: 12,
    promisedL: 10.5,
    openL: 1.5,
    dueL: 12,
    deliveredL: 0,
    nearlyMet: false,
    ...changes,
  })

  it('says of one that comes short how much is open, plans the rest or closes it with a reason', async () => {
    const call = shorter({})
    const closing = `POST /api/calls/${call.id}/closing`
    const sent = open({ more: { '/api/calls': [call], [closing]: call } })
    expect(await screen.findByText('10.5 L will come, 1.5 L still open')).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Plan the rest' })).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Close it' }))
    const why = screen.getByRole('textbox', { name: 'Why 12.0\u202fL will not come' })
    fireEvent.change(why, { target: { value: 'no more bones' } })
    fireEvent.click(screen.getByRole('button', { name: 'Close it short' }))
    await expect.poll(() => posts(sent).at(-1)?.body).toEqual({ reason: 'no more bones' })
  })

  it('closes one that is nearly met without a reason', async () => {
    const call = shorter({ status: 'PARTLY_MET', litres: 3, deliveredL: 2.9, nearlyMet: true, openL: 0 })
    const sent = open({ more: { '/api/calls': [call], [`POST /api/calls/${call.id}/closing`]: call } })
    fireEvent.click(await screen.findByRole('button', { name: 'Close it' }))
    expect(screen.getByText('2.9 L of 3.0 L is near enough.')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Close as met' }))
    await expect.poll(() => posts(sent).at(-1)?.body).toEqual({ reason: '' })
  })

  it('takes the hour as it is said', async () => {
    const sent = open({ who: bram(), more: { 'POST /api/calls': {} } })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const by = await screen.findByRole('textbox', { name: 'Ready by' })
    fireEvent.change(by, { target: { value: 'whenever' } })
    fireEvent.blur(by)
    expect(await screen.findByText(/Not a time/)).toBeTruthy()
    fireEvent.change(by, { target: { value: '2026-12-24 6:15' } })
    fireEvent.keyDown(by, { key: 'Enter' })
    expect((by as HTMLInputElement).value).toMatch(/^Thu,? 24 Dec 06:15$/)
    fireEvent.click(screen.getByRole('button', { name: 'Day, hour' }))
    fireEvent.click(screen.getByRole('button', { name: '18' }))
    fireEvent.click(screen.getByRole('button', { name: ':30' }))
    expect((by as HTMLInputElement).value).toMatch(/^Thu,? 24 Dec 18:30$/)
    await ask(await screen.findByRole('dialog'))
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.body).toMatchObject({ readyBy: '2026-12-24T17:30:00.000Z' })
  })

  it('lets a station ask for itself, and shows what it was handed', async () => {
    const sent = open({ who: bram(), more: { 'POST /api/calls': {} } })
    expect(said(await screen.findByRole('heading', { level: 1 }))).toBe('Your calls')
    // What is on its way to them stands before what they may ask for.
    const slips = answer<unknown[]>('deliveries')
    expect(
      within(await screen.findByRole('list', { name: 'To take over' })).getAllByRole('listitem'),
    ).toHaveLength(slips.length)
    expect(screen.getByText('Taken over')).toBeTruthy()
    expect(screen.queryByRole('link', { name: 'Plan it' })).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    expect(within(sheet).queryByRole('button', { name: /^For: / })).toBeNull()
    await pick(await within(sheet).findByRole('button', { name: /^Stock: / }), 'Shellfish stock')
    fireEvent.change(within(sheet).getByLabelText('How much, cold and strained'), { target: { value: '8' } })
    await ask(sheet)
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.body).toMatchObject({ formula: 'shellfish', litres: 8, stationId: 'soup' })
  })

  it('says what a stock contains before it is asked for', async () => {
    open()
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    await pick(await within(sheet).findByRole('button', { name: /^Stock: / }), 'Fish fumet')
    expect(said(sheet)).toMatch(/It contains .*fish/)
  })

  it('keeps what was typed when the server refuses it', async () => {
    open({
      more: {
        'POST /api/calls': problem(422, 'no', { readyBy: { reason: 'that time is already past' } }),
      },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByLabelText('How much, cold and strained'), { target: { value: '7' } })
    await ask(sheet)
    expect(said(await within(sheet).findByRole('alert'))).toContain('That time is already past')
    expect(within(sheet).getByLabelText('How much, cold and strained')).toHaveProperty('value', '7')
  })

  it('keeps what was typed through a reload, until it is asked', async () => {
    open({ who: bram(), more: { 'POST /api/calls': {} } })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const litres = () => screen.findByLabelText('How much, cold and strained')
    fireEvent.change(await litres(), { target: { value: '23' } })
    cleanup()
    open({ who: bram(), more: { 'POST /api/calls': {} } })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    expect(await litres()).toHaveProperty('value', '23.0')
    await ask(await screen.findByRole('dialog'))
    await expect.poll(() => screen.queryByRole('dialog')).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'Ask for litres' }))
    expect(await litres()).toHaveProperty('value', '10.0')
  })

  it('invites the first call where nobody waits', async () => {
    open({ more: { '/api/calls': [] } })
    expect(await screen.findByText('Nobody is waiting for stock')).toBeTruthy()
  })

  const soup = {
    id: 'st',
    stationName: 'Soup',
    formulaName: 'White chicken stock',
    litres: 20,
    days: ['MONDAY', 'FRIDAY'],
    by: '10:30',
    skips: ['2026-12-24'],
    without: [],
    needs: [],
    note: '',
    next: '2026-12-25T09:30:00Z',
  }

  it('leaves the next day of one that comes back out, takes another in again, and ends it', async () => {
    const path = '/api/standing-calls/st'
    const sent = open({
      more: {
        '/api/standing-calls': [soup],
        [`PUT ${path}/skips/2026-12-25`]: [soup],
        [`DELETE ${path}/skips/2026-12-24`]: [soup],
        [`DELETE ${path}`]: [],
      },
    })
    const row = (await screen.findByText(/Mon, Fri by 10:30/)).closest('li')!
    fireEvent.click(within(row).getByRole('button', { name: 'Leave the next out' }))
    const asked = (method: string) => sent.filter((s) => s.method === method).map((s) => s.path)
    await expect.poll(() => asked('PUT')).toEqual([`${path}/skips/2026-12-25`])
    fireEvent.click(await within(row).findByRole('button', { name: /^Take in/ }))
    await expect.poll(() => asked('DELETE')).toEqual([`${path}/skips/2026-12-24`])
    fireEvent.click(within(row).getByRole('button', { name: 'End it' }))
    await expect.poll(() => asked('DELETE')).toContain(path)
  })

  it('asks week by week on the days and at the hour that are set', async () => {
    const sent = open({ who: bram(), more: { 'POST /api/standing-calls': [] } })
    fireEvent.click(await screen.findByRole('button', { name: 'Ask for litres' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.click(within(sheet).getByRole('radio', { name: 'Week by week' }))
    fireEvent.click(within(sheet).getByRole('button', { name: 'Sun' }))
    const by = within(sheet).getByLabelText('Ready by')
    fireEvent.change(by, { target: { value: '25:00' } })
    expect(within(sheet).getByRole('button', { name: 'Ask' })).toHaveProperty('disabled', true)
    fireEvent.change(by, { target: { value: '09:45' } })
    await ask(sheet)
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.body).toMatchObject({
      days: ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY'],
      by: '09:45',
      stationId: 'soup',
    })
  })
})
