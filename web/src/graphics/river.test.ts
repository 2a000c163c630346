import { describe, expect, it } from 'vitest'
import { abreast, afloat, berths, brim, ends, landing, leaving, promisedOf } from './river'

const at = (hour: number) => new Date(Date.UTC(2026, 2, 2, hour)).toISOString()
const ms = (hour: number) => Date.UTC(2026, 2, 2, hour)

describe('what is afloat', () => {
  const course = {
    now: at(6),
    until: at(30),
    lots: [
      {
        formulaName: 'White chicken stock',
        family: 'WHITE' as const,
        litres: 5,
        from: at(0),
        useBy: at(20),
        gives: [{ callId: 'soup', litres: 3 }],
      },
    ],
    drafts: [
      {
        formulaName: 'Brown veal stock',
        family: 'BROWN' as const,
        litres: 8,
        ready: at(12),
        useBy: at(80),
        gives: [{ callId: 'sauce', litres: 8 }],
      },
    ],
    promised: [],
    calls: [
      { id: 'soup', by: at(10) },
      { id: 'sauce', by: at(9) },
    ],
  }
  const promised = {
    callId: 'banquets',
    station: 'Banquets',
    formulaName: 'White chicken stock',
    family: 'WHITE' as const,
    litres: 20,
    from: at(8),
    by: at(14),
    lateMin: 0,
  }

  it('comes when it is ready, leaves at its call, and what is left goes at its use-by', () => {
    const river = afloat(course)
    expect(river.at(ms(7))).toBe(5)
    expect(river.at(ms(10))).toBe(2)
    expect(river.at(ms(21))).toBe(0)
  })

  it('gives late what comes late, and never before it is there', () => {
    const river = afloat(course)
    expect(river.names.map((n) => n.name)).toEqual(['White chicken stock', 'Brown veal stock'])
    expect(river.at(ms(11))).toBe(2)
    // Ready after its call: it comes and goes at once.
    expect(river.at(ms(12))).toBe(2)
    for (const step of river.steps) for (const litres of step.upTo) expect(litres).toBeGreaterThanOrEqual(0)
  })

  it('is what is promised as well, from when it is there until its call, in the stream of its stock', () => {
    const river = afloat({ ...course, promised: [promised] })
    expect(river.at(ms(7))).toBe(5)
    expect(river.at(ms(9))).toBe(25)
    expect(river.at(ms(15))).toBe(2)
    expect(river.names.map((n) => n.name)).toEqual(['White chicken stock', 'Brown veal stock'])
    expect(promisedOf({ ...course, promised: [promised] }).at(ms(9))).toBe(20)
  })

  it('leaves once for each call, with what it is promised and what is planned for it', () => {
    const call = { ...promised, id: 'banquets', litres: 4, missing: 1, lateMin: 0 }
    const late = { ...promised, callId: 'soup', by: at(7), lateMin: 60 }
    const all = leaving({ promised: [promised, { ...promised, litres: 2 }, late], calls: [call] })
    expect(all.map(({ id, litres, missing, lateMin }) => ({ id, litres, missing, lateMin }))).toEqual([
      { id: 'soup', litres: 20, missing: 0, lateMin: 60 },
      { id: 'banquets', litres: 26, missing: 1, lateMin: 0 },
    ])
  })
})

describe('the brim of the store', () => {
  const stocks = {
    names: [],
    steps: [
      { at: ms(6), upTo: [5] },
      { at: ms(9), upTo: [14] },
    ],
    at: (at: number) => (at < ms(9) ? 5 : 14),
  }

  it('is told at every turn of what is there and of what it has room for', () => {
    const steps = brim(
      stocks,
      { ...stocks, at: (moment: number) => (moment < ms(9) ? 0 : 1) },
      [
        { at: at(6), litres: 12 },
        { at: at(10), litres: 20 },
      ],
      ms(30),
    )
    expect(steps).toEqual([
      { at: ms(6), there: 5, room: 12 },
      { at: ms(9), there: 14, room: 13 },
      { at: ms(10), there: 14, room: 21 },
      { at: ms(30), there: 14, room: 21 },
    ])
  })

  it('is nowhere where nobody has told of a store', () => {
    expect(brim(stocks, stocks, [], ms(30))).toEqual([])
  })
})

describe('berths', () => {
  it('lay nothing on another, in as few lanes as there are at once', () => {
    const lanes = berths([
      { id: 'a', from: 0, to: 10 },
      { id: 'b', from: 5, to: 15 },
      { id: 'c', from: 10, to: 20 },
    ])
    expect(lanes.get('a')).toBe(0)
    expect(lanes.get('b')).toBe(1)
    expect(lanes.get('c')).toBe(0)
  })

  it('share the lane that is free soonest where there are no more', () => {
    const all = [0, 1, 2].map((n) => ({ id: String(n), from: n, to: 10 + n }))
    expect(berths(all, 2).get('2')).toBe(0)
  })
})

it('mouths of one hour stand beside one another, and others where their hour is', () => {
  const lefts = abreast([
    { id: 'later', at: 300, wide: 10 },
    { id: 'wide', at: 100, wide: 30 },
    { id: 'same hour', at: 100, wide: 8 },
  ])
  expect(lefts.get('wide')).toBe(85)
  expect(lefts.get('same hour')).toBe(115)
  expect(lefts.get('later')).toBe(295)
})

it('ends of stages are the first from and the last to', () => {
  expect(
    ends([
      { from: at(1), to: at(2) },
      { from: at(2), to: at(5) },
    ]),
  ).toEqual({ start: ms(1), end: ms(5) })
})

describe('where something is let go over the picture', () => {
  const picture = { left: 100, top: 200, width: 620, height: 400 }
  const span = { now: at(6), until: at(30) }

  it('begins at the hour it lies over, in whole ten minutes, in the vessel that lies there', () => {
    const half = landing(span, picture, 100 + 310, 200 + 60 + 24, 5)
    expect(half?.at).toBe(ms(18))
    expect(half?.vessel).toBe(1)
  })

  it('never begins before now, nor in a vessel that is not there', () => {
    const first = landing(span, picture, 101, 201, 5)
    expect(first!.at).toBeGreaterThan(ms(6))
    expect(first!.vessel).toBe(0)
    expect(landing(span, picture, 101, 599, 5)?.vessel).toBe(4)
  })

  it('is nowhere beside the picture', () => {
    for (const [x, y] of [
      [99, 300],
      [721, 300],
      [300, 199],
      [300, 601],
    ] as const)
      expect(landing(span, picture, x, y, 5)).toBeUndefined()
  })
})
