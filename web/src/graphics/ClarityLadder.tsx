import { clarityName, type ClarityCause } from '../words/en'
import { spread } from '../words/units'

interface Props {
  index: number
  /** One time in ten below, one time in ten above. */
  band?: { p10: number; p90: number }
  shares: { cause: ClarityCause; points: number }[]
}

const HEIGHT = 22

/** How much of the light comes through a ladle of it, and what took the rest, cause by cause. */
export function ClarityLadder({ index, band, shares }: Props) {
  const shown = shares.filter((share) => share.points >= 0.5)
  const from = shown.map((_, i) => index + shown.slice(0, i).reduce((sum, s) => sum + s.points, 0))
  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 400 ${HEIGHT}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Clarity ${Math.round(index)} of 100`}
        preserveAspectRatio="none"
      >
        <rect x={0} y={0} width={index * 4} height={HEIGHT} fill="var(--frost)" opacity={0.35} />
        {shown.map((share, i) => {
          return (
            <rect
              key={share.cause}
              x={from[i]! * 4}
              y={0}
              width={share.points * 4}
              height={HEIGHT}
              fill="var(--steel)"
              opacity={1 - i * 0.18}
              stroke="var(--surface)"
              strokeWidth={1}
            />
          )
        })}
        <rect x={0.5} y={0.5} width={399} height={HEIGHT - 1} fill="none" stroke="var(--ink)" />
      </svg>
      <figcaption className="text-15 text-quiet mt-1 flex flex-wrap gap-x-4">
        <span className="text-ink">
          Clarity <b className="font-semibold">{Math.round(index)}</b> of 100
          {band && <span className="text-quiet">, likely {spread(band, 1)}</span>}
        </span>
        {shown.map((share) => (
          <span key={share.cause}>
            {clarityName[share.cause]} −{Math.round(share.points)}
          </span>
        ))}
      </figcaption>
    </figure>
  )
}
