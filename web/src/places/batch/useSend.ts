import { useState } from 'react'
import type { Problem } from '../../api/client'
import type { Act } from '../../api/outbox'
import { logAll } from './acts'

/** Logs what a sheet asks for, one after another: while it is busy nothing is sent twice, and what is refused stays beside the fields. */
export function useSend(batchId: string, onTaken?: () => void) {
  const [problem, setProblem] = useState<Problem>()
  const [busy, setBusy] = useState(false)
  const send = async (...acts: Act[]) => {
    setBusy(true)
    setProblem(undefined)
    const outcome = await logAll(batchId, acts)
    setBusy(false)
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else onTaken?.()
  }
  return { problem, busy, send }
}
