import { dismissInserted, dismissLost, letGo, tryAgain, useOutbox, type Act, type Page } from '../api/outbox'
import { eventName, outcomeName, stageName } from '../words/en'
import type { Formatters } from '../words/units'
import { Button } from './Button'
import { useTimes, useUnits, useVisit } from './session'

const STRIP = 'border-amber bg-amber-ground text-15 text-amber border-b px-4 py-2 md:px-6'

/** Acts that the kitchen has refused, each with its pot and its figure, until somebody has settled it; and what a browser has thrown away. */
export function Unsettled() {
  const { refused, lost, inserted } = useOutbox()
  const { time } = useTimes()
  const units = useUnits()
  const changed = inserted ? changes(inserted.change, units) : []
  if (refused.length === 0 && lost === 0 && changed.length === 0) return null
  return (
    <section aria-label="Not taken" role="alert" className={STRIP}>
      {lost > 0 && (
        <p className="m-0 flex flex-wrap items-center justify-between gap-x-4">
          <span>
            <b className="font-semibold">
              {lost === 1 ? 'One act' : `${lost} acts`} that waited on this tablet {lost === 1 ? 'is' : 'are'}{' '}
              gone
            </b>
            : the browser emptied its storage. Look at the pots, and log again what is missing.
          </span>
          <Button tone="quiet" onClick={dismissLost}>
            Seen to
          </Button>
        </p>
      )}
      {inserted && changed.length > 0 && (
        <p className="m-0 flex flex-wrap items-center justify-between gap-x-4">
          <span>
            <b className="font-semibold">{eventName[inserted.act.kind]}</b>
            {inserted.pot && `, ${inserted.pot}`} went in at {time(inserted.change.at)}, before what was
            logged for later: {changed.join('; ')}.
          </span>
          <Button tone="quiet" onClick={dismissInserted}>
            Good
          </Button>
        </p>
      )}
      {refused.map((item) => (
        <p key={item.act.id} className="m-0 flex flex-wrap items-center justify-between gap-x-4">
          <span>
            <b className="font-semibold">
              {[eventName[item.act.kind], figure(item.act, units)].filter(Boolean).join(' ')}
            </b>
            {item.pot && `, ${item.pot}`} at {time(item.act.at)}
            {item.by && ` by ${item.by.initials}`} was not taken: {reason(item.refused!)}.
          </span>
          <span className="-mx-4 flex">
            <Button tone="quiet" onClick={() => void tryAgain(item)}>
              Send again
            </Button>
            <Button tone="quiet" onClick={() => void letGo(item)}>
              Let it go
            </Button>
          </span>
        </p>
      ))}
    </section>
  )
}

type Change = NonNullable<Page['inserted']>

/** Less than a ladle more or less is no news. */
const WORTH_SAYING_L = 0.05

/** What an act that came late has changed, in words; nothing when it only fills the record. */
function changes(change: Change, units: Formatters): string[] {
  const { expectedBeforeL: before, expectedAfterL: after } = change
  return [
    Math.abs(after - before) > WORTH_SAYING_L &&
      `expected out ${units.litres(after)} instead of ${units.litres(before)}`,
    change.stageAfter !== change.stageBefore &&
      `${(stageName[change.stageAfter] ?? '').toLowerCase()} instead of ${(stageName[change.stageBefore] ?? '').toLowerCase()}`,
    change.verdictAfter !== change.verdictBefore &&
      change.verdictAfter &&
      `cooling ${(outcomeName[change.verdictAfter] ?? '').toLowerCase()}`,
  ].filter((words) => typeof words === 'string')
}

function figure(act: Act, units: Formatters): string {
  if (act.litres !== undefined) return units.litres(act.litres)
  if (act.kg !== undefined) return units.kg(act.kg)
  if (act.celsius !== undefined) return units.celsius(act.celsius)
  if (act.belowRimCm !== undefined) return units.cm(act.belowRimCm)
  return act.words ?? ''
}

function reason({
  message,
  fields,
}: {
  message: string
  fields: Record<string, { reason: string }>
}): string {
  return (Object.values(fields)[0]?.reason ?? message).replace(/\.$/, '')
}

const WORTH_SAYING_MS = 30 * 60_000

/** Says for a while that the server was started again by itself: whoever saw it stand still knows why. */
export function StartedAgain() {
  const { startedAgain } = useVisit()
  const { now, time } = useTimes()
  if (!startedAgain || now - new Date(startedAgain).getTime() > WORTH_SAYING_MS) return null
  return (
    <p role="status" className={`m-0 ${STRIP}`}>
      The kitchen’s server stopped and was started again by itself at {time(startedAgain)}. Nothing that was
      logged is lost.
    </p>
  )
}
