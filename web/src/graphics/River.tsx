import { scaleLinear, scaleTime } from 'd3-scale'
import { area, curveStepAfter } from 'd3-shape'
import { liquorColour } from './liquor'
import { Taken } from './Taken'
import { afloat, berths, ends, ms, type Afloat } from './river'
import type { Schemas } from '../api/client'

export type Course = Schemas['KitchenCourse']
type Draft = Course['drafts'][number]
type At = (at: number) => number

interface Props {
  course: Course
  /** What is looked at stands out. */
  chosen?: string
  onChoose: (id: string | undefined) => void
  /** A batch is let go so many minutes from where it was taken; where it may not be moved it is only looked at. */
  onMove?: (id: string, minutes: number) => void
  clock: (at: number) => string
  day: (at: number) => string
  litres: (value: number) => string
  label: string
}

const WIDTH = 1240
const LEFT = 8
/** Above the tide stands its name. */
const TIDE_TOP = 26
const TIDE = 84
const AXIS = 28
const LANE = 64
const FALL = 70
const SHELF = 96
const MOUTH = 40
const SAID = 40
/** So small a picture shows a stock in the colour that it ends in. */
const DONE = 10
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
export function River({ course, chosen, onChoose, onMove, clock, day, litres, label }: Props) {
  const from = ms(course.now)
  const to = ms(course.until)
  const time = scaleTime([from, to], [LEFT, WIDTH - LEFT])
  const x: At = (at) => time(at)
  const streams = [...course.running, ...course.drafts]
  const wanted = course.calls.filter((call) => ms(call.by) <= to)
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
  const shelfTop = pots + count * LANE + FALL
  const bank = shelfTop + SHELF
  const stocks = afloat(course)
  const depth = scaleLinear([0, Math.max(1, ...stocks.steps.map((s) => s.upTo.at(-1) ?? 0))], [0, SHELF - 24])
  const mouths = berths(
    wanted.map((call) => ({ id: call.id, from: ms(call.by), to: ms(call.by) + (to - from) * CALLED })),
    MOST_ROWS,
  )
  const rows = Math.max(1, ...[...mouths.values()].map((row) => row + 1))
  const height = bank + MOUTH + rows * SAID
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
      <Shelf stocks={stocks} x={x} bank={bank} depth={(l) => depth(l)} to={to} />
      {course.running.map((batch) => (
        <g key={batch.id}>{stream(batch, false)}</g>
      ))}
      {course.drafts.map((draft) => (
        <Taken
          key={draft.id}
          width={WIDTH}
          faint={chosen !== undefined && chosen !== draft.id}
          onTake={() => onChoose(draft.id)}
          onMove={onMove && ((along) => onMove(draft.id, tens((along * (to - from)) / (WIDTH - 2 * LEFT))))}
        >
          {stream(draft, true)}
        </Taken>
      ))}
      {wanted.map((call) => (
        <Mouth
          key={call.id}
          call={call}
          at={x(ms(call.by))}
          bank={bank}
          end={bank + MOUTH + (mouths.get(call.id) ?? 0) * SAID}
          wide={Math.max(6, thick(call.litres) * 0.6)}
          says={`${call.station} ${litres(call.litres)}`}
          clock={clock}
        />
      ))}
      <line x1={x(from)} x2={x(from)} y1={TIDE_TOP} y2={bank} stroke="var(--ember)" strokeWidth={3} />
    </svg>
  )
}

const TEN_MINUTES = 600_000
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

/** How many hands are there, and how many are wanted: where the water is over the bank, two acts collide. */
function Tide({ hands, x }: { hands: Course['hands']; x: At }) {
  const most = Math.max(1, ...hands.map((h) => Math.max(h.there, h.wanted)))
  const y = scaleLinear([0, most], [TIDE - 2, TIDE_TOP])
  return (
    <g>
      <text x={LEFT} y={16} fontSize={15} fontWeight={600} fill="var(--ink)">
        Hands wanted, of those who are there
      </text>
      {hands.map((h) => {
        const left = x(ms(h.from))
        const width = x(ms(h.to)) - left
        const over = Math.max(0, h.wanted - h.there)
        return (
          <g key={h.from}>
            <rect x={left} width={width} y={y(h.there)} height={TIDE - 2 - y(h.there)} fill="var(--water)" />
            <rect
              x={left}
              width={width}
              y={y(h.wanted)}
              height={TIDE - 2 - y(h.wanted)}
              fill="var(--river)"
            />
            {over > 0 && (
              <rect x={left} width={width} y={y(h.wanted)} height={y(0) - y(over)} fill="var(--ember)" />
            )}
          </g>
        )
      })}
    </g>
  )
}

/** What is on hand at each hour, stock upon stock. */
function Shelf({
  stocks,
  x,
  bank,
  depth,
  to,
}: {
  stocks: Afloat
  x: At
  bank: number
  depth: (litres: number) => number
  to: number
}) {
  const steps = [...stocks.steps, { at: to, upTo: stocks.steps.at(-1)?.upTo ?? [] }]
  return (
    <g>
      {stocks.names.map((stock, n) => (
        <path
          key={stock.name}
          d={
            area<(typeof steps)[number]>()
              .x((s) => x(s.at))
              .y0((s) => bank - depth(n === 0 ? 0 : (s.upTo[n - 1] ?? 0)))
              .y1((s) => bank - depth(s.upTo[n] ?? 0))
              .curve(curveStepAfter)(steps) ?? ''
          }
          fill={liquorColour(stock.family, DONE)}
          stroke="var(--surface)"
          strokeWidth={1}
        />
      ))}
      <line x1={LEFT} x2={WIDTH - LEFT} y1={bank} y2={bank} stroke="var(--frost)" strokeWidth={3} />
      <text x={LEFT + 8} y={bank - SHELF + 14} fontSize={15} fontWeight={600} fill="var(--frost)">
        On the cold shelf
      </text>
    </g>
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
      <text
        x={Math.min(begins, WIDTH * (1 - NAMED))}
        y={y - half * 1.1 - 7}
        fontSize={15}
        fontWeight={600}
        fill="var(--ink)"
        stroke="var(--surface)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {says}
      </text>
    </>
  )
}

/** Litres that leave at the hour of a call; what is missing is an empty bed. */
function Mouth({
  call,
  at,
  bank,
  end,
  wide,
  says,
  clock,
}: {
  call: Course['calls'][number]
  at: number
  bank: number
  end: number
  wide: number
  says: string
  clock: (at: number) => string
}) {
  const wrong = call.missing > 0 || call.lateMin > 0
  const said = Math.min(at, WIDTH - 120)
  return (
    <g>
      <path
        d={`M${at - wide / 2} ${bank}C${at - wide / 2} ${bank + 18} ${at} ${bank + 22} ${at} ${end}H${at + 3}C${at + 3} ${bank + 22} ${at + wide / 2} ${bank + 18} ${at + wide / 2} ${bank}Z`}
        fill={call.missing > 0 ? 'none' : liquorColour(call.family, DONE)}
        stroke={wrong ? 'var(--ember)' : 'none'}
        strokeWidth={2}
        strokeDasharray={call.missing > 0 ? '4 3' : undefined}
      />
      <text x={said} y={end + 17} fontSize={15} fontWeight={600} fill={wrong ? 'var(--ember)' : 'var(--ink)'}>
        {says}
      </text>
      <text x={said} y={end + 33} fontSize={14} fill="var(--quiet)">
        {clock(ms(call.by))}
      </text>
    </g>
  )
}
