import { useState } from 'react'
import { useSources } from '../../api/draws'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { containsWords, restName } from '../../words/en'
import { LEAST_L } from '../draws/filled'
import { drawnL, SourceList, type Draws } from '../draws/SourceList'
import type { Choosing } from './wish'

/** The stock that stands in for water: out of lots, or straight out of what is strained. What is in it is in whatever is made of it. */
export function DrawnWith({ charge, wish, onWish }: Choosing) {
  const units = useUnits()
  const [asked, setAsked] = useState(false)
  const ofStock = charge.restKind !== 'WATER'
  const chosen = Object.keys(wish.draws)
  const open = ofStock || asked || chosen.length > 0
  const sources = useSources(open)
  if (!open)
    return (
      <Button tone="quiet" className="justify-self-start px-0!" onClick={() => setAsked(true)}>
        Stock in the place of water
      </Button>
    )
  const gone = sources.data
    ? chosen.filter((id) => sources.data.every((one) => one.stock.sourceId !== id))
    : []
  const draw = (draws: Draws) => {
    // Of a formula that is made of stock alone, what is drawn is what there is.
    const solved = charge.bed.length === 0 && drawnL(draws) > 0
    onWish({ ...wish, draws, ...(solved && { goal: 'WATER', value: drawnL(draws) }) })
  }
  return (
    <fieldset className="m-0 grid gap-2 border-0 p-0">
      <legend className="text-15 mb-1 p-0 font-semibold">Drawn with</legend>
      {sources.data?.length === 0 && (
        <p className="text-15 text-quiet m-0">
          No stock lies here to draw from. What is put away cold is, and what is strained and still hot.
        </p>
      )}
      {sources.data && sources.data.length > 0 && (
        <SourceList sources={sources.data} draws={wish.draws} onDraws={draw} />
      )}
      {gone.length > 0 && (
        <Note>
          {units.litres(gone.reduce((sum, id) => sum + wish.draws[id]!, 0))} of it is no longer there.{' '}
          <Button
            tone="quiet"
            onClick={() =>
              draw(Object.fromEntries(Object.entries(wish.draws).filter(([id]) => !gone.includes(id))))
            }
          >
            Without it
          </Button>
        </Note>
      )}
      {charge.draws.length > 0 ? (
        <p className="text-15 m-0">
          <b className="font-semibold">{units.litres(charge.waterL - charge.restL)} of stock</b>
          {charge.restL >= LEAST_L && `, ${units.litres(charge.restL)} ${restName[charge.restKind]}`}. The
          whole {containsWords(charge)}.
        </p>
      ) : (
        ofStock && (
          <p className="text-15 text-quiet m-0">
            Until a lot is chosen it starts from a usual stock, and nobody knows what is in it.
          </p>
        )
      )}
    </fieldset>
  )
}
