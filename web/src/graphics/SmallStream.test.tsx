import { render } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { SmallStream } from './SmallStream'

describe('a small stream', () => {
  const planned = [
    { minute: 0, litres: 20 },
    { minute: 240, litres: 16 },
  ]
  const show = (out?: number) => {
    const { container } = render(
      <SmallStream
        done={out === undefined ? [] : planned}
        planned={planned}
        out={out}
        called={12}
        scale={{ minutes: 480, litres: 20 }}
        colour="gold"
        label="Batch 7"
      />,
    )
    return container
  }
  const jug = (container: HTMLElement) => Number(container.querySelector('rect')?.getAttribute('height'))

  it('has its jug as thick as what came out, on the scale of all rows', () => {
    expect(jug(show(10)) / jug(show(5))).toBeCloseTo(2, 5)
  })

  it('hatches what came short of the call, and nothing else', () => {
    expect(show(10).querySelectorAll('[stroke="var(--ember)"]')).toHaveLength(1)
    expect(show(12).querySelectorAll('[stroke="var(--ember)"]')).toHaveLength(0)
  })

  it('is an outline before anything is in the pot', () => {
    const container = show()
    expect(container.querySelector('rect')).toBeNull()
    expect(container.querySelector('[fill="gold"]')).toBeNull()
    expect(container.querySelectorAll('path[stroke-dasharray]')).toHaveLength(1)
  })
})
