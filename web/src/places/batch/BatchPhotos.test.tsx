import { fireEvent, screen, waitFor } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Page, Photo } from '../../api/queries'
import { answer, network, person, pick, problem, type Answers, visit } from '../../testing/kitchen'
import { edge } from '../../testing/edge'
import { BatchPhotos } from './BatchPhotos'
import { smaller } from '../../api/photo'

const page = answer<Page>('batch-simmer')
const NOW = answer<{ now: string }>('range').now
const path = `/api/batches/${page.card.id}/photos`

const photo: Photo = {
  id: 'p1',
  subject: 'SHADE',
  by: 'IV',
  byName: 'Ilse Varga',
  at: NOW,
  width: 1600,
  height: 1200,
}

function open(photos: Photo[], { who = person(), more = {} as Answers } = {}) {
  setServerTime(NOW)
  const sent = network({ [path]: photos, ...more })
  visit(<BatchPhotos page={page} />, { who })
  return sent
}

function choose(type = 'image/png') {
  fireEvent.change(screen.getByLabelText('Photo'), {
    target: { files: [new File(['x'], 'pot.png', { type })] },
  })
}

describe('photos of a batch', () => {
  it('are shown with what they are of, when, and by whom', async () => {
    open([photo])
    const shown = await screen.findByRole('img', { name: /^Shade of the roast, \d\d:\d\d/ })
    expect(shown.getAttribute('src')).toBe(`${path}/p1`)
    expect(screen.getByText('1 kept with the record')).toBeTruthy()
    expect(screen.getByText('IV', { exact: false })).toBeTruthy()
  })

  it('are taken of what was chosen, and sent as they are', async () => {
    const sent = open([])
    await pick(await screen.findByRole('button', { name: /^A photo of/ }), 'set')
    choose()
    await expect.poll(() => sent.filter((s) => s.method === 'PUT').length).toBe(1)
    expect(sent.find((s) => s.method === 'PUT')!.path).toMatch(new RegExp(`^${path}/[0-9a-f-]{36}$`))
  })

  it('say why one was not taken, and that one needs the connection', async () => {
    const refusal = problem(422, 'broken', { photo: { reason: 'a photo as JPEG or PNG' } })
    let away = false
    open([])
    edge.answer = (request) => {
      if (request.method !== 'PUT') return Promise.resolve(Response.json([]))
      return away ? Promise.reject(new TypeError('no network')) : Promise.resolve(refusal)
    }
    await screen.findByRole('button', { name: /^A photo of/ })
    choose()
    expect(await screen.findByText('a photo as JPEG or PNG')).toBeTruthy()
    away = true
    choose()
    expect(await screen.findByText(/take it again when it is back/)).toBeTruthy()
  })

  it('are taken out by who may judge, and only shown to who reads', async () => {
    const sent = open([photo], { more: { [`POST ${path}/p1/withdrawal`]: {} } })
    fireEvent.click(await screen.findByRole('button', { name: /^Take out Shade/ }))
    const takeOut = await screen.findByRole('button', { name: 'Take it out' })
    expect(takeOut).toHaveProperty('disabled', true)
    fireEvent.change(screen.getByRole('textbox', { name: 'Why' }), { target: { value: 'another pot' } })
    fireEvent.click(takeOut)
    await expect
      .poll(() => sent.find((s) => s.path.endsWith('/withdrawal'))?.body)
      .toEqual({ reason: 'another pot' })
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    open([], { who: person({ rights: ['READ'] }) })
    await waitFor(() => expect(screen.getAllByRole('region', { name: 'Photos' })).toHaveLength(1))
  })
})

it('shows who took a photo out, and why, in its place', async () => {
  open([{ ...photo, withdrawn: { byName: 'Ilse Varga', at: photo.at, reason: 'another pot' } }])
  expect(await screen.findByText(/by Ilse Varga: another pot/)).toBeTruthy()
  expect(screen.queryByRole('img', { name: /^Shade/ })).toBeNull()
  expect(screen.queryByRole('button', { name: /^Take out/ })).toBeNull()
})

describe('a picture before it is sent', () => {
  it('goes as it is where the browser cannot draw it', async () => {
    const picture = new Blob(['x'], { type: 'image/png' })
    expect(await smaller(picture)).toBe(picture)
  })
})
