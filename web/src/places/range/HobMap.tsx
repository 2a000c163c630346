import type { ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import type { Card } from '../../api/queries'

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
export function HobMap({ laid, children }: { laid: Laid; children: (card: Card) => ReactNode }) {
  return (
    <div className="grid gap-y-8">
      {laid.rows.map((row) =>
        row.some(({ card }) => card) ? (
          <ul
            key={row[0]!.place.row}
            aria-label={`Burners, row ${row[0]!.place.row + 1} from the back`}
            className="m-0 grid list-none items-end gap-x-6 gap-y-8 p-0 md:grid-cols-2 lg:[grid-template-columns:var(--hob)]"
            style={{
              ['--hob' as string]: row
                .map(({ card }) => (card ? 'minmax(0, 3fr)' : 'minmax(84px, 1fr)'))
                .join(' '),
            }}
          >
            {row.map(({ place, card }) => (
              <li key={place.burnerId} className={card ? '' : 'hidden lg:block'}>
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
  return (
    <div className="text-quiet grid justify-items-center gap-1 text-center">
      <Ring kw={place.ratedKw} />
      <span className="text-15 leading-tight font-semibold">{place.name}</span>
      <span className="text-13">{place.ratedKw} kW, free</span>
    </div>
  )
}

/** A burner from above: a stronger one is wider. */
export function Ring({ kw }: { kw: number }) {
  const r = 12 + Math.min(14, kw)
  return (
    <svg width="64" height="40" viewBox="0 0 64 40" aria-hidden>
      <g fill="none" stroke="var(--steel)" strokeWidth="2">
        <ellipse cx="32" cy="20" rx={r} ry={r * 0.55} />
        <ellipse cx="32" cy="20" rx={r * 0.55} ry={r * 0.3} />
        <path
          d={`M${32 - r - 5} 20h10M${32 + r - 5} 20h10M32 ${20 - r * 0.55 - 4}v7M32 ${20 + r * 0.55 - 3}v7`}
        />
      </g>
    </svg>
  )
}
