import type { Charge, ChargeRequest } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
import { useUnits } from '../../kit/session'
import { bodyName, capital } from '../../words/en'
import { duration, durationSpread, handStep } from '../../words/time'
import { tells } from '../../words/units'
import { Figure } from '../batch/BatchPot'
import { filledWith } from '../draws/filled'
import { Scrubber } from '../../kit/Scrubber'
import { Why, WhyOf } from '../../kit/Why'
import type { Wish } from './wish'

/** The pot in section with a water line that can be dragged; what follows from it stands beside. */
export function ChargePot({
  charge,
  behind,
  colour,
  wish,
  request,
  onWish,
}: {
  charge: Charge
  /** Whether another charge has been wished for and is on its way. */
  behind: boolean
  colour: string
  wish: Wish
  request: ChargeRequest
  onWish: (wish: Wish) => void
}) {
  const units = useUnits()
  const { vessel, levels, forecast } = charge
  const from = { charge: request }
  const drag = (cm: number) =>
    onWish({ ...wish, goal: 'LEVEL', value: Math.round(cm * 10) / 10, vessel: vessel.id })
  const bare = forecast.bedBareAtMin
  const liquid = filledWith(charge)
  // What is drawn of stock alone is told lot by lot, and not by a line.
  const byDraws = charge.bed.length === 0 && charge.draws.length > 0
  return (
    <>
      <section
        aria-label="The pot"
        className="bg-surface grid justify-items-center max-lg:sticky max-lg:top-[54px] max-lg:z-[5] max-lg:-order-2 max-lg:-mx-4 max-lg:px-4 max-lg:pb-2 lg:col-start-2 lg:row-start-1 max-md:[&_svg]:max-h-[200px] max-md:[&_svg]:w-auto"
      >
        <Cutaway
          vessel={vessel}
          levelCm={levels.filledCm}
          bedCm={levels.bedRawCm}
          colour={colour}
          scale={Math.min(7.5, 330 / vessel.heightCm, 330 / vessel.widthCm)}
          marks={[
            { cm: levels.filledCm, label: charge.bedKg > 0 ? 'water line' : 'stock line', tone: 'river' },
            ...(charge.bedKg > 0
              ? [{ cm: levels.bedSettledCm, label: 'bed, settled', tone: 'quiet' as const }]
              : []),
            { cm: levels.fillLineCm, label: 'fill line', tone: 'quiet' },
          ]}
          ruler={units.ruler()}
          onLevel={byDraws ? undefined : drag}
          behind={behind}
          levelText={`${units.litres(charge.waterL)} of ${liquid}, ${units.cm(levels.filledBelowRimCm)} below the rim`}
          label={`${vessel.name} in section with ${charge.bedKg > 0 ? `${units.kg(charge.bedKg)} of ${charge.bedName} under ` : ''}${units.litres(charge.waterL)} of ${liquid}`}
        />
      </section>
      <section
        aria-label="What comes of it"
        className="grid content-start gap-4 max-lg:-order-1 lg:col-start-2 lg:row-start-2"
      >
        <div className="w-full">
          <Scrubber
            label="Simmer"
            value={wish.simmerMin ?? charge.simmerMin}
            min={Math.min(charge.leastSimmerMin, charge.simmerMin)}
            max={Math.max(charge.mostSimmerMin, charge.simmerMin)}
            step={handStep(charge.mostSimmerMin)}
            words={`${duration(wish.simmerMin ?? charge.simmerMin)}, ${tells(forecast.gelatinGPerL) ? units.dissolved(forecast.gelatinGPerL) : 'no'} gelatin`}
            onValue={(simmerMin) => onWish({ ...wish, simmerMin })}
            colour={colour}
          />
        </div>
        <dl className="m-0 grid w-full grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-3">
          <Figure
            name={units.out}
            value={units.estimate(forecast.yieldL)}
            note={units.spread(forecast.yieldL)}
            why={<Why of={units.out} reasons={charge.why} out={forecast.yieldL} />}
            large
          />
          <Figure name={capital(liquid)} value={units.litres(charge.waterL)} large />
          {charge.bedKg > 0 && <Figure name="Bed" value={units.kg(charge.bedKg)} large />}
          <Figure name="Below the rim" value={units.cm(levels.filledBelowRimCm)} />
          {charge.bedKg > 0 && <Figure name="Over the bed" value={units.cm(levels.coverCm)} />}
          {charge.roast && (
            <Figure
              name={`Roast in ${charge.roast.oven}`}
              value={`${charge.roast.loads > 1 ? `${charge.roast.loads} × ` : ''}${duration(charge.roast.minutes.p50)}`}
              note={durationSpread(charge.roast.minutes.p10, charge.roast.minutes.p90)}
            />
          )}
          <Figure
            name="Bring-up"
            why={
              <WhyOf of="Bring-up" says={`${duration(forecast.bringUpMin)}.`} figure="bringUp" from={from} />
            }
            value={duration(forecast.bringUpMin)}
            note={durationSpread(forecast.spread.bringUpMin.p10, forecast.spread.bringUpMin.p90)}
          />
          <Figure name="Simmer at" value={units.celsius(forecast.simmerC, 1)} />
          <Figure
            name="Steam, all"
            why={
              <WhyOf
                of="Steam, all"
                says={`${units.litres(forecast.evaporatedL)}.`}
                figure="steam"
                from={from}
              />
            }
            value={units.litres(forecast.evaporatedL)}
            note={units.spread(forecast.spread.evaporatedL)}
          />
          <Figure
            name="Top-ups"
            value={
              forecast.topUps.length
                ? units.litres(forecast.topUps.reduce((sum, t) => sum + t.litres, 0))
                : 'none'
            }
          />
          <Figure
            name="When cold"
            why={
              tells(forecast.gelatinGPerL) && (
                <WhyOf
                  of="When cold"
                  says={`${units.dissolved(forecast.gelatinGPerL)} gelatin: ${bodyName[forecast.body]}.`}
                  figure="gelatin"
                  from={from}
                />
              )
            }
            value={bodyName[forecast.body]}
            note={
              tells(forecast.gelatinGPerL) ? units.dissolvedSpread(forecast.spread.gelatinGPerL) : undefined
            }
          />
          <Figure
            name={`Down to ${units.celsius(charge.cooling.cold.celsius, 1)}`}
            why={<WhyOf of="The time to cold" figure="cooling" from={from} />}
            value={charge.cooling.cold.minute === undefined ? 'never' : duration(charge.cooling.cold.minute)}
            note={
              charge.cooling.cold.earliest === undefined
                ? undefined
                : durationSpread(charge.cooling.cold.earliest, charge.cooling.cold.latest)
            }
          />
          {charge.boilDownMin > 0 && <Figure name="Reducing" value={duration(charge.boilDownMin)} />}
          {bare !== undefined && <Figure name="Bed bare after" value={duration(bare)} />}
        </dl>
      </section>
    </>
  )
}
