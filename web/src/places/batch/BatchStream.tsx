import type { Page } from '../../api/queries'
import { Stream } from '../../graphics/Stream'
import { useTimes, useUnits } from '../../kit/session'
import { useMenu } from '../../api/queries'

/** The batch as a stream on the clock, with its plan behind. */
export function BatchStream({ page, colour }: { page: Page; colour: string }) {
  const units = useUnits()
  const { now, clock } = useTimes()
  const menu = useMenu()
  const { card } = page
  const plannedHeat = page.planned.find((s) => s.stage === 'BRING_UP')?.from
  const lit = new Date(card.simmer.lit ?? plannedHeat ?? page.acceptedAt).getTime()
  const plan = page.forecast.course.map((p) => ({
    at: lit + p.minute * 60_000,
    litres: p.liquorL,
    celsius: p.celsius,
  }))
  const done = page.course.map((p) => ({
    at: new Date(p.at).getTime(),
    litres: p.liquorL,
    celsius: p.celsius,
  }))
  const start = Math.min(done[0]?.at ?? lit, plan[0]?.at ?? lit)
  const lastPlan = plan[plan.length - 1]?.at ?? lit
  const ready = new Date(card.readyAt).getTime()
  const strainedAt = card.cooling.strainedAt ? new Date(card.cooling.strainedAt).getTime() : undefined
  const deliveries = page.events.filter((e) => e.kind === 'delivered' && !e.withdrawn)
  const ended = ['ON_SHELF', 'DONE', 'ABANDONED'].includes(card.stage)
  const lastEvent = page.events.reduce((latest, e) => Math.max(latest, new Date(e.at).getTime()), 0)
  const until = ended ? Math.max(lastEvent, strainedAt ?? 0) : Math.max(now, ready)
  const station = (id?: string) => menu.data?.stations.find((s) => s.id === id)?.name ?? 'Delivered'
  return (
    <Stream
      plan={plan}
      done={done}
      out={
        strainedAt !== undefined && card.strainedL !== undefined
          ? {
              at: strainedAt,
              litres: card.strainedL,
              cold: card.shelfL,
              mouths: deliveries.map((e) => ({
                name: station(e.figures.stationId),
                litres: e.figures.litres ?? 0,
                at: new Date(e.at).getTime(),
              })),
            }
          : undefined
      }
      from={start}
      to={Math.max(lastPlan, until, start + 3_600_000)}
      now={ended ? until : now}
      band={
        strainedAt === undefined && card.stage !== 'ABANDONED'
          ? { at: lastPlan, low: card.expectedL.p10, high: card.expectedL.p90 }
          : undefined
      }
      colour={colour}
      clock={clock}
      litres={(value) => units.litres(value)}
      temperature={(c) => units.celsius(c, 1)}
      label={`Stream of batch ${card.number}: planned ${units.estimate(page.forecast.yieldL)} out, ${card.strainedL !== undefined ? `${units.litres(card.strainedL)} measured` : `${units.estimate(card.expectedL)} expected now`}`}
    />
  )
}
