import { scaleLinear } from 'd3-scale'
import { area, curveStepAfter, line } from 'd3-shape'
import { liquorColour } from './liquor'
import { A_DROP, berths, brim, ms, type Afloat } from './river'
import { DONE, ICE, LEFT, OVEN, SHELF, TIDE, TIDE_TOP, WIDTH, type At } from './riverMeasure'
import type { Course } from './River'
import { Words } from './RiverWords'

/** How many hands are there, and how many are wanted: where the water is over the bank, two acts collide. */
export function Tide({ hands, x }: { hands: Course['hands']; x: At }) {
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

/** Of an oven in the picture, from its lowest tray to its highest. */
const RACK = 18
/** As wide as what an oven is called, with what it is set to. */
const WORDS = 150

/** Each tray of what is in an oven, one after another. */
const traysOf = (oven: Course['ovens'][number], n: number) =>
  Array.from({ length: Math.min(oven.trays, oven.there) }, (_, tray) => ({
    id: `${n} ${tray}`,
    from: ms(oven.from),
    to: ms(oven.to),
  }))

/** Ovens that are taken, one under the other: each tray that is in glows, at what the oven is set to. */
export function Ovens({
  names,
  ovens,
  x,
  top,
  heat,
}: {
  names: string[]
  ovens: Course['ovens']
  x: At
  top: number
  heat: (celsius: number) => string
}) {
  return (
    <g>
      {names.map((name, row) => {
        const its = ovens.filter((oven) => oven.name === name)
        const rungs = berths(its.flatMap(traysOf))
        return its.map((oven, n) => {
          const left = Math.max(LEFT, x(ms(oven.from)))
          const right = Math.max(left + 6, x(ms(oven.to)))
          const foot = top + row * OVEN + 17 + RACK / 2
          const rise = RACK / Math.max(1, oven.there - 1)
          // Its words stand where no later one does, and before it where they would run off the picture.
          const last = its.slice(n + 1).every((other) => x(ms(other.from)) > right + WORDS)
          const before = right + WORDS > WIDTH
          return (
            <g key={`${name} ${n}`}>
              {traysOf(oven, n).map(({ id }) => (
                <line
                  key={id}
                  x1={left}
                  x2={right}
                  y1={foot - (rungs.get(id) ?? 0) * rise}
                  y2={foot - (rungs.get(id) ?? 0) * rise}
                  stroke="var(--ember)"
                  strokeWidth={Math.min(3, rise * 0.7)}
                  strokeLinecap="round"
                />
              ))}
              {last && (
                <Words
                  x={before ? left - 6 : right + 6}
                  textAnchor={before ? 'end' : 'start'}
                  y={foot - RACK / 2 + 5}
                  fontWeight={600}
                  fill="var(--ink)"
                >
                  {name}
                  {oven.celsius !== undefined && `, ${heat(oven.celsius)}`}
                </Words>
              )}
            </g>
          )
        })
      })}
    </g>
  )
}

/** The ice of the kitchen: it sinks with every fall and rises with the machine. */
export function Ice({
  ice,
  x,
  foot,
  kg,
}: {
  ice: Course['ice']
  x: At
  foot: number
  kg: (value: number) => string
}) {
  const most = Math.max(...ice.map((level) => level.kg))
  if (ice.length === 0) return null
  const y = scaleLinear([0, Math.max(1, most)], [foot, foot - ICE + 34])
  const surface = area<Course['ice'][number]>()
    .x((level) => x(ms(level.at)))
    .y0(foot)
    .y1((level) => y(level.kg))
  const least = ice.reduce((a, b) => (b.kg < a.kg ? b : a))
  return (
    <g pointerEvents="none">
      <path d={surface(ice) ?? ''} fill="var(--frost)" fillOpacity={0.16} />
      <path d={surface.lineY1()(ice) ?? ''} fill="none" stroke="var(--frost)" strokeWidth={2} />
      <text x={LEFT + 8} y={y(most) - 7} fontSize={15} fontWeight={600} fill="var(--frost)">
        Ice, {kg(most)}
      </text>
      {least.kg < most && (
        <Words
          x={Math.min(x(ms(least.at)) + 6, WIDTH - 70)}
          y={Math.min(foot - 4, y(least.kg) - 6)}
          fill="var(--frost)"
        >
          {kg(least.kg)}
        </Words>
      )}
    </g>
  )
}

/** As wide as what a chiller is called. */
const CALLED = 104

/** What falls through the air of a chiller, and takes nothing of the ice; its name stands where there is room for it. */
export function Cabinets({
  streams,
  x,
  foot,
}: {
  streams: Pick<Course['drafts'][number], 'id' | 'stages' | 'chiller'>[]
  x: At
  foot: number
}) {
  const top = foot - ICE + 40
  const stays = streams
    .flatMap(({ id, stages, chiller }) => {
      const cold = stages.find((s) => s.stage === 'COOL')
      if (!cold || chiller == null || x(ms(cold.from)) > WIDTH - LEFT) return []
      const left = Math.max(LEFT, x(ms(cold.from)))
      return [{ id, chiller, left, right: Math.max(left + 14, x(ms(cold.to))) }]
    })
    .sort((a, b) => a.left - b.left)
  const at = (left: number) => Math.min(left, WIDTH - CALLED)
  const named = berths(stays.map(({ id, left }) => ({ id, from: at(left), to: at(left) + CALLED })))
  return (
    <g pointerEvents="none">
      {stays.map(({ id, chiller, left, right }) => (
        <g key={id}>
          <path
            d={`M${left} ${top}H${right}V${foot - 4}H${left}Z`}
            fill="var(--surface)"
            fillOpacity={0.55}
            stroke="var(--frost)"
            strokeWidth={3}
          />
          {named.get(id) === 0 && (
            <Words x={at(left)} y={foot + 14} fontWeight={600} fill="var(--frost)">
              {chiller}
            </Words>
          )}
        </g>
      ))}
    </g>
  )
}

/** What is on hand at each hour, stock upon stock. */
export function Shelf({
  stocks,
  promised,
  x,
  bank,
  depth,
  room,
  litres,
  to,
}: {
  stocks: Afloat
  /** Of them. */
  promised: Afloat
  /** That the cold store has beside what is promised, from each moment on. */
  room: Course['room']
  litres: (value: number) => string
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
      <Brim
        litres={litres}
        stocks={stocks}
        promised={promised}
        room={room}
        x={x}
        level={(high) => bank - depth(high)}
        to={to}
        top={bank - SHELF}
      />
      <line x1={LEFT} x2={WIDTH - LEFT} y1={bank} y2={bank} stroke="var(--frost)" strokeWidth={3} />
      <text x={LEFT + 8} y={bank - SHELF + 14} fontSize={15} fontWeight={600} fill="var(--frost)">
        On the cold shelf
      </text>
    </g>
  )
}

/** How high the store takes it, where that is in the picture; what stands higher has no place there. */
function Brim({
  stocks,
  promised,
  room,
  litres,
  x,
  level,
  to,
  top,
}: {
  stocks: Afloat
  promised: Afloat
  room: Course['room']
  litres: (value: number) => string
  x: At
  level: (litres: number) => number
  to: number
  top: number
}) {
  const steps = brim(stocks, promised, room, to)
  type Step = (typeof steps)[number]
  const seen = line<Step>()
    .x((s) => x(s.at))
    .y((s) => level(s.room))
    .defined((s) => level(s.room) >= top)
    .curve(curveStepAfter)
  const over = area<Step>()
    .x((s) => x(s.at))
    .y0((s) => level(Math.min(s.room, s.there)))
    .y1((s) => level(s.there))
    .curve(curveStepAfter)
  const most = Math.max(...steps.map((s) => s.room))
  const full = steps.find((s) => s.there > s.room + A_DROP)
  return (
    <g pointerEvents="none">
      <path d={seen(steps) ?? ''} fill="none" stroke="var(--frost)" strokeWidth={2} strokeDasharray="3 5" />
      {steps.length > 0 && level(most) >= top && (
        <Words x={WIDTH - LEFT} y={level(most) - 6} textAnchor="end" fill="var(--frost)">
          the store takes {litres(most)}
        </Words>
      )}
      {full && (
        <>
          <path d={over(steps) ?? ''} fill="var(--ember)" fillOpacity={0.75} />
          <Words
            x={Math.min(x(full.at) + 4, WIDTH - 190)}
            y={level(full.there) - 6}
            fontWeight={700}
            fill="var(--ember)"
          >
            more than the store takes
          </Words>
        </>
      )}
    </g>
  )
}
