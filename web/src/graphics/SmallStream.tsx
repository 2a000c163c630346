import { scaleLinear } from 'd3-scale'
import { area } from 'd3-shape'

interface Point {
  minute: number
  litres: number
}

/** What all rows of a list share, so that their streams compare. */
export interface StreamScale {
  minutes: number
  litres: number
}

interface Props {
  done: Point[]
  planned: Point[]
  /** Measured once strained; what came short of the call is hatched below it. */
  out?: number
  called: number
  scale: StreamScale
  colour: string
  label: string
}

const WIDTH = 420
const HEIGHT = 60
const POT = 330
const JUG = 348

/** A batch in one row of a list: the plan as an outline, what happened as liquor, and at its end the jug against what was called. */
export function SmallStream({ done, planned, out, called, scale, colour, label }: Props) {
  const x = scaleLinear([0, Math.max(1, scale.minutes)], [0, POT])
  const thick = scaleLinear([0, Math.max(1, scale.litres)], [0, HEIGHT - 6])
  const middle = HEIGHT / 2
  const ribbon = area<Point>()
    .x((p) => x(p.minute))
    .y0((p) => middle - thick(p.litres) / 2)
    .y1((p) => middle + thick(p.litres) / 2)
  const half = (litres: number) => thick(litres) / 2
  const short = out !== undefined && out < called ? called - out : 0
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block h-auto w-full" role="img" aria-label={label}>
      <path
        d={ribbon(planned) ?? ''}
        fill="none"
        stroke="var(--steel)"
        strokeWidth={1.5}
        strokeDasharray="4 4"
      />
      {done.length > 1 && (
        <path
          d={ribbon(done) ?? ''}
          fill={colour}
          stroke="var(--ink)"
          strokeWidth={1}
          strokeLinejoin="round"
        />
      )}
      {out !== undefined && (
        <rect
          x={JUG}
          y={middle - half(called > out ? called : out)}
          width={44}
          height={thick(out)}
          fill="var(--frost)"
        />
      )}
      {short > 0 && (
        <path
          d={hatch(JUG, middle - half(called) + thick(out!), 44, Math.max(4, thick(short)))}
          stroke="var(--ember)"
          strokeWidth={2}
        />
      )}
      <path
        d={`M${JUG + 52} ${middle - half(called)}h10v${thick(called)}h-10`}
        fill="none"
        stroke="var(--river)"
        strokeWidth={2.5}
      />
    </svg>
  )
}

/** Slanted strokes over a stretch. */
function hatch(x: number, y: number, width: number, height: number): string {
  const strokes = Math.max(1, Math.floor(width / 7))
  return Array.from({ length: strokes }, (_, i) => `M${x + i * 7} ${y + height}l6 ${-height}`).join('')
}
