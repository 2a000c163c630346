import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'

export interface WedgeStage {
  fromC: number
  toC: number
  startMin?: number
  deadlineMin?: number
  failed: boolean
}

interface Props {
  /** Minutes since straining. */
  readings: { minute: number; celsius: number }[]
  plan: { minute: number; stockC: number }[]
  stages: WedgeStage[]
  /** Where the readings lead. */
  projection?: { minute: number; celsius: number }[]
  nowMin: number
  temperature: (celsius: number) => string
  clock: (minute: number) => string
  label: string
}

const WIDTH = 640
const HEIGHT = 300
const LEFT = 64
const RIGHT = 92
const TOP = 14
const BOTTOM = 34

/** Cooling against the limits: the stock has to stay inside the wedge that each stage leaves. */
export function Wedge({ readings, plan, stages, projection = [], nowMin, temperature, clock, label }: Props) {
  const lastDeadline = Math.max(60, ...stages.map((s) => s.deadlineMin ?? 0))
  const lastPlan = plan[plan.length - 1]?.minute ?? 0
  const end = Math.max(lastDeadline + 20, lastPlan, nowMin + 20)
  const hottest = Math.max(90, ...readings.map((r) => r.celsius))
  const x = scaleLinear([0, end], [LEFT, WIDTH - RIGHT])
  const y = scaleLinear([0, hottest], [HEIGHT - BOTTOM, TOP])
  const course = line<{ minute: number; celsius: number }>(
    (p) => x(p.minute),
    (p) => y(p.celsius),
  )
  const levels = [...new Set(stages.flatMap((s) => [s.fromC, s.toC]))]
  // Ticks stand on full hours of the kitchen's clock, which says hours and minutes.
  const firstHourMin = (60 - Number(clock(0).slice(-2))) % 60
  const hours = Array.from({ length: Math.ceil(end / 60) }, (_, h) => h * 60 + firstHourMin).filter(
    (minute) => minute <= end,
  )

  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block h-auto w-full" role="img" aria-label={label}>
      {stages.map((stage, i) => {
        if (stage.startMin === undefined || stage.deadlineMin === undefined) return null
        const corner = `M${x(stage.startMin)} ${y(stage.fromC)}H${x(stage.deadlineMin)}V${y(stage.toC)}`
        return (
          <g key={i}>
            <path
              d={`${corner}L${x(stage.startMin)} ${y(stage.fromC)}Z`}
              fill={stage.failed ? 'var(--hazard)' : 'var(--frost)'}
              opacity={0.13}
            />
            <path
              d={corner}
              fill="none"
              stroke={stage.failed ? 'var(--hazard)' : 'var(--frost)'}
              strokeWidth={2}
            />
          </g>
        )
      })}
      {levels.map((celsius) => (
        <g key={celsius}>
          <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(celsius)} y2={y(celsius)} stroke="var(--rule)" />
          <text x={LEFT - 8} y={y(celsius) + 5} textAnchor="end" fontSize={14} fill="var(--quiet)">
            {temperature(celsius)}
          </text>
        </g>
      ))}
      {hours.map((minute) => (
        <g key={minute}>
          <line
            x1={x(minute)}
            x2={x(minute)}
            y1={HEIGHT - BOTTOM}
            y2={HEIGHT - BOTTOM + 6}
            stroke="var(--quiet)"
          />
          <text x={x(minute)} y={HEIGHT - BOTTOM + 22} textAnchor="middle" fontSize={14} fill="var(--quiet)">
            {clock(minute)}
          </text>
        </g>
      ))}
      <line x1={LEFT} x2={WIDTH - RIGHT} y1={HEIGHT - BOTTOM} y2={HEIGHT - BOTTOM} stroke="var(--quiet)" />
      <path
        d={course(plan.map((p) => ({ minute: p.minute, celsius: p.stockC }))) ?? ''}
        fill="none"
        stroke="var(--steel)"
        strokeWidth={2}
      />
      <path
        d={course(projection) ?? ''}
        fill="none"
        stroke="var(--frost)"
        strokeWidth={2.5}
        strokeDasharray="2 6"
        strokeLinecap="round"
      />
      <path d={course(readings) ?? ''} fill="none" stroke="var(--frost)" strokeWidth={3} />
      {readings.map((r) => (
        <circle
          key={r.minute}
          cx={x(r.minute)}
          cy={y(r.celsius)}
          r={5}
          fill="var(--raised)"
          stroke="var(--frost)"
          strokeWidth={3}
        />
      ))}
      {readings.length > 0 && (
        <text
          x={x(readings[readings.length - 1]!.minute) + 12}
          y={y(readings[readings.length - 1]!.celsius) - 8}
          fontSize={18}
          fontWeight={750}
          fill="var(--ink)"
        >
          {temperature(readings[readings.length - 1]!.celsius)}
        </text>
      )}
      <line
        x1={x(nowMin)}
        x2={x(nowMin)}
        y1={TOP}
        y2={HEIGHT - BOTTOM}
        stroke="var(--ember)"
        strokeDasharray="3 4"
      />
    </svg>
  )
}
