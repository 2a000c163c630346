import { api } from '../../api/client'
import type { Kitchen } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
import { formatters, type Units } from '../../words/units'
import type { Field, Values } from './EquipmentSheet'

export type Kind = 'vessels' | 'burners' | 'ovens' | 'containers' | 'chillers'

const shapeIs =
  (...shapes: string[]) =>
  (values: Values) =>
    shapes.includes(String(values.shape))

const inside: Field[] = [
  { name: 'diameterCm', label: 'Inside diameter', kind: 'number', when: shapeIs('cylinder', 'kettle') },
  { name: 'lengthCm', label: 'Inside length', kind: 'number', when: shapeIs('pan') },
  { name: 'breadthCm', label: 'Inside breadth', kind: 'number', when: shapeIs('pan') },
  { name: 'heightCm', label: 'Inside height', kind: 'number' },
  { name: 'bowlCm', label: 'Depth of the bowl', kind: 'number', when: shapeIs('kettle') },
]

export const fieldsOf = (usual: Kitchen['usual']): Record<Kind, Field[]> => ({
  vessels: [
    { name: 'name', label: 'Name', kind: 'text' },
    {
      name: 'shape',
      label: 'Shape',
      kind: 'words',
      words: [
        ['cylinder', 'Straight pot'],
        ['kettle', 'Kettle with a bowl'],
        ['pan', 'Rectangular pan'],
      ],
    },
    ...inside,
    {
      name: 'handling',
      label: 'It is emptied by',
      kind: 'words',
      words: [
        ['LIFTED', 'lifting'],
        ['TILTED', 'tilting'],
        ['TAPPED', 'a tap'],
      ],
    },
    {
      name: 'build',
      label: 'Walls',
      kind: 'words',
      words: [
        ['HEAVY', 'heavy, stainless or enamelled'],
        ['THIN', 'thin'],
        ['REACTIVE', 'bare aluminium or iron'],
      ],
    },
    {
      name: 'heatKw',
      label: 'Heat of its own, if it needs no burner',
      kind: 'plain',
      dimension: 'kilowatts',
      optional: true,
    },
    { name: 'kappa', label: 'Evaporation factor', kind: 'plain', unit: `book ${usual.vessels.kappa}` },
    { name: 'metalKg', label: 'Empty weight', kind: 'plain', dimension: 'kg' },
  ],
  burners: [
    { name: 'name', label: 'Name', kind: 'text' },
    { name: 'ratedKw', label: 'Power at full', kind: 'plain', dimension: 'kilowatts' },
    {
      name: 'efficiency',
      label: 'Share that reaches the pot',
      kind: 'plain',
      unit: `gas ${usual.gas}, induction ${usual.induction}`,
    },
  ],
  ovens: [
    { name: 'name', label: 'Name', kind: 'text' },
    { name: 'trays', label: 'Full trays', kind: 'plain', unit: 'trays' },
    { name: 'convection', label: 'A fan moves the air', kind: 'flag' },
    {
      name: 'factor',
      label: 'Roasting factor',
      kind: 'plain',
      unit: `still ${usual.still}, fan ${usual.fan}`,
    },
  ],
  containers: [
    { name: 'name', label: 'Name', kind: 'text' },
    {
      name: 'shape',
      label: 'Shape',
      kind: 'words',
      words: [
        ['cylinder', 'Round'],
        ['pan', 'Rectangular'],
      ],
    },
    ...inside.slice(0, 4),
    {
      name: 'material',
      label: 'Made of',
      kind: 'words',
      words: [
        ['STEEL', 'steel'],
        ['ALUMINIUM', 'aluminium'],
        ['PLASTIC', 'plastic'],
      ],
    },
    { name: 'wallMm', label: 'Wall', kind: 'plain', dimension: 'mm' },
    { name: 'holdsL', label: 'Filled to', kind: 'plain', dimension: 'litres' },
    { name: 'owned', label: 'How many of it', kind: 'plain', unit: 'pieces' },
  ],
  chillers: [
    { name: 'name', label: 'Name', kind: 'text' },
    {
      name: 'kind',
      label: 'What it is',
      kind: 'words',
      words: [
        ['ICE_BATH', 'an ice bath'],
        ['BLAST', 'a blast chiller'],
        ['COLD_STORE', 'a cold store'],
        ['FREEZER', 'a freezer'],
      ],
    },
    { name: 'litres', label: 'Takes', kind: 'plain', dimension: 'litres' },
    { name: 'airC', label: 'Its air or bath', kind: 'plain', dimension: 'celsius' },
    { name: 'iceKg', label: 'Its bin holds', kind: 'plain', dimension: 'kg' },
    { name: 'iceKgPerH', label: 'Its machine makes in an hour', kind: 'plain', dimension: 'kg' },
  ],
})

export const nameOf: Record<Kind, string> = {
  vessels: 'vessel',
  burners: 'burner',
  ovens: 'oven',
  containers: 'container',
  chillers: 'chiller',
}

/** A new thing, as the book has it before anybody has measured it. */
export const freshOf = (kind: Kind, usual: Kitchen['usual']): Values =>
  Object.fromEntries(
    Object.entries(usual[kind]).filter(([name, value]) => name !== 'name' && value !== null),
  ) as Values

/** A thing of the kitchen as its sheet shows it. */
export function valuesOf(kind: Kind, thing: Kitchen[Kind][number], fields: Field[]): Values {
  const it = thing as unknown as Record<string, number | string | boolean>
  const rounded = (value: unknown) => (typeof value === 'number' ? Math.round(value * 1000) / 1000 : value)
  const base = Object.fromEntries(fields.map((field) => [field.name, rounded(it[field.name])])) as Values
  if (kind === 'vessels' || kind === 'containers') {
    base.diameterCm = it.widthCm
    base.lengthCm = it.widthCm
  }
  return base
}

type Body<K extends Kind> = Kitchen['usual'][K]

/** Sends a thing to the server, new or changed. It checks every field of what was typed, and names what it refuses. */
export function saveThing(kind: Kind, id: string | undefined, values: Values): Promise<unknown> {
  const params = { path: { id: id ?? '' } }
  switch (kind) {
    case 'vessels': {
      const body = values as Body<'vessels'>
      return id
        ? api.PUT('/api/kitchen/vessels/{id}', { params, body })
        : api.POST('/api/kitchen/vessels', { body })
    }
    case 'burners': {
      const body = values as Body<'burners'>
      return id
        ? api.PUT('/api/kitchen/burners/{id}', { params, body })
        : api.POST('/api/kitchen/burners', { body })
    }
    case 'ovens': {
      const body = values as Body<'ovens'>
      return id
        ? api.PUT('/api/kitchen/ovens/{id}', { params, body })
        : api.POST('/api/kitchen/ovens', { body })
    }
    case 'containers': {
      const body = values as Body<'containers'>
      return id
        ? api.PUT('/api/kitchen/containers/{id}', { params, body })
        : api.POST('/api/kitchen/containers', { body })
    }
    case 'chillers': {
      const body = values as Body<'chillers'>
      return id
        ? api.PUT('/api/kitchen/chillers/{id}', { params, body })
        : api.POST('/api/kitchen/chillers', { body })
    }
  }
}

export const retireThing = (kind: Kind, id: string) =>
  api.POST('/api/kitchen/{kind}/{id}/retirement', { params: { path: { kind, id } } })

/** A vessel or container in section while it is typed; nothing while the figures make none. */
export function Drawing({ values, units }: { values: Values; units: Units }) {
  const { litres: volume } = formatters(units)
  const number = (name: string) => (typeof values[name] === 'number' ? values[name] : 0)
  const pan = values.shape === 'pan'
  const width = pan ? number('lengthCm') : number('diameterCm')
  const height = number('heightCm')
  const bowl = values.shape === 'kettle' ? number('bowlCm') : 0
  const sound =
    width >= 5 && height >= 3 && width <= 300 && height <= 200 && bowl <= Math.min(width / 2, height)
  if (!sound) return null
  const litres = pan
    ? (width * number('breadthCm') * height) / 1000
    : (Math.PI / 4000) * width * width * (height - bowl) + bowlLitres(width / 2, bowl)
  // A container is filled to what it is told to hold, a vessel that is being measured to its rim.
  const held = number('holdsL')
  const line = held > 0 ? Math.min(height, (height * held) / litres) : height
  return (
    <div className="flex items-end gap-4">
      <Cutaway
        vessel={{
          shape: String(values.shape),
          widthCm: width,
          heightCm: height,
          bowlCm: bowl,
          fillLineCm: line,
          litresAtCm: [],
        }}
        levelCm={line}
        colour="var(--water)"
        scale={Math.min(150 / height, 220 / width)}
        label={`In section, ${volume(litres)} to the rim`}
      />
      <span className="text-18 pb-8">{volume(litres)}</span>
    </div>
  )
}

/** The cap of a sphere over a rim of this half width. */
function bowlLitres(half: number, bowl: number): number {
  if (bowl <= 0) return 0
  const r = (half * half + bowl * bowl) / (2 * bowl)
  return (Math.PI * bowl * bowl * (3 * r - bowl)) / 3000
}
