/** A crate, open above, as high as it came in heavy and as full as it still is. */
export function Crate({
  share,
  size,
  colour,
  struck = false,
}: {
  /** Of it that is left, 0 to 1. */
  share: number
  /** How large it is beside the others, 0 to 1. */
  size: number
  colour: string
  /** Not to be used. */
  struck?: boolean
}) {
  const high = 26 + 54 * Math.sqrt(size)
  const wide = 54 + 40 * Math.sqrt(size)
  const full = Math.max(share > 0 ? 3 : 0, (high - 4) * share)
  return (
    <svg width={wide} height={high} viewBox={`0 ${84 - high} ${wide} ${high}`} aria-hidden className="block">
      <path
        d={`M3 ${84 - high}v${high - 2}h${wide - 6}v${2 - high}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <path d={`M5 ${82 - full}h${wide - 10}v${full}h${10 - wide}z`} fill={colour} />
      <path
        d={`M3 ${84 - high * 0.62}h6M3 ${84 - high * 0.3}h6M${wide - 9} ${84 - high * 0.62}h6M${wide - 9} ${84 - high * 0.3}h6`}
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {struck && <path d={`M2 82L${wide - 2} ${84 - high}`} stroke="var(--hazard)" strokeWidth="4" />}
    </svg>
  )
}
