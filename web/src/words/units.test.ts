import { describe, expect, it } from 'vitest'
import { digitsOf, figure, formatters, scaleOf, stepFor, weight } from './units'

describe('units', () => {
  it('rounds to the step and never shows minus nothing', () => {
    expect(figure(17.3982, 0.1)).toBe('17.4')
    expect(figure(-0.04, 0.1)).toBe('0.0')
    expect(figure(-3.2, 0.5)).toBe('−3.0')
    expect(digitsOf(0.25)).toBe(2)
  })

  it('shows an estimate no finer than a tenth of its band', () => {
    expect(stepFor(4, 0.1)).toBe(0.5)
    expect(stepFor(0.5, 0.1)).toBe(0.1)
    expect(formatters('metric').estimate({ p10: 18.4, p50: 20.2, p90: 21.6 })).toBe('20.2\u202fL')
    expect(formatters('metric').spread({ p10: 18.4, p90: 21.6 })).toBe('18.4–21.6\u202fL')
  })

  it.each(['litres', 'kg', 'celsius', 'cm', 'minutes'] as const)(
    'converts %s there and back',
    (dimension) => {
      for (const units of ['metric', 'us'] as const) {
        const scale = scaleOf(units, dimension)
        expect(scale.from(scale.to(12.34))).toBeCloseTo(12.34, 12)
      }
    },
  )

  it('converts US units exactly', () => {
    expect(scaleOf('us', 'litres').from(1)).toBe(3.785411784)
    expect(scaleOf('us', 'kg').from(1)).toBe(0.45359237)
    expect(scaleOf('us', 'celsius').to(5)).toBe(41)
  })

  it('says weights as a scale would', () => {
    expect(weight(15.212, 'metric')).toBe('15.2\u202fkg')
    expect(weight(0.456, 'metric')).toBe('455\u202fg')
    expect(weight(0.0023, 'metric')).toBe('2.3\u202fg')
    expect(weight(0.4536, 'us')).toBe('1.0\u202flb')
    expect(weight(0.1, 'us')).toBe('3.5\u202foz')
  })
})
