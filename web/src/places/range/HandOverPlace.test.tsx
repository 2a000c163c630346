import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Card, HandOver } from '../../api/queries'
import { answer, network, person, pick, problem, type Answers, visit, said } from '../../testing/kitchen'
import HandOverPlace from './HandOverPlace'

const range = answer<{ now: string; batches: Card[] }>('range')
const me = person()
const hands = [
  { id: me.id, name: me.name, initials: me.initials },
  { id: 't', name: 'Tomaz Okafor', initials: 'TO' },
  { id: 'w', name: 'Wen Abara', initials: 'WA' },
]

function sheet(changes: Partial<HandOver> = {}): HandOver {
  const card = range.batches[0]!
  return {
    id: 'h1',
    givenBy: 't',
    givenByName: 'Tomaz Okafor',
    givenAt: range.now,
    words: 'Broad 40 runs hot',
    pots: [
      {
        batchId: card.id,
        number: card.number,
        formulaName: card.formulaName,
        vesselName: card.vessel.name,
        stage: 'SIMMER',
        litres: 12.5,
        readyBy: card.readyBy,
        takenBy: me.id,
        takenByName: me.name,
        pending: [
          { kind: 'SKIM', parts: [], due: range.now, late: true },
          { kind: 'ADD', parts: [{ id: 'onion', name: 'Onion' }], due: range.now, late: false },
        ],
      },
    ],
    signed: {},
    ...changes,
  }
}

function open(given: HandOver[], { who = me, more = {} as Answers, batches = range.batches } = {}) {
  setServerTime(range.now)
  const sent = network({
    '/api/range': { ...range, batches },
    '/api/hand-overs': given,
    '/api/hand-overs/hands': hands,
    'POST /api/hand-overs': null,
    ...more,
  })
  visit(<HandOverPlace />, { who })
  return sent
}

const posts = (sent: ReturnType<typeof network>) => sent.filter((s) => s.method === 'POST')

describe('a hand-over', () => {
  it('lists every pot with what is pending, and goes to nobody before somebody is chosen', async () => {
    open([])
    for (const card of range.batches)
      expect(
        (await screen.findByRole('button', { name: new RegExp(`^${card.vessel.name} goes to`) })).textContent,
      ).toBe('I keep it')
    expect(screen.getByRole('button', { name: 'Hand over' })).toHaveProperty('disabled', true)
    expect(screen.getByText(/^Nothing yet/)).toBeTruthy()
  })

  it('gives each pot to whom it was chosen for, with a word', async () => {
    const sent = open([])
    const [first, second] = range.batches as [Card, Card]
    const chooser = (card: Card) =>
      screen.findByRole('button', { name: new RegExp(`^${card.vessel.name} goes to`) })
    await pick(await chooser(first), 'Tomaz Okafor')
    await pick(await chooser(second), 'Wen Abara')
    fireEvent.change(screen.getByRole('textbox', { name: /^What they should know/ }), {
      target: { value: 'the bath wants ice' },
    })
    fireEvent.click(screen.getByRole('button', { name: 'Hand over 2 pots' }))
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.body).toMatchObject({
      words: 'the bath wants ice',
      pots: [
        { batchId: first.id, takenBy: 't' },
        { batchId: second.id, takenBy: 'w' },
      ],
    })
  })

  it('gives everything to one person at one tap, and never to oneself', async () => {
    const sent = open([])
    fireEvent.click(await screen.findByRole('button', { name: 'Tomaz Okafor' }))
    expect(screen.queryByRole('button', { name: me.name })).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: `Hand over ${range.batches.length} pots` }))
    await expect.poll(() => posts(sent).length).toBe(1)
    const { pots } = posts(sent)[0]!.body as { pots: { takenBy: string }[] }
    expect(pots.map((pot) => pot.takenBy)).toEqual(range.batches.map(() => 't'))
  })

  it('keeps how each pot stood, with what was late, and is signed by whoever takes it', async () => {
    const sent = open([sheet()], { more: { 'POST /api/hand-overs/h1/signature': null } })
    const given = await screen.findByRole('article', { name: /^Handed over by Tomaz Okafor/ })
    expect(said(given)).toContain('Broad 40 runs hot')
    expect(within(given).getByText('12.5 L')).toBeTruthy()
    expect(within(given).getByText('skim').className).toContain('text-ember')
    expect(within(given).getByText('put in onion').className).not.toContain('text-ember')
    fireEvent.click(within(given).getByRole('button', { name: 'I have them' }))
    await expect.poll(() => posts(sent).length).toBe(1)
    expect(posts(sent)[0]!.path).toBe('/api/hand-overs/h1/signature')
  })

  it('says who has signed and who has not', async () => {
    open([
      sheet({ signed: { [me.id]: range.now } }),
      sheet({ id: 'h2', pots: [{ ...sheet().pots[0]!, takenBy: 'w', takenByName: 'Wen Abara' }] }),
    ])
    expect(await screen.findByText(/Ilse Varga signed at/)).toBeTruthy()
    expect(screen.getByText('Wen Abara has not signed')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'I have them' })).toBeNull()
  })

  it('says what the server would not take', async () => {
    const refusal = problem(422, 'one of them needs nobody any more', {
      pots: { reason: 'one of them needs nobody any more; look at the range again' },
    })
    open([], { more: { 'POST /api/hand-overs': refusal } })
    fireEvent.click(await screen.findByRole('button', { name: 'Wen Abara' }))
    fireEvent.click(screen.getByRole('button', { name: /^Hand over/ }))
    expect(await screen.findByText(/look at the range again/)).toBeTruthy()
  })

  it('has nothing to give when nothing is on the heat, and for a reader only shows', async () => {
    open([sheet()], { batches: [] })
    expect(await screen.findByText('There is nothing to hand over')).toBeTruthy()
    open([sheet()], { who: person({ rights: ['READ'], id: 'm' }) })
    await waitFor(() => expect(screen.getAllByRole('article')).toHaveLength(2))
    expect(screen.queryByRole('button', { name: /^Hand over/ })).toBeNull()
  })
})
