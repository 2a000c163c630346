import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it } from 'vitest'
import { NumberField } from './NumberField'
import type { Units } from '../words/units'

let latest: number | undefined

function Field({ units, start }: { units: Units; start: number }) {
  const [value, setValue] = useState<number | undefined>(start)
  const take = (next: number | undefined) => {
    latest = next
    setValue(next)
  }
  return (
    <NumberField
      label="Water"
      dimension="litres"
      units={units}
      value={value}
      onValue={take}
      problem={
        value !== undefined && value > 30 ? { reason: 'it would run over', low: 0, high: 30 } : undefined
      }
    />
  )
}

afterEach(cleanup)

const field = () => screen.getByLabelText('Water') as HTMLInputElement

describe('a number field', () => {
  it('takes a comma or a point and gives metric', () => {
    render(<Field units="metric" start={10} />)
    fireEvent.change(field(), { target: { value: '12,5' } })
    expect(latest).toBe(12.5)
  })

  it('speaks the reader’s units and gives metric', () => {
    render(<Field units="us" start={3.785411784} />)
    expect(Number(field().value)).toBe(1)
    fireEvent.change(field(), { target: { value: '2' } })
    expect(latest).toBeCloseTo(7.570823568, 9)
  })

  it.each(['', 'abc', '1e3', '--2', 'NaN'])('holds nothing for «%s»', (typed) => {
    render(<Field units="metric" start={10} />)
    fireEvent.change(field(), { target: { value: typed } })
    expect(latest).toBeUndefined()
  })

  it('steps to the next round figure', () => {
    render(<Field units="metric" start={10.04} />)
    fireEvent.click(screen.getByLabelText('Water, more'))
    expect(latest).toBeCloseTo(10.1, 9)
  })

  it('says what is wrong and what would be taken', () => {
    render(<Field units="metric" start={40} />)
    expect(screen.getByRole('alert').textContent).toBe('It would run over. Between 0.0 and 30.0 L.')
  })
})
