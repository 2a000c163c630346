import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { network, said, visit } from '../testing/kitchen'
import { WhyOf } from './Why'

const ground = (term: string, value: number, measure: string, bandShare = 0) => ({
  term,
  value,
  measure,
  basis: 'BOOK',
  bandShare,
})

describe('a figure that opens', () => {
  it('asks for its grounds only then, and tells each in its measure with what makes the band', async () => {
    const grounds = {
      litres: [],
      bringUp: [],
      steam: [],
      cooling: [],
      gelatin: [
        ground('COLLAGEN', 320, 'GRAMS', 0.7),
        ground('SIMMER_FOR', 180, 'MINUTES'),
        ground('GIVEN', 0.52, 'SHARE', 0.2),
        ground('HALF_TIME', 1.6, 'HOURS', 0.1),
      ],
    }
    const sent = network({ '/api/batches/b1/grounds': grounds })
    visit(<WhyOf of="When cold" figure="gelatin" from={{ batch: 'b1' }} />, { at: '/x', path: '/x' })
    const why = screen.getByRole('button', { name: 'Why: When cold' })
    expect(sent.length).toBe(0)
    fireEvent.click(why)
    const box = await screen.findByRole('dialog', { name: 'Why: When cold' })
    await within(box).findByText('320\u202fg', { normalizer: (text) => text })
    expect(said(box)).toContain('3 h')
    expect(said(box)).toContain('52 %')
    expect(said(box)).toContain('1 h 36')
    expect(said(box)).toContain('comes from “Collagen in the bed”: 70 % of the band')
  })

  it('says that it cannot, and asks again', async () => {
    network({})
    visit(<WhyOf of="Steam" figure="steam" from={{ batch: 'b1' }} />, { at: '/x', path: '/x' })
    fireEvent.click(screen.getByRole('button', { name: 'Why: Steam' }))
    expect(await screen.findByRole('button', { name: /again/i })).toBeTruthy()
  })
})
