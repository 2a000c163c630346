import { describe, expect, it } from 'vitest'
import type { Page, Card } from '../../api/queries'
import { beginName, dueName, endName, lossWords } from '../../words/en'
import { answer } from '../../testing/kitchen'
import contract from '../../../openapi.json'
import { phases } from '../formulas/phases'
import { asksFirst, dueWords, kindOf, question, usual, type Due } from './acts'

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
    ...more,
  }
}

describe('acts that are due', () => {
  it.each(kinds)('%s has a name and becomes an event', (kind) => {
    if (kind !== 'BEGIN' && kind !== 'END') expect(dueName[kind]).toBeTruthy()
    expect(kindOf(due(kind))).not.toBe('noted')
  })

  it.each(
    kinds.filter(
      (k) =>
        !['WEIGH', 'BEGIN', 'BLANCH', 'FILL', 'LIGHT', 'HOLD', 'READ_LEVEL', 'READ_TEMPERATURE'].includes(k),
    ),
  )('%s says what is lost when it waits', (kind) => {
    expect(lossWords[kind]?.length).toBeGreaterThan(20)
  })

  it.each([
    'rinse',
    'soak',
    'wipe',
    'thaw',
    'roast',
    'sweat',
    'brown',
    'cook-tomato',
    'deglaze',
    'wine-down',
    'flame',
  ])('the phase %s is known by one name everywhere', (phase) => {
    expect(phases[phase]).toBeTruthy()
    expect(dueWords(due('END', { phase }))).toBe(endName[phase])
  })

  it('calls the beginning of a phase by what is done', () => {
    expect(dueWords(due('BEGIN', { phase: 'roast' }))).toBe(beginName.roast)
    expect(dueWords(due('BEGIN', { phase: 'soak' }))).toBe('Into cold water')
  })

  it('calls many small parts a sachet, and few by their names', () => {
    const part = (name: string) => ({ id: name, name, kg: 0.01 })
    expect(dueWords(due('ADD', { parts: ['Onion', 'Carrot'].map(part) }))).toBe('Put in onion, carrot')
    expect(dueWords(due('ADD', { parts: ['A', 'B', 'C', 'D'].map(part) }))).toBe('Sachet in')
  })

  it('logs the usual amounts at a tap', () => {
    expect(usual(due('FILL', { amount: 20 }), 11, 80)[0]).toMatchObject({
      kind: 'filled',
      litres: 20,
      celsius: 11,
    })
    expect(usual(due('TOP_UP', { amount: 0.02 }), 11, 80)[0]).toMatchObject({ litres: 0.1, celsius: 80 })
    expect(usual(due('BEGIN', { step: 3 }), 11, 80)[0]).toMatchObject({ kind: 'began', step: 3 })
    expect(usual(due('KELP_OUT', { parts: [{ id: 'kelp', name: 'Kelp', kg: 1 }] }), 11, 80)[0]).toMatchObject(
      {
        kind: 'taken-out',
        part: 'kelp',
      },
    )
    expect(usual(due('FIRST_FOAM', { amount: 0.1 }), 11, 80).map((a) => a.kind)).toEqual([
      'first-foam',
      'skimmed',
    ])
  })

  it('gives every act of one tap an id of its own', () => {
    const parts = ['a', 'b', 'c'].map((id) => ({ id, name: id, kg: 1 }))
    const ids = usual(due('ADD', { parts }), 11, 80).map((a) => a.id)
    expect(new Set(ids).size).toBe(3)
  })

  it('asks first where only a person can tell', () => {
    for (const kind of [
      'READ_LEVEL',
      'JUDGE',
      'STRAIN',
      'JUDGE_SHADE',
      'SET_TEST',
      'TASTE',
      'REDUCE',
    ] as const)
      expect(asksFirst(due(kind))).toBe(true)
    for (const kind of ['SKIM', 'TURN', 'BURNER_OFF', 'PASS', 'HOLD'] as const)
      expect(asksFirst(due(kind))).toBe(false)
  })

  it('asks for the figure that an act carries, beginning with what the model expects', () => {
    const page = answer<Page>('batch-simmer')
    expect(question('level-read', page)).toMatchObject({
      field: 'belowRimCm',
      start: page.card.pot.belowRimCm,
    })
    expect(question('strained', page, due('STRAIN', { amount: 11.5 }))).toMatchObject({
      field: 'litres',
      start: 11.5,
    })
    expect(question('reduced', page, due('REDUCE', { amount: 4 }))).toMatchObject({ start: 4 })
    expect(question('noted', page)).toBeUndefined()
  })

  it('every act on the demo range can be tapped', () => {
    for (const card of answer<{ batches: Card[] }>('range').batches)
      for (const one of card.due) {
        expect(dueWords(one)).not.toMatch(/^[A-Z_]+$/)
        if (!asksFirst(one)) expect(usual(one, 12, 85).length).toBeGreaterThan(0)
      }
  })
})
