import { cleanup, fireEvent, screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { FormulaView } from '../../api/queries'
import { answer, listOf, network, person, pick, problem, type Answers, visit } from '../../testing/kitchen'
import EditPlace from './EditPlace'

function open({
  who = person(),
  more = {} as Answers,
  view = answer<FormulaView>('formula-brown-beef'),
} = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({
    '/api/formulas/brown-beef': view,
    '/api/formulas/larder': answer('larder'),
    '/api/kitchen': answer('kitchen'),
    '/api/charges': answer('charge-brown'),
    ...more,
  })
  visit(<EditPlace />, { at: '/formulas/brown-beef/edit', path: '/formulas/:slug/edit', who })
  return sent
}

const save = () => screen.getByRole('button', { name: 'Save' })
const put = (sent: ReturnType<typeof network>) => sent.find((s) => s.method === 'PUT')

describe('the editor of a formula', () => {
  it('shows every phase in the order of work, and every part with its amount', async () => {
    open()
    expect((await screen.findByRole('heading', { level: 1 })).textContent).toContain('Brown beef stock')
    const phases = screen.getByText('Procedure').closest('section')!.querySelectorAll('li > b')
    const words = [...phases].map((b) => b.textContent)
    expect(words.slice(0, 4)).toEqual(['Roast', 'Brown', 'Cook the tomato', 'Deglaze'])
    expect(screen.getByRole('textbox', { name: 'How much Onion' })).toHaveProperty('value', '6')
  })

  it('has nothing to save until something is changed, and lists what was', async () => {
    open()
    await screen.findByRole('heading', { level: 1 })
    expect(save()).toHaveProperty('disabled', true)
    fireEvent.change(screen.getByRole('textbox', { name: 'How much Onion' }), { target: { value: '8' } })
    expect(save()).toHaveProperty('disabled', false)
    expect(screen.getByText('1 changed')).toBeTruthy()
    const row = screen.getByRole('rowheader', { name: /onion/i }).closest('tr')!
    expect(row.textContent).toMatch(/6.*8/)
    fireEvent.click(screen.getByRole('button', { name: /^Back to version/ }))
    expect(screen.getByText('nothing changed yet')).toBeTruthy()
  })

  it('draws the pot of the draft while it is typed', async () => {
    const sent = open()
    fireEvent.change(await screen.findByRole('textbox', { name: 'How much Onion' }), {
      target: { value: '9' },
    })
    await expect
      .poll(() => {
        const last = sent.filter((s) => s.path === '/api/charges').at(-1)?.body as
          { draft?: { parts: { item: string; amount: { percentOfBed?: number } }[] } } | undefined
        return last?.draft?.parts.find((p) => p.item === 'onion')?.amount.percentOfBed
      })
      .toBe(9)
  })

  it('saves a new version that names the one it began from, with the reason', async () => {
    const view = answer<FormulaView>('formula-brown-beef')
    const sent = open({ more: { 'PUT /api/formulas/brown-beef': view } })
    fireEvent.change(await screen.findByRole('textbox', { name: 'How much Onion' }), {
      target: { value: '8' },
    })
    fireEvent.change(screen.getByRole('textbox', { name: 'Why' }), { target: { value: 'sweeter' } })
    fireEvent.click(save())
    await expect.poll(() => put(sent)).toBeTruthy()
    expect(put(sent)!.body).toMatchObject({ basedOn: view.formula.version, note: 'sweeter' })
  })

  it('says beside the very field what cannot be, and keeps the draft', async () => {
    open({
      more: {
        'PUT /api/formulas/brown-beef': problem(422, 'no', {
          'parts[0].amount.percentOfBed': {
            reason: 'outside the range that makes sense',
            low: 0,
            high: 500,
            unit: '%',
          },
        }),
      },
    })
    const onion = await screen.findByRole('textbox', { name: 'How much Onion' })
    fireEvent.change(onion, { target: { value: '900' } })
    fireEvent.click(save())
    expect((await screen.findByRole('alert')).textContent).toContain('outside the range')
    expect(onion).toHaveProperty('value', '900')
  })

  it('says that somebody else saved another version meanwhile', async () => {
    open({
      more: { 'PUT /api/formulas/brown-beef': problem(409, 'Tomaz Okafor saved version 2 meanwhile.') },
    })
    fireEvent.change(await screen.findByRole('textbox', { name: 'How much Onion' }), {
      target: { value: '8' },
    })
    fireEvent.click(save())
    expect(await screen.findByText('Tomaz Okafor saved version 2 meanwhile.')).toBeTruthy()
  })

  it('moves a phase, takes one out and puts another in', async () => {
    open()
    await screen.findByRole('heading', { level: 1 })
    const words = () =>
      [...screen.getByText('Procedure').closest('section')!.querySelectorAll('li > b')].map(
        (b) => b.textContent,
      )
    expect(screen.getByRole('button', { name: 'Roast earlier' })).toHaveProperty('disabled', true)
    fireEvent.click(screen.getByRole('button', { name: 'Roast later' }))
    expect(words().slice(0, 2)).toEqual(['Brown', 'Roast'])
    fireEvent.click(screen.getByRole('button', { name: 'Without Deglaze' }))
    expect(words()).not.toContain('Deglaze')
    await pick(screen.getByRole('button', { name: 'Another phase' }), 'Soak')
    expect(words().at(-1)).toBe('Soak')
  })

  it('keeps what was changed through a reload, and lets it go on a word', async () => {
    open()
    const onion = () => screen.findByRole('textbox', { name: 'How much Onion' })
    const was = ((await onion()) as HTMLInputElement).value
    fireEvent.change(await onion(), { target: { value: '8' } })
    cleanup()
    open()
    expect(await onion()).toHaveProperty('value', '8')
    fireEvent.click(screen.getByRole('button', { name: /^Back to version/ }))
    cleanup()
    open()
    expect(await onion()).toHaveProperty('value', was)
  })

  it('puts a part in and takes one out', async () => {
    open()
    await screen.findByRole('heading', { level: 1 })
    expect(await listOf(screen.getByRole('button', { name: 'Another part' }))).not.toContain('Onion')
    fireEvent.click(screen.getByRole('menuitemradio', { name: 'Leek' }))
    expect(screen.getByRole('textbox', { name: 'How much Leek' })).toHaveProperty('value', '3')
    fireEvent.click(screen.getByRole('button', { name: 'Without Celery' }))
    expect(screen.queryByRole('textbox', { name: 'How much Celery' })).toBeNull()
  })

  it('makes a copy under a name of its own', async () => {
    const sent = open({ more: { 'POST /api/formulas': {} } })
    fireEvent.click(await screen.findByRole('button', { name: 'Copy' }))
    fireEvent.change(screen.getByRole('textbox', { name: 'Name of the copy' }), {
      target: { value: 'Brown beef, long' },
    })
    fireEvent.click(screen.getByRole('button', { name: 'Make the copy' }))
    await expect
      .poll(() => screen.getByLabelText('address').textContent)
      .toBe('/formulas/brown-beef-long/edit')
    const body = sent.find((s) => s.method === 'POST' && s.path === '/api/formulas')!.body as {
      formula: object
    }
    expect(body.formula).toMatchObject({ slug: 'brown-beef-long', name: 'Brown beef, long' })
  })

  it('is only read by whoever may not set the kitchen up', async () => {
    open({ who: person({ rights: ['READ'] }) })
    await screen.findByRole('heading', { level: 1 })
    expect(screen.queryByRole('button', { name: 'Save' })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Copy' })).toBeNull()
  })

  it('retires a formula and takes it back', async () => {
    const sent = open({ more: { 'POST /api/formulas/brown-beef/retirement': {} } })
    fireEvent.click(await screen.findByRole('button', { name: 'Retire' }))
    await expect.poll(() => sent.find((s) => s.path.endsWith('/retirement'))?.body).toEqual({ retired: true })
  })
})
