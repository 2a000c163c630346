import type { Page } from '../../api/queries'
import { useTimes } from '../../kit/session'
import { stageName } from '../../words/en'
import { duration } from '../../words/time'

/** The stages on one line: done, now, and when the rest begins by the plan as it has moved; of what was given up, as far as it came. */
export function Steps({ page }: { page: Page }) {
  const { time } = useTimes()
  const givenUp = page.card.stage === 'ABANDONED'
  const entered = new Set(page.path.map((p) => p.stage))
  const here = givenUp
    ? page.planned.reduce((last, step, index) => (entered.has(step.stage) ? index : last), 0)
    : page.planned.findIndex((step) => step.stage === page.card.stage)
  const past = ['ON_SHELF', 'DONE'].includes(page.card.stage)
  const at = past ? page.planned.length : here
  /** When it really began, and how far that was from the plan. */
  const went = (step: (typeof page.planned)[number]) => {
    const entered = page.path.find((p) => p.stage === step.stage)?.at ?? page.acceptedAt
    const late = Math.round((new Date(entered).getTime() - new Date(step.from).getTime()) / 60_000)
    const off = late === 0 ? '' : late > 0 ? `+${duration(late)}` : `−${duration(-late)}`
    return (
      <>
        <span className="whitespace-nowrap">{time(entered)}</span>{' '}
        <span className="whitespace-nowrap">{off}</span>
      </>
    )
  }
  const when = (step: (typeof page.planned)[number], state: 'done' | 'now' | 'ahead') => {
    if (state === 'done') return went(step)
    if (givenUp) return state === 'now' ? 'given up' : '–'
    const moved = page.outlook.find((o) => o.stage === step.stage) ?? step
    return state === 'ahead' ? time(moved.from) : `to ${time(moved.to)}`
  }
  return (
    <ol aria-label="Stages" className="m-0 flex list-none gap-0 overflow-x-auto p-0">
      {page.planned.map((step, index) => {
        const state = index < at ? 'done' : index === at ? 'now' : 'ahead'
        const look = {
          done: 'border-river text-quiet',
          now: 'border-ember text-ink',
          ahead: 'border-rule text-quiet',
        }[state]
        return (
          <li
            key={step.stage}
            aria-current={state === 'now' ? 'step' : undefined}
            className={`min-w-[88px] flex-1 border-t-4 pt-1 pr-3 ${look}`}
          >
            <span className={`text-15 block ${state === 'now' ? 'font-bold' : 'font-semibold'}`}>
              {stageName[step.stage]}
            </span>
            <span className="text-13 block">{when(step, state)}</span>
          </li>
        )
      })}
    </ol>
  )
}
