import { screen } from '@testing-library/react'
import { setServerTime } from '../api/clock'
import type { Charge } from '../api/queries'
import ChargePlace from '../places/formulas/ChargePlace'
import { answer, network, person, visit, type Answers } from './kitchen'

const NOW = answer<{ now: string }>('range').now

const split = [
  { vesselId: 'a', vesselName: 'K80', litres: 31.2, bedKg: 23.4, waterL: 40 },
  { vesselId: 'b', vesselName: 'Pot 24', litres: 13.8, bedKg: 10.1, waterL: 17 },
]

/** A formula in a vessel, as one of the demo's answers has it. */
export function openCharge(
  name: string,
  query = 'goal=LITRES&value=20',
  { who = person(), more = {} as Answers } = {},
) {
  const charge = answer<Charge>(name)
  setServerTime(NOW)
  const sent = network({
    '/api/charges': charge,
    '/api/charges/effects': answer('effects'),
    '/api/charges/split': split,
    '/api/formulas/larder': answer('larder'),
    '/api/calls': answer('calls'),
    ...more,
  })
  visit(<ChargePlace />, { at: `/formulas/${charge.formula}?${query}`, path: '/formulas/:slug', who })
  return { charge, sent }
}

/** What the address of the page says. */
export const address = () => new URLSearchParams(screen.getByLabelText('address').textContent.split('?')[1])
/** What the server was asked to solve, one after another. */
export const asked = (sent: ReturnType<typeof network>) =>
  sent.filter((s) => s.path === '/api/charges').map((s) => s.body as Record<string, unknown>)
