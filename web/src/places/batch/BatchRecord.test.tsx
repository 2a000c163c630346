import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Page } from '../../api/queries'
import { logged, openBatch } from '../../testing/batch'
import { answer, person, said } from '../../testing/kitchen'

describe('the record of a batch', () => {
  it('tells every entry with its time and initials, the latest first', async () => {
    const { page } = openBatch('batch-simmer')
    const list = await screen.findByRole('list', { name: 'Entries, latest first' })
    const rows = within(list).getAllByRole('listitem')
    expect(rows.length).toBe(12)
    fireEvent.click(screen.getByRole('button', { name: `All ${page.events.length} entries` }))
    expect(within(list).getAllByRole('listitem').length).toBe(page.events.length)
    const first = within(list).getAllByRole('listitem')[page.events.length - 1]!
    expect(said(first)).toMatch(/^\d\d:\d\d(IV|WA)From the larder veal/)
  })

  it('names the phase that began and ended, and what a card said', async () => {
    openBatch('batch-simmer')
    const list = await screen.findByRole('list', { name: 'Entries, latest first' })
    fireEvent.click(screen.getByRole('button', { name: /^All / }))
    expect(said(list)).toContain('Begun roast')
    expect(said(list)).toContain('shade 5.5, dark')
  })

  it('strikes a corrected figure through and sets the right one beside it', async () => {
    openBatch('batch-simmer', (page) => {
      const event = page.events.find((e) => e.kind === 'filled')!
      event.correctedTo = { ...event.figures, litres: 21.5 }
      event.reason = 'misread the jug'
      const by = { recordedAt: event.recordedAt, by: 'IV', byName: 'Ilse Varga' }
      event.corrections = [
        { ...by, seq: 8, reason: 'counted jugs', figures: { ...event.figures, litres: 20.5 } },
        { ...by, seq: 9, reason: 'misread the jug', figures: { ...event.figures, litres: 21.5 } },
      ]
      event.late = true
      return { ...page, events: [event] }
    })
    const list = await screen.findByRole('list', { name: 'Entries, latest first' })
    expect(within(list).getByText('21.5 L')).toBeTruthy()
    expect(said(list.querySelector('.line-through'))).toMatch(/L$/)
    // Every correction is there with its person, also one that another has followed; and that it was told from memory.
    expect(said(list)).toContain('Ilse Varga: corrected to 20.5 L')
    expect(said(list)).toContain('counted jugs')
    expect(said(list)).toContain('misread the jug')
    expect(said(list)).toContain('from memory')
  })

  it('shows a photo beside the entry that it shows', async () => {
    const page = answer<Page>('batch-simmer')
    const entry = page.events.find((event) => event.kind === 'skimmed')!
    const at = new Date(new Date(entry.at).getTime() + 20_000).toISOString()
    const photo = {
      id: 'ph',
      subject: 'CLARITY',
      at,
      by: 'IV',
      byName: 'Ilse Varga',
      width: 400,
      height: 300,
    }
    openBatch(
      'batch-simmer',
      (p) => ({ ...p, events: p.events.filter((event) => event.kind === 'skimmed') }),
      person(),
      { [`/api/batches/${page.card.id}/photos`]: [photo] },
    )
    const picture = await screen.findByRole('img', { name: 'Clarity at this entry' })
    expect(said(picture.closest('li'))).toContain('Skimmed')
  })

  it('corrects an entry by another one that names it', async () => {
    const { page, sent } = openBatch('batch-simmer', (p) => ({
      ...p,
      events: p.events.filter((e) => e.kind === 'filled'),
    }))
    fireEvent.click(await screen.findByRole('button', { name: /^Correct Filled/ }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Volume' }), { target: { value: '19' } })
    const correct = within(sheet).getByRole('button', { name: 'Correct the record' })
    expect(correct).toHaveProperty('disabled', true)
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Why' }), { target: { value: 'misread' } })
    fireEvent.click(correct)
    expect((await logged(sent))[0]).toMatchObject({
      kind: 'corrected',
      corrects: page.events[0]!.id,
      litres: 19,
    })
  })

  it('moves an entry to when it really was, and changes nothing else of it', async () => {
    const { page, sent } = openBatch('batch-simmer', (p) => ({
      ...p,
      events: p.events.filter((e) => e.kind === 'heat-on'),
    }))
    fireEvent.click(await screen.findByRole('button', { name: /^Correct Heat on/ }))
    const sheet = await screen.findByRole('dialog')
    const at = within(sheet).getByRole('textbox', { name: 'It happened' })
    fireEvent.change(at, { target: { value: 'yesterday 6:07' } })
    fireEvent.blur(at)
    fireEvent.change(within(sheet).getByRole('textbox', { name: 'Why' }), { target: { value: 'the clock' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Correct the record' }))
    const [told] = await logged(sent)
    expect(told).toMatchObject({ kind: 'corrected', corrects: page.events[0]!.id, reason: 'the clock' })
    expect((told as unknown as { happenedAt: string }).happenedAt).toMatch(/T\d\d:07:00/)
    expect(told).not.toHaveProperty('litres')
  })

  it('offers no correction to a trainee', async () => {
    openBatch('batch-simmer', (p) => p, person({ rights: ['READ', 'ACT'] }))
    await screen.findByRole('list', { name: 'Entries, latest first' })
    expect(screen.queryByRole('button', { name: /^Correct/ })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Judge' })).toBeNull()
  })
})
