import { Link } from 'react-router'
import type { Card } from '../../api/queries'
import { useUnits } from '../../kit/session'
import { stageName } from '../../words/en'
import { ActButton } from '../batch/ActButton'
import { dueKey } from '../batch/acts'
import { clockOf, litresOf } from './RangeVessel'

/** Every vessel in figures alone, to be read across the kitchen: litres, clock, next act. */
export function BigFigures({ batches, now }: { batches: Card[]; now: number }) {
  const units = useUnits()
  const columns = batches.length <= 4 ? 'lg:grid-cols-2' : 'lg:grid-cols-3 min-[1700px]:grid-cols-4'
  return (
    <div className={`grid gap-x-10 gap-y-6 md:grid-cols-2 ${columns}`}>
      {batches.map((card, i) => (
        <article
          key={card.id}
          aria-label={`${card.vessel.name}, ${stageName[card.stage]}`}
          className="border-ink grid content-start border-t-4 pt-2"
        >
          <div className="flex items-baseline justify-between gap-3">
            <h2 className="text-24 m-0 font-bold">
              <Link to={`/batches/${card.id}`} className="text-ink no-underline">
                <span className="text-18 text-quiet mr-2">{i + 1}</span>
                {card.vessel.name}
              </Link>
            </h2>
            <span className="text-18 text-quiet">{stageName[card.stage]}</span>
          </div>
          <div className="mb-2 grid">
            <span className="text-60 leading-tight font-semibold whitespace-nowrap">
              {litresOf(card) === undefined ? '–' : units.litres(litresOf(card)!)}
            </span>
            <span className="text-36 whitespace-nowrap">{clockOf(card, now, units.celsius)}</span>
          </div>
          {card.due[0] ? (
            <ActButton key={dueKey(card.due[0])} card={card} due={card.due[0]} now={now} />
          ) : (
            <p className="text-24 text-quiet m-0 flex min-h-[64px] items-center">Nothing due</p>
          )}
        </article>
      ))}
    </div>
  )
}
