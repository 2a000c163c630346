import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Course } from '../../graphics/River'
import { answer, network, problem, said, visit } from '../../testing/kitchen'
import CoursePlace from './CoursePlace'

const course = () => answer<Course>('course')

describe('the course', () => {
  const show = (it: Course, more: Parameters<typeof network>[0] = {}) => {
    const sent = network({ 'GET /api/course': it, ...more })
    visit(<CoursePlace />)
    return sent
  }

  it('draws the river, and lists what is to be made by when it starts', async () => {
    show(course())
    const river = await screen.findByRole('img', { name: /calls are open/ })
    for (const draft of course().drafts) expect(said(river)).toContain(draft.vesselName)
    const rows = screen.getAllByRole('button', { name: /^Accept .+ in / })
    expect(rows).toHaveLength(course().drafts.length)
  })

  it('accepts a batch in its pot and at its hour, for the first of its calls', async () => {
    const it = course()
    const draft = [...it.drafts].sort((a, b) => a.start.localeCompare(b.start))[0]!
    const sent = show(it, { 'POST /api/batches': {} })
    fireEvent.click((await screen.findAllByRole('button', { name: /^Accept .+ in / }))[0]!)
    await expect.poll(() => sent.some((s) => s.path === '/api/batches')).toBe(true)
    const body = sent.find((s) => s.path === '/api/batches')!.body as {
      callId: string
      charge: { vesselId: string; startAt: string; value: number; formula: string }
    }
    expect(body.charge).toMatchObject({
      vesselId: draft.vesselId,
      startAt: draft.start,
      value: draft.litres,
      formula: draft.formula,
    })
    expect(draft.gives.map((g) => g.callId)).toContain(body.callId)
  })

  it('accepts all, one after another, and stops at the first that is refused', async () => {
    const sent = show(course(), { 'POST /api/batches': problem(409, 'K80 is in use at that time.') })
    fireEvent.click(await screen.findByRole('button', { name: /^Accept all/ }))
    expect(await screen.findByText('K80 is in use at that time.')).toBeTruthy()
    expect(sent.filter((s) => s.path === '/api/batches')).toHaveLength(1)
  })

  it('says what comes late or not at all, and why', async () => {
    const it = course()
    const call = { ...it.calls[0]!, missing: 4, why: 'every vessel that takes it is in use' }
    show({ ...it, calls: [call, ...it.calls.slice(1)] })
    const section = (await screen.findByText('Late or short')).closest('section')!
    expect(said(section)).toContain('every vessel that takes it is in use')
    expect(within(section).getAllByRole('listitem')).toHaveLength(1)
  })

  it('teaches where nothing is open', async () => {
    show({ ...course(), calls: [], lots: [], drafts: [] })
    expect(await screen.findByText('Nothing is open')).toBeTruthy()
  })
})
