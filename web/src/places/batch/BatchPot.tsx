import type { ReactNode } from 'react'
import type { Page } from '../../api/queries'
import { Cutaway, type Mark } from '../../graphics/Cutaway'
import { useTimes, useUnits } from '../../kit/session'
import { Why, WhyOf } from '../../kit/Why'
import { bodyName, capital } from '../../words/en'
import { tells } from '../../words/units'
import { filledWith } from '../draws/filled'

/** The pot as it should stand now, with the figures to read off from two metres. */
export function BatchPot({ page, colour }: { page: Page; colour: string }) {
  const units = useUnits()
  const { card } = page
  const { time } = useTimes()
  const pot = card.pot
  const brix = page.brix[page.brix.length - 1]
  const vessel = card.vessel
  const weighed = page.weighedKg['bed']
  const level = pot.filled ? pot.levelCm : undefined
  const marks: Mark[] = []
  if (pot.filled) {
    marks.push({ cm: pot.levelCm, label: 'now', tone: 'river' })
    if (Math.abs(pot.markCm - pot.levelCm) > 0.4) marks.push({ cm: pot.markCm, label: 'mark', tone: 'quiet' })
    marks.push({ cm: pot.bedTopCm, label: 'bed bare', tone: 'amber' })
  } else {
    marks.push({ cm: page.fillToCm, label: 'fill to here', tone: 'river' })
  }
  return (
    <div className="flex flex-wrap items-end gap-x-8 gap-y-4">
      <Cutaway
        vessel={vessel}
        levelCm={level}
        bedCm={page.weighedKg['bed'] || pot.filled ? pot.bedTopCm : undefined}
        colour={colour}
        marks={marks}
        scale={Math.min(6, 250 / vessel.heightCm, 236 / vessel.widthCm)}
        lit={['BRING_UP', 'SIMMER'].includes(card.stage)}
        foam={pot.foaming}
        ruler={units.ruler()}
        label={`${vessel.name} in section, ${pot.filled ? `${units.litres(pot.liquorL)}, ${units.cm(pot.belowRimCm)} below the rim` : 'empty'}`}
      />
      <dl className="m-0 grid min-w-[150px] gap-3">
        {pot.filled ? (
          <>
            <Figure name="In the pot" value={units.litres(pot.liquorL)} large />
            <Figure name="Below the rim" value={units.cm(pot.belowRimCm)} />
            <Figure name="Liquor" value={units.celsius(pot.celsius, 1)} />
            {card.probe && (
              <Figure
                name={card.probe.silent ? `${card.probe.name}, silent` : card.probe.name}
                value={units.celsius(card.probe.celsius, 0.5)}
              />
            )}
            <Figure
              name="Steam"
              value={`${units.litres(pot.steamLPerH)}/h`}
              why={<WhyOf of="Steam" figure="steam" from={{ batch: card.id }} />}
            />
            <Figure
              name="When cold"
              value={bodyName[pot.body]}
              why={
                tells(page.forecast.gelatinGPerL) && (
                  <WhyOf
                    of="When cold, at its end"
                    says={`${units.dissolved(pot.gelatinGPerL)} now, about ${units.dissolved(page.forecast.gelatinGPerL)} at the end.`}
                    figure="gelatin"
                    from={{ batch: card.id }}
                  />
                )
              }
            />
            {brix && (
              <Figure
                name={`Refractometer ${time(brix.at)}`}
                value={`${brix.degrees.toFixed(1)} °Bx`}
                says={`${units.dissolved(brix.gPerL)} dissolved`}
              />
            )}
            <Figure
              name="Expected out"
              value={`${units.estimate(card.expectedL)}`}
              note={units.spread(card.expectedL)}
              why={<Why of="Expected out" reasons={page.why} out={card.expectedL} />}
            />
          </>
        ) : (
          <>
            {page.plannedBedKg > 0 && (
              <Figure
                name={weighed === undefined ? page.bedName : `${page.bedName}, weighed`}
                value={units.kg(weighed ?? page.plannedBedKg)}
                large
              />
            )}
            <Figure
              name={capital(filledWith({ ...page, restL: page.plannedRestL }))}
              value={units.litres(page.plannedWaterL)}
            />
            <Figure
              name="Expected out"
              value={units.estimate(card.expectedL)}
              note={units.spread(card.expectedL)}
              why={<Why of="Expected out" reasons={page.why} out={card.expectedL} />}
            />
          </>
        )}
      </dl>
    </div>
  )
}

export function Figure({
  name,
  value,
  note,
  says,
  why,
  large,
}: {
  name: string
  value: string
  /** Between which figures it most likely lies. */
  note?: string
  says?: string
  /** What opens to its reasons. */
  why?: ReactNode
  large?: boolean
}) {
  return (
    <div>
      <dt className="text-13 text-quiet flex items-center gap-2">
        {name}
        {why}
      </dt>
      <dd className={`m-0 font-semibold whitespace-nowrap ${large ? 'text-36' : 'text-18'}`}>
        {value}
        {(note ?? says) && (
          <span className="text-13 text-quiet block font-normal whitespace-normal">
            {note ? `likely ${note}` : says}
          </span>
        )}
      </dd>
    </div>
  )
}
