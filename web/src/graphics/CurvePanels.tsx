import { scaleLinear, scaleTime } from 'd3-scale'
import { area, line } from 'd3-shape'
import { useState, type PointerEvent } from 'react'

export interface CurvePoint {
  at: number
  low: number
  mid: number
  high: number
}

export interface CurvePanel {
  name: string
  /** Happened and ahead, in the unit that is drawn. */
  points: CurvePoint[]
  planned: { at: number; value: number }[]
  least: number
  most: number
  colour: string
  words: (value: number) => string
  /** Read from above, so that the higher is the smaller figure. */
  downward?: boolean
  /** A line across that means something, such as the top of the bed. */
  line?: { value: number; name: string }
}

interface Props {
  panels: CurvePanel[]
  now: number
  /** Whether anything is still ahead; a batch that is over has no line for now. */
  running: boolean
  clock: (at: number) => string
  label: string
}

const WIDTH = 900
const PANEL = 108
const GAP = 26
const LEFT = 76
const RIGHT = 150
const BOTTOM = 24

/** Figures of a pot on one clock: the plan dashed behind, what happened in ink, the band grey behind it and ahead of it. A finger reads any moment. */
export function CurvePanels({ panels, now, running, clock, label }: Props) {
  const [picked, setPicked] = useState<number>()
  const moments = panels.flatMap((p) => [...p.points.map((q) => q.at), ...p.planned.map((q) => q.at)])
  const from = Math.min(...moments)
  const to = Math.max(...moments, from + 600_000)
  const x = scaleTime([from, to], [LEFT, WIDTH - RIGHT])
  const height = panels.length * (PANEL + GAP) + BOTTOM
  const read = picked ?? Math.min(now, to)
  const pick = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const at = +x.invert(((event.clientX - box.left) / box.width) * WIDTH)
    setPicked(Math.max(from, Math.min(to, at)))
  }
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block h-auto w-full touch-pan-y"
      role="img"
      aria-label={label}
      onPointerDown={pick}
      onPointerMove={pick}
      onPointerLeave={() => setPicked(undefined)}
    >
      {x.ticks(7).map((tick) => (
        <g key={+tick}>
          <line x1={x(tick)} x2={x(tick)} y1={GAP - 6} y2={height - BOTTOM} stroke="var(--rule)" />
          <text x={x(tick)} y={height - 6} textAnchor="middle" fontSize={15} fill="var(--quiet)">
            {clock(+tick)}
          </text>
        </g>
      ))}
      {panels.map((panel, i) => (
        <Panel key={panel.name} panel={panel} top={i * (PANEL + GAP) + GAP} x={x} now={now} read={read} />
      ))}
      {running && now < to && (
        <line
          x1={x(now)}
          x2={x(now)}
          y1={GAP - 6}
          y2={height - BOTTOM}
          stroke="var(--ember)"
          strokeDasharray="3 4"
        />
      )}
      {picked !== undefined && (
        <g>
          <line x1={x(read)} x2={x(read)} y1={GAP - 6} y2={height - BOTTOM} stroke="var(--ink)" />
          <text x={WIDTH - RIGHT + 12} y={16} fontSize={15} fontWeight={600} fill="var(--ink)">
            {clock(read)}
          </text>
        </g>
      )}
    </svg>
  )
}

function Panel({
  panel,
  top,
  x,
  now,
  read,
}: {
  panel: CurvePanel
  top: number
  x: (at: number) => number
  now: number
  read: number
}) {
  const y = scaleLinear([panel.least, panel.most], [top + PANEL, top])
  const done = panel.points.filter((p) => p.at <= now)
  const ahead = panel.points.filter((p) => p.at >= (done[done.length - 1]?.at ?? 0))
  const band = area<CurvePoint>()
    .x((p) => x(p.at))
    .y0((p) => y(p.low))
    .y1((p) => y(p.high))
  const course = line<CurvePoint>(
    (p) => x(p.at),
    (p) => y(p.mid),
  )
  const plan = line<{ at: number; value: number }>(
    (p) => x(p.at),
    (p) => y(p.value),
  )
  const here = at(panel.points, read)
  return (
    <g>
      <text x={LEFT} y={top - 8} fontSize={15} fontWeight={600} fill="var(--ink)">
        {panel.name}
      </text>
      {y.ticks(3).map((value) => (
        <g key={value}>
          <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(value)} y2={y(value)} stroke="var(--rule)" />
          <text x={LEFT - 8} y={y(value) + 5} textAnchor="end" fontSize={14} fill="var(--quiet)">
            {panel.words(value)}
          </text>
        </g>
      ))}
      {panel.line && panel.line.value > panel.least && (
        <g>
          <line
            x1={LEFT}
            x2={WIDTH - RIGHT}
            y1={y(panel.line.value)}
            y2={y(panel.line.value)}
            stroke="var(--amber)"
            strokeWidth={1.5}
          />
          <text x={LEFT + 6} y={y(panel.line.value) - 5} fontSize={14} fill="var(--amber)">
            {panel.line.name}
          </text>
        </g>
      )}
      <path d={band(panel.points) ?? ''} fill="var(--river)" opacity={0.16} />
      <path
        d={plan(panel.planned) ?? ''}
        fill="none"
        stroke="var(--steel)"
        strokeWidth={2}
        strokeDasharray="6 4"
      />
      <path d={course(done) ?? ''} fill="none" stroke={panel.colour} strokeWidth={3} strokeLinejoin="round" />
      {ahead.length > 1 && (
        <path
          d={course(ahead) ?? ''}
          fill="none"
          stroke="var(--river)"
          strokeWidth={2}
          strokeDasharray="2 4"
        />
      )}
      {here && (
        <g>
          <circle cx={x(read)} cy={y(here.mid)} r={5} fill={panel.colour} />
          <text x={WIDTH - RIGHT + 12} y={top + 26} fontSize={22} fontWeight={700} fill="var(--ink)">
            {panel.words(here.mid)}
          </text>
          {panel.words(here.low) !== panel.words(here.high) && (
            <text x={WIDTH - RIGHT + 12} y={top + 48} fontSize={14} fill="var(--quiet)">
              {panel.words(panel.downward ? here.high : here.low)} to{' '}
              {panel.words(panel.downward ? here.low : here.high)}
            </text>
          )}
        </g>
      )}
    </g>
  )
}

/** The figure at a moment, straight between its neighbours; at a jump what came after it. */
export function at(points: CurvePoint[], moment: number): CurvePoint | undefined {
  const after = points.findIndex((p) => p.at > moment)
  const last = points[points.length - 1]
  if (!last || moment < points[0]!.at) return undefined
  if (after < 0) return moment - last.at < 60_000 ? last : undefined
  const a = points[after - 1]!
  const b = points[after]!
  const share = (moment - a.at) / (b.at - a.at)
  const between = (from: number, to: number) => from + (to - from) * share
  return {
    at: moment,
    low: between(a.low, b.low),
    mid: between(a.mid, b.mid),
    high: between(a.high, b.high),
  }
}
