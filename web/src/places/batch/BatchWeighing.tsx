import type { Schemas } from '../../api/client'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useMay, useUnits } from '../../kit/session'
import { weighingName } from '../../words/en'
import { filledWith } from '../draws/filled'
import { question } from './acts'
import { used } from '../../kit/rest'
import { useSend } from './useSend'

type Weighing = Schemas['WeighingView']
type Way = Schemas['WayView']

/** A bed that is not as planned: what that does to litres and call, and the ways on, before the water is drawn. */
export function BatchWeighing({ page, weighing }: { page: Page; weighing: Weighing }) {
  const units = useUnits()
  const may = useMay()
  const { problem, send } = useSend(page.card.id)
  const off = weighing.weighedKg - weighing.plannedKg
  const fill = question('filled', page)
  const canFill = may('ACT') && page.card.stage === 'FILL'
  const draw = (way: Way) => {
    used()
    void send(act('filled', { ...fill?.beside, litres: way.waterL }))
  }
  return (
    <section
      aria-label="The bed as weighed"
      className="border-amber bg-amber-ground mt-5 border-l-4 px-4 py-3"
    >
      <h2 className="text-18 m-0 font-semibold">
        {units.kg(weighing.weighedKg)} of bed where {units.kg(weighing.plannedKg)} were planned:{' '}
        {units.kg(Math.abs(off))} {off < 0 ? 'less' : 'more'}.
      </h2>
      <ul className="m-0 mt-2 grid list-none gap-x-8 gap-y-3 p-0 lg:grid-cols-3">
        {weighing.ways.map((way) => (
          <li key={way.kind} className="grid content-start gap-1">
            <b className="text-15 font-semibold">{weighingName[way.kind]}</b>
            <span className="text-15">{words(way, weighing, units)}</span>
            <span className="text-15">
              {units.litres(way.waterL)} of {filledWith({ ...page, restL: page.plannedRestL })} give{' '}
              <b className="font-semibold">{units.estimate(way.outL)}</b>
              {way.shortL > 0 ? `, ${units.litres(way.shortL)} short of the call` : ', as called'}.
            </span>
            {canFill && (way.kind === 'SAME_RATIO' || way.kind === 'SAME_WATER') && (
              <span>
                <Button disabled={!way.fits} onClick={() => draw(way)}>
                  {way.fits ? `Filled with ${units.litres(way.waterL)}` : 'Does not fit this vessel'}
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
      {problem && <Note>{problem.message}.</Note>}
    </section>
  )
}

function words(way: Way, weighing: Weighing, units: ReturnType<typeof useUnits>): string {
  switch (way.kind) {
    case 'SAME_RATIO':
      return 'As strong as planned. The line and everything after it stand at this now.'
    case 'SAME_WATER':
      return `The water of the plan: ${units.dissolved(way.gelatinGPerL)} gelatin.`
    case 'FETCH_MORE':
      return `${units.kg(way.bedKg - weighing.weighedKg)} more, all of it weighed in again: as planned.`
    default:
      return `${units.kg(weighing.weighedKg - way.bedKg)} kept for another pot, the rest weighed in again: as planned.`
  }
}
