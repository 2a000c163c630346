import { scaleTime } from 'd3-scale'

/** A batch from its start to when it is ready. */
export interface Reach {
  start: string
  ready: string
  litres: number
}

interface Props {
  from?: Reach
  to?: Reach
  /** What all forks beside each other share, so that they compare. */
  span: [Date, Date]
  /** The most litres of any of them. */
  most: number
  /** Midnights, and the days that begin there. */
  days: { at: Date; name: string }[]
  label: string
}

const WIDTH = 300
const HEIGHT = 62
const BED = 23
const FOOT = 46

/** One stream that takes another course: where it was laid as a dry bed, where it would run as water. */
export function Fork({ from, to, span, most, days, label }: Props) {
  const x = scaleTime(span, [4, WIDTH - 4])
  const thick = (litres: number) => 5 + (litres / Math.max(1, most)) * 11
  const stream = ({ start, ready, litres }: Reach, middle: number) => {
    const [a, b] = [x(new Date(start)), Math.max(x(new Date(start)) + 8, x(new Date(ready)))]
    const half = thick(litres) / 2
    // It narrows to its mouth, where the litres fall out of the pot.
    return `M${a},${middle - half} L${b - 6},${middle - half} Q${b},${middle - half} ${b},${middle} Q${b},${middle + half} ${b - 6},${middle + half} L${a},${middle + half} Q${a - 3},${middle} ${a},${middle - half}Z`
  }
  const old = from && to ? BED - 10 : BED
  const fresh = from && to ? BED + 11 : BED
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block h-auto w-full" role="img" aria-label={label}>
      <line x1={0} x2={WIDTH} y1={FOOT} y2={FOOT} stroke="var(--rule)" />
      {days.map(({ at, name }) => (
        <g key={name}>
          <line x1={x(at)} x2={x(at)} y1={0} y2={FOOT} stroke="var(--rule)" />
          <text x={x(at) + 3} y={HEIGHT - 4} fontSize={11} fill="var(--quiet)">
            {name}
          </text>
        </g>
      ))}
      {from && (
        <path
          d={stream(from, old)}
          fill="none"
          stroke="var(--quiet)"
          strokeWidth={1.5}
          strokeDasharray="4 3"
        />
      )}
      {from && to && (
        <path
          d={`M${x(new Date(from.start))},${old} C${x(new Date(from.start))},${fresh} ${x(new Date(to.start))},${old} ${x(new Date(to.start))},${fresh}`}
          fill="none"
          stroke="var(--river)"
          strokeWidth={1.5}
        />
      )}
      {to && <path d={stream(to, fresh)} fill="var(--river)" />}
      {!to && from && (
        <line
          x1={x(new Date(from.start))}
          x2={x(new Date(from.ready))}
          y1={BED}
          y2={BED}
          stroke="var(--ember)"
          strokeWidth={3}
        />
      )}
    </svg>
  )
}
