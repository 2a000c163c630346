import { useState } from 'react'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading } from '../../kit/Note'
import { useMay, useUnits } from '../../kit/session'
import { restName } from '../../words/en'
import { duration } from '../../words/time'
import { DrawSheet } from './DrawSheet'
import { LEAST_L } from '../draws/filled'
import { byEntry } from './entry'
import { WeighInSheet } from './WeighInSheet'

/** Everything that goes in, at hand until all of it is in: how much, when, and what of it is in already. */
export function BatchWeighOut({ page }: { page: Page }) {
  const units = useUnits()
  const may = useMay()
  const [weighing, setWeighing] = useState(false)
  const [drawing, setDrawing] = useState(false)
  const { card } = page
  const waiting = page.parts.some((part) => !isIn(page, part))
  if (card.strainedL !== undefined || card.stage === 'ABANDONED' || (card.pot.filled && !waiting)) return null
  return (
    <section className="mt-8">
      <Heading
        aside={
          may('ACT') ? (
            <button
              type="button"
              className="text-river min-h-[44px] underline underline-offset-[3px]"
              onClick={() => setWeighing(true)}
            >
              Out of the larder
            </button>
          ) : (
            'ticked when it is in'
          )
        }
      >
        Weigh out
      </Heading>
      <ul className="m-0 grid list-none gap-x-10 gap-y-4 p-0 md:grid-cols-2 lg:grid-cols-3">
        <li>
          <h3 className="text-13 text-quiet m-0 font-normal">At the start</h3>
          {page.plannedBedKg > 0 && (
            <Line
              name={page.bedName}
              amount={units.kg(page.weighedKg['bed'] ?? page.plannedBedKg)}
              done={card.pot.filled}
            />
          )}
          {page.deglazeL > 0 && (
            <Line
              name="for deglazing, water or wine"
              amount={units.jug(page.deglazeL)}
              done={page.chores.some((chore) => chore.phase === 'deglaze' && chore.finished)}
            />
          )}
          {page.draws.map((draw) => (
            <Line
              key={draw.sourceId}
              name={draw.name}
              amount={units.litres(draw.litres)}
              done={(page.drawnL[draw.sourceId] ?? 0) >= draw.litres - LEAST_L}
            />
          ))}
          {page.plannedRestL >= LEAST_L && (
            <Line
              name={restName[page.restKind]}
              amount={units.litres(page.plannedRestL)}
              done={card.pot.filled}
            />
          )}
          {may('ACT') && !card.pot.filled && (
            <Button tone="quiet" className="px-0!" onClick={() => setDrawing(true)}>
              {page.draws.length > 0 ? 'Draw from another lot' : 'Draw stock from a lot'}
            </Button>
          )}
        </li>
        {byEntry(page.parts).map(([minutes, parts]) => (
          <li key={minutes}>
            <h3 className="text-13 text-quiet m-0 font-normal">
              {minutes === 0
                ? page.plannedBedKg > 0
                  ? 'With the bed'
                  : 'With the stock'
                : `${duration(minutes)} into the simmer`}
            </h3>
            {parts.map((part) => (
              <Line
                key={part.id}
                name={part.name.toLowerCase()}
                amount={units.kg(page.weighedKg[part.id] ?? part.kg)}
                done={isIn(page, part)}
              />
            ))}
          </li>
        ))}
      </ul>
      {drawing && <DrawSheet page={page} onClose={() => setDrawing(false)} />}
      {weighing && <WeighInSheet page={page} onClose={() => setWeighing(false)} />}
    </section>
  )
}

/** What goes in with the bed is in when the pot is filled. */
const isIn = (page: Page, part: Page['parts'][number]) =>
  page.addedAt[part.id] !== undefined || (part.intoTheSimmerMin === 0 && page.card.pot.filled)

function Line({ name, amount, done }: { name: string; amount: string; done: boolean }) {
  return (
    <p className="border-rule text-18 m-0 flex min-h-[40px] items-center gap-3 border-t">
      <span className={`w-5 shrink-0 ${done ? 'text-river' : 'text-rule'}`} aria-hidden>
        {done ? '✓' : '○'}
      </span>
      <span className={`min-w-0 flex-1 ${done ? 'text-quiet' : ''}`}>
        {name}
        {done && <span className="sr-only">, in</span>}
      </span>
      <span className="whitespace-nowrap">{amount}</span>
    </p>
  )
}
