import type { ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import type { Card } from '../../api/queries'
import { useUnits } from '../../kit/session'

export type Place = Schemas['Place']

/** What stands where: the burners row by row from the back, each with its pot, and what stands beside the range. */
export interface Laid {
  rows: { place: Place; card?: Card }[][]
  beside: Card[]
}

/** Lays the working vessels on the kitchen's own range; of two that share a burner the one that is lit longer has it. */
export function lay(hob: Place[], batches: Card[]): Laid {
  const on = new Map<string, Card>()
  for (const card of [...batches].sort((a, b) => a.since.localeCompare(b.since)))
    if (card.onTheHob && card.burnerId && !on.has(card.burnerId)) on.set(card.burnerId, card)
  const rows = [...new Set(hob.map((place) => place.row))].sort((a, b) => a - b)
  const standing = new Set([...on.values()].map((card) => card.id))
  return {
    rows: rows.map((row) =>
      hob
        .filter((place) => place.row === row)
        .sort((a, b) => a.column - b.column)
        .map((place) => ({ place, card: on.get(place.burnerId) })),
    ),
    beside: batches.filter((card) => !standing.has(card.id)),
  }
}

/** The order in which a person at the range counts the vessels: the hob from the back left, then what stands beside it. */
export const counted = ({ rows, beside }: Laid) => [
  ...rows.flat().flatMap(({ card }) => (card ? [card] : [])),
  ...beside,
]

/** The range from above its front edge: pots on their burners, and the burners that are free. */
export function HobMap({
  laid,
  crowded,
  children,
}: {
  laid: Laid
  /** Many at once: cards of one height. Few stand on one line, each as tall as it is. */
  crowded: boolean
  children: (card: Card) => ReactNode
}) {
  return (
    <div className="grid gap-y-8">
      {laid.rows.map((row) =>
        row.some(({ card }) => card) ? (
          <ul
            key={row[0]!.place.row}
            aria-label={`Burners, row ${row[0]!.place.row + 1} from the back`}
            className={`m-0 grid list-none gap-x-6 gap-y-8 p-0 md:grid-cols-2 lg:[grid-template-columns:var(--hob)] ${crowded ? '' : 'items-end'}`}
            style={{
              ['--hob' as string]: row
                .map(({ card }) =>
                  card ? (crowded ? 'minmax(0, 620px)' : 'minmax(0, 3fr)') : 'minmax(84px, 1fr)',
                )
                .join(' '),
            }}
          >
            {row.map(({ place, card }) => (
              <li key={place.burnerId} className={card ? '' : 'hidden self-end lg:block'}>
                {card ? children(card) : <Free place={place} />}
              </li>
            ))}
          </ul>
        ) : (
          <ul
            key={row[0]!.place.row}
            aria-label={`Burners, row ${row[0]!.place.row + 1} from the back`}
            className="m-0 hidden list-none flex-wrap gap-x-8 p-0 lg:flex"
          >
            {row.map(({ place }) => (
              <li key={place.burnerId}>
                <Free place={place} />
              </li>
            ))}
          </ul>
        ),
      )}
    </div>
  )
}

/** A burner with nothing on it. */
function Free({ place }: { place: Place }) {
  const units = useUnits()
  return (
    <div className="text-quiet grid justify-items-center gap-1 text-center">
      <Trivet kw={place.ratedKw} />
      <span className="text-15 leading-tight font-semibold">{place.name}</span>
      <span className="text-13">{units.power(place.ratedKw)}, free</span>
    </div>
  )
}

/** A burner from the front, unlit, under its trivet: a stronger one is wider. */
export function Trivet({ kw }: { kw: number }) {
  const half = 14 + Math.min(26, kw * 2.2)
  return (
    <svg width="84" height="30" viewBox="-42 0 84 30" aria-hidden>
      <path
        d={`M${-half} 4H${half}M${-half + 5} 4V26M${half - 5} 4V26`}
        fill="none"
        stroke="var(--quiet)"
        strokeWidth="3"
        strokeLinecap="round"
      />
      <rect x={-half * 0.55} y="13" width={half * 1.1} height="6" rx="3" fill="var(--steel)" />
      <path d="M0 19V28" stroke="var(--steel)" strokeWidth="4" />
    </svg>
  )
}
