import { useState } from 'react'
import { api, data } from '../../api/client'
import { useChange, useDevices, type Device, type Kitchen } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading, Note, ToldOnce } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { TextField } from '../../kit/TextField'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { Pick } from '../../kit/Pick'

type Kind = Device['kind']

const kindName: Record<Kind, string> = { PROBE: 'Probe', SCALE: 'Floor scale' }

/** Probes and scales that report by themselves: where each is, what it last said, and which are silent. */
export function DevicesSection({ vessels }: { vessels: Kitchen['vessels'] }) {
  const devices = useDevices()
  const may = useMay()
  const change = useChange(
    ({ id, vesselId }: { id: string; vesselId?: string }) =>
      api.PUT('/api/devices/{id}/vessel', { params: { path: { id } }, body: { vesselId } }),
    'devices',
    'range',
  )
  const retire = useChange(
    (id: string) => api.POST('/api/devices/{id}/retirement', { params: { path: { id } } }),
    'devices',
    'range',
  )
  const all = devices.data ?? []
  return (
    <section className="max-w-[860px]">
      <Heading aside={all.length > 0 && `${all.filter((d) => !d.silent).length} of ${all.length} reporting`}>
        Probes and scales
      </Heading>
      {all.length === 0 && (
        <p className="text-15 text-quiet mt-0">
          None yet. A device posts its readings to <code>/api/devices/…/readings</code> with a token of its
          own; late and repeated ones do no harm.
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {all.map((device) => (
          <li
            key={device.id}
            className="border-rule text-15 grid min-h-[56px] items-center gap-x-6 gap-y-1 border-t py-1 md:grid-cols-[minmax(0,1fr)_170px_200px_auto]"
          >
            <span>
              <b className="font-semibold">{device.name}</b>
              <span className="text-quiet">, {kindName[device.kind].toLowerCase()}</span>
            </span>
            <Latest device={device} />
            <Pick
              look="small"
              label={`Vessel of ${device.name}`}
              disabled={!may('ACT')}
              value={device.vesselId ?? ''}
              onValue={(vesselId) => change.mutate({ id: device.id, vesselId: vesselId || undefined })}
              options={[
                { value: '', name: 'in no vessel' },
                ...vessels.map((vessel) => ({ value: vessel.id, name: vessel.name })),
              ]}
            />
            {may('SET_UP') && (
              <Button tone="quiet" onClick={() => retire.mutate(device.id)}>
                Take out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {change.error && <Note>{change.error.message}</Note>}
      {may('SET_UP') && <Make vessels={vessels} />}
    </section>
  )
}

function Latest({ device }: { device: Device }) {
  const units = useUnits()
  const { time } = useTimes()
  if (device.lastAt === undefined || device.lastValue === undefined)
    return <span className="text-quiet">nothing yet</span>
  const value = device.kind === 'PROBE' ? units.celsius(device.lastValue, 0.5) : units.kg(device.lastValue)
  return (
    <span className={device.silent ? 'text-amber font-semibold' : ''}>
      <b className="font-semibold">{value}</b>
      {device.silent && ` silent since ${time(device.lastAt)}`}
    </span>
  )
}

function Make({ vessels }: { vessels: Kitchen['vessels'] }) {
  const [name, setName] = useState('')
  const [kind, setKind] = useState<Kind>('PROBE')
  const [vesselId, setVesselId] = useState('')
  const [made, setMade] = useState<{ id: string; token: string }>()
  const make = useChange(
    () => data(api.POST('/api/devices', { body: { name, kind, vesselId: vesselId || undefined } })),
    'devices',
  )
  return (
    <>
      <form
        className="mt-3 grid items-end gap-3 md:grid-cols-[1fr_170px_200px_auto]"
        onSubmit={(event) => {
          event.preventDefault()
          make.mutate(undefined, {
            onSuccess: (device) => {
              setMade(device)
              setName('')
            },
          })
        }}
      >
        <TextField
          label="A new device"
          value={name}
          onValue={setName}
          problem={make.error?.fields.name}
          maxLength={40}
        />
        <SelectField
          label="It is a"
          value={kind}
          onValue={(next) => setKind(next as Kind)}
          options={Object.entries(kindName).map(([value, shown]) => ({ value, name: shown.toLowerCase() }))}
        />
        <SelectField
          label="In"
          value={vesselId}
          onValue={setVesselId}
          options={[{ value: '', name: 'no vessel' }, ...vessels.map((v) => ({ value: v.id, name: v.name }))]}
        />
        <Button type="submit" disabled={!name.trim() || make.isPending}>
          Add
        </Button>
      </form>
      {made && (
        <ToldOnce
          what="Give these to the device now; the token is not shown again."
          lines={[`POST /api/devices/${made.id}/readings`, made.token]}
        />
      )}
    </>
  )
}
