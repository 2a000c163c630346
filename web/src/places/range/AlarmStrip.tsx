import { Link } from 'react-router'
import { useRange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { useNight } from '../../kit/screen'
import { useTimes } from '../../kit/session'
import { costName } from '../../words/en'
import { fromNow } from '../../words/time'
import { dueWords } from '../batch/acts'
import { audible, ring, useAlarms, useAlarmSound, useSound } from './alarms'

/** What has waited too long, the worst first, until somebody has heard it. In the header where there is room, else along the lower edge: nothing that a hand is about to tap moves for it. */
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
      className={`bg-raised text-18 fixed inset-x-0 bottom-[var(--foot,0px)] flex min-h-[64px] items-center gap-x-4 border-t-4 px-4 py-1 md:px-6 lg:static lg:min-h-0 lg:border-t-0 lg:border-l-4 lg:bg-transparent lg:px-3 ${safety ? 'border-hazard text-hazard' : 'border-ember text-ember'}`}
    >
      <Link to={`/batches/${card.id}`} className="lg:text-15 min-w-0 flex-1 text-inherit no-underline">
        <b className="font-bold">{card.vessel.name}</b> {dueWords(due).toLowerCase()},{' '}
        <span className="whitespace-nowrap">{fromNow(due.due, now)}</span>
        <span className="text-15 text-ink ml-3 lg:ml-0 lg:block">
          {costName[due.cost]}
          {alarms.length > 1 && `, and ${alarms.length - 1} more`}
        </span>
      </Link>
      <Button onClick={() => hear(first)} aria-label={`Heard: ${card.vessel.name}`}>
        Heard
      </Button>
    </div>
  )
}
