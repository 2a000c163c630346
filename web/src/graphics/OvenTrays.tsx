interface Props {
  trays: number
  /** Share of the roast that is done, 0 to 1; what lies on the trays darkens with it. */
  done: number
}

const WIDTH = 96
const SHELF = 15

/** An oven from the front: its trays, and how far what lies on them is roasted. */
export function OvenTrays({ trays, done }: Props) {
  const shown = Math.max(1, Math.min(8, trays))
  const height = 14 + shown * SHELF
  const colour = `color-mix(in oklab, var(--umber-deep, #663a1c) ${Math.round(20 + 80 * done)}%, #e9c9b8)`
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      width={WIDTH}
      height={height}
      role="img"
      aria-label={`${trays} ${trays === 1 ? 'tray' : 'trays'}, ${Math.round(done * 100)} % of the roast`}
      className="shrink-0"
    >
      <rect
        x="1.5"
        y="1.5"
        width={WIDTH - 3}
        height={height - 3}
        rx="6"
        fill="var(--sunken)"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      {Array.from({ length: shown }, (_, i) => {
        const y = 8 + (i + 1) * SHELF - 4
        return (
          <g key={i}>
            {Array.from({ length: 9 }, (_, k) => (
              <rect
                key={k}
                x={13 + k * 8}
                y={y - 7 + ((k * 5 + i * 3) % 3)}
                width="7"
                height="6"
                rx="2"
                fill={colour}
              />
            ))}
            <path d={`M9 ${y}h${WIDTH - 18}`} stroke="var(--ink)" strokeWidth="2" />
          </g>
        )
      })}
    </svg>
  )
}
