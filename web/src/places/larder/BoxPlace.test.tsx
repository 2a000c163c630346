import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Schemas } from '../../api/client'
import { answer, network, person, problem, said, visit, type Answers } from '../../testing/kitchen'
import BoxPlace from './BoxPlace'

type BoxPage = Schemas['BoxPage']
const page = answer<BoxPage>('box')
const at = `/api/larder/boxes/${page.box.id}`

function open(more: Answers = {}, { who = person(), of = page } = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const its = `/api/larder/boxes/${of.box.id}`
  const sent = network({ [its]: of, [`${its}/wanting`]: [], [`${its}/photos`]: [], ...more })
  visit(<BoxPlace />, { at: `/larder/${of.box.id}`, path: '/larder/:id', who })
  return () => sent.filter((one) => one.method !== 'GET')
}

describe('a box', () => {
  it('is counted as what is really there, not as what is expected', async () => {
    const changes = open({ [`POST ${at}/entries`]: page })
    fireEvent.click(await screen.findByRole('button', { name: 'Count' }))
    const sheet = await screen.findByRole('dialog')
    const field = within(sheet).getByRole<HTMLInputElement>('textbox', { name: 'Really there' })
    expect(field.value).toBe('')
    fireEvent.change(field, { target: { value: '3.2' } })
    fireEvent.click(within(sheet).getByRole('button', { name: 'Count it' }))
    await expect.poll(() => changes().length).toBe(1)
    expect(changes()[0]!.body).toMatchObject({ kind: 'COUNTED', kg: 3.2 })
  })

  it('has its slip beside it, and takes another page of it', async () => {
    const photo = { id: 'p1', byName: 'Wen Abara', at: page.box.takenInAt, width: 1200, height: 1600 }
    const of = { ...page, box: { ...page.box, trim: false, id: 'a-box-with-its-slip' } }
    const its = '/api/larder/boxes/a-box-with-its-slip/photos'
    const changes = open({ [its]: [photo] }, { of })
    const shown = await screen.findByRole('img', { name: /^The slip/ })
    expect(shown.getAttribute('src')).toBe(`${its}/p1`)
    fireEvent.change(screen.getByLabelText('Photo of the slip'), {
      target: { files: [new File(['x'], 'slip.png', { type: 'image/png' })] },
    })
    await expect.poll(() => changes().length).toBe(1)
    expect(changes()[0]!.path).toMatch(new RegExp(`^${its}/[0-9a-f-]{36}$`))
  })

  it('is stopped with a reason', async () => {
    open({ [`POST ${at}/entries`]: problem(422, 'no', { reason: { reason: 'is needed here' } }) })
    fireEvent.click(await screen.findByRole('button', { name: 'Stop it' }))
    const sheet = await screen.findByRole('dialog')
    fireEvent.submit(within(sheet).getByRole('button', { name: 'Stop it' }).closest('form')!)
    expect((await within(sheet).findAllByText(/is needed here/i)).length).toBeGreaterThan(0)
  })

  it('tells which batch took of it, and which wants it now', async () => {
    open({
      [at]: {
        ...page,
        story: [
          {
            id: 's',
            at: page.box.takenInAt,
            by: 'Ilse Varga',
            kind: 'TAKEN',
            kg: -6.2,
            reason: 'bed',
            batchId: 'b7',
            batchNumber: 7,
            formulaName: 'White chicken stock',
          },
        ],
      } satisfies BoxPage,
      [`${at}/wanting`]: [
        {
          batchId: 'b9',
          batchNumber: 9,
          formulaName: 'Brown veal stock',
          vessel: 'K80',
          part: 'bed',
          wantedKg: 9,
          stillKg: 7,
        },
      ],
    })
    expect((await screen.findByRole('link', { name: /7, White chicken/ })).getAttribute('href')).toBe(
      '/batches/b7',
    )
    expect((await screen.findByRole('link', { name: 'Weigh it in' })).getAttribute('href')).toBe(
      `/batches/b9?weigh=${page.box.id}`,
    )
    expect(said(document.body)).toContain('−6.2')
    expect(said(document.body)).toContain('still wants 7.00')
  })

  it('that is stopped says so before anything else', async () => {
    open({ [at]: { ...page, box: { ...page.box, refused: 'STOPPED', stopped: 'smelled' } } })
    expect(await screen.findByText(/Stopped: smelled/)).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Release it' })).toBeTruthy()
  })

  it('is only looked at by whoever may not act', async () => {
    open({}, { who: person({ rights: ['READ'] }) })
    await screen.findByRole('heading', { level: 1 })
    expect(screen.queryAllByRole('button')).toEqual([])
  })
})
