const WIDE = 34
const HIGH = 30
const MOST = 6

/** Containers of a lot, as many as there are, each as full as what is left of them. */
export function Tubs({
  count,
  share,
  colour,
  frozen = false,
  struck = false,
}: {
  count: number
  /** Of the lot that is left, 0 to 1. */
  share: number
  colour: string
  frozen?: boolean
  struck?: boolean
}) {
  const shown = Math.min(count, MOST)
  const across = Math.min(shown, 3)
  const down = Math.ceil(shown / 3)
  const width = across * WIDE + 4
  const height = down * HIGH + 2
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden className="block">
      {Array.from({ length: shown }, (_, i) => {
        const x = 2 + (i % 3) * WIDE
        const y = height - 2 - Math.floor(i / 3) * HIGH
        // What is left stands in the first of them: whole ones, then the one that is begun.
        const full = Math.max(0, Math.min(1, share * shown - i))
        const top = y - (HIGH - 8) * full
        return (
          <g key={i}>
            {full > 0 && <path d={`M${x + 3} ${y - 2}h24v${top - y + 2}h-24z`} fill={colour} />}
            <path
              d={`M${x} ${y - HIGH + 6}h30M${x + 2} ${y - HIGH + 6}l1 ${HIGH - 7}h24l1 ${7 - HIGH}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2"
            />
            {frozen && (
              <path
                d={`M${x + 15} ${y - 20}v14M${x + 9} ${y - 17}l12 8M${x + 21} ${y - 17}l-12 8`}
                stroke="var(--frost)"
                strokeWidth="2"
              />
            )}
          </g>
        )
      })}
      {struck && <path d={`M2 ${height - 2}L${width - 2} 4`} stroke="var(--hazard)" strokeWidth="4" />}
    </svg>
  )
}
