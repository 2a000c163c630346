import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import type { Course } from '../../graphics/River'
import { answer, network, person, said, visit, type Answers } from '../../testing/kitchen'
import CoursePlace from './CoursePlace'

const course = () => answer<Course>('course')
const call = (): Course['calls'][number] => ({ ...course().calls[0]!, id: 'sauce', litres: 6, missing: 6 })
const why = { spareMin: 70, tight: true, later: undefined, earlier: { what: 'PAST', thing: '' } }

function show(it: Course, more: Answers = {}) {
  const sent = network({ 'GET /api/course': it, '/api/kitchen': answer('kitchen'), ...more })
  visit(<CoursePlace />)
  return sent
}
const bank = () => screen.findByRole('region', { name: 'On the left bank' })

describe('the left bank', () => {
  it('is not there where everything is laid and has a place', async () => {
    show({ ...course(), aside: [] })
    await screen.findByRole('img', { name: /calls are open/ })
    expect(screen.queryByRole('region', { name: 'On the left bank' })).toBeNull()
  })

  it('tells what is set aside from what has no place, and why it has none', async () => {
    const none = { ...call(), id: 'soup', station: 'Soup', why: 'no oven is free' }
    show({ ...course(), calls: [none], aside: [call()] })
    const [aside, unmet] = within(await bank()).getAllByRole('listitem')
    expect(said(aside)).toContain('set aside')
    expect(said(unmet)).toContain('no oven is free')
    expect(within(unmet!).queryByRole('button', { name: /^Lay/ })).toBeNull()
    expect(said(screen.getByText(/calls? (is|are) open/))).toContain('One is set aside')
  })

  it('brings a call in and takes its batch in hand', async () => {
    const it = { ...course(), aside: [call()] }
    const draft = { ...it.drafts[0]!, held: true }
    const sent = show(it, {
      'POST /api/course/calls/sauce/batch': (body: { draftId: string }) => ({
        ...it,
        aside: [],
        drafts: [{ ...draft, id: body.draftId }],
      }),
    })
    fireEvent.click(within(await bank()).getByRole('button', { name: /^Bring/ }))
    const panel = await screen.findByRole('region', { name: 'In hand' })
    expect(said(panel)).toContain(draft.formulaName)
    const body = sent.find((s) => s.path.endsWith('/batch'))!.body
    expect(body).toMatchObject({ version: it.held.version })
  })

  it('lays what was set aside, and sets aside what has no place', async () => {
    const none = { ...call(), id: 'soup', why: 'no oven is free' }
    const it = { ...course(), calls: [none], aside: [call()] }
    const sent = show(it, {
      'DELETE /api/course/calls/sauce/aside': { ...it, aside: [] },
      'POST /api/course/calls/soup/aside': { ...it, calls: [], aside: [none] },
    })
    fireEvent.click(within(await bank()).getByRole('button', { name: /^Lay/ }))
    await expect.poll(() => sent.some((s) => s.method === 'DELETE')).toBe(true)
    fireEvent.click(await screen.findByRole('button', { name: /^Set .+ aside$/ }))
    await expect.poll(() => sent.find((s) => s.path === '/api/course/calls/soup/aside')?.method).toBe('POST')
    await expect
      .poll(() => said(screen.getByRole('region', { name: 'On the left bank' })))
      .toContain('set aside')
    expect(said(await bank())).not.toContain('no place')
  })

  it('sets aside whatever a batch in hand is for', async () => {
    const it = course()
    const draft = [...it.drafts].sort((a, b) => a.start.localeCompare(b.start))[0]!
    const sent = show(it, {
      [`/api/course/drafts/${draft.id}/why`]: why,
      [`POST /api/course/drafts/${draft.id}/aside`]: { ...it, drafts: [] },
    })
    fireEvent.click((await screen.findAllByRole('button', { name: /^Take .+ in hand/ }))[0]!)
    const panel = await screen.findByRole('region', { name: 'In hand' })
    fireEvent.click(within(panel).getByRole('button', { name: /^Set its calls? aside$/ }))
    await expect.poll(() => sent.some((s) => s.path.endsWith('/aside'))).toBe(true)
    await expect.poll(() => screen.queryByRole('region', { name: 'In hand' })).toBeNull()
  })

  it('lets a pool go over the river: a batch for it begins there, and beside the river nothing does', async () => {
    const it = { ...course(), aside: [call()] }
    const sent = show(it)
    const picture = await screen.findByRole('img', { name: /calls are open/ })
    const box = { left: 0, top: 100, width: 1240, height: 600 } as DOMRect
    vi.spyOn(picture.parentElement!, 'getBoundingClientRect').mockReturnValue(box)
    const pool = (await bank()).querySelector('[data-pool]')!
    Object.assign(pool, { setPointerCapture: () => undefined })
    fireEvent.pointerDown(pool)
    fireEvent.pointerMove(pool, { clientX: 620, clientY: 260 })
    expect(said(picture)).toContain('starts')
    fireEvent.pointerUp(pool, { clientX: 620, clientY: 50 })
    expect(said(picture)).not.toContain('starts')
    expect(sent.some((s) => s.method === 'PUT')).toBe(false)
    fireEvent.pointerDown(pool)
    fireEvent.pointerUp(pool, { clientX: 620, clientY: 260 })
    await expect
      .poll(() => sent.find((s) => s.method === 'PUT')?.body)
      .toMatchObject({
        callId: 'sauce',
        formula: call().formula,
        litres: 6,
      })
    const { start } = sent.find((s) => s.method === 'PUT')!.body as { start: string }
    const middle = (Date.parse(it.now) + Date.parse(it.until)) / 2
    expect(Math.abs(Date.parse(start) - middle)).toBeLessThan(600_000)
  })

  it('is only looked at by somebody who does not plan', async () => {
    network({ 'GET /api/course': { ...course(), aside: [call()] }, '/api/kitchen': answer('kitchen') })
    visit(<CoursePlace />, { who: person({ rights: ['READ'] }) })
    expect(within(await bank()).queryAllByRole('button')).toHaveLength(0)
  })
})
