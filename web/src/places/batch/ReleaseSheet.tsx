import { useState } from 'react'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { useMay, useUnits } from '../../kit/session'
import { outcomeName, reasonWords } from '../../words/en'
import { DiscardInstead } from './DiscardInstead'
import { useSend } from './useSend'

/** A cooling that its record does not simply prove: a chef vouches for it with a reason, or it is thrown away. */
export function ReleaseSheet({ page, onClose }: { page: Page; onClose: () => void }) {
  const units = useUnits()
  const may = useMay()
  const [words, setWords] = useState('')
  const { problem, busy, send } = useSend(page.card.id, onClose)
  const cooling = page.card.cooling
  const vouches = may('VOUCH')
  return (
    <Sheet title="Vouch for it, or discard it" open onClose={onClose}>
      <form
        className="grid gap-5"
        onSubmit={(event) => {
          event.preventDefault()
          void send(act('released', { words }))
        }}
      >
        <p className="text-18 m-0">
          Cooling: <b className="text-hazard font-semibold">{outcomeName[cooling.overall]}</b>.
        </p>
        <ul className="text-15 m-0 grid list-none gap-1 p-0">
          {cooling.stages
            .filter((stage) => stage.outcome !== 'PASSED')
            .map((stage) => (
              <li key={`${stage.fromC}${stage.toC}`}>
                {units.celsius(stage.fromC, 1)} to {units.celsius(stage.toC, 1)}: {reasonWords[stage.reason]}
              </li>
            ))}
        </ul>
        {vouches ? (
          <>
            <TextField
              label="Why it may be used"
              value={words}
              onValue={setWords}
              hint="It stands with your name in the record, on the label and in the report"
              problem={problem?.fields.words}
              required
            />
            <Button type="submit" tone="act" large disabled={busy || !words.trim()}>
              {busy ? 'Logging …' : 'I vouch for it'}
            </Button>
          </>
        ) : (
          <Note>Only a chef can vouch for it. Call one, or pour it away.</Note>
        )}
        {problem && !problem.fields.words && <Note>{problem.message}.</Note>}
        {may('DELIVER') && <DiscardInstead page={page} why="cooling not proven" onClose={onClose} />}
      </form>
    </Sheet>
  )
}
