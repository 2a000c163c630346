import { useState } from 'react'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { useSend } from './useSend'

/** Whatever else may be done with a stock, it can be thrown away, with the reason in the record. */
export function DiscardInstead({ page, why, onClose }: { page: Page; why: string; onClose: () => void }) {
  const units = useUnits()
  const litres = (page.card.strainedL ?? 0) - page.discardedL
  const { problem, send } = useSend(page.card.id, onClose)
  const [asked, setAsked] = useState(false)
  return (
    <>
      {asked ? (
        <div className="grid grid-cols-2 gap-2">
          <Button large onClick={() => void send(act('discarded', { litres, words: why }))}>
            Pour it away
          </Button>
          <Button tone="quiet" large onClick={() => setAsked(false)}>
            Keep it
          </Button>
        </div>
      ) : (
        <Button large onClick={() => setAsked(true)}>
          Discard all {units.litres(litres)}
        </Button>
      )}
      {problem && <Note>{problem.message}.</Note>}
    </>
  )
}
