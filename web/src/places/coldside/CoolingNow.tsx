import { Link } from 'react-router'
import { useBatch } from '../../api/queries'
import { useTimes } from '../../kit/session'
import { ActButton } from '../batch/ActButton'
import { BatchCooling } from '../batch/BatchCooling'
import { dueKey } from '../batch/acts'

export function CoolingNow({ id }: { id: string }) {
  const batch = useBatch(id)
  const { now } = useTimes()
  if (!batch.data) return null
  const { card } = batch.data
  const next = card.due[0]
  return (
    <article className="mb-8">
      <p className="text-18 mt-0 mb-2">
        <Link to={`/batches/${id}`} className="font-semibold">
          {card.formulaName}, batch {card.number}
        </Link>
      </p>
      <BatchCooling page={batch.data} />
      {next && (
        <div className="mt-4 max-w-[420px]">
          <ActButton key={dueKey(next)} card={card} due={next} now={now} />
        </div>
      )}
    </article>
  )
}
