import { Link } from 'react-router'
import { useRange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { useTimes } from '../../kit/session'
import { costName } from '../../words/en'
import { fromNow } from '../../words/time'
import { dueWords } from '../batch/acts'
import { audible, ring, useAlarms, useAlarmSound, useNight, useSound } from './alarms'

/** What has waited too long, the worst first, until somebody has heard it. Hangs over the page, so that nothing under it moves. */
export function AlarmStrip() {
  const range = useRange()
  const { now } = useTimes()
  const night = useNight()
  const [sound] = useSound()
  const { alarms, hear } = useAlarms(range.data?.batches ?? [], now)
  useAlarmSound(audible(alarms, night), sound, ring)
  const first = alarms[0]
  if (!first) return null
  const { card, due, safety } = first
  return (
    <div
      role="alert"
      className={`bg-raised text-18 flex min-h-[60px] flex-wrap items-center gap-x-4 gap-y-1 border-b-4 px-4 py-1 md:px-6 ${safety ? 'border-hazard text-hazard' : 'border-ember text-ember'}`}
    >
      <Link to={`/batches/${card.id}`} className="min-w-0 flex-1 text-inherit no-underline">
        <b className="font-bold">{card.vessel.name}</b> {dueWords(due).toLowerCase()},{' '}
        <span className="font-mono">{fromNow(due.due, now)}</span>
        <span className="text-15 text-ink ml-3">{costName[due.cost]}</span>
      </Link>
      {alarms.length > 1 && <span className="text-15 text-ink">and {alarms.length - 1} more</span>}
      <Button onClick={() => hear(first)} aria-label={`Heard: ${card.vessel.name}, ${dueWords(due)}`}>
        Heard
      </Button>
    </div>
  )
}
