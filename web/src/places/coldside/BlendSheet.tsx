import { useState, type FormEvent } from 'react'
import { useNavigate } from 'react-router'
import { useSources } from '../../api/draws'
import { act, log } from '../../api/outbox'
import type { Problem } from '../../api/client'
import { useChange, type Lot } from '../../api/queries'
import { liquorColour } from '../../graphics/liquor'
import { Button } from '../../kit/Button'
import { Failed, Loading, Note } from '../../kit/Note'
import { Scrubber } from '../../kit/Scrubber'
import { Sheet } from '../../kit/Sheet'
import { useUnits } from '../../kit/session'
import { TextField } from '../../kit/TextField'
import { drawnL, SourceList, STEP_L, type Draws } from '../draws/SourceList'

/** Some of this lot and some of another poured together: a new lot with both parents. */
export function BlendSheet({ lot, onClose }: { lot: Lot; onClose: () => void }) {
  const units = useUnits()
  const navigate = useNavigate()
  const sources = useSources()
  const [own, setOwn] = useState(lot.leftL)
  const [draws, setDraws] = useState<Draws>({})
  const [place, setPlace] = useState(lot.place)
  const [problem, setProblem] = useState<Problem>()
  const [busy, setBusy] = useState(false)
  const changed = useChange(() => Promise.resolve(), 'lot', 'lots', 'batch', 'sources')
  // What is strained and not put away is no lot yet, and two lots of one batch are one stock already.
  const others = (sources.data ?? []).filter((one) => one.useBy !== undefined && one.batchId !== lot.batchId)
  const [chosen] = Object.keys(draws)
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (chosen === undefined) return
    setBusy(true)
    setProblem(undefined)
    const blend = act('blended', {
      lotId: lot.id,
      litres: own,
      sourceId: chosen,
      otherLitres: draws[chosen],
      words: place,
      container: lot.container,
    })
    const outcome = await log(lot.batchId, blend)
    setBusy(false)
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else {
      changed.mutate(undefined)
      onClose()
      if (outcome.kind === 'sent') await navigate(`/lots/${blend.id}`)
    }
  }
  return (
    <Sheet title="Blend with another lot" open onClose={onClose}>
      {sources.isPending ? (
        <Loading what="the other lots" />
      ) : !sources.data ? (
        <Failed what="The other lots" error={sources.error} onRetry={() => void sources.refetch()} />
      ) : others.length === 0 ? (
        <p className="text-18 m-0">No lot of another batch lies here cold. What is frozen is thawed first.</p>
      ) : (
        <form className="grid gap-5" onSubmit={(event) => void submit(event)}>
          <Scrubber
            label={`Of this lot, ${lot.code}`}
            value={own}
            min={0}
            max={lot.leftL}
            step={STEP_L}
            words={`${units.litres(own)} of ${units.litres(lot.leftL)}`}
            onValue={setOwn}
            colour={liquorColour(lot.family, lot.gelatinGPerL)}
          />
          <fieldset className="m-0 grid gap-2 border-0 p-0">
            <legend className="text-15 mb-1 p-0 font-semibold">With</legend>
            <SourceList
              sources={others}
              draws={draws}
              onDraws={(next) => {
                // Two at a time: whoever blends three pours twice, and each pouring has its entry.
                const fresh = Object.keys(next).find((id) => !(id in draws)) ?? chosen
                setDraws(fresh !== undefined && fresh in next ? { [fresh]: next[fresh]! } : {})
              }}
            />
          </fieldset>
          <TextField label="Where it stands then" value={place} onValue={setPlace} />
          <p className="text-15 text-quiet m-0">
            The new lot holds what is in either of them, and keeps as long as the one that keeps less.
          </p>
          {problem && <Note>{problem.message}.</Note>}
          <Button type="submit" tone="act" large disabled={busy || own === 0 || chosen === undefined}>
            {busy
              ? 'Logging …'
              : chosen === undefined || own === 0
                ? 'Drag the litres out of another lot'
                : `Pour ${units.litres(own + drawnL(draws))} together`}
          </Button>
        </form>
      )}
    </Sheet>
  )
}
