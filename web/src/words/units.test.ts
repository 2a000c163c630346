import { describe, expect, it } from 'vitest'
import { digitsOf, figure, formatters, numberTyped, scaleOf, stepFor, weight } from './units'

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
    expect(weight(9.99, 'metric')).toBe('10.0\u202fkg')
    expect(weight(0.998, 'metric')).toBe('1.00\u202fkg')
    expect(weight(0.00998, 'metric')).toBe('10\u202fg')
    expect(weight(0.4536, 'us')).toBe('1.0\u202flb')
    expect(weight(0.1, 'us')).toBe('3.5\u202foz')
  })

  it('says everything in the measures of a kitchen in the United States', () => {
    const us = formatters('us')
    expect(us.litres(12)).toBe('3.15\u202fgal')
    expect(us.jug(2)).toBe('2.1\u202fqt')
    expect(us.jug(0.5)).toBe('2.00\u202fcups')
    expect(us.jug(0.08)).toBe('2.5\u202ffl oz')
    expect(us.litres(0.08)).toBe('2.5\u202ffl oz')
    expect(us.power(5)).toBe('17,100\u202fBTU/h')
    expect(us.metres(1150)).toBe('3,750\u202fft')
    expect(us.litresPerKg(1.7)).toBe('0.80\u202fqt/lb')
    expect(us.dissolved(10)).toBe('1.3\u202foz/gal')
    expect(us.out).toBe('Gallons out')
    expect(formatters('metric').jug(0.08)).toBe('80\u202fmL')
    expect(formatters('metric').metres(1150)).toBe('1150\u202fm')
  })

  it.each([
    ['1,250', 'us', 1250],
    ['1,250.5', 'us', 1250.5],
    ['1,25', 'us', 1.25],
    ['0,8', 'metric', 0.8],
    ['−4', 'metric', -4],
    ['.5', 'us', 0.5],
    ['1,2,3', 'us', undefined],
    ['twelve', 'metric', undefined],
  ] as const)('reads «%s» in %s as %s', (typed, units, meant) => {
    expect(numberTyped(typed, units)).toBe(meant)
  })
})
