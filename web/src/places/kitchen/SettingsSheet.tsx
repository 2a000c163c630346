import { api, type Schemas } from '../../api/client'
import type { Kitchen } from '../../api/queries'
import { EquipmentSheet, type Field } from './EquipmentSheet'

const zones = (Intl as unknown as { supportedValuesOf?: (key: string) => string[] }).supportedValuesOf?.(
  'timeZone',
)

const fields: Field[] = [
  { name: 'name', label: 'Name of the kitchen', kind: 'text' },
  { name: 'altitudeM', label: 'Height above the sea', kind: 'plain', dimension: 'metres' },
  {
    name: 'timeZone',
    label: 'Time zone',
    ...(zones
      ? { kind: 'words' as const, words: zones.map((zone): [string, string] => [zone, zone]) }
      : { kind: 'text' as const }),
  },
  {
    name: 'units',
    label: 'Units',
    kind: 'words',
    words: [
      ['metric', 'Litres, kilograms, °C'],
      ['us', 'US gallons, pounds, °F'],
    ],
  },
  { name: 'airC', label: 'Air over the range', kind: 'plain', dimension: 'celsius' },
  { name: 'humidity', label: 'Humidity', kind: 'plain', unit: '0 to 1' },
  { name: 'airSpeedMS', label: 'Draught', kind: 'plain', unit: 'm/s; hood on 0.3' },
  { name: 'tapC', label: 'Cold tap', kind: 'plain', dimension: 'celsius' },
  { name: 'callTolerance', label: 'A call may be short by', kind: 'plain', unit: '0 to 0.2 of it' },
  { name: 'strainerSets', label: 'Strainer sets', kind: 'plain', unit: 'with their ladles; 0 never short' },
]

/** The kitchen itself: everything that is computed rests on its height and its air. */
export function SettingsSheet({ kitchen, onClose }: { kitchen: Kitchen; onClose: () => void }) {
  return (
    <EquipmentSheet
      title="The kitchen"
      fields={fields}
      start={{
        name: kitchen.name,
        altitudeM: kitchen.altitudeM,
        timeZone: kitchen.timeZone,
        units: kitchen.units,
        airC: kitchen.airC,
        humidity: kitchen.humidity,
        airSpeedMS: kitchen.airSpeedMS,
        tapC: kitchen.tapC,
        callTolerance: kitchen.callTolerance,
        strainerSets: kitchen.strainerSets,
      }}
      save={(values) => api.PUT('/api/kitchen/settings', { body: values as Schemas['SettingsBody'] })}
      onClose={onClose}
    />
  )
}
