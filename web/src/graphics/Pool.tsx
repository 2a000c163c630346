import type { Family } from '../words/en'
import { liquorColour } from './liquor'
import { DONE } from './riverMeasure'

const WIDE = 64
const HIGH = 40

/** Litres that stand still beside the river: as large as they are, beside the most there. */
export function Pool({ litres, most, family }: { litres: number; most: number; family: Family }) {
  // By area, as an eye compares.
  const share = Math.max(0.3, Math.sqrt(litres / Math.max(litres, most)))
  const across = (WIDE / 2 - 2) * share
  const deep = (HIGH - 8) * share
  const middle = WIDE / 2
  return (
    <svg width={WIDE} height={HIGH} viewBox={`0 0 ${WIDE} ${HIGH}`} aria-hidden className="block">
      <path
        d={`M${middle - across} 5C${middle - across * 0.9} ${5 + deep * 1.3} ${middle + across * 0.9} ${5 + deep * 1.3} ${middle + across} 5Z`}
        fill={liquorColour(family, DONE)}
        stroke="var(--ink)"
        strokeDasharray="5 3"
        strokeWidth={1.5}
      />
      <path
        d={`M1 5H${middle - across}M${middle + across} 5H${WIDE - 1}`}
        stroke="var(--ink)"
        strokeWidth={2}
      />
    </svg>
  )
}
