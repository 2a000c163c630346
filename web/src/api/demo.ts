import { setServerTime } from './clock'
import { cookie } from './client'

export interface Move {
  minutes?: number
  toTheNextAct?: boolean
}

/**
 * Moves the demo's clock on. Not of the contract: there is no such operation outside the demo.
 *
 * @returns why it did not move; nothing when it did
 */
export async function moveDemo(by: Move, cookWorks: boolean): Promise<string | undefined> {
  const answer = await fetch('/api/demo/clock', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': cookie('XSRF-TOKEN') },
    body: JSON.stringify({ ...by, cookWorks }),
  }).catch(() => undefined)
  if (answer?.ok) {
    setServerTime(((await answer.json()) as { now: string }).now)
    return undefined
  }
  return answer?.status === 422 ? 'Nothing is due within a day.' : 'The clock did not move.'
}
