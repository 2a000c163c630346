import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { setServerTime } from '../../api/clock'
import type { Trace } from '../../api/trace'
import { answer, network, person, said, visit, type Answers } from '../../testing/kitchen'
import TracePlace from './TracePlace'

const trace: Trace = {
  boxes: [
    {
      id: 'box',
      name: 'chicken carcass',
      supplier: 'Hill Farm',
      supplierLot: 'HF-1',
      kg: 20,
      cameOn: '2026-11-23',
      stopped: false,
    },
  ],
  taken: [{ boxId: 'box', batchId: 'batch', part: 'bed', kg: 9, at: '2026-11-24T06:00:00Z' }],
  before: [],
  drawn: [],
  batches: [
    {
      id: 'batch',
      number: 7,
      formulaName: 'White chicken stock',
      acceptedAt: '2026-11-24T06:00:00Z',
      stage: 'ON_SHELF',
    },
  ],
  lots: [
    {
      id: 'lot',
      batchId: 'batch',
      code: '261124-7',
      litres: 7,
      leftL: 5,
      useBy: '2026-11-27',
      place: 'Cold store',
    },
  ],
  left: [],
  slips: [
    {
      id: 'slip',
      lotId: 'lot',
      batchId: 'batch',
      stationName: 'Soup',
      litres: 2,
      at: '2026-11-25T09:00:00Z',
      by: 'Ilse Varga',
    },
  ],
}
const stopped: Trace = {
  ...trace,
  boxes: trace.boxes.map((box) => ({ ...box, stopped: true })),
  lots: trace.lots.map((lot) => ({ ...lot, stopped: 'the butcher called' })),
}

function open(at = '/trace?what=HF-1', more: Answers = {}, who = person()) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({ '/api/trace': trace, ...more })
  visit(<TracePlace />, { at, path: '/trace', who })
  return () => sent.filter((one) => one.method === 'POST')
}

const column = (name: string) => screen.findByRole('region', { name })

describe('a trace', () => {
  it('leads from the box to whoever was handed what', async () => {
    open()
    expect(said(within(await column('In the larder')).getByRole('listitem'))).toContain('Hill Farm, lot HF-1')
    expect(said(within(await column('Into the pot')).getByRole('listitem'))).toMatch(
      /batch 7, 9\.00.*kg of it/,
    )
    expect(said(within(await column('Put away')).getByRole('listitem'))).toMatch(/5\.0 L left of 7\.0 L/)
    expect(said(within(await column('Handed to')).getByRole('listitem'))).toMatch(/Soup.*2\.0 L.*Ilse Varga/)
    expect(screen.getByRole('link', { name: 'As a table' }).getAttribute('href')).toBe(
      '/api/trace.csv?what=HF-1',
    )
  })

  it('leads through stock that was made of stock', async () => {
    open('/trace?what=HF-1', {
      '/api/trace': {
        ...trace,
        before: [{ ...trace.batches[0]!, id: 'bones', number: 5, formulaName: 'Second wetting' }],
        taken: [{ ...trace.taken[0]!, batchId: 'bones' }],
        drawn: [{ id: 'drawing', batchId: 'bones', intoId: 'batch', litres: 8, at: '2026-11-24T06:00:00Z' }],
      },
    })
    const rows = within(await column('Into the pot'))
      .getAllByRole('listitem')
      .map(said)
    expect(rows[0]).toMatch(/Second wetting.*batch 5, 9\.00.*kg of it/)
    expect(rows[1]).toMatch(/White chicken stock.*batch 7, 8\.0 L of batch 5/)
  })

  it('is asked for by a number, and teaches until then', async () => {
    open('/trace')
    expect(await screen.findByText('Any number will do')).toBeTruthy()
    fireEvent.change(screen.getByRole('textbox', { name: "A lot's number" }), {
      target: { value: ' 261124-7 ' },
    })
    fireEvent.click(screen.getByRole('button', { name: 'Follow it' }))
    expect(await column('Put away')).toBeTruthy()
  })

  it('says when nothing is called so', async () => {
    open('/trace?what=no', {
      '/api/trace': { boxes: [], taken: [], before: [], batches: [], drawn: [], lots: [], slips: [] },
    })
    expect(await screen.findByText('Nothing here is called that')).toBeTruthy()
  })

  it('is recalled with a reason, and says what that stops before it does', async () => {
    const posted = open('/trace?what=HF-1', { 'POST /api/trace/recalls': stopped })
    fireEvent.click(await screen.findByRole('button', { name: 'Recall it' }))
    expect(posted()).toEqual([])
    expect(screen.getByText(/1 lot with 5\.0.* left are stopped/)).toBeTruthy()
    fireEvent.change(screen.getByRole('textbox', { name: 'Why' }), {
      target: { value: 'the butcher called' },
    })
    fireEvent.click(screen.getByRole('button', { name: 'Stop all of it' }))
    await expect.poll(() => posted().length).toBe(1)
    expect(posted()[0]!.body).toEqual({ what: 'HF-1', reason: 'the butcher called' })
  })

  it('says so when all of it is stopped, and offers no second recall', async () => {
    open('/trace?what=HF-1', { '/api/trace': stopped })
    expect(await screen.findByText(/All of it is stopped/)).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Recall it' })).toBeNull()
  })

  it('recalls nothing for whoever may not judge', async () => {
    open('/trace?what=HF-1', {}, person({ rights: ['READ', 'ACT'] }))
    await column('Handed to')
    expect(screen.queryByRole('button', { name: 'Recall it' })).toBeNull()
  })
})
