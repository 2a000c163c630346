import { scaleLinear, scaleTime } from 'd3-scale'
import { area, curveMonotoneX, line } from 'd3-shape'

export interface StreamPoint {
  at: number
  litres: number
  celsius: number
}

interface Props {
  /** What was planned. */
  plan: StreamPoint[]
  /** What happened. */
  done: StreamPoint[]
  /** Litres in the jug once strained, and where they went. */
  out?: { at: number; litres: number; cold: number; mouths: { name: string; litres: number; at: number }[] }
  from: number
  to: number
  now: number
  /** Litres expected at the end, low to high, while they are not measured. */
  band?: { at: number; low: number; high: number }
  colour: string
  clock: (at: number) => string
  litres: (value: number) => string
  temperature: (celsius: number) => string
  label: string
}

const WIDTH = 900
const FLOW = 170
const HEAT = 84
const HEIGHT = FLOW + HEAT + 40
const LEFT = 58
const RIGHT = 118

/** The batch as a stream: as thick as the litres in it, narrowing as it steams, jumping at a top-up, parting at the stations. */
export function Stream(props: Props) {
  const { plan, done, out, from, to, now, band, colour, clock, litres, temperature, label } = props
  const x = scaleTime([from, to], [LEFT, WIDTH - RIGHT])
  const most = Math.max(1, ...plan.map((p) => p.litres), ...done.map((p) => p.litres))
  const thick = scaleLinear([0, most], [0, FLOW - 34])
  const middle = FLOW / 2
  const heat = scaleLinear([0, 100], [FLOW + HEAT, FLOW + 10])
  const ribbon = area<StreamPoint>()
    .x((p) => x(p.at))
    .y0((p) => middle - thick(p.litres) / 2)
    .y1((p) => middle + thick(p.litres) / 2)
  const warmth = line<StreamPoint>(
    (p) => x(p.at),
    (p) => heat(p.celsius),
  ).curve(curveMonotoneX)
  const ticks = x.ticks(7)
  const end = done[done.length - 1]

  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block h-auto w-full" role="img" aria-label={label}>
      {ticks.map((tick) => (
        <g key={+tick}>
          <line x1={x(tick)} x2={x(tick)} y1={8} y2={FLOW + HEAT} stroke="var(--rule)" />
          <text x={x(tick)} y={HEIGHT - 18} textAnchor="middle" fontSize={15} fill="var(--quiet)">
            {clock(+tick)}
          </text>
        </g>
      ))}
      <path d={ribbon(plan) ?? ''} fill="none" stroke="var(--steel)" strokeWidth={2} strokeDasharray="5 4" />
      <path d={ribbon(done) ?? ''} fill={colour} stroke="var(--ink)" strokeWidth={1.5} />
      {out && <Delta out={out} x={x} thick={thick} middle={middle} now={Math.min(now, to)} litres={litres} />}
      {band && (
        <g>
          <line
            x1={x(band.at)}
            x2={x(band.at)}
            y1={middle - thick(band.high) / 2}
            y2={middle + thick(band.high) / 2}
            stroke="var(--river)"
            strokeWidth={2}
          />
          <line
            x1={x(band.at)}
            x2={x(band.at)}
            y1={middle - thick(band.low) / 2}
            y2={middle + thick(band.low) / 2}
            stroke="var(--river)"
            strokeWidth={8}
          />
          <text x={x(band.at) + 12} y={middle + 5} fontSize={15} fill="var(--river)" fontWeight={600}>
            {litres((band.low + band.high) / 2)}
          </text>
        </g>
      )}
      {end && !out && (
        <text x={x(end.at) + 10} y={middle + 6} fontSize={18} fontWeight={750} fill="var(--ink)">
          {litres(end.litres)}
        </text>
      )}
      <path
        d={warmth(plan) ?? ''}
        fill="none"
        stroke="var(--steel)"
        strokeWidth={1.5}
        strokeDasharray="5 4"
      />
      <path d={warmth(done) ?? ''} fill="none" stroke="var(--ember)" strokeWidth={2.5} />
      {[20, 60, 90].map((celsius) => (
        <text
          key={celsius}
          x={LEFT - 10}
          y={heat(celsius) + 5}
          textAnchor="end"
          fontSize={14}
          fill="var(--quiet)"
        >
          {temperature(celsius)}
        </text>
      ))}
      <line x1={x(now)} x2={x(now)} y1={4} y2={FLOW + HEAT} stroke="var(--ember)" strokeDasharray="3 4" />
    </svg>
  )
}

function Delta({
  out,
  x,
  thick,
  middle,
  now,
  litres,
}: {
  out: NonNullable<Props['out']>
  x: (at: number) => number
  thick: (litres: number) => number
  middle: number
  now: number
  litres: (value: number) => string
}) {
  const end = Math.max(x(now), x(out.at) + 12)
  const half = thick(out.litres) / 2
  const deliveredL = out.mouths.reduce((sum, mouth) => sum + mouth.litres, 0)
  const rest = Math.max(0, out.litres - deliveredL)
  const mouths =
    out.mouths.length === 0 ? [] : [...out.mouths, ...(rest > 0.05 ? [{ name: 'Left', litres: rest }] : [])]
  let at = middle - half
  return (
    <g>
      <rect
        x={x(out.at)}
        y={middle - half}
        width={end - x(out.at)}
        height={half * 2}
        fill="var(--frost)"
        opacity={0.55}
      />
      <rect
        x={x(out.at)}
        y={middle - half}
        width={end - x(out.at)}
        height={half * 2}
        fill="none"
        stroke="var(--ink)"
      />
      {mouths.length === 0 && (
        <text x={end + 10} y={middle + 6} fontSize={18} fontWeight={750} fill="var(--ink)">
          {litres(out.litres)}
        </text>
      )}
      {mouths.map((mouth, i) => {
        const height = thick(mouth.litres)
        const top = at
        at += height
        const aim = middle - half - 6 + (half * 2 + 12) * ((i + 0.5) / mouths.length)
        return (
          <g key={i}>
            <path
              d={`M${end} ${top}C${end + 20} ${top} ${end + 14} ${aim - height / 2} ${end + 32} ${aim - height / 2}V${aim + height / 2}C${end + 14} ${aim + height / 2} ${end + 20} ${top + height} ${end} ${top + height}Z`}
              fill="var(--frost)"
              stroke="var(--ink)"
            />
            <text x={end + 38} y={aim + 5} fontSize={15} fill="var(--ink)">
              {mouth.name} {litres(mouth.litres)}
            </text>
          </g>
        )
      })}
    </g>
  )
}
