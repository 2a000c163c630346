export interface Bend {
  from: string
  to: string
  /** Of the widest, 0 to 1. */
  weight: number
}

const GAP = 76

/** Lines between two lists: what in the left one went into what in the right one, each as wide as it was much. */
export function Confluence({
  left,
  right,
  bends,
  rowHeight,
}: {
  /** In their order. */
  left: readonly string[]
  right: readonly string[]
  bends: readonly Bend[]
  rowHeight: number
}) {
  const height = Math.max(left.length, right.length, 1) * rowHeight
  const middle = (of: readonly string[], id: string) => (of.indexOf(id) + 0.5) * rowHeight
  return (
    <svg width={GAP} height={height} aria-hidden className="mt-10 hidden shrink-0 lg:block">
      {bends
        .filter((bend) => left.includes(bend.from) && right.includes(bend.to))
        .map((bend) => {
          const a = middle(left, bend.from)
          const b = middle(right, bend.to)
          return (
            <path
              key={`${bend.from} ${bend.to}`}
              d={`M0 ${a}C${GAP * 0.6} ${a} ${GAP * 0.4} ${b} ${GAP} ${b}`}
              fill="none"
              stroke="var(--river)"
              strokeOpacity="0.55"
              strokeWidth={2 + 12 * Math.sqrt(Math.min(1, bend.weight))}
            />
          )
        })}
    </svg>
  )
}
