import { Link } from 'react-router'
import type { Card } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
import { liquorColour } from '../../graphics/liquor'
import { useTimes, useUnits } from '../../kit/session'
import { WhyOf } from '../../kit/Why'
import { stageName } from '../../words/en'
import { duration, fromNow } from '../../words/time'
import { ActButton } from '../batch/ActButton'
import { dueKey, dueWords } from '../batch/acts'

/** One working vessel: its section, its litres, its clock, its next act. */
export function RangeVessel({
  card,
  burner,
  place,
  scale,
  crowded = false,
  now,
}: {
  card: Card
  /** The burner that it stands on, or waits for. */
  burner?: string
  place: number
  scale: number
  /** Among many: the section beside its figures, so that all are in view at once. */
  crowded?: boolean
  now: number
}) {
  const units = useUnits()
  const { day } = useTimes()
  const next = card.due[0]
  const cooling = card.stage === 'COOL' || card.stage === 'STORE'
  const last = card.cooling.readings[card.cooling.readings.length - 1]
  const litres = litresOf(card)
  const hot = ['BRING_UP', 'SIMMER'].includes(card.stage)
  const late = card.lateMin > 0
  return (
    <article
      aria-label={`${card.vessel.name}, ${stageName[card.stage]}`}
      className={
        crowded
          ? `grid h-full grid-cols-[minmax(0,2fr)_minmax(0,3fr)] grid-rows-[1fr_auto] gap-x-4 border-t-4 pt-3 ${cooling ? 'border-frost' : 'border-ink'}`
          : 'grid content-end'
      }
    >
      <Link
        to={`/batches/${card.id}`}
        className={`text-ink grid no-underline ${crowded ? 'items-end justify-start pb-3' : 'place-items-center'}`}
      >
        {cooling ? (
          <Cooling chiller={card.cooling.chiller} celsius={last ? units.celsius(last.celsius, 1) : '–'} />
        ) : (
          <Cutaway
            vessel={card.vessel}
            levelCm={card.pot.filled ? card.pot.levelCm : undefined}
            bedCm={card.pot.bedTopCm}
            colour={liquorColour(card.family, card.pot.gelatinGPerL)}
            scale={scale}
            lit={hot}
            foam={card.pot.foaming}
            ruler={units.ruler(crowded)}
            label={`${card.vessel.name} in section: ${card.pot.filled ? `${units.litres(card.pot.liquorL)} of liquor, ${units.cm(card.pot.belowRimCm)} below the rim` : 'not filled yet'}`}
          />
        )}
      </Link>
      <div className={crowded ? '' : `border-t-4 pt-3 ${cooling ? 'border-frost' : 'border-ink'}`}>
        <div className="flex flex-wrap items-baseline justify-between gap-x-3">
          <h2 className="text-18 m-0 font-bold">
            <Link to={`/batches/${card.id}`} className="text-ink no-underline">
              <span className="text-15 text-quiet mr-2">{place}</span>
              {card.vessel.name}
            </Link>
          </h2>
          <span
            className={`text-15 font-semibold ${cooling ? 'text-frost' : hot ? 'text-ember' : 'text-quiet'}`}
          >
            {stageName[card.stage]}
          </span>
        </div>
        <p className="text-15 text-quiet m-0 flex flex-wrap justify-between gap-x-3">
          <span>
            {card.formulaName}
            {burner && (
              <>
                , <span className="inline-block">{burner}</span>
              </>
            )}
          </span>{' '}
          <ProbeLine card={card} />
        </p>
        <div
          className={`mt-2 flex gap-x-3 ${crowded ? 'flex-wrap items-baseline' : 'items-end justify-between'}`}
        >
          <span className="text-36 font-semibold whitespace-nowrap">
            {litres === undefined ? '–' : units.litres(litres)}
          </span>
          {card.pot.filled && !cooling && (
            <span className={crowded ? '' : 'order-last'}>
              <WhyOf
                of={`${units.estimate(card.expectedL)} expected out`}
                says={`Likely ${units.spread(card.expectedL)}; called for ${units.litres(card.calledL)}.`}
                figure="litres"
                from={{ batch: card.id }}
              />
            </span>
          )}
          <span className={`${crowded ? 'text-18' : 'text-24 text-right'}`}>
            {clockOf(card, now, units.celsius)}
          </span>
        </div>
        <p className={`text-15 mt-1 mb-3 ${late ? 'text-ember font-semibold' : 'text-quiet'}`}>
          Ready {day(card.readyAt)}, wanted {day(card.readyBy)}
          {late && `: ${duration(card.lateMin)} late`}
        </p>
      </div>
      <div className={crowded ? 'col-span-2' : ''}>
        {next ? (
          <ActButton key={dueKey(next)} card={card} due={next} now={now} />
        ) : (
          <p className="text-18 text-quiet m-0 flex min-h-[64px] items-center">Nothing due</p>
        )}
        <p className="text-15 text-quiet mt-2 mb-0 min-h-[1.45em]">
          {card.due[1] && `Then ${nextWords(card)}, ${fromNow(card.due[1].due, now)}`}
        </p>
      </div>
    </article>
  )
}

/** What the probe in the pot says; a silent one says since when. */
function ProbeLine({ card }: { card: Card }) {
  const units = useUnits()
  const { time } = useTimes()
  const probe = card.probe
  if (!probe) return null
  return (
    <span className={`text-right ${probe.silent ? 'text-amber font-semibold' : ''}`}>
      {probe.silent ? (
        `${probe.name} silent since ${time(probe.at)}`
      ) : (
        <>
          {probe.name} <b className="text-ink font-semibold">{units.celsius(probe.celsius, 0.5)}</b>
        </>
      )}
    </span>
  )
}

const nextWords = (card: Card) => (card.due[1] ? dueWords(card.due[1]).toLowerCase() : '')

/** Litres in the pot, or as strained; none before it is filled. */
export function litresOf(card: Card): number | undefined {
  if (!card.pot.filled) return undefined
  return card.stage === 'COOL' || card.stage === 'STORE' ? (card.strainedL ?? 0) : card.pot.liquorL
}

/** How long it has been, or has left, in this stage. */
export function clockOf(card: Card, now: number, celsius: (c: number, step?: number) => string): string {
  if (card.stage === 'SIMMER' && card.simmer.plannedEnd) {
    const left = (new Date(card.simmer.plannedEnd).getTime() - now) / 60_000
    return left >= 0 ? `${duration(left)} left` : `${duration(left)} over`
  }
  if (card.stage === 'BRING_UP') return celsius(card.pot.celsius, 1)
  return `for ${duration((now - new Date(card.since).getTime()) / 60_000)}`
}

/** Containers in ice water, or on the shelf of a chiller. */
function Cooling({ chiller, celsius }: { chiller?: string; celsius: string }) {
  return (
    <svg
      viewBox="0 0 230 150"
      width={230}
      height={150}
      role="img"
      aria-label={`In ${chiller ?? 'the ice bath'} at ${celsius}`}
      className="max-w-full"
    >
      {chiller ? <Chiller name={chiller} /> : <IceWater />}
      {[28, 126].map((left) => (
        <g key={left}>
          <path
            d={`M${left} 22v84a8 8 0 0 0 8 8h60a8 8 0 0 0 8-8V22`}
            fill="var(--raised)"
            stroke="var(--ink)"
            strokeWidth="3"
          />
          <path
            d={`M${left + 2} 40h72v66a6 6 0 0 1-6 6H${left + 8}a6 6 0 0 1-6-6z`}
            fill="var(--straw-pale)"
          />
        </g>
      ))}
      <text
        x="115"
        y="92"
        textAnchor="middle"
        fontSize="30"
        fontWeight="750"
        fill="var(--ink)"
        stroke="var(--raised)"
        strokeWidth="6"
        paintOrder="stroke"
      >
        {celsius}
      </text>
    </svg>
  )
}

function IceWater() {
  return (
    <>
      <path d="M8 42h214" stroke="var(--frost)" strokeWidth="2" strokeDasharray="6 5" />
      <path
        d="M4 30v96a12 12 0 0 0 12 12h198a12 12 0 0 0 12-12V30"
        fill="none"
        stroke="var(--frost)"
        strokeWidth="4"
        strokeLinecap="round"
      />
      {[14, 108, 206, 112, 18, 208].map((x, i) => (
        <rect
          key={i}
          x={x}
          y={48 + ((i * 37) % 60)}
          width="11"
          height="11"
          rx="2"
          fill="none"
          stroke="var(--frost)"
          strokeWidth="1.5"
          transform={`rotate(${i * 23} ${x + 5} ${54 + ((i * 37) % 60)})`}
        />
      ))}
    </>
  )
}

/** Letters that fit under its shelf; the whole name is in what is read out. */
const LONGEST_NAME = 20

/** Its walls, the shelf, and the air that is blown over it. */
function Chiller({ name }: { name: string }) {
  return (
    <>
      <path d="M4 4h222v142H4z" fill="none" stroke="var(--frost)" strokeWidth="4" />
      <path d="M10 120h210" stroke="var(--frost)" strokeWidth="3" />
      {[50, 68, 86].map((y) => (
        <path
          key={y}
          d={`M108 ${y}q4 -5 8 0t8 0`}
          fill="none"
          stroke="var(--frost)"
          strokeWidth="2"
          strokeLinecap="round"
        />
      ))}
      <text x="115" y="140" textAnchor="middle" fontSize="20" fontWeight="600" fill="var(--frost)">
        {name.length > LONGEST_NAME ? `${name.slice(0, LONGEST_NAME - 1)}…` : name}
      </text>
    </>
  )
}
