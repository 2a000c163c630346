const WIDE = 40

/** Arcs down the side of a column, over the lines that come to it: which of its rows went into which of those below. */
export function Generations({
  rows,
  arcs,
  rowHeight,
}: {
  rows: string[]
  arcs: { from: string; to: string; weight: number }[]
  rowHeight: number
}) {
  if (arcs.length === 0) return null
  const middle = (id: string) => (rows.indexOf(id) + 0.5) * rowHeight
  const height = rows.length * rowHeight
  return (
    <svg
      width={WIDE}
      height={height}
      viewBox={`0 0 ${WIDE} ${height}`}
      aria-hidden
      className="mt-10 hidden shrink-0 lg:block"
      style={{ marginLeft: -WIDE }}
    >
      {arcs
        .filter((arc) => rows.includes(arc.from) && rows.includes(arc.to))
        .map((arc, i) => {
          const from = middle(arc.from) + 8
          const to = middle(arc.to) - 8
          const out = Math.max(
            6,
            WIDE - 6 - (30 * Math.abs(rows.indexOf(arc.to) - rows.indexOf(arc.from))) / 2,
          )
          return (
            <path
              key={i}
              d={`M${WIDE} ${from}C${out - 20} ${from},${out - 20} ${to},${WIDE} ${to}`}
              fill="none"
              stroke="var(--river)"
              strokeWidth={2 + 8 * arc.weight}
              opacity="0.55"
            />
          )
        })}
    </svg>
  )
}
