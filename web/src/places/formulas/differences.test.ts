import { describe, expect, it } from 'vitest'
import type { FormulaJson } from '../../api/queries'
import { differences } from './differences'

const formula: FormulaJson = {
  format: 'potamos-formula',
  formatVersion: 1,
  slug: 'white',
  name: 'White',
  family: 'white',
  version: 1,
  bed: [{ kind: 'veal', share: 1 }],
  water: { rule: 'per-kg-bed', value: 1.7 },
  parts: [
    { item: 'onion', amount: { percentOfBed: 6 }, when: { withTheBed: true }, cutMm: 14 },
    { item: 'carrot', amount: { percentOfBed: 3 }, when: { beforeTheEndMin: 90 } },
  ],
  procedure: [
    { phase: 'fill', celsius: 12 },
    { phase: 'simmer', min: 180 },
    { phase: 'strain', passes: 2 },
  ],
  coldDays: 3,
  frozenMonths: 3,
  cautions: [],
}

describe('differences between versions', () => {
  it('are none between a formula and itself', () => {
    expect(differences(formula, structuredClone(formula))).toEqual([])
  })

  it('name what changed, by what it is and not by where it stands', () => {
    const other = structuredClone(formula)
    other.parts.reverse()
    other.parts[1]!.amount = { percentOfBed: 8 }
    other.procedure[1]!.min = 240
    expect(differences(formula, other)).toEqual([
      { where: 'onion amount percent of bed', before: '6', after: '8' },
      { where: 'simmer min', before: '180', after: '240' },
    ])
  })

  it('show what came and what went', () => {
    const other = structuredClone(formula)
    other.parts.pop()
    other.procedure.splice(1, 0, { phase: 'bring-up' })
    const changes = differences(formula, other)
    expect(changes.find((c) => c.where.startsWith('carrot amount'))).toMatchObject({
      before: '3',
      after: '–',
    })
    expect(changes.find((c) => c.where === 'bring-up')).toMatchObject({ before: '–' })
    expect(changes.find((c) => c.where === 'order of work')?.after).toBe('fill, bring-up, simmer, strain')
  })
})
