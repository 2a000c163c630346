import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Course } from '../../graphics/River'
import { answer, network, pick, problem, said, visit } from '../../testing/kitchen'
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

  it('names the chiller that a batch stands in, once where two stand in it beside each other', async () => {
    const it = course()
    show(it)
    expect(said(await screen.findByRole('img', { name: /calls are open/ }))).not.toContain('Cabinet')
    cleanup()
    const [first, second] = it.drafts
    show({
      ...it,
      drafts: [first!, { ...second!, stages: first!.stages }].map((d) => ({ ...d, chiller: 'Cabinet' })),
    })
    const river = await screen.findByRole('img', { name: /calls are open/ })
    expect(said(river).split('Cabinet')).toHaveLength(2)
  })

  it('says where more is to stand on the shelf than the cold store takes, and nothing where it takes all of it', async () => {
    const it = course()
    const full = 'more than the store takes'
    show({ ...it, room: [{ at: it.now, litres: 400 }] })
    expect(said(await screen.findByRole('img', { name: /calls are open/ }))).not.toContain(full)
    cleanup()
    show({ ...it, room: [{ at: it.now, litres: 3 }] })
    expect(said(await screen.findByRole('img', { name: /calls are open/ }))).toContain(full)
  })

  it('draws what is under way until the end of the picture, with what is promised of it, and nothing that begins later', async () => {
    const it = course()
    const later = new Date(Date.parse(it.until) + 3_600_000).toISOString()
    const [under] = it.running
    const promised = {
      callId: 'banquets',
      station: 'Banquets',
      formulaName: under!.formulaName,
      family: under!.family,
      litres: 17,
      from: it.now,
      by: new Date(Date.parse(it.now) + 3_600_000).toISOString(),
      lateMin: 0,
    }
    show({
      ...it,
      promised: [promised],
      running: [
        under!,
        { ...under!, id: 'later', vesselName: 'Far', stages: [{ stage: 'FILL', from: later, to: later }] },
      ],
    })
    const river = said(await screen.findByRole('img', { name: /calls are open/ }))
    expect(river).toContain(under!.vesselName)
    expect(river).not.toContain('Far')
    expect(river).toContain('Banquets 17.0 L')
  })

  it('draws each tray of an oven, those of two batches at once above each other, and says what it is set to', async () => {
    const it = course()
    const at = (hours: number) => new Date(Date.parse(it.now) + hours * 3_600_000).toISOString()
    const oven = { name: 'East', from: at(1), to: at(3), trays: 2, there: 6, celsius: 210 }
    show({ ...it, ovens: [oven, { ...oven, from: at(2), to: at(4), trays: 3 }] })
    const river = await screen.findByRole('img', { name: /calls are open/ })
    expect(said(river).split('East, 210')).toHaveLength(2)
    const trays = [...river.querySelectorAll('line[stroke="var(--ember)"][stroke-linecap]')]
    expect(new Set(trays.map((tray) => tray.getAttribute('y1'))).size).toBe(5)
  })

  it('accepts a batch in its pot and at its hour, for all of its calls', async () => {
    const it = course()
    const draft = [...it.drafts].sort((a, b) => a.start.localeCompare(b.start))[0]!
    const sent = show(it, { 'POST /api/course/accept': { ...it, drafts: [] } })
    fireEvent.click((await screen.findAllByRole('button', { name: /^Accept .+ in / }))[0]!)
    await expect.poll(() => sent.some((s) => s.path === '/api/course/accept')).toBe(true)
    const body = sent.find((s) => s.path === '/api/course/accept')!.body as { batches: unknown[] }
    expect(body.batches).toHaveLength(1)
    expect(body.batches[0]).toMatchObject({
      draftId: draft.id,
      vesselId: draft.vesselId,
      start: draft.start,
      litres: draft.litres,
      gives: draft.gives,
    })
    await expect.poll(() => screen.queryAllByRole('button', { name: /^Accept .+ in / })).toHaveLength(0)
  })

  it('accepts all at once, or says which is refused', async () => {
    const sent = show(course(), { 'POST /api/course/accept': problem(409, 'K80 is in use at that time.') })
    fireEvent.click(await screen.findByRole('button', { name: /^Accept all/ }))
    expect(await screen.findByText('K80 is in use at that time.')).toBeTruthy()
    const asked = sent.filter((s) => s.path === '/api/course/accept')
    expect(asked).toHaveLength(1)
    expect((asked[0]!.body as { batches: unknown[] }).batches).toHaveLength(course().drafts.length)
  })

  it('accepts a day of it, and holds what is laid as it is', async () => {
    const it = course()
    const two = it.drafts
      .slice(0, 3)
      .map((d, n) => ({ ...d, held: n > 0, start: `2026-11-2${6 + (n > 1 ? 1 : 0)}T0${6 + n}:00:00Z` }))
    const sent = show(
      { ...it, drafts: two },
      { 'POST /api/course/accept': { ...it, drafts: two }, 'POST /api/course/hold': it },
    )
    fireEvent.click(await screen.findByRole('button', { name: 'Accept these 2' }))
    await expect.poll(() => sent.some((s) => s.path === '/api/course/accept')).toBe(true)
    const body = sent.find((s) => s.path === '/api/course/accept')!.body as { batches: { draftId: string }[] }
    expect(body.batches.map((b) => b.draftId)).toEqual(two.slice(0, 2).map((d) => d.id))
    fireEvent.click(await screen.findByRole('button', { name: 'Hold all as laid' }))
    await expect
      .poll(() => sent.find((s) => s.path === '/api/course/hold')?.body)
      .toEqual({ version: it.held.version, before: it.until })
  })

  const why = { spareMin: 70, tight: true, later: undefined, earlier: { what: 'PAST', thing: '' } }
  const takeFirst = async (it: Course, more: Parameters<typeof network>[0] = {}) => {
    const draft = [...it.drafts].sort((a, b) => a.start.localeCompare(b.start))[0]!
    const sent = show(it, { [`/api/course/drafts/${draft.id}/why`]: why, ...more })
    fireEvent.click((await screen.findAllByRole('button', { name: /^Take .+ in hand/ }))[0]!)
    const panel = await screen.findByRole('region', { name: 'In hand' })
    return { draft, sent, panel }
  }

  it('takes a batch in hand, tells why it is there, and holds it ten minutes later by a key', async () => {
    const it = course()
    const { draft, sent, panel } = await takeFirst(it)
    await expect.poll(() => said(panel)).toContain('it would have to start before now')
    expect(said(panel)).toContain('an hour longer would come too late')
    fireEvent.keyDown(document.body, { key: 'ArrowRight' })
    await expect.poll(() => sent.some((s) => s.method === 'PUT')).toBe(true)
    const put = sent.find((s) => s.method === 'PUT')!
    const asked = put.body as { start: string; version: number }
    expect(asked.version).toBe(it.held.version)
    const moved = new Date(asked.start).getTime() - new Date(draft.start).getTime()
    expect(moved).toBe(600_000)
    fireEvent.keyDown(document.body, { key: 'Escape' })
    expect(screen.queryByRole('region', { name: 'In hand' })).toBeNull()
  })

  it('sends one change at a time while a key is held down, and tells what is refused until something else is done', async () => {
    const it = course()
    let refuse!: () => void
    const waits = new Promise<void>((go) => (refuse = go))
    const draft = [...it.drafts].sort((a, b) => a.start.localeCompare(b.start))[0]!
    const drafts = it.drafts.map((d) => (d.id === draft.id ? { ...d, held: true } : d))
    const path = `/api/course/drafts/${draft.id}`
    const { sent } = await takeFirst(
      { ...it, drafts, held: { version: 3, canUndo: true, canRedo: false } },
      {
        [`PUT ${path}`]: async () => {
          await waits
          return problem(422, 'that time is already past')
        },
        'POST /api/course/undo': it,
      },
    )
    const puts = () => sent.filter((s) => s.method === 'PUT')
    fireEvent.keyDown(document.body, { key: 'ArrowLeft' })
    await expect.poll(() => puts().length).toBe(1)
    fireEvent.keyDown(document.body, { key: 'ArrowLeft' })
    fireEvent.keyDown(document.body, { key: 'z' })
    refuse()
    expect(await screen.findByText('that time is already past')).toBeTruthy()
    expect(puts()).toHaveLength(1)
    fireEvent.keyDown(document.body, { key: 'z' })
    await expect.poll(() => screen.queryByText('that time is already past')).toBeNull()
  })

  it('splits a batch in two, and joins it with another of its stock', async () => {
    const it = course()
    const of = it.drafts.map((d) => d.formula)
    const twice = of.find((formula, n) => of.indexOf(formula) !== n)!
    const [draft, other] = it.drafts.filter((d) => d.formula === twice)
    const first = { ...draft!, start: '2026-11-25T10:20:00Z' }
    const two = { ...it, drafts: [first, other!] }
    const { sent, panel } = await takeFirst(two, {
      [`POST /api/course/drafts/${draft!.id}/halves`]: two,
      [`POST /api/course/drafts/${draft!.id}/joining`]: two,
    })
    fireEvent.click(within(panel).getByRole('button', { name: 'Split in two' }))
    await expect.poll(() => sent.some((s) => s.path.endsWith('/halves'))).toBe(true)
    const list = await within(panel).findByRole('button', { name: /^Join with/ })
    await pick(list, new RegExp(other!.vesselName))
    await expect
      .poll(() => sent.find((s) => s.path.endsWith('/joining'))?.body)
      .toEqual({ version: it.held.version, otherId: other!.id })
  })

  it('goes into the next larger vessel by a key, and not out of the smallest', async () => {
    const it = course()
    const { vessels } = answer<{ vessels: { id: string; name: string; brimfulL: number }[] }>('kitchen')
    const bySize = [...vessels].sort((a, b) => a.brimfulL - b.brimfulL)
    const smallest = { ...it.drafts[0]!, vesselId: bySize[0]!.id, start: '2026-11-25T10:20:00Z' }
    const { draft, sent } = await takeFirst(
      { ...it, drafts: [smallest] },
      { '/api/kitchen': { ...answer<object>('kitchen'), vessels: bySize } },
    )
    fireEvent.keyDown(document.body, { key: 'ArrowUp' })
    expect(sent.some((s) => s.method === 'PUT')).toBe(false)
    const next = bySize[1]!
    await expect
      .poll(() => {
        fireEvent.keyDown(document.body, { key: 'ArrowDown' })
        return sent.find((s) => s.method === 'PUT')?.body
      })
      .toMatchObject({ vesselId: next.id, start: draft.start })
  })

  it('says once what a held batch breaks, and lets it go', async () => {
    const it = course()
    const first = [...it.drafts].sort((a, b) => a.start.localeCompare(b.start))[0]!
    const breaks = (from: string) => ({
      rule: 'TAKEN_TWICE' as const,
      draftIds: [first.id],
      thing: first.vesselName,
      from,
      to: first.ready,
    })
    const drafts = it.drafts.map((d) => (d.id === first.id ? { ...d, held: true } : d))
    const broken = [breaks(first.start), breaks(first.ready)]
    const { sent, panel } = await takeFirst(
      { ...it, drafts, broken },
      { [`DELETE /api/course/drafts/${first.id}`]: course() },
    )
    expect(said(panel).split('is wanted twice at once')).toHaveLength(2)
    fireEvent.click(within(panel).getByRole('button', { name: 'Let it go' }))
    await expect.poll(() => sent.some((s) => s.method === 'DELETE')).toBe(true)
  })

  it('takes the latest change back by a button, and not where there is none', async () => {
    const it = course()
    const sent = show(
      { ...it, held: { version: 7, canUndo: true, canRedo: false } },
      { 'POST /api/course/undo': { ...it, held: { version: 8, canUndo: false, canRedo: true } } },
    )
    expect(await screen.findByRole('button', { name: 'Redo' })).toHaveProperty('disabled', true)
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }))
    await expect.poll(() => sent.find((s) => s.path === '/api/course/undo')?.body).toEqual({ version: 7 })
    await expect.poll(() => screen.getByRole('button', { name: 'Undo' })).toHaveProperty('disabled', true)
  })

  it.each([
    [{ how: 'PROVEN', gap: 0 }, 'Proven best'],
    [{ how: 'WITHIN', gap: 0.123 }, 'At most 13 %'],
    [{ how: 'WITHIN', gap: 0 }, 'Nothing is less late'],
  ])('looks for a better one and says how good it is: %o', async (found, words) => {
    const it = course()
    show(it, {
      'POST /api/course/look': { ...it, found, held: { ...it.held, version: it.held.version + 1 } },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Look for a better one' }))
    expect(await screen.findByText(new RegExp(words))).toBeTruthy()
  })

  it('tells what is held and cannot be made any more', async () => {
    const it = course()
    const one = {
      id: 'gone',
      formula: 'fish-fumet',
      litres: 4,
      start: it.now,
      reason: 'its vessel is retired',
    }
    show({ ...it, unmade: [one] })
    expect(await screen.findByText(/its vessel is retired/)).toBeTruthy()
  })

  it('says what comes late, and why', async () => {
    const it = course()
    const call = { ...it.calls[0]!, lateMin: 90, why: 'every vessel that takes it is in use' }
    show({ ...it, calls: [call, ...it.calls.slice(1)] })
    const section = (await screen.findByText('Late')).closest('section')!
    expect(said(section)).toContain('every vessel that takes it is in use')
    expect(within(section).getAllByRole('listitem')).toHaveLength(1)
  })

  it('teaches where nothing is open', async () => {
    show({ ...course(), calls: [], lots: [], drafts: [] })
    expect(await screen.findByText('Nothing is open')).toBeTruthy()
  })

  it('makes a secret address for a calendar program, tells it once, and ends it', async () => {
    let madeAt: string | undefined
    const sent = show(course(), {
      'GET /api/course/calendar': () => ({ madeAt }),
      'POST /api/course/calendar': () => {
        madeAt = course().now
        return { path: '/api/calendars/potamos_abc.ics' }
      },
      'DELETE /api/course/calendar': () => {
        madeAt = undefined
        return new Response(null, { status: 204 })
      },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'An address for a calendar' }))
    expect(await screen.findByText(/potamos_abc\.ics$/)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'End it' }))
    await expect.poll(() => screen.queryByText(/potamos_abc/)).toBeNull()
    expect(sent.filter((s) => s.path === '/api/course/calendar' && s.method === 'DELETE')).toHaveLength(1)
  })

  it('leads to the sheets of today and tomorrow and to the tables', async () => {
    show(course())
    const links = (await screen.findAllByRole('link')).map((link) => link.getAttribute('href') ?? '')
    const sheets = links.filter((href) => /day-sheet\.pdf\?day=\d{4}-\d\d-\d\d$/.test(href))
    expect(new Set(sheets).size).toBe(2)
    expect(links.filter((href) => /weigh-out\.pdf\?day=\d{4}-\d\d-\d\d$/.test(href))).toHaveLength(2)
    expect(links).toContain('/api/course/needs.csv?days=3')
    expect(links).toContain('/api/course/batches.csv?days=3')
  })
})
