import { useState, type FormEvent } from 'react'
import { api } from '../../api/client'
import { useChange, useKitchen } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
import { Button } from '../../kit/Button'
import { Failed, Heading, Loading, Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { useMay, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { PotPreview } from './PotPreview'
import { limitsNote } from '../../words/en'
import { duration } from '../../words/time'

/** What have I got? */
export default function KitchenPlace() {
  const kitchen = useKitchen()
  const units = useUnits()
  const may = useMay()
  const [adding, setAdding] = useState(false)
  if (kitchen.isPending) return <Loading what="the kitchen" />
  if (!kitchen.data)
    return <Failed what="The kitchen" error={kitchen.error} onRetry={() => void kitchen.refetch()} />
  const it = kitchen.data
  const tallest = Math.max(1, ...it.vessels.map((v) => v.heightCm))
  const scale = 170 / tallest
  return (
    <>
      <h1 className="text-24 mt-0 mb-1 font-bold">{it.name}</h1>
      <p className="text-18 text-quiet mt-0 mb-6">
        At {Math.round(it.altitudeM)} m water boils at {units.celsius(it.boilingC, 0.1)}. Open{' '}
        {it.opens.slice(0, 5)} to {it.closes.slice(0, 5)}.
      </p>
      <Heading aside="all to one scale">Vessels</Heading>
      <ul className="border-ink m-0 flex list-none flex-wrap items-end gap-x-8 gap-y-6 border-b-4 p-0 pb-0">
        {it.vessels.map((vessel) => (
          <li key={vessel.id} className="grid justify-items-center text-center">
            <span className="text-15 mb-1">
              <b className="font-semibold">{vessel.name}</b>
              <span className="text-13 text-quiet block font-mono">
                {units.litres(vessel.brimfulL, units.units === 'us' ? 0.1 : 1)}, {units.cm(vessel.widthCm)} ×{' '}
                {units.cm(vessel.heightCm)}
              </span>
            </span>
            <Cutaway
              vessel={vessel}
              levelCm={vessel.fillLineCm}
              colour="var(--water)"
              scale={scale}
              label={`${vessel.name}, ${units.litres(vessel.brimfulL)}, filled to its line`}
            />
          </li>
        ))}
      </ul>
      {may('SET_UP') && (
        <p className="mt-4">
          <Button onClick={() => setAdding(true)}>Add a pot</Button>
        </p>
      )}
      <div className="mt-8 grid gap-x-10 gap-y-8 md:grid-cols-2 lg:grid-cols-3">
        <section>
          <Heading>Burners</Heading>
          <Rows
            rows={it.burners.map((b) => [
              b.name,
              `${b.ratedKw} kW, ${Math.round(b.efficiency * 100)} % into the pot`,
            ])}
          />
        </section>
        <section>
          <Heading>Containers</Heading>
          <Rows rows={it.containers.map((c) => [c.name, units.litres(c.holdsL)])} />
        </section>
        <section>
          <Heading aside={it.limits.source}>Limits: {it.limits.name}</Heading>
          <Rows
            rows={[
              ...it.limits.stages.map((s): [string, string] => [
                `${units.celsius(s.fromC, 1)} to ${units.celsius(s.toC, 1)}`,
                `within ${duration(s.withinMin)}`,
              ]),
              ['Hot hold', `${units.celsius(it.limits.hotHoldC, 1)} or above`],
              ['Cold store', `${units.celsius(it.limits.coldStoreC, 1)} or below`],
              ['Reheat once to', units.celsius(it.limits.reheatC, 1)],
            ]}
          />
          <p className="text-15 text-quiet">An example: set your own. {limitsNote}</p>
        </section>
        <section>
          <Heading>Stations</Heading>
          <Rows rows={it.stations.map((s) => [s.name, ''])} />
        </section>
      </div>
      {adding && <AddPot onClose={() => setAdding(false)} />}
    </>
  )
}

function Rows({ rows }: { rows: [string, string][] }) {
  return (
    <dl className="text-15 m-0">
      {rows.map(([name, value]) => (
        <div key={name} className="border-rule flex justify-between gap-4 border-b py-2">
          <dt>{name}</dt>
          <dd className="m-0 text-right font-mono">{value}</dd>
        </div>
      ))}
    </dl>
  )
}

/** A pot as it is measured with a tape, drawn to scale while it is typed. */
function AddPot({ onClose }: { onClose: () => void }) {
  const units = useUnits()
  const [name, setName] = useState('')
  const [diameter, setDiameter] = useState<number | undefined>(36)
  const [height, setHeight] = useState<number | undefined>(36)
  const add = useChange(
    () =>
      api.POST('/api/kitchen/vessels', { body: { name, diameterCm: diameter ?? 0, heightCm: height ?? 0 } }),
    'kitchen',
    'charge',
  )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    add.mutate(undefined, { onSuccess: onClose })
  }
  const problem = add.error
  const known = ['name', 'diameterCm', 'heightCm'].some((field) => problem?.fields[field])
  return (
    <Sheet title="Add a pot" open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        <PotPreview diameter={diameter} height={height} />
        <TextField
          label="Name"
          value={name}
          onValue={setName}
          problem={problem?.fields.name}
          required
          autoFocus
        />
        <NumberField
          label="Inside diameter"
          dimension="cm"
          units={units.units}
          value={diameter}
          onValue={setDiameter}
          problem={problem?.fields.diameterCm}
          step={1}
        />
        <NumberField
          label="Inside height"
          dimension="cm"
          units={units.units}
          value={height}
          onValue={setHeight}
          problem={problem?.fields.heightCm}
          step={1}
        />
        {problem && !known && <Note>{problem.message}</Note>}
        <Button
          type="submit"
          tone="act"
          large
          disabled={!name || diameter === undefined || height === undefined}
        >
          Add it
        </Button>
      </form>
    </Sheet>
  )
}
