import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../../api/client'
import type { Page } from '../../api/queries'
import { at, type CurvePoint } from '../../graphics/CurvePanels'
import { answer, network, person, problem, visit, said } from '../../testing/kitchen'
import { BatchCourse } from './BatchCourse'

type Course = Schemas['CourseView']

function show(change: (course: Course) => Course = (c) => c, page = answer<Page>('batch-simmer')) {
  const course = change(answer<Course>('course-simmer'))
  network({ [`/api/batches/${page.card.id}/course`]: course })
  visit(<BatchCourse page={page} colour="saddlebrown" />, { who: person() })
  return course
}

const drawing = () => screen.findByRole('img', { name: /^Level, temperature and gelatin against the plan/ })

describe('a batch against its plan', () => {
  it('draws level below the rim, temperature and gelatin, and reads them at this moment', async () => {
    show()
    const figure = await drawing()
    for (const name of ['Level, below the rim', 'Temperature', 'Gelatin']) {
      expect(within(figure).getByText(name)).toBeTruthy()
    }
    expect(within(figure).getByText(/^\d+\sg\/L$/, { selector: '[font-size="22"]' })).toBeTruthy()
    expect(figure.getAttribute('aria-label')).toMatch(
      /\scm below the rim, \d+(\.\d)?\s°C, \d+\sg\/L gelatin$/,
    )
  })

  it('leaves gelatin out where nothing gives any', async () => {
    const none = { p10: 0, p50: 0, p90: 0 }
    show((c) => ({
      ...c,
      points: c.points.map((p) => ({ ...p, gelatinGPerL: none })),
      planned: c.planned.map((p) => ({ ...p, gelatinGPerL: 0 })),
    }))
    expect(within(await drawing()).queryByText('Gelatin')).toBeNull()
  })

  it('reads another moment under a finger, and this one again when it is lifted', async () => {
    show()
    const figure = await drawing()
    figure.getBoundingClientRect = () => ({ left: 0, width: 900 }) as DOMRect
    const temperature = () => [...figure.querySelectorAll('[font-size="22"]')].map((t) => t.textContent)[1]
    const before = temperature()
    fireEvent.pointerMove(figure, { clientX: 80 })
    expect(temperature()).not.toBe(before)
    fireEvent.pointerLeave(figure)
    expect(temperature()).toBe(before)
  })

  it('tells clarity by cause, planned and as handled, and the ladle that decides', async () => {
    const course = show((c) => ({ ...c, ladle: 4 }))
    const ladders = await screen.findAllByRole('img', { name: /^Clarity/ })
    expect(ladders.map((l) => l.getAttribute('aria-label'))).toEqual([
      `Clarity ${Math.round(course.clarityPlanned.index)} of 100`,
      `Clarity ${Math.round(course.claritySoFar.index)} of 100`,
    ])
    expect(said(screen.getByText(/^Ladle card/))).toMatch(/^Ladle card 4, /)
  })

  it('before the pot is filled shows what was foreseen, without an empty drawing', async () => {
    const page = answer<Page>('batch-prepare-fish')
    show((c) => ({ ...c, points: [] }), page)
    expect(await screen.findByText('Planned')).toBeTruthy()
    expect(screen.queryByText('Against the plan')).toBeNull()
    expect(screen.queryByText('As handled so far')).toBeNull()
  })

  it('says so when it cannot be had, and offers another try', async () => {
    const page = answer<Page>('batch-simmer')
    network({ [`/api/batches/${page.card.id}/course`]: problem(500, 'broken') })
    visit(<BatchCourse page={page} colour="saddlebrown" />, { who: person() })
    expect(await screen.findByRole('button', { name: /again/i })).toBeTruthy()
  })
})

describe('a figure at a moment', () => {
  const point = (moment: number, mid: number): CurvePoint => ({
    at: moment,
    low: mid - 1,
    mid,
    high: mid + 1,
  })
  const jump = [point(0, 10), point(100_000, 8), point(100_000, 12), point(200_000, 10)]

  it('lies straight between its neighbours', () => {
    expect(at(jump, 50_000)).toMatchObject({ low: 8, mid: 9, high: 10 })
  })

  it('at a top-up is what it came to', () => {
    expect(at(jump, 100_000)!.mid).toBe(12)
  })

  it('is none before the pot was filled, nor long after it was emptied', () => {
    expect(at(jump, -1)).toBeUndefined()
    expect(at(jump, 200_000)!.mid).toBe(10)
    expect(at(jump, 400_000)).toBeUndefined()
    expect(at([], 5)).toBeUndefined()
  })
})
