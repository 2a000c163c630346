import { api, data } from '../../api/client'
import { useChange, useHob, type Page } from '../../api/queries'
import { SelectField } from '../../kit/SelectField'
import { useMay, useUnits } from '../../kit/session'

/** Which burner the vessel stands on, and another one for it. */
export function StandsOn({ page }: { page: Page }) {
  const hob = useHob()
  const may = useMay()
  const units = useUnits()
  const path = { id: page.card.id }
  const move = useChange(
    (burnerId: string) => data(api.PUT('/api/batches/{id}/burner', { params: { path }, body: { burnerId } })),
    'batch',
    'range',
  )
  const places = hob.data ?? []
  if (!page.card.onTheHob || places.length < 2) return null
  const here = places.find((place) => place.burnerId === page.card.burnerId)
  if (!may('ACT')) return here ? <p className="text-15 text-quiet">On {here.name}.</p> : null
  return (
    <div className="mt-4 max-w-[260px]">
      <SelectField
        label="Stands on"
        value={page.card.burnerId ?? ''}
        onValue={(id) => id && move.mutate(id)}
        options={[
          ...(here ? [] : [{ value: '', name: 'no burner yet' }]),
          ...places.map((place) => ({
            value: place.burnerId,
            name: `${place.name}, ${units.power(place.ratedKw)}`,
          })),
        ]}
      />
    </div>
  )
}
