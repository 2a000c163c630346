import { useState } from 'react'
import { Choice } from '../../kit/Choice'
import { NumberField } from '../../kit/NumberField'
import { useTimes, useUnits } from '../../kit/session'

const ago = [0, 5, 10, 20] as const
const EARLIER = 'earlier'

/** When it happened: now, or some minutes ago; never ahead. What is told long after is marked so by the kitchen. */
export function WhenField({ minutes, onMinutes }: { minutes: number; onMinutes: (ago: number) => void }) {
  const { now, time } = useTimes()
  const { units } = useUnits()
  const [typed, setTyped] = useState(false)
  return (
    <div className="grid gap-3">
      <Choice
        label="How long ago"
        value={typed ? EARLIER : String(minutes)}
        onValue={(value) => {
          setTyped(value === EARLIER)
          if (value !== EARLIER) onMinutes(Number(value))
        }}
        options={[
          ...ago.map((min) => ({ value: String(min), name: min === 0 ? 'Now' : `${min} min` })),
          { value: EARLIER, name: 'More' },
        ]}
      />
      {minutes > 0 && (
        <p className="text-15 text-quiet m-0">It is told as of {time(now - minutes * 60_000)}.</p>
      )}
      {typed && (
        <NumberField
          label="Minutes ago"
          value={minutes}
          onValue={(min) => onMinutes(Math.max(0, min ?? 0))}
          dimension="minutes"
          units={units}
        />
      )}
    </div>
  )
}

/** The moment so many minutes ago, as an act tells it; nothing for now, which the act tells by itself. */
export const happened = (minutes: number, now: number) =>
  minutes > 0 ? { at: new Date(now - minutes * 60_000).toISOString() } : {}
