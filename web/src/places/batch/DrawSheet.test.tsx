import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Source } from '../../api/draws'
import type { Page } from '../../api/queries'
import { logged, openBatch } from '../../testing/batch'
import { answer, person, problem, said } from '../../testing/kitchen'

const sources = answer<Source[]>('sources')
const first = sources[0]!
const draw = { ...first.stock, litres: 4 }

/** A pot that is going to be drawn with four litres of the first. */
const drawnWith = (page: Page): Page => ({
  ...page,
  draws: [draw],
  drawnL: {},
  plannedRestL: 0,
  card: {
    ...page.card,
    due: [
      {
        ...page.card.due[0]!,
        kind: 'DRAW',
        asks: false,
        amount: 4,
        parts: [],
        becomes: [{ kind: 'drew', figures: { sourceId: draw.sourceId, litres: 4, source: draw.name } }],
      },
      ...page.card.due.slice(1),
    ],
  },
})

describe('a pot that is drawn with stock', () => {
  it('names the lot on its button, shows the litres, and logs them as drawn', async () => {
    const { sent } = openBatch('batch-prepare-fish', drawnWith)
    const button = await screen.findByRole('button', { name: /^Draw the stock/ })
    expect(said(button)).toContain(`4.0 L of ${draw.name}`)
    fireEvent.click(button)
    fireEvent.click(screen.getByRole('button', { name: /^Log 4\.0/ }))
    const [act] = await logged(sent)
    expect(act).toMatchObject({ kind: 'drew', sourceId: draw.sourceId, litres: 4 })
  })

  it('lists it where water would stand, until it is in', async () => {
    openBatch('batch-prepare-fish', drawnWith)
    const list = (await screen.findByText('Weigh out')).closest('section')!
    expect(within(list).getByText(draw.name)).toBeTruthy()
    expect(within(list).queryByText('cold water')).toBeNull()
  })

  it('is drawn from another lot than was planned', async () => {
    const { sent } = openBatch('batch-prepare-fish', drawnWith, person(), { '/api/sources': sources })
    fireEvent.click(await screen.findByRole('button', { name: 'Draw from another lot' }))
    const sheet = await screen.findByRole('dialog', { name: 'Draw stock' })
    const other = sources[1]!.stock
    fireEvent.keyDown(await within(sheet).findByRole('slider', { name: other.name }), { key: 'End' })
    fireEvent.click(within(sheet).getByRole('button', { name: /^Draw \d/ }))
    const [act] = await logged(sent)
    expect(act).toMatchObject({ kind: 'drew', sourceId: other.sourceId })
    expect(act!.litres).toBeCloseTo(other.litres - sources[1]!.plannedL, 1)
  })

  it('is told when somebody else has drawn it meanwhile', async () => {
    openBatch('batch-prepare-fish', drawnWith, person(), {
      '/api/sources': sources,
      [`POST /api/batches/${answer<Page>('batch-prepare-fish').card.id}/acts`]: problem(
        422,
        'more than is left of this lot',
        { litres: { reason: 'more than is left of this lot' } },
      ),
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Draw from another lot' }))
    fireEvent.keyDown(await screen.findByRole('slider', { name: first.stock.name }), { key: 'End' })
    fireEvent.click(screen.getByRole('button', { name: /^Draw \d/ }))
    expect(await screen.findByText(/more than is left of this lot/)).toBeTruthy()
  })
})
