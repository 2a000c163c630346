import { describe, expect, it } from 'vitest'
import { liquorColour } from './liquor'
import { halfWidthAt, litresAt, outline, type VesselShape } from './vessel'

const kettle: VesselShape = {
  shape: 'kettle',
  widthCm: 55,
  heightCm: 39.5,
  bowlCm: 12,
  fillLineCm: 34.5,
  litresAtCm: Array.from({ length: 40 }, (_, cm) => cm * 2),
}
const pot: VesselShape = { ...kettle, shape: 'cylinder', bowlCm: 0 }

describe('a vessel in section', () => {
  it('is as wide as its wall above the bowl and closes at the bottom', () => {
    expect(halfWidthAt(kettle, 20)).toBe(27.5)
    expect(halfWidthAt(kettle, 12)).toBeCloseTo(27.5, 9)
    expect(halfWidthAt(kettle, 0)).toBe(0)
    expect(halfWidthAt(pot, 0)).toBe(27.5)
  })

  it('narrows steadily towards the bottom of its bowl', () => {
    for (let cm = 1; cm <= 12; cm++) {
      expect(halfWidthAt(kettle, cm)).toBeGreaterThan(halfWidthAt(kettle, cm - 1))
    }
  })

  it('reads litres between the marks of its ruler', () => {
    expect(litresAt(kettle, 10)).toBe(20)
    expect(litresAt(kettle, 10.5)).toBe(21)
    expect(litresAt(kettle, 1000)).toBe(78)
  })

  it('is drawn from wall to wall', () => {
    const path = outline(
      pot,
      30,
      (cm) => cm,
      (cm) => -cm,
    )
    expect(path).toBe('M-27.5 -30L-27.5 0L27.5 0L27.5 -30')
  })

  it('colours the liquor from water to deep', () => {
    expect(liquorColour('WHITE', 0)).toContain('0%, var(--water)')
    expect(liquorColour('WHITE', 30)).toContain('var(--straw-deep) 100%')
    expect(liquorColour('BROWN', 10)).toContain('--umber')
  })
})
