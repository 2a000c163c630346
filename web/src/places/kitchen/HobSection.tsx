import { useState } from 'react'
import { api, data } from '../../api/client'
import { useChange, useHob } from '../../api/queries'
import { Heading, Note } from '../../kit/Note'
import { useMay } from '../../kit/session'
import { Trivet, type Place } from '../range/HobMap'

const MOST_ROWS = 6
const MOST_COLUMNS = 10

/** The range as it lies: tap a burner, then the place where it is. */
export function HobSection() {
  const hob = useHob()
  const may = useMay()
  const [taken, setTaken] = useState<string>()
  const lay = useChange(
    (places: { burnerId: string; row: number; column: number }[]) =>
      data(api.PUT('/api/kitchen/hob', { body: { places } })),
    'hob',
    'range',
  )
  const places = hob.data ?? []
  if (places.length === 0) return null
  const setUp = may('SET_UP')
  // One row and one column more than there are, so that there is always room to move into.
  const most = (of: (place: Place) => number) => Math.max(...places.map(of)) + (setUp ? 2 : 1)
  const rows = Math.min(
    MOST_ROWS,
    most((place) => place.row),
  )
  const columns = Math.min(
    MOST_COLUMNS,
    most((place) => place.column),
  )
  const at = (row: number, column: number) => places.find((p) => p.row === row && p.column === column)
  const tap = (row: number, column: number) => {
    const here = at(row, column)
    const moving = places.find((place) => place.burnerId === taken)
    if (!moving) {
      setTaken(here?.burnerId)
      return
    }
    setTaken(undefined)
    if (here === moving) return
    // All of them are said: what lay there by the order it was entered in lies there now because somebody said so.
    lay.mutate(
      places.map((place) => ({
        burnerId: place.burnerId,
        ...(place === moving
          ? { row, column }
          : place === here
            ? { row: moving.row, column: moving.column }
            : { row: place.row, column: place.column }),
      })),
    )
  }
  return (
    <section className="mt-8">
      <Heading
        aside={setUp ? (taken ? 'now tap where it lies' : 'tap a burner to move it') : 'seen from the front'}
      >
        The range
      </Heading>
      <div className="border-ink inline-block max-w-full overflow-x-auto rounded-md border-2 p-2">
        <div
          role="group"
          aria-label="Burners from the back row to the front"
          className="grid gap-2"
          style={{ gridTemplateColumns: `repeat(${columns}, minmax(92px, 1fr))` }}
        >
          {Array.from({ length: rows * columns }, (_, i) => {
            const row = Math.floor(i / columns)
            const column = i % columns
            const place = at(row, column)
            const where = `row ${row + 1}, place ${column + 1}`
            return (
              <button
                key={i}
                type="button"
                disabled={!setUp || (!place && !taken) || lay.isPending}
                aria-pressed={place !== undefined && place.burnerId === taken}
                aria-label={place ? `${place.name}, ${where}` : `Empty, ${where}`}
                onClick={() => tap(row, column)}
                className={`text-ink aria-pressed:bg-ember aria-pressed:text-on-river grid min-h-[84px] place-items-center rounded-md bg-transparent ${place ? 'bg-raised border-2' : taken ? 'border-rule border-2 border-dashed' : 'border-rule border border-dotted'}`}
              >
                {place && (
                  <span className="grid justify-items-center">
                    <Trivet kw={place.ratedKw} />
                    <span className="text-13 font-semibold">{place.name}</span>
                  </span>
                )}
              </button>
            )
          })}
        </div>
        <p className="text-13 text-quiet m-0 mt-2 text-center">the cook stands here</p>
      </div>
      {lay.error && <Note>{lay.error.message}</Note>}
    </section>
  )
}
