const ACROSS = 6
const DOWN = 3
const SIDE = 13
const GAP = 3

/** Stock frozen in cubes: a tray of them, as many of its places full as there is left of the lot. */
export function CubeTray({
  share,
  colour,
  struck = false,
}: {
  share: number
  colour: string
  struck?: boolean
}) {
  const width = ACROSS * (SIDE + GAP) + GAP + 2
  const height = DOWN * (SIDE + GAP) + GAP + 2
  // Who has any left sees at least one.
  const full = Math.ceil(Math.max(0, Math.min(1, share)) * ACROSS * DOWN)
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden className="block">
      <rect
        x="1"
        y="1"
        width={width - 2}
        height={height - 2}
        rx="3"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {Array.from({ length: ACROSS * DOWN }, (_, i) => (
        <rect
          key={i}
          x={1 + GAP + (i % ACROSS) * (SIDE + GAP)}
          y={1 + GAP + Math.floor(i / ACROSS) * (SIDE + GAP)}
          width={SIDE}
          height={SIDE}
          rx="2"
          fill={i < full ? colour : 'none'}
          stroke="var(--frost)"
          strokeWidth="1.5"
        />
      ))}
      {struck && <path d={`M2 ${height - 2}L${width - 2} 4`} stroke="var(--hazard)" strokeWidth="4" />}
    </svg>
  )
}
