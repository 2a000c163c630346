import { expect } from 'vitest'
import { setServerTime } from '../api/clock'
import type { Page } from '../api/queries'
import BatchPlace from '../places/batch/BatchPlace'
import { answer, network, person, visit, type Sent } from './kitchen'

export const NOW = answer<{ now: string }>('range').now

/** A batch's own page, as one of the demo's answers has it, with some of it changed. */
export function openBatch(
  name: string,
  change: (page: Page) => Page = (p) => p,
  who = person(),
  more = {},
): { page: Page; sent: Sent[] } {
  const page = change(answer<Page>(name))
  setServerTime(NOW)
  const at = `/batches/${page.card.id}`
  const sent = network({ [`/api${at}`]: page, [`POST /api${at}/acts`]: page, '/api/calls': [], ...more })
  visit(<BatchPlace />, { at, path: '/batches/:id', who })
  return { page, sent }
}

/** What was logged. */
export const acts = (sent: Sent[]) =>
  sent.filter((s) => s.method === 'POST').map((s) => s.body as Record<string, unknown>)

/** The acts that were sent, once there are so many. */
export async function logged(sent: Sent[], count = 1) {
  await expect.poll(() => acts(sent).length).toBe(count)
  return acts(sent)
}
