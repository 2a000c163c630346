import { describe, expect, it } from 'vitest'
import { moveShare, readWish, requestOf, swapped, writeWish, type Wish } from './wish'

const wish: Wish = {
  goal: 'BED',
  value: 11.5,
  vessel: 'v1',
  simmerMin: 240,
  startNow: true,
  by: '2026-03-04T17:00',
  water: { rule: 'over-the-bed', value: 5 },
  schools: { tomato: 'none', press: 'true' },
  bed: { 'beef-knuckle': 0.75, 'beef-shank-marrow': 0.25 },
  cut: { onion: 14 },
  brought: { bed: 'a-box' },
  swaps: { parsnip: 'carrot' },
  draws: { 'lot-a': 4.5, 'lot-b': 8 },
}

describe('the address of a charge', () => {
  it('says the whole charge and reads back the same', () => {
    expect(readWish(new URLSearchParams(writeWish(wish).toString()))).toEqual(wish)
  })

  it('leaves out what stands as the formula has it', () => {
    const plain = readWish(new URLSearchParams())
    expect(plain).toMatchObject({ goal: 'LITRES', value: 10, schools: {}, bed: {}, cut: {} })
    expect(writeWish(plain).toString()).toBe('goal=LITRES&value=10')
  })

  it('does not take a goal or a figure that nobody knows', () => {
    const odd = readWish(new URLSearchParams('goal=MOON&bed=veal:x,:2,beef:0.5'))
    expect(odd.goal).toBe('LITRES')
    expect(odd.bed).toEqual({ beef: 0.5 })
  })

  it('asks the server in its own kinds', () => {
    const request = requestOf(wish, 'brown-beef')
    expect(request.schools).toMatchObject({
      tomato: 'none',
      press: true,
      simmerMin: 240,
      water: { rule: 'over-the-bed', value: 5 },
    })
    expect(request.bed).toEqual([
      { kind: 'beef-knuckle', share: 0.75 },
      { kind: 'beef-shank-marrow', share: 0.25 },
    ])
  })
})

describe('a part that is swapped', () => {
  it('stands for the one that the formula has, however often it is changed', () => {
    const once = swapped({}, 'onion', 'shallot')
    expect(once).toEqual({ onion: 'shallot' })
    expect(swapped(once, 'shallot', 'leek')).toEqual({ onion: 'leek' })
  })

  it('is undone by taking the first one back', () => {
    expect(swapped({ onion: 'shallot', carrot: 'parsnip' }, 'shallot', 'onion')).toEqual({
      carrot: 'parsnip',
    })
  })

  it('is read from an address only where both are words', () => {
    const odd = readWish(new URLSearchParams('swap=onion:shallot,carrot,<b>:x,celery:CELERIAC'))
    expect(odd.swaps).toEqual({ onion: 'shallot' })
  })
})

describe('a share that is moved', () => {
  it('leaves the others in proportion, and all adding up', () => {
    const moved = moveShare({ a: 0.5, b: 0.3, c: 0.2 }, 'a', 0.75)
    expect(moved.b! / moved.c!).toBeCloseTo(1.5)
    expect(moved.a! + moved.b! + moved.c!).toBeCloseTo(1)
  })

  it('gives back what was wholly taken', () => {
    expect(moveShare({ a: 1, b: 0 }, 'a', 0.4)).toEqual({ a: 0.4, b: 0.6 })
    expect(moveShare({ a: 1 }, 'a', 0.4)).toEqual({ a: 1 })
  })
})
