export interface Weight {
  name: string
  kg: number
  /** Weighed by somebody, and not reckoned. */
  weighed?: boolean
  /** Ought to be there, and nobody has weighed it. */
  open?: boolean
  tone?: string
}

interface Props {
  /** What went in, and what came out of it; less than nothing on one side stands on the other. */
  put: Weight[]
  came: Weight[]
  kg: (value: number) => string
}

const WIDTH = 640
const BAND = 60
const PAN = 74
/** Narrower than this a name does not stand in its piece. */
const LEAST_PX = 84

/** What went in over what came out, both as long, for nothing is lost: what nobody weighed is hatched. */
export function Balance({ put, came, kg }: Props) {
  const over = withOwed(put, came)
  const under = withOwed(came, put)
  const all = (some: Weight[]) => some.reduce((sum, one) => sum + one.kg, 0)
  const whole = Math.max(all(over), all(under), 0.001)
  const small = [...over, ...under].filter((one) => (one.kg / whole) * WIDTH < LEAST_PX)
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${WIDTH} ${2 * PAN + 4}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Ledger of kilograms. In: ${said(over, kg)}. Out: ${said(under, kg)}.`}
      >
        <defs>
          <pattern
            id="not-weighed"
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="7" stroke="var(--steel)" strokeWidth="3" />
          </pattern>
        </defs>
        <Band pieces={over} whole={whole} y={0} kg={kg} />
        <line x1={0} x2={WIDTH} y1={PAN} y2={PAN} stroke="var(--ink)" strokeWidth={2} />
        <path d={`M${WIDTH / 2 - 9} ${PAN + 12}h18l-9 -12z`} fill="var(--ink)" />
        <Band pieces={under} whole={whole} y={PAN + 14} kg={kg} />
      </svg>
      {small.length > 0 && (
        <figcaption className="text-13 text-quiet mt-2">
          {small.map((one) => `${one.name} ${kg(one.kg)}`).join('; ')}
        </figcaption>
      )}
    </figure>
  )
}

/** A side, with what the other has less than nothing of: so both bands stay as long. */
const withOwed = (side: Weight[], other: Weight[]): Weight[] => [
  ...side.filter((one) => one.kg > 0),
  ...other.filter((one) => one.kg < 0).map((one) => ({ ...one, kg: -one.kg })),
]

const said = (some: Weight[], kg: (value: number) => string) =>
  some.map((one) => `${one.name} ${kg(one.kg)}`).join(', ')

function Band({
  pieces,
  whole,
  y,
  kg,
}: {
  pieces: Weight[]
  whole: number
  y: number
  kg: (value: number) => string
}) {
  const ends = pieces.reduce<number[]>((at, one) => [...at, (at.at(-1) ?? 0) + (one.kg / whole) * WIDTH], [])
  return (
    <>
      {pieces.map((one, i) => {
        const from = i === 0 ? 0 : ends[i - 1]!
        const wide = ends[i]! - from
        return (
          <g key={one.name}>
            <rect
              x={from}
              y={y}
              width={Math.max(1, wide - 2)}
              height={BAND}
              fill={one.open ? 'url(#not-weighed)' : (one.tone ?? 'var(--rule)')}
              stroke={one.weighed ? 'var(--ink)' : 'none'}
              strokeWidth={2}
            />
            {wide >= LEAST_PX && (
              <>
                <rect
                  x={from + 4}
                  y={y + 5}
                  width={Math.min(wide - 10, Math.max(one.name.length, kg(one.kg).length) * 9 + 10)}
                  height={BAND - 10}
                  fill="var(--surface)"
                />
                <text x={from + 9} y={y + 26} fontSize={15} fill="var(--ink)">
                  {fitted(one.name, wide)}
                </text>
                <text x={from + 9} y={y + 46} fontSize={18} fontWeight={700} fill="var(--ink)">
                  {kg(one.kg)}
                </text>
              </>
            )}
          </g>
        )
      })}
    </>
  )
}

/** As much of a name as stands in its piece. */
function fitted(name: string, wide: number): string {
  const most = Math.floor((wide - 18) / 8)
  return name.length <= most ? name : `${name.slice(0, most - 1)}…`
}
