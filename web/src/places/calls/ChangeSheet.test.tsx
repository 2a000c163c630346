import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../../api/client'
import { setServerTime } from '../../api/clock'
import type { Call } from '../../api/queries'
import { answer, network, person, visit, type Answers } from '../../testing/kitchen'
import { wayOutName } from '../../words/en'
import { CallsPlace } from './CallsPlace'

const bram = () => person({ role: 'STATION', rights: ['ASK'], stationId: 'soup' })

function open({ who = person(), more = {} as Answers } = {}) {
  setServerTime(answer<{ now: string }>('range').now)
  const sent = network({ '/api/calls/menu': answer('menu'), '/api/deliveries': [], ...more })
  visit(<CallsPlace />, { at: '/calls', path: '/calls', who })
  return sent
}

describe('a call that is changed', () => {
  it('changes one, with what that does shown to whoever plans', async () => {
    const first = answer<Call[]>('calls').find((c) => c.status === 'OPEN')!
    const ways = answer<Schemas['WaysOutView']>('ways-out')
    const sent = open({
      more: {
        '/api/calls': [first],
        'POST /api/course/ways-out': ways,
        'POST /api/course/ways-out/taken': new Response(null, { status: 204 }),
      },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Change' }))
    fireEvent.change(screen.getByLabelText('How much, cold and strained'), { target: { value: '31' } })
    const way = await screen.findByRole('region', { name: wayOutName[ways.ways[0]!.how] })
    fireEvent.click(within(way).getByRole('button', { name: 'Change it so' }))
    await expect.poll(() => sent.some((s) => s.path.endsWith('/taken'))).toBe(true)
    const body = sent.find((s) => s.path.endsWith('/taken'))!.body as Schemas['Take']
    expect(body.trouble).toMatchObject({ kind: 'CALL', call: { callId: first.id, litres: 31 } })
  })

  it('is changed by a station without a word about the plan', async () => {
    const first = answer<Call[]>('calls').find((c) => c.status === 'OPEN')!
    const sent = open({
      who: bram(),
      more: { '/api/calls': [first], [`PUT /api/calls/${first.id}`]: { ...first, litres: 9 } },
    })
    fireEvent.click(await screen.findByRole('button', { name: 'Change' }))
    fireEvent.change(screen.getByLabelText('How much, cold and strained'), { target: { value: '9' } })
    fireEvent.click(screen.getByRole('button', { name: 'Change it' }))
    await expect.poll(() => sent.find((s) => s.method === 'PUT')?.body).toMatchObject({ litres: 9 })
    expect(sent.some((s) => s.path === '/api/course/ways-out')).toBe(false)
  })
})
