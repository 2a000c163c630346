import { useState } from 'react'
import { Link } from 'react-router'
import { useBatches } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Empty, Failed, Loading } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { useSettled } from '../../kit/settled'
import { TextField } from '../../kit/TextField'
import { stageName } from '../../words/en'

/** Whoever types a word is not asked about after every letter. */
const TYPED_MS = 250

/** Batches, latest first: what was called, planned and came out. */
export default function BatchesPlace() {
  const [words, setWords] = useState('')
  const batches = useBatches(useSettled(words, TYPED_MS))
  const units = useUnits()
  const { day } = useTimes()
  if (batches.isPending) return <Loading what="the batches" />
  if (!batches.data)
    return <Failed what="The batches" error={batches.error} onRetry={() => void batches.refetch()} />
  const all = batches.data.pages.flat()
  if (all.length === 0 && words === '')
    return (
      <Empty title="No batch yet">
        Accept a plan, and the batch keeps its record here from the first act on.
      </Empty>
    )
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-24 m-0 font-bold">Batches</h1>
        <div className="w-full max-w-[280px]">
          <TextField label="Find by stock or number" value={words} onValue={setWords} />
        </div>
      </div>
      {all.length === 0 && <p className="text-18 text-quiet">No batch of that name or number.</p>}
      <ul className="m-0 list-none p-0">
        {all.map((batch) => {
          const off = batch.strainedL === undefined ? 0 : batch.strainedL - batch.expectedL
          return (
            <li key={batch.id} className="border-rule border-t last:border-b">
              <Link
                to={`/batches/${batch.id}`}
                className="text-ink grid min-h-[64px] grid-cols-[56px_1fr_auto] items-center gap-x-4 no-underline md:grid-cols-[64px_2fr_1fr_1fr_1fr]"
              >
                <span className="text-24 font-semibold">{batch.number}</span>
                <span>
                  <b className="font-semibold">{batch.formulaName}</b>
                  <span className="text-15 text-quiet block">
                    {batch.vesselName}, {day(batch.acceptedAt)}
                  </span>
                </span>
                <span className="text-15 hidden md:block">called {units.litres(batch.calledL)}</span>
                <span className="text-15 hidden md:block">
                  {batch.strainedL === undefined
                    ? `planned ${units.litres(batch.expectedL)}`
                    : `out ${units.litres(batch.strainedL)} (${off >= 0 ? '+' : '−'}${units.litres(Math.abs(off))})`}
                </span>
                <span className="text-15 text-right font-semibold">{stageName[batch.stage]}</span>
              </Link>
            </li>
          )
        })}
      </ul>
      {batches.hasNextPage && (
        <Button className="mt-4" disabled={batches.isFetching} onClick={() => void batches.fetchNextPage()}>
          {batches.isFetching ? 'Fetching …' : 'Older ones'}
        </Button>
      )}
    </>
  )
}
