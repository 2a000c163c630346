import { useState, type FormEvent } from 'react'
import { api, data } from '../../api/client'
import { useChange, useStations, type Station } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { useDraft } from '../../kit/draft'
import { NeedsFields } from '../../kit/NeedsFields'
import { Empty, Heading, Note } from '../../kit/Note'
import { useMay } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { importanceName, needsSaid, type Allergen, type Importance, type Need } from '../../words/en'

/** Where the stock goes: the stations along the pass, in their order. */
export function StationsSection() {
  const stations = useStations()
  const may = useMay()
  const setUp = may('SET_UP')
  const [editing, setEditing] = useState<Station | 'new'>()
  const order = useChange(
    (ids: string[]) => data(api.PUT('/api/kitchen/stations', { body: { ids } })),
    'stations',
    'menu',
  )
  const all = stations.data ?? []
  const put = (from: number, to: number) => {
    const ids = all.map((station) => station.id)
    ids.splice(to, 0, ...ids.splice(from, 1))
    order.mutate(ids)
  }
  return (
    <section>
      <Heading aside="along the pass">Stations</Heading>
      {stations.data && all.length === 0 && (
        <Empty title="No station yet">Whoever takes stock is a station: Sauce, Soup, a banquet.</Empty>
      )}
      <ol className="m-0 list-none p-0">
        {all.map((station, i) => (
          <li
            key={station.id}
            className="border-rule grid grid-cols-[28px_minmax(0,1fr)_auto] items-center gap-x-3 border-t py-2 last:border-b"
          >
            <Weight importance={station.importance} />
            <span>
              {setUp ? (
                <button
                  type="button"
                  className="text-river text-18 min-h-[44px] text-left font-semibold underline underline-offset-[3px]"
                  onClick={() => setEditing(station)}
                >
                  {station.name}
                </button>
              ) : (
                <b className="text-18 font-semibold">{station.name}</b>
              )}
              <span className="text-15 text-quiet block">
                {needsSaid(station) ? `always ${needsSaid(station)}` : 'takes what there is'}
              </span>
            </span>
            {setUp && (
              <span className="flex">
                <Move
                  label={`${station.name} sooner`}
                  up
                  disabled={i === 0 || order.isPending}
                  onMove={() => put(i, i - 1)}
                />
                <Move
                  label={`${station.name} later`}
                  disabled={i === all.length - 1 || order.isPending}
                  onMove={() => put(i, i + 1)}
                />
              </span>
            )}
          </li>
        ))}
      </ol>
      {order.error && <Note>{order.error.message}</Note>}
      {setUp && (
        <p className="mt-3">
          <Button onClick={() => setEditing('new')}>Add a station</Button>
        </p>
      )}
      {editing && (
        <StationSheet
          station={editing === 'new' ? undefined : editing}
          onClose={() => setEditing(undefined)}
        />
      )}
    </section>
  )
}

const HEIGHT: Record<Importance, number> = { LESS: 8, USUAL: 16, MORE: 24, MOST: 36 }

/** How much it counts: a full or a low measure. */
function Weight({ importance }: { importance: Importance }) {
  const high = HEIGHT[importance]
  return (
    <svg width="24" height="40" role="img" aria-label={`Counts ${importanceName[importance].toLowerCase()}`}>
      <path d="M3 1v37h18v-37" fill="none" stroke="var(--ink)" strokeWidth="2" />
      <path d={`M4 ${38 - high}h16v${high - 1}h-16z`} fill="var(--river)" />
    </svg>
  )
}

function Move({
  label,
  up = false,
  disabled,
  onMove,
}: {
  label: string
  up?: boolean
  disabled: boolean
  onMove: () => void
}) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={disabled}
      onClick={onMove}
      className="text-river disabled:text-rule min-h-[44px] min-w-[44px]"
    >
      <svg width="24" height="24" aria-hidden className="mx-auto">
        <path d={up ? 'M4 15l8-8l8 8' : 'M4 9l8 8l8-8'} fill="none" stroke="currentColor" strokeWidth="3" />
      </svg>
    </button>
  )
}

function StationSheet({ station, onClose }: { station?: Station; onClose: () => void }) {
  const [typed, setTyped, forget] = useDraft(`station ${station?.id ?? 'new'}`, () => ({
    name: station?.name ?? '',
    importance: station?.importance ?? ('USUAL' as Importance),
    without: station?.without ?? ([] as Allergen[]),
    needs: station?.needs ?? ([] as Need[]),
  }))
  const [sure, setSure] = useState(false)
  const close = () => {
    forget()
    onClose()
  }
  const path = { params: { path: { id: station?.id ?? '' } } }
  const save = useChange(
    () =>
      station
        ? data(api.PUT('/api/kitchen/stations/{id}', { ...path, body: typed }))
        : data(api.POST('/api/kitchen/stations', { body: typed })),
    'stations',
    'menu',
    'calls',
  )
  const retire = useChange(() => data(api.DELETE('/api/kitchen/stations/{id}', path)), 'stations', 'menu')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    save.mutate(undefined, { onSuccess: close })
  }
  return (
    <Sheet title={station?.name ?? 'Add a station'} open onClose={close}>
      <form onSubmit={submit} className="grid gap-5">
        <TextField
          label="Name"
          value={typed.name}
          onValue={(name) => setTyped({ ...typed, name })}
          problem={save.error?.fields.name}
          maxLength={40}
          required
        />
        <fieldset className="m-0 border-0 p-0">
          <legend className="text-15 mb-1 font-semibold">When there is not enough for all, it counts</legend>
          <Choice
            label="It counts"
            value={typed.importance}
            onValue={(importance) => setTyped({ ...typed, importance })}
            options={(Object.keys(importanceName) as Importance[]).map((one) => ({
              value: one,
              name: importanceName[one],
            }))}
          />
        </fieldset>
        <p className="text-15 m-0">
          What it needs of every stock, whatever it asks for. Calls that are there already stay as they are.
        </p>
        <NeedsFields
          without={typed.without}
          needs={typed.needs}
          onValue={(changed) => setTyped({ ...typed, ...changed })}
        />
        {save.error && !save.error.fields.name && <Note>{save.error.message}</Note>}
        <Button type="submit" tone="act" large disabled={typed.name.trim() === '' || save.isPending}>
          Save
        </Button>
        {station && (
          <div className="border-rule grid justify-items-start gap-2 border-t pt-4">
            {sure ? (
              <>
                <p className="text-15 m-0">
                  It asks for nothing more, and nothing is handed to it. Its calls and slips keep its name.
                </p>
                <span className="flex flex-wrap gap-2">
                  <Button
                    disabled={retire.isPending}
                    onClick={() => retire.mutate(undefined, { onSuccess: close })}
                  >
                    Take it out of use
                  </Button>
                  <Button tone="quiet" onClick={() => setSure(false)}>
                    Keep it
                  </Button>
                </span>
              </>
            ) : (
              <Button tone="quiet" className="px-0!" onClick={() => setSure(true)}>
                Take {station.name} out of use
              </Button>
            )}
            {retire.error && <Note>{retire.error.message}</Note>}
          </div>
        )}
      </form>
    </Sheet>
  )
}
