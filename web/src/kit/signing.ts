import { useCallback, useEffect } from 'react'
import { useQueryClient } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { useOutbox } from '../api/outbox'
import type { Session } from '../api/queries'
import { begin } from './rest'
import { useVisit } from './session'

/** Somebody who stood at a shared tablet and walked away has stepped back from it. */
const WALKED_AWAY_MS = 120_000
const TOLD_EVERY_MS = 30_000

/** Takes in who this screen is now. */
export function useBecome() {
  const client = useQueryClient()
  return useCallback(
    (session: Session) => {
      // An answer from before, still on its way, would say again who was here then.
      void client.cancelQueries({ queryKey: ['session'] })
      client.setQueryData(['session'], session)
      begin()
    },
    [client],
  )
}

export function useStepBack() {
  const become = useBecome()
  return useCallback(async () => become(await data(api.DELETE('/api/session/signature'))), [become])
}

/** Steps back by itself when nobody has touched the screen for a while and nothing of theirs still waits to be sent. */
export function useWalkedAway() {
  const { person } = useVisit()
  const { waiting } = useOutbox()
  const stepBack = useStepBack()
  const signed = person.signature === 'PIN'
  const settled = waiting.length === 0
  useEffect(() => {
    if (!signed || !settled) return
    let timer: ReturnType<typeof setTimeout>
    let toldAt = 0
    const touched = () => {
      clearTimeout(timer)
      // The server lets a signature end by its own clock, and is told now and then that somebody still stands here.
      if (Date.now() - toldAt > TOLD_EVERY_MS) {
        toldAt = Date.now()
        void api.PUT('/api/session/signature').catch(() => undefined)
      }
      // Without a connection they stay signed: what they log is kept as theirs, and the next touch tries again.
      timer = setTimeout(() => void stepBack().catch(() => undefined), WALKED_AWAY_MS)
    }
    touched()
    window.addEventListener('pointerdown', touched)
    window.addEventListener('keydown', touched)
    return () => {
      clearTimeout(timer)
      window.removeEventListener('pointerdown', touched)
      window.removeEventListener('keydown', touched)
    }
  }, [signed, settled, stepBack])
}
