import { scaleLinear, scaleTime } from 'd3-scale'
import { liquorColour } from './liquor'
import { Taken } from './Taken'
import { Cabinets, Ice, Ovens, Shelf, Tide } from './RiverBanks'
import { Mouth, MouthWords } from './RiverMouths'
import { Words } from './RiverWords'
import { abreast, afloat, berths, ends, leaving, ms, promisedOf, TEN_MINUTES } from './river'
import {
  AXIS,
  DONE,
  ICE,
  LANE,
  LEFT,
  MOUTH,
  OVEN,
  SAID,
  SHELF,
  TIDE,
  TIDE_TOP,
  VESSEL,
  WIDTH,
  type At,
} from './riverMeasure'
import type { Schemas } from '../api/client'

export type Course = Schemas['KitchenCourse']
type Draft = Course['drafts'][number]

/** What is held over the river and not let go yet. */
export interface Guest {
  along: number
  down: number
  litres: number
  family: Draft['family']
  says: string
}

interface Props {
  course: Course
  /** What is looked at stands out. */
  chosen?: string
  onChoose: (id: string | undefined) => void
  /** A batch is let go so many minutes from where it was taken; where it may not be moved it is only looked at. */
  onMove?: (id: string, minutes: number, vesselId: string | undefined) => void
  guest?: Guest
  /** From the smallest vessel to the largest: across lies the next one. */
  vessels: { id: string; name: string }[]
  clock: (at: number) => string
  day: (at: number) => string
  litres: (value: number) => string
  kg: (value: number) => string
  heat: (celsius: number) => string
  label: string
}

/** A name may be longer than its stream: of the whole width. */
const NAMED = 0.24
const CALLED = 0.12
/** Of calls under each other. */
const MOST_ROWS = 6
const HOUR = 3_600_000
const MIDNIGHT = '00:00'

/** Stages in which stock, or what becomes of it, is in the vessel. */
const IN_THE_POT: string[] = ['BLANCH', 'FILL', 'BRING_UP', 'SIMMER', 'REST', 'STRAIN', 'REDUCE']

/** The kitchen as one river: pots as tributaries, their litres falling through the cold onto the shelf, and the mouths that leave it at each call. */
export function River({
  course,
  chosen,
  onChoose,
  onMove,
  guest,
  vessels,
  clock,
  day,
  litres,
  kg,
  heat,
  label,
}: Props) {
  const from = ms(course.now)
  const to = ms(course.until)
  const time = scaleTime([from, to], [LEFT, WIDTH - LEFT])
  const x: At = (at) => time(at)
  // What is planned for later than the picture reaches has no place in it.
  const running = course.running.filter((batch) => ends(batch.stages).start < to)
  const streams = [...running, ...course.drafts]
  const wanted = leaving(course).filter((call) => ms(call.by) <= to)
  const lanes = berths(
    streams.map((one) => {
      const start = Math.max(from, ends(one.stages).start)
      // A name that begins near the end would run off the picture: it begins before its stream.
      const named = Math.min(start, to - (to - from) * NAMED)
      return { id: one.id, from: named, to: Math.max(ends(one.stages).end, named + (to - from) * NAMED) }
    }),
  )
  const count = Math.max(1, ...[...lanes.values()].map((lane) => lane + 1))
  const thick = scaleLinear([0, Math.max(4, ...streams.map((one) => one.litres))], [0, LANE - 26])
  const pots = TIDE + AXIS
  const heated = [...new Set(course.ovens.map((oven) => oven.name))]
  const cold = pots + count * LANE + heated.length * OVEN
  const shelfTop = cold + ICE
  const bank = shelfTop + SHELF
  const stocks = afloat(course)
  const depth = scaleLinear([0, Math.max(1, ...stocks.steps.map((s) => s.upTo.at(-1) ?? 0))], [0, SHELF - 24])
  const mouths = berths(
    wanted.map((call) => {
      // Words near the end stand before it.
      const named = Math.min(ms(call.by), to - (to - from) * CALLED)
      return { id: call.id, from: named, to: named + (to - from) * CALLED }
    }),
    MOST_ROWS,
  )
  const rows = Math.max(1, ...[...mouths.values()].map((row) => row + 1))
  const height = bank + MOUTH + rows * SAID
  const mouthWide = (call: { litres: number }) => Math.max(6, thick(call.litres) * 0.6)
  const lefts = abreast(wanted.map((call) => ({ id: call.id, at: x(ms(call.by)), wide: mouthWide(call) })))
  const mouthEnd = (call: { id: string }) => bank + MOUTH + (mouths.get(call.id) ?? 0) * SAID
  const vesselAcross = (vesselId: string, across: number) => {
    const steps = Math.round(across / VESSEL)
    const at = vessels.findIndex((vessel) => vessel.id === vesselId)
    return steps === 0 ? undefined : vessels[Math.min(vessels.length - 1, Math.max(0, at + steps))]
  }
  const laneOf = (id: string) => pots + (lanes.get(id) ?? 0) * LANE + LANE / 2 + 10
  const stream = (one: (typeof streams)[number], planned: boolean) => (
    <Tributary
      stream={one}
      planned={planned}
      x={x}
      y={laneOf(one.id)}
      half={thick(one.litres) / 2}
      shelf={bank - depth(stocks.at(ends(one.stages).end))}
      says={`${one.vesselName}, ${one.formulaName} ${litres(one.litres)}`}
    />
  )
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className="block h-auto w-full" role="img" aria-label={label}>
      {course.hands
        .filter((h) => h.there === 0)
        .map((h) => (
          <rect
            key={h.from}
            x={x(ms(h.from))}
            width={x(ms(h.to)) - x(ms(h.from))}
            y={TIDE_TOP}
            height={bank - TIDE_TOP}
            fill="var(--ink)"
            opacity={0.07}
          />
        ))}
      <Tide hands={course.hands} x={x} />
      {hours(from, to, clock).map((at) => (
        <g key={at}>
          <line x1={x(at)} x2={x(at)} y1={TIDE} y2={bank} stroke="var(--rule)" />
          <text
            x={x(at) + 4}
            y={TIDE + 19}
            fontSize={15}
            fontWeight={clock(at) === MIDNIGHT ? 700 : 400}
            fill={clock(at) === MIDNIGHT ? 'var(--ink)' : 'var(--quiet)'}
          >
            {clock(at) === MIDNIGHT ? day(at).replace(/ ?\d\d:\d\d$/, '') : clock(at)}
          </text>
        </g>
      ))}
      <Ovens names={heated} ovens={course.ovens} x={x} top={pots + count * LANE} heat={heat} />
      <Shelf
        stocks={stocks}
        promised={promisedOf(course)}
        room={course.room}
        litres={litres}
        x={x}
        bank={bank}
        depth={(l) => depth(l)}
        to={to}
      />
      {running.map((batch) => (
        <g key={batch.id}>{stream(batch, false)}</g>
      ))}
      {course.drafts.map((draft) => (
        <Taken
          key={draft.id}
          width={WIDTH}
          faint={chosen !== undefined && chosen !== draft.id}
          onTake={() => onChoose(draft.id)}
          inHand={chosen === draft.id}
          onMove={
            onMove &&
            ((along, across) =>
              onMove(
                draft.id,
                tens((along * (to - from)) / (WIDTH - 2 * LEFT)),
                vesselAcross(draft.vesselId, across)?.id,
              ))
          }
          says={(across) => {
            const vessel = vesselAcross(draft.vesselId, across)
            return (
              vessel && (
                <Words
                  x={Math.max(LEFT, x(ends(draft.stages).start))}
                  y={laneOf(draft.id) + thick(draft.litres) / 2 + 22}
                  fontSize={18}
                  fontWeight={700}
                  fill="var(--river)"
                  strokeWidth={4}
                >
                  into {vessel.name}
                </Words>
              )
            )
          }}
        >
          {stream(draft, true)}
        </Taken>
      ))}
      <Ice ice={course.ice} x={x} foot={cold + ICE} kg={kg} />
      <Cabinets streams={streams} x={x} foot={cold + ICE} />
      {wanted.map((call) => (
        <Mouth
          key={call.id}
          call={call}
          at={x(ms(call.by))}
          left={lefts.get(call.id) ?? 0}
          wide={mouthWide(call)}
          bank={bank}
          end={mouthEnd(call)}
        />
      ))}
      {wanted.map((call) => (
        <MouthWords
          key={call.id}
          call={call}
          at={x(ms(call.by))}
          end={mouthEnd(call)}
          says={`${call.station} ${litres(call.litres)}`}
          clock={clock}
        />
      ))}
      <line x1={x(from)} x2={x(from)} y1={TIDE_TOP} y2={bank} stroke="var(--ember)" strokeWidth={3} />
      {guest && <Held guest={guest} half={Math.max(8, thick(guest.litres) / 2)} />}
    </svg>
  )
}

/** The head of a stream that is held over the river: how long it is, is known once it is let go. */
function Held({ guest: { along, down, family, says }, half }: { guest: Guest; half: number }) {
  return (
    <g pointerEvents="none">
      <path
        d={`M${along} ${down - half}H${along + 70}L${along + 100} ${down}L${along + 70} ${down + half}H${along}Z`}
        fill={liquorColour(family, DONE)}
        fillOpacity={0.7}
        stroke="var(--river)"
        strokeWidth={2.5}
        strokeDasharray="6 4"
      />
      <Words
        x={Math.min(along, WIDTH * (1 - 2 * NAMED))}
        y={down - half - 10}
        fontSize={18}
        fontWeight={700}
        fill="var(--river)"
        strokeWidth={4}
      >
        {says}
      </Words>
    </g>
  )
}

const tens = (span: number) => Math.round(span / TEN_MINUTES) * 10

/** Hours of the kitchen's own clock, as many as there is room for. */
function hours(from: number, to: number, clock: (at: number) => string): number[] {
  const long = (to - from) / HOUR
  const every = long <= 26 ? 2 : long <= 80 ? 6 : 12
  const quarter = HOUR / 4
  const first = Math.ceil(from / quarter) * quarter
  return Array.from({ length: Math.ceil((to - first) / quarter) }, (_, n) => first + n * quarter).filter(
    (at) => {
      const [hour, minute] = clock(at).split(':').map(Number)
      return minute === 0 && hour! % every === 0
    },
  )
}

/** A batch: a thread while its bed is made ready, as thick as its litres in the pot, and falling through the cold onto the shelf. */
function Tributary({
  stream,
  planned,
  x,
  y,
  half,
  shelf,
  says,
}: {
  stream: Pick<Draft, 'stages' | 'family'>
  /** Not accepted yet. */
  planned: boolean
  x: At
  y: number
  half: number
  shelf: number
  says: string
}) {
  const { start, end } = ends(stream.stages)
  const first = stream.stages.find((s) => IN_THE_POT.includes(s.stage))
  const cold = stream.stages.find((s) => s.stage === 'COOL' || s.stage === 'STORE')
  const begins = Math.max(LEFT, x(start))
  const strained = Math.max(LEFT, cold ? x(ms(cold.from)) : x(end))
  const filled = first ? Math.max(LEFT, x(ms(first.from))) : strained
  const ready = Math.max(strained, x(end))
  const colour = liquorColour(stream.family, DONE)
  const low = half * 0.6
  return (
    <>
      <path d={`M${begins} ${y}H${filled}`} stroke={colour} strokeWidth={4} strokeDasharray="2 5" />
      {filled < strained && (
        <path
          d={`M${filled} ${y - half * 1.1}L${strained} ${y - half}V${y + half}L${filled} ${y + half * 1.1}Z`}
          fill={colour}
          fillOpacity={planned ? 0.5 : 1}
          stroke="var(--ink)"
          strokeDasharray={planned ? '6 4' : undefined}
        />
      )}
      <path
        d={`M${strained} ${y - half}C${ready + low} ${y - half} ${ready + low} ${y} ${ready + low} ${shelf}H${ready - low}C${ready - low} ${y + half} ${strained} ${y + half} ${strained} ${y + half}Z`}
        fill="var(--frost)"
        fillOpacity={0.4}
      />
      <Words
        x={Math.min(begins, WIDTH * (1 - NAMED))}
        y={y - half * 1.1 - 7}
        fontWeight={600}
        fill="var(--ink)"
      >
        {says}
      </Words>
    </>
  )
}
