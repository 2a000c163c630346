import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { useKitchen, type Kitchen } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
import { Button } from '../../kit/Button'
import { Failed, Heading, Loading } from '../../kit/Note'
import { useMay, useUnits } from '../../kit/session'
import { KitchenPlan, rooms } from './KitchenPlan'
import { BedsTable } from './BedsTable'
import { Drawing, fieldsOf, freshOf, nameOf, retireThing, saveThing, valuesOf, type Kind } from './equipment'
import { DevicesSection } from './DevicesSection'
import { EquipmentSheet } from './EquipmentSheet'
import { HobSection } from './HobSection'
import { LimitsSection } from './LimitsSection'
import { Missing } from '../course/Missing'
import { RotaSection } from './RotaSection'
import { SettingsSheet } from './SettingsSheet'
import { PeopleSection } from './PeopleSection'
import { StationsSection } from './StationsSection'
import { TokensSection } from './TokensSection'

interface Editing {
  kind: Kind
  id?: string
}

/** What have I got? */
export default function KitchenPlace() {
  const kitchen = useKitchen()
  const units = useUnits()
  const may = useMay()
  const [params] = useSearchParams()
  const [editing, setEditing] = useState<Editing>()
  const [settings, setSettings] = useState(false)
  if (kitchen.isPending) return <Loading what="the kitchen" />
  if (!kitchen.data)
    return <Failed what="The kitchen" error={kitchen.error} onRetry={() => void kitchen.refetch()} />
  const it = kitchen.data
  const setUp = may('SET_UP')
  const room = rooms.find((one) => one === params.get('room')) ?? 'range'
  const edit = (kind: Kind, id?: string) => setEditing({ kind, id })
  return (
    <>
      <div className="mb-6 flex flex-wrap items-start justify-between gap-4">
        <div>
          <h1 className="text-24 m-0 font-bold">{it.name}</h1>
          <p className="text-18 text-quiet m-0">
            At {units.metres(it.altitudeM, units.units === 'us' ? 50 : 1)} water boils at{' '}
            {units.celsius(it.boilingC, 0.1)}. Air {units.celsius(it.airC, 1)} at{' '}
            {Math.round(it.humidity * 100)} %; the cold tap runs at {units.celsius(it.tapC, 1)}.
          </p>
        </div>
        {setUp && <Button onClick={() => setSettings(true)}>Change</Button>}
      </div>
      <KitchenPlan it={it} room={room} />
      {room === 'range' && (
        <>
          <Heading aside="all to one scale">Vessels</Heading>
          <Pots it={it} onEdit={setUp ? (id) => edit('vessels', id) : undefined} />
          {setUp && (
            <p className="mt-4">
              <Button onClick={() => edit('vessels')}>Add a vessel</Button>
            </p>
          )}
          <div className="mt-8 grid gap-x-10 gap-y-8 md:grid-cols-2">
            <Things
              title="Burners"
              onAdd={setUp ? () => edit('burners') : undefined}
              onEdit={setUp ? (id) => edit('burners', id) : undefined}
              rows={it.burners.map((b) => ({
                id: b.id,
                name: b.name,
                says: `${units.power(b.ratedKw)}, ${Math.round(b.efficiency * 100)} % into the pot`,
              }))}
            />
            <Things
              title="Ovens"
              onAdd={setUp ? () => edit('ovens') : undefined}
              onEdit={setUp ? (id) => edit('ovens', id) : undefined}
              rows={it.ovens.map((o) => ({
                id: o.id,
                name: o.name,
                says: `${o.trays} trays, ${o.convection ? 'fan' : 'still'}, × ${o.factor}`,
              }))}
            />
          </div>
          <HobSection />
          <Missing />
        </>
      )}
      {room === 'cold' && (
        <div className="grid gap-x-10 gap-y-8 md:grid-cols-2">
          <Things
            title="Chilling"
            onAdd={setUp ? () => edit('chillers') : undefined}
            onEdit={setUp ? (id) => edit('chillers', id) : undefined}
            rows={it.chillers.map((c) => ({
              id: c.id,
              name: c.name,
              says: `${units.litres(c.litres, 1)} at ${units.celsius(c.airC, 1)}${c.iceKg ? `, ${units.kg(c.iceKg)} ice` : ''}${c.iceKgPerH ? ` and ${units.kg(c.iceKgPerH)}/h` : ''}`,
            }))}
          />
          <Things
            title="Containers"
            onAdd={setUp ? () => edit('containers') : undefined}
            onEdit={setUp ? (id) => edit('containers', id) : undefined}
            rows={it.containers.map((c) => ({
              id: c.id,
              name: c.name,
              says: `${c.owned} × ${units.litres(c.holdsL)}, ${c.material.toLowerCase()}`,
            }))}
          />
        </div>
      )}
      {room === 'stations' && (
        <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1.4fr)]">
          <StationsSection />
          <PeopleSection />
        </div>
      )}
      {room === 'rules' && (
        <>
          <RotaSection hours={it.hours} unattended={it.unattended} checks={it.checks} />
          <Missing />
          <LimitsSection limits={it.limits} shipped={it.shipped} />
          <BedsTable beds={it.beds} />
        </>
      )}
      {room === 'wires' && (
        <>
          <DevicesSection vessels={it.vessels} />
          {setUp && <TokensSection />}
        </>
      )}
      {editing && <Edit it={it} editing={editing} onClose={() => setEditing(undefined)} />}
      {settings && <SettingsSheet kitchen={it} onClose={() => setSettings(false)} />}
    </>
  )
}

function Pots({ it, onEdit }: { it: Kitchen; onEdit?: (id: string) => void }) {
  const units = useUnits()
  const tallest = Math.max(1, ...it.vessels.map((v) => v.heightCm))
  return (
    <ul className="border-ink m-0 flex list-none flex-wrap items-end gap-x-6 gap-y-6 border-b-4 p-0 pb-0">
      {it.vessels.map((vessel) => (
        <li key={vessel.id} className="grid justify-items-center text-center">
          <span className="text-15 mb-1">
            {onEdit ? (
              <button
                type="button"
                className="text-river min-h-[44px] px-2 font-semibold underline underline-offset-[3px]"
                onClick={() => onEdit(vessel.id)}
              >
                {vessel.name}
              </button>
            ) : (
              <b className="font-semibold">{vessel.name}</b>
            )}
            <span className="text-13 text-quiet block">
              {units.litres(vessel.brimfulL, units.units === 'us' ? 0.1 : 1)}, {units.cm(vessel.widthCm)} ×{' '}
              {units.cm(vessel.heightCm)}
            </span>
          </span>
          <Cutaway
            vessel={vessel}
            levelCm={vessel.fillLineCm}
            colour="var(--water)"
            scale={134 / tallest}
            label={`${vessel.name}, ${units.litres(vessel.brimfulL)}, filled to its line`}
          />
        </li>
      ))}
    </ul>
  )
}

function Things({
  title,
  rows,
  onAdd,
  onEdit,
}: {
  title: string
  rows: { id: string; name: string; says: string }[]
  onAdd?: () => void
  onEdit?: (id: string) => void
}) {
  return (
    <section>
      <Heading
        aside={
          onAdd && (
            <button
              type="button"
              aria-label={`Add to ${title.toLowerCase()}`}
              className="text-river min-h-[36px] underline underline-offset-[3px]"
              onClick={onAdd}
            >
              Add
            </button>
          )
        }
      >
        {title}
      </Heading>
      <dl className="text-15 m-0">
        {rows.map((row) => (
          <div key={row.id} className="border-rule flex items-center justify-between gap-4 border-b">
            <dt>
              {onEdit ? (
                <button
                  type="button"
                  className="text-river min-h-[44px] text-left underline underline-offset-[3px]"
                  onClick={() => onEdit(row.id)}
                >
                  {row.name}
                </button>
              ) : (
                <span className="flex min-h-[44px] items-center">{row.name}</span>
              )}
            </dt>
            <dd className="m-0 text-right">{row.says}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

function Edit({ it, editing, onClose }: { it: Kitchen; editing: Editing; onClose: () => void }) {
  const { kind, id } = editing
  const units = useUnits()
  const thing = it[kind].find((t) => t.id === id)
  const fields = fieldsOf(it.usual)[kind]
  return (
    <EquipmentSheet
      title={thing ? thing.name : `Add a ${nameOf[kind]}`}
      fields={fields}
      start={thing ? valuesOf(kind, thing, fields) : { name: '', ...freshOf(kind, it.usual) }}
      drawing={
        kind === 'vessels' || kind === 'containers'
          ? (values) => <Drawing values={values} units={units.units} />
          : undefined
      }
      save={(values) => saveThing(kind, id, values)}
      retire={id ? () => retireThing(kind, id) : undefined}
      onClose={onClose}
    />
  )
}
