import { describe, expect, it } from 'vitest'
import type { Page, Card } from '../../api/queries'
import { beginName, dueName, endName, lossWords } from '../../words/en'
import { answer } from '../../testing/kitchen'
import contract from '../../../openapi.json'
import { phaseKinds } from '../../api/kinds'
import { phaseNames } from '../formulas/phases'
import { dueWords, kindOf, question, usual, type Due } from './acts'

const kinds = contract.components.schemas.DueView.properties.kind.enum as Due['kind'][]

function due(kind: Due['kind'], more: Partial<Due> = {}): Due {
  const now = new Date().toISOString()
  return {
    kind,
    step: -1,
    parts: [],
    due: now,
    lateAt: now,
    costsFrom: now,
    amount: 2,
    cost: 'TIME',
    asks: false,
    becomes: [],
    ...more,
  }
}

describe('acts that are due', () => {
  it.each(kinds.filter((kind) => kind !== 'BEGIN' && kind !== 'END'))('%s has a name', (kind) => {
    expect(dueName[kind]).toBeTruthy()
  })

  it.each(
    kinds.filter(
      (k) =>
        ![
          'WEIGH',
          'BEGIN',
          'BLANCH',
          'FILL',
          'LIGHT',
          'SWITCH_ON',
          'INTO_THE_OVEN',
          'HOLD',
          'READ_LEVEL',
          'READ_TEMPERATURE',
        ].includes(k),
    ),
  )('%s says what is lost when it waits', (kind) => {
    expect(lossWords[kind]?.length).toBeGreaterThan(20)
  })

  it.each(phaseNames.filter((phase) => phaseKinds[phase].chore !== 'NONE'))(
    'the end of %s is called by what was done',
    (phase) => {
      expect(dueWords(due('END', { phase }))).toBe(endName[phase])
      expect(endName[phase]).toBeTruthy()
    },
  )

  it('calls the beginning of a phase by what is done', () => {
    expect(dueWords(due('BEGIN', { phase: 'roast' }))).toBe(beginName.roast)
    expect(dueWords(due('BEGIN', { phase: 'soak' }))).toBe('Into cold water')
  })

  it('calls many small parts a sachet, and few by their names', () => {
    const part = (name: string) => ({ id: name, name, kg: 0.01 })
    expect(dueWords(due('ADD', { parts: ['Onion', 'Carrot'].map(part) }))).toBe('Put in onion, carrot')
    expect(dueWords(due('ADD', { parts: ['A', 'B', 'C', 'D'].map(part) }))).toBe('Sachet in')
  })

  it('logs at a tap what the server proposes, each as an act of its own', () => {
    const becomes = [
      { kind: 'added' as const, figures: { part: 'onion', kg: 0.4 } },
      { kind: 'added' as const, figures: { part: 'carrot', kg: 0.2 } },
    ]
    const acts = usual(due('ADD', { becomes }))
    expect(acts).toMatchObject([
      { kind: 'added', part: 'onion', kg: 0.4 },
      { kind: 'added', part: 'carrot', kg: 0.2 },
    ])
    expect(new Set(acts.map((a) => a.id)).size).toBe(2)
  })

  it('opens the sheet of what it becomes, and of a card that very card', () => {
    expect(kindOf(due('STRAIN', { becomes: [{ kind: 'strained', figures: {} }] }))).toBe('strained')
    const becomes = [{ kind: 'card-read' as const, figures: { card: 'SHADE' as const, value: 5.5 } }]
    expect(kindOf(due('JUDGE_SHADE', { becomes }))).toBe('card:SHADE')
  })

  it('asks for the figure that an act carries; a reading starts empty beside what is expected', () => {
    const page = answer<Page>('batch-simmer')
    const level = page.usual.find((proposal) => proposal.kind === 'level-read')!
    expect(question('level-read', page)).toMatchObject({
      field: 'belowRimCm',
      start: undefined,
      expected: level.figures.belowRimCm,
    })
    const becomes = [{ kind: 'strained' as const, figures: { litres: 11.5, passes: 3, pressed: false } }]
    expect(question('strained', page, due('STRAIN', { becomes }))).toMatchObject({
      field: 'litres',
      start: undefined,
      expected: 11.5,
      beside: { passes: 3 },
    })
    const water = [{ kind: 'topped-up' as const, figures: { litres: 2.1, celsius: 12 } }]
    expect(question('topped-up', page, due('TOP_UP', { becomes: water }))).toMatchObject({
      start: 2.1,
      expected: undefined,
      beside: { celsius: 12 },
    })
    expect(question('noted', page)).toBeUndefined()
  })

  it('offers what a probe says, unless it has fallen silent', () => {
    const page = answer<Page>('batch-simmer')
    const probe = { name: 'Probe 1', celsius: 93.25, at: page.card.since, silent: false }
    const with_ = (silent: boolean) => ({ ...page, card: { ...page.card, probe: { ...probe, silent } } })
    expect(question('temperature-read', with_(false))).toMatchObject({ start: undefined, probe: 93.25 })
    expect(question('temperature-read', with_(true))?.probe).toBeUndefined()
    expect(question('level-read', with_(false))?.probe).toBeUndefined()
  })

  it('every act on the demo range can be tapped', () => {
    for (const card of answer<{ batches: Card[] }>('range').batches)
      for (const one of card.due) {
        expect(dueWords(one)).not.toMatch(/^[A-Z_]+$/)
        expect(usual(one).length).toBeGreaterThan(0)
      }
  })
})
