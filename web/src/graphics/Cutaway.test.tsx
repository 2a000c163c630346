import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { Cutaway } from './Cutaway'
import type { VesselShape } from './vessel'

const pot: VesselShape = {
  shape: 'cylinder',
  widthCm: 36,
  heightCm: 40,
  bowlCm: 0,
  fillLineCm: 35,
  litresAtCm: [],
}

afterEach(cleanup)

describe('the cutaway', () => {
  it('says in words what it shows', () => {
    render(<Cutaway vessel={pot} levelCm={20} colour="gold" scale={5} label="Tall 40, 20 L" />)
    expect(screen.getByRole('img', { name: 'Tall 40, 20 L' })).toBeTruthy()
    expect(screen.queryByRole('slider')).toBeNull()
  })

  it('moves its water line by the keys, within the vessel', () => {
    const moved: number[] = []
    render(
      <Cutaway
        vessel={pot}
        levelCm={39.8}
        colour="gold"
        scale={5}
        label="pot"
        onLevel={(cm) => moved.push(cm)}
        levelText="24 L of water"
      />,
    )
    const line = screen.getByRole('slider', { name: 'Water line' })
    expect(line.getAttribute('aria-valuetext')).toBe('24 L of water')
    fireEvent.keyDown(line, { key: 'ArrowDown' })
    fireEvent.keyDown(line, { key: 'PageUp' })
    fireEvent.keyDown(line, { key: 'a' })
    expect(moved).toEqual([39.3, 40])
  })

  it('keeps the water line under the finger until what follows from it has come', () => {
    const moved: number[] = []
    const at = (levelCm: number, behind: boolean) => (
      <Cutaway
        vessel={pot}
        levelCm={levelCm}
        colour="gold"
        scale={5}
        label="pot"
        onLevel={(cm) => moved.push(cm)}
        behind={behind}
      />
    )
    const { container, rerender } = render(at(20, false))
    const svg = container.querySelector('svg')!
    const height = Number(svg.getAttribute('height'))
    svg.getBoundingClientRect = () => ({ top: 0, height }) as DOMRect
    const line = screen.getByRole('slider', { name: 'Water line' })
    const stands = () => Number(line.getAttribute('aria-valuenow'))
    fireEvent.pointerDown(line, { clientY: height / 2, buttons: 1 })
    rerender(at(20, true))
    expect(stands()).toBeCloseTo(moved[0]!, 1)
    fireEvent.pointerMove(line, { clientY: height / 4, buttons: 1 })
    expect(stands()).toBeCloseTo(moved[1]!, 1)
    expect(moved[1]).toBeGreaterThan(moved[0]!)
    fireEvent.pointerUp(line)
    expect(stands()).toBeCloseTo(moved[1]!, 1)
    rerender(at(31, false))
    expect(stands()).toBe(31)
  })
})
