import { api } from '../../api/client'
import type { Kitchen } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
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

export const fieldsOf: Record<Kind, Field[]> = {
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
    { name: 'kappa', label: 'Evaporation factor', kind: 'plain', unit: 'book 0.8' },
    { name: 'metalKg', label: 'Empty weight', kind: 'plain', dimension: 'kg' },
  ],
  burners: [
    { name: 'name', label: 'Name', kind: 'text' },
    { name: 'ratedKw', label: 'Power at full', kind: 'plain', unit: 'kW' },
    {
      name: 'efficiency',
      label: 'Share that reaches the pot',
      kind: 'plain',
      unit: 'gas 0.5, induction 0.85',
    },
  ],
  ovens: [
    { name: 'name', label: 'Name', kind: 'text' },
    { name: 'trays', label: 'Full trays', kind: 'plain', unit: 'trays' },
    { name: 'convection', label: 'A fan moves the air', kind: 'flag' },
    { name: 'factor', label: 'Roasting factor', kind: 'plain', unit: 'still 1, fan 0.8' },
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
    { name: 'wallMm', label: 'Wall', kind: 'plain', unit: 'mm' },
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
    { name: 'iceKg', label: 'Ice at hand', kind: 'plain', dimension: 'kg' },
  ],
}

export const nameOf: Record<Kind, string> = {
  vessels: 'vessel',
  burners: 'burner',
  ovens: 'oven',
  containers: 'container',
  chillers: 'chiller',
}

export const freshOf: Record<Kind, Values> = {
  vessels: {
    shape: 'cylinder',
    diameterCm: 36,
    heightCm: 36,
    handling: 'LIFTED',
    build: 'HEAVY',
    kappa: 0.8,
    metalKg: 6,
  },
  burners: { ratedKw: 9, efficiency: 0.5 },
  ovens: { trays: 4, convection: true, factor: 0.8 },
  containers: {
    shape: 'pan',
    lengthCm: 53,
    breadthCm: 32.5,
    heightCm: 10,
    material: 'STEEL',
    wallMm: 1,
    holdsL: 12,
    owned: 4,
  },
  chillers: { kind: 'ICE_BATH', litres: 60, airC: 1, iceKg: 30 },
}

/** A thing of the kitchen as its sheet shows it. */
export function valuesOf(kind: Kind, thing: Kitchen[Kind][number]): Values {
  const it = thing as unknown as Record<string, number | string | boolean>
  const rounded = (value: unknown) => (typeof value === 'number' ? Math.round(value * 1000) / 1000 : value)
  const base = Object.fromEntries(
    fieldsOf[kind].map((field) => [field.name, rounded(it[field.name])]),
  ) as Values
  if (kind === 'vessels' || kind === 'containers') {
    base.diameterCm = it.widthCm
    base.lengthCm = it.widthCm
  }
  return base
}

/** Sends a thing to the server, new or changed. */
export function saveThing(kind: Kind, id: string | undefined, values: Values): Promise<unknown> {
  // The bodies differ by kind; the server checks every field and names what it refuses.
  const body = values as never
  if (!id) {
    switch (kind) {
      case 'vessels':
        return api.POST('/api/kitchen/vessels', { body })
      case 'burners':
        return api.POST('/api/kitchen/burners', { body })
      case 'ovens':
        return api.POST('/api/kitchen/ovens', { body })
      case 'containers':
        return api.POST('/api/kitchen/containers', { body })
      default:
        return api.POST('/api/kitchen/chillers', { body })
    }
  }
  const params = { path: { id } }
  switch (kind) {
    case 'vessels':
      return api.PUT('/api/kitchen/vessels/{id}', { params, body })
    case 'burners':
      return api.PUT('/api/kitchen/burners/{id}', { params, body })
    case 'ovens':
      return api.PUT('/api/kitchen/ovens/{id}', { params, body })
    case 'containers':
      return api.PUT('/api/kitchen/containers/{id}', { params, body })
    default:
      return api.PUT('/api/kitchen/chillers/{id}', { params, body })
  }
}

export const retireThing = (kind: Kind, id: string) =>
  api.POST('/api/kitchen/{kind}/{id}/retirement', { params: { path: { kind, id } } })

/** A vessel or container in section while it is typed; nothing while the figures make none. */
export function Drawing({ values, fillCm }: { values: Values; fillCm?: (heightCm: number) => number }) {
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
  const line = fillCm?.(height) ?? Math.max(0, height - Math.max(5, height / 10))
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
        label={`In section, ${Math.round(litres * 10) / 10} litres to the rim`}
      />
      <span className="text-18 pb-8 font-mono">{Math.round(litres * 10) / 10} L</span>
    </div>
  )
}

/** The cap of a sphere over a rim of this half width. */
function bowlLitres(half: number, bowl: number): number {
  if (bowl <= 0) return 0
  const r = (half * half + bowl * bowl) / (2 * bowl)
  return (Math.PI * bowl * bowl * (3 * r - bowl)) / 3000
}
