import { useState } from 'react'
import { api, data } from '../../api/client'
import { useChange, useHob, useRange, type Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { useMay, useUnits } from '../../kit/session'

/** Which burner the vessel stands on, and another one for it; where another vessel stands the two are swapped, or nothing is. */
export function StandsOn({ page }: { page: Page }) {
  const hob = useHob()
  const range = useRange()
  const may = useMay()
  const units = useUnits()
  const [asked, setAsked] = useState<string>()
  const path = { id: page.card.id }
  const move = useChange(
    (body: { burnerId: string; swap?: boolean }) =>
      data(api.PUT('/api/batches/{id}/burner', { params: { path }, body })),
    'batch',
    'range',
  )
  const places = hob.data ?? []
  if (page.card.heat !== 'BURNER')
    return (
      <p className="text-15 text-quiet">
        {page.card.heat === 'OWN' ? 'It has heat of its own.' : 'It simmers in the oven.'}
      </p>
    )
  if (!page.card.onTheHob || places.length < 2) return null
  const here = places.find((place) => place.burnerId === page.card.burnerId)
  if (!may('ACT')) return here ? <p className="text-15 text-quiet">On {here.name}.</p> : null
  const on = (burnerId: string) =>
    range.data?.batches.find((b) => b.onTheHob && b.burnerId === burnerId && b.id !== page.card.id)
  const taken = asked === undefined ? undefined : on(asked)
  return (
    <div className="mt-4 grid max-w-[420px] gap-2">
      <SelectField
        label="Stands on"
        value={page.card.burnerId ?? ''}
        onValue={(id) => {
          if (!id) return
          if (on(id)) setAsked(id)
          else move.mutate({ burnerId: id })
        }}
        options={[
          ...(here ? [] : [{ value: '', name: 'no burner yet' }]),
          ...places.map((place) => {
            const other = on(place.burnerId)
            return {
              value: place.burnerId,
              name: `${place.name}, ${units.power(place.ratedKw)}${other ? `, ${other.vessel.name} is on it` : ''}`,
            }
          }),
        ]}
      />
      {asked !== undefined && taken && (
        <div className="flex flex-wrap items-center gap-3">
          <span className="text-18">
            {taken.vessel.name} stands there. It would take {here?.name ?? 'no burner'}.
          </span>
          <Button
            onClick={() =>
              move.mutate({ burnerId: asked, swap: true }, { onSuccess: () => setAsked(undefined) })
            }
          >
            Swap the two
          </Button>
          <Button tone="quiet" onClick={() => setAsked(undefined)}>
            Leave them
          </Button>
        </div>
      )}
      {move.error && <Note>{move.error.message}</Note>}
    </div>
  )
}
