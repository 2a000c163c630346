import { useState } from 'react'
import { api, data, type Problem } from '../../api/client'
import { act, log } from '../../api/outbox'
import { useChange, type Lot } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { TextField } from '../../kit/TextField'
import { useMay, useUnits } from '../../kit/session'

type Asked = 'move' | 'pour' | 'stop'

const fields: Record<Asked, string> = {
  move: 'Where to',
  pour: 'Why it is poured away',
  stop: 'Why nobody may hand it out',
}

/** Into the freezer, out of it, onto another shelf; or away, with a reason. */
export function MoveLot({ lot }: { lot: Lot }) {
  const may = useMay()
  const units = useUnits()
  const [asked, setAsked] = useState<Asked>()
  const [words, setWords] = useState('')
  const [problem, setProblem] = useState<Problem>()
  const frozen = lot.kept === 'FROZEN'
  // The lot's own figures are asked for again: its act is answered with the batch.
  const done = useChange(() => Promise.resolve(), 'lot', 'lots', 'batch')
  const send = async (one: ReturnType<typeof act>) => {
    setProblem(undefined)
    const outcome = await log(lot.batchId, one)
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else {
      setAsked(undefined)
      setWords('')
      done.mutate(undefined)
    }
  }
  const path = { params: { path: { id: lot.id } } }
  const stop = useChange(
    () => data(api.POST('/api/lots/{id}/stop', { ...path, body: { reason: words } })),
    'lot',
    'lots',
  )
  const release = useChange(() => data(api.DELETE('/api/lots/{id}/stop', path)), 'lot', 'lots')
  const move = (kept: 'cold' | 'frozen', place: string) =>
    void send(act('moved', { lotId: lot.id, kept, words: place }))
  return (
    <div className="mt-6 grid gap-3">
      <div className="flex flex-wrap gap-2">
        {frozen ? (
          <Button onClick={() => move('cold', 'Cold store')}>Take it out to thaw</Button>
        ) : (
          !lot.thawed && <Button onClick={() => move('frozen', 'Freezer')}>Into the freezer</Button>
        )}
        <Button tone="quiet" onClick={() => setAsked('move')}>
          To another place
        </Button>
        {may('JUDGE') && (
          <>
            <Button tone="quiet" onClick={() => setAsked('pour')}>
              Pour it away
            </Button>
            {lot.stopped === undefined ? (
              <Button tone="quiet" onClick={() => setAsked('stop')}>
                Stop it
              </Button>
            ) : (
              <Button tone="quiet" onClick={() => release.mutate(undefined)}>
                Release it
              </Button>
            )}
          </>
        )}
      </div>
      {asked && (
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            if (asked === 'move') move(frozen ? 'frozen' : 'cold', words)
            else if (asked === 'stop') stop.mutate(undefined, { onSuccess: () => setAsked(undefined) })
            else void send(act('discarded', { litres: lot.leftL, words, lotId: lot.id }))
          }}
        >
          <TextField label={fields[asked]} value={words} onValue={setWords} required />
          <span className="flex flex-wrap gap-2">
            <Button type="submit" disabled={words.trim() === ''}>
              {asked === 'pour'
                ? `Pour ${units.litres(lot.leftL)} away`
                : asked === 'move'
                  ? 'Move it'
                  : 'Stop it'}
            </Button>
            <Button tone="quiet" onClick={() => setAsked(undefined)}>
              Leave it
            </Button>
          </span>
        </form>
      )}
      {problem && <Note>{problem.message}.</Note>}
    </div>
  )
}
