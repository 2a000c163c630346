import { useState } from 'react'
import { api, data, type Problem } from '../../api/client'
import { act, log } from '../../api/outbox'
import { useChange, type Lot } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { TextField } from '../../kit/TextField'
import { useMay, useUnits } from '../../kit/session'
import { BlendSheet } from './BlendSheet'

type Asked = 'move' | 'pour' | 'stop' | 'count'

const fields: Record<Asked, string> = {
  move: 'Where to',
  pour: 'Why it is poured away',
  stop: 'Why nobody may hand it out',
  count: 'Really there',
}

/** Into the freezer, out of it, onto another shelf; or away, with a reason. */
export function MoveLot({ lot }: { lot: Lot }) {
  const may = useMay()
  const units = useUnits()
  const [asked, setAsked] = useState<Asked>()
  const [words, setWords] = useState('')
  const [there, setThere] = useState<number>()
  const [blending, setBlending] = useState(false)
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
        {may('DELIVER') && (
          <>
            <Button tone="quiet" onClick={() => setAsked('count')}>
              Count it
            </Button>
            {!frozen && lot.stopped === undefined && !lot.pastUseBy && (
              <Button tone="quiet" onClick={() => setBlending(true)}>
                Blend it
              </Button>
            )}
          </>
        )}
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
            else if (asked === 'count') {
              if (there !== undefined) void send(act('counted', { lotId: lot.id, litres: there }))
            } else if (asked === 'stop') stop.mutate(undefined, { onSuccess: () => setAsked(undefined) })
            else void send(act('discarded', { litres: lot.leftL, words, lotId: lot.id }))
          }}
        >
          {asked === 'count' ? (
            <>
              <NumberField
                label={fields.count}
                value={there}
                onValue={setThere}
                dimension="litres"
                units={units.units}
                problem={problem?.fields.litres}
              />
              <p className="text-15 text-quiet m-0">
                By the entries {units.litres(lot.leftL)}; the difference stands in the record.
              </p>
            </>
          ) : (
            <TextField label={fields[asked]} value={words} onValue={setWords} required />
          )}
          <span className="flex flex-wrap gap-2">
            <Button type="submit" disabled={asked === 'count' ? there === undefined : words.trim() === ''}>
              {asked === 'pour'
                ? `Pour ${units.litres(lot.leftL)} away`
                : { move: 'Move it', stop: 'Stop it', count: 'That is there' }[asked]}
            </Button>
            <Button tone="quiet" onClick={() => setAsked(undefined)}>
              Leave it
            </Button>
          </span>
        </form>
      )}
      {problem && !(asked === 'count' && problem.fields.litres) && <Note>{problem.message}.</Note>}
      {blending && <BlendSheet lot={lot} onClose={() => setBlending(false)} />}
    </div>
  )
}
