import { useState, type FormEvent } from 'react'
import { useSources } from '../../api/draws'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Failed, Loading, Note } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { drawnL, SourceList, type Draws } from '../draws/SourceList'
import { useSend } from './useSend'
import { happened, WhenField } from './WhenField'

/** Stock for this pot out of a lot: of which and how much, whatever was planned. It leaves that lot as it is logged. */
export function DrawSheet({ page, onClose }: { page: Page; onClose: () => void }) {
  const units = useUnits()
  const { now } = useTimes()
  const sources = useSources()
  const [draws, setDraws] = useState<Draws>({})
  const [ago, setAgo] = useState(0)
  const { problem, busy, send } = useSend(page.card.id, onClose)
  const litres = drawnL(draws)
  // What is set aside for this pot is this pot's to draw.
  const there = (sources.data ?? [])
    .filter((source) => source.batchId !== page.card.id)
    .map((source) => {
      const planned = page.draws.find((draw) => draw.sourceId === source.stock.sourceId)?.litres ?? 0
      const own = Math.max(0, planned - (page.drawnL[source.stock.sourceId] ?? 0))
      return { ...source, plannedL: Math.max(0, source.plannedL - own) }
    })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void send(
      ...Object.entries(draws).map(([sourceId, litres]) =>
        act('drew', { sourceId, litres, ...happened(ago, now) }),
      ),
    )
  }
  return (
    <Sheet title="Draw stock" open onClose={onClose}>
      {sources.isPending ? (
        <Loading what="what there is" />
      ) : !sources.data ? (
        <Failed what="What there is" error={sources.error} onRetry={() => void sources.refetch()} />
      ) : there.length === 0 ? (
        <p className="text-18 m-0">
          No stock lies here to draw from. What lies frozen is taken out to thaw first; what is strained is
          there at once.
        </p>
      ) : (
        <form onSubmit={submit} className="grid gap-5">
          <SourceList sources={there} draws={draws} onDraws={setDraws} />
          <WhenField minutes={ago} onMinutes={setAgo} />
          {problem && <Note>{problem.message}.</Note>}
          <Button type="submit" tone="act" large disabled={busy || litres === 0}>
            {busy
              ? 'Logging …'
              : litres === 0
                ? 'Drag the litres out of a lot'
                : `Draw ${units.litres(litres)}`}
          </Button>
        </form>
      )}
    </Sheet>
  )
}
