import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'

export interface Course {
  name: string
  colour: string
  dashed: boolean
  points: { minute: number; litres: number }[]
}

const WIDTH = 560
const HEIGHT = 260
const LEFT = 54
const BOTTOM = 28

/** Litres in the pot against hours, several on the same axes. */
export function Courses({ courses, litres }: { courses: Course[]; litres: (value: number) => string }) {
  const end = Math.max(60, ...courses.flatMap((c) => c.points.map((p) => p.minute)))
  const most = Math.max(1, ...courses.flatMap((c) => c.points.map((p) => p.litres)))
  const x = scaleLinear([0, end], [LEFT, WIDTH - 10])
  const y = scaleLinear([0, most * 1.05], [HEIGHT - BOTTOM, 10])
  const draw = line<{ minute: number; litres: number }>(
    (p) => x(p.minute),
    (p) => y(p.litres),
  )
  const everyH = end > 600 ? 2 : end > 90 ? 1 : 0.25
  const hours = Array.from({ length: Math.floor(end / 60 / everyH) + 1 }, (_, i) => i * everyH)
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block h-auto w-full"
      role="img"
      aria-label={courses
        .map(
          (c) => `${c.name}: ${litres(c.points[0]?.litres ?? 0)} to ${litres(c.points.at(-1)?.litres ?? 0)}`,
        )
        .join('; ')}
    >
      {y.ticks(5).map((value) => (
        <g key={value}>
          <line x1={LEFT} x2={WIDTH - 10} y1={y(value)} y2={y(value)} stroke="var(--rule)" />
          <text x={LEFT - 8} y={y(value) + 4.5} textAnchor="end" fontSize={13} fill="var(--quiet)">
            {litres(value)}
          </text>
        </g>
      ))}
      {hours.map((hour) => (
        <text
          key={hour}
          x={x(hour * 60)}
          y={HEIGHT - 8}
          textAnchor={hour === 0 ? 'start' : 'middle'}
          fontSize={13}
          fill="var(--quiet)"
        >
          {everyH < 1 ? `${hour * 60} min` : `${hour} h`}
        </text>
      ))}
      {courses.map((course) => (
        <g key={course.name} fill="none" strokeLinejoin="round">
          <path
            d={draw(course.points) ?? ''}
            stroke="var(--ink)"
            strokeWidth={course.dashed ? 2 : 5}
            strokeDasharray={course.dashed ? '7 5' : undefined}
          />
          {!course.dashed && <path d={draw(course.points) ?? ''} stroke={course.colour} strokeWidth={2.5} />}
          <text
            x={x(course.points[0]?.minute ?? 0) + 6}
            y={y(course.points[0]?.litres ?? 0) - 9}
            fontSize={13}
            fill="var(--ink)"
            stroke="none"
          >
            {course.name}
          </text>
        </g>
      ))}
    </svg>
  )
}
