import type { Problem } from '../../api/client'
import type { Call, Charge } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { Heading, Note } from '../../kit/Note'
import { useMay, useTimes } from '../../kit/session'
import { stageName } from '../../words/en'
import { duration } from '../../words/time'

interface Props {
  charge: Charge
  call?: Call
  startNow: boolean
  onStartNow: (startNow: boolean) => void
  busy: boolean
  problem?: Problem
  onAccept: () => void
}

const tones: Record<string, string> = {
  BRING_UP: 'var(--ember)',
  SIMMER: 'var(--straw-deep)',
  COOL: 'var(--frost)',
}

/** What to do about a thing that another batch has then; a vessel is said where it is chosen. */
function takenWords(taken: NonNullable<NonNullable<Charge['plan']>['taken']>, charge: Charge) {
  switch (taken) {
    case 'BURNER':
      return `Another pot stands on ${charge.burnerName ?? 'its burner'} then. Take another burner, or swap the two when it comes to it.`
    case 'OVEN':
      return `Another batch is in ${charge.roast?.oven ?? 'the oven'} then.`
    case 'STRAINERS':
      return 'Every strainer set is in use or being washed then: it is strained a little later, or start at another time.'
    case 'CHILLER':
      return 'The chiller is full then. Start at another time, or make less.'
    case 'BED':
      return 'What it is made of did not come, and is not there when it would be weighed in. Start it later, or say under Course that it is there again.'
    case 'CONTAINER':
      return 'Others are cooling in the containers then. Start at another time, find more of them, or make less.'
    case 'VESSEL':
      return undefined
  }
}

/** The stages on the clock, backwards from when it is wanted, and the word that freezes them. */
export function PlanStrip({ charge, call, startNow, onStartNow, busy, problem, onAccept }: Props) {
  const may = useMay()
  const { day, time } = useTimes()
  const plan = charge.plan
  if (!plan) return null
  const start = new Date(plan.startAt).getTime()
  const whole = new Date(plan.readyAt).getTime() - start
  const free = charge.vessels.find((v) => v.id === charge.vessel.id)?.free ?? false
  return (
    <section className="ruled mt-6">
      <Heading
        aside={plan.inTime ? `${duration(plan.spareMin)} to spare` : `${duration(plan.spareMin)} too late`}
      >
        Start {day(plan.startAt)}, ready {day(plan.readyAt)}
      </Heading>
      <div
        className="border-ink flex h-[52px] w-full overflow-hidden border-2"
        role="img"
        aria-label={plan.steps.map((s) => `${stageName[s.stage]} ${time(s.from)}`).join(', ')}
      >
        {plan.steps.map((step) => {
          const length = new Date(step.to).getTime() - new Date(step.from).getTime()
          return (
            <div
              key={step.stage}
              className="border-ink text-13 grid min-w-[3px] content-center overflow-hidden border-r px-1 whitespace-nowrap last:border-r-0"
              style={{
                flexGrow: Math.max(length / whole, 0.004),
                flexBasis: 0,
                background: tones[step.stage]
                  ? `color-mix(in oklab, ${tones[step.stage]} 30%, var(--raised))`
                  : 'var(--raised)',
              }}
            >
              {length / whole > 0.07 && (
                <>
                  <b className="font-semibold">{stageName[step.stage]}</b>
                  <span>{time(step.from)}</span>
                </>
              )}
            </div>
          )
        })}
      </div>
      <ul className="text-15 text-quiet m-0 mt-2 flex list-none flex-wrap gap-x-5 gap-y-1 p-0">
        {plan.steps.map((step) => (
          <li key={step.stage}>
            {stageName[step.stage]} <span className="text-ink">{time(step.from)}</span>
          </li>
        ))}
      </ul>
      {!plan.attended && (
        <div className="mt-3">
          <Note>
            <b className="font-semibold">Nobody is there for part of it.</b> It runs until {day(plan.readyAt)}
            . Choose a shorter simmer or another start; what may simmer alone stands under Kitchen, Rules.
          </Note>
        </div>
      )}
      {plan.taken && takenWords(plan.taken, charge) && (
        <div className="mt-3">
          <Note>{takenWords(plan.taken, charge)}</Note>
        </div>
      )}
      {may('PLAN') && (
        <div className="mt-4 flex flex-wrap items-center gap-4">
          <Choice
            label="When to start"
            value={startNow ? 'now' : 'latest'}
            onValue={(value) => onStartNow(value === 'now')}
            options={[
              { value: 'latest', name: 'As late as will do' },
              { value: 'now', name: 'Start now' },
            ]}
          />
          <Button tone="act" large disabled={busy || !charge.fits || !free} onClick={onAccept}>
            Accept this plan
          </Button>
          {!charge.fits && <span className="text-15 text-quiet">It has to fit its vessel first.</span>}
          {!call && <span className="text-15 text-quiet">No call behind it: it goes to the shelf.</span>}
        </div>
      )}
      {problem && <Note>{problem.message}</Note>}
    </section>
  )
}
