import { useState } from 'react'
import { Link } from 'react-router'
import { useBatches } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Empty, Failed, Loading } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { useSettled } from '../../kit/settled'
import { TextField } from '../../kit/TextField'
import { stageName } from '../../words/en'
import type { Schemas } from '../../api/client'
import { SmallStream, type StreamScale } from '../../graphics/SmallStream'
import { liquorColour } from '../../graphics/liquor'

type Summary = Schemas['Summary']

/** In so small a picture a stock has the colour that it ends in. */
const FULLY_COLOURED = 10

/** Whoever types a word is not asked about after every letter. */
const TYPED_MS = 250

/** Batches, latest first, each as its own small stream: planned, done, and what came out against what was called. */
export default function BatchesPlace() {
  const [words, setWords] = useState('')
  const batches = useBatches(useSettled(words, TYPED_MS))
  if (batches.isPending) return <Loading what="the batches" />
  if (!batches.data)
    return <Failed what="The batches" error={batches.error} onRetry={() => void batches.refetch()} />
  const all = batches.data.pages.flat()
  const streams = all.flatMap(({ stream }) => [...stream.done, ...stream.planned])
  const scale = {
    minutes: Math.max(0, ...streams.map((point) => point.minute)),
    litres: Math.max(0, ...streams.map((point) => point.litres), ...all.map((batch) => batch.calledL)),
  }
  if (all.length === 0 && words === '')
    return (
      <Empty title="No batch yet">
        Accept a plan, and the batch keeps its record here from the first act on.
      </Empty>
    )
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-24 m-0 font-bold">Batches</h1>
          <p className="text-15 text-quiet m-0">
            As long as it was in the pot, as thick as its litres; the bracket is what was called.
          </p>
        </div>
        <div className="w-full max-w-[280px]">
          <TextField label="Find by stock or number" value={words} onValue={setWords} />
        </div>
      </div>
      {all.length === 0 && <p className="text-18 text-quiet">No batch of that name or number.</p>}
      <ul className="m-0 list-none p-0">
        {all.map((batch) => (
          <Row key={batch.id} batch={batch} scale={scale} />
        ))}
      </ul>
      {batches.hasNextPage && (
        <Button className="mt-4" disabled={batches.isFetching} onClick={() => void batches.fetchNextPage()}>
          {batches.isFetching ? 'Fetching …' : 'Older ones'}
        </Button>
      )}
    </>
  )
}

function Row({ batch, scale }: { batch: Summary; scale: StreamScale }) {
  const units = useUnits()
  const { day } = useTimes()
  const { strainedL: out, calledL: called } = batch
  return (
    <li className="border-rule border-t last:border-b">
      <Link
        to={`/batches/${batch.id}`}
        className="text-ink grid grid-cols-[56px_1fr_auto] items-center gap-x-4 gap-y-1 py-2 no-underline md:grid-cols-[56px_minmax(0,4fr)_minmax(0,6fr)_minmax(132px,2fr)]"
      >
        <span className="text-24 font-semibold">{batch.number}</span>
        <span>
          <b className="text-18 font-semibold">{batch.formulaName}</b>
          <span className="text-15 text-quiet block">
            {batch.vesselName}, {day(batch.acceptedAt)}
          </span>
        </span>
        <span className="order-last col-span-3 md:order-none md:col-span-1">
          <SmallStream
            {...batch.stream}
            out={out}
            called={called}
            scale={scale}
            colour={liquorColour(batch.family, FULLY_COLOURED)}
            label={`${batch.formulaName}, batch ${batch.number}: called ${units.litres(called)}, ${out === undefined ? `${units.litres(batch.expectedL)} planned` : `${units.litres(out)} came out of ${units.litres(batch.expectedL)} planned`}`}
          />
        </span>
        <span className="text-right">
          <b className="text-18 block font-semibold">
            {out === undefined ? stageName[batch.stage] : units.litres(out)}
          </b>
          <span className="text-15 text-quiet block">
            {out === undefined
              ? `${units.litres(batch.expectedL)} planned`
              : `${stageName[batch.stage]}, ${units.litres(called)} called`}
          </span>
        </span>
      </Link>
    </li>
  )
}
