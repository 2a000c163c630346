import type { Schemas } from '../../api/client'
import type { Dimension } from '../../words/units'

export type Phase = Schemas['PhaseJson']

export interface PhaseField {
  field: keyof Phase
  label: string
  dimension?: Dimension
  unit?: string
  words?: string[]
  flag?: boolean
  /** What a new phase starts with. */
  start: number | string | boolean
}

const min = (label: string, start: number, field: keyof Phase = 'min'): PhaseField => ({
  field,
  label,
  dimension: 'minutes',
  start,
})
const fraction = (start: number): PhaseField => ({
  field: 'toFraction',
  label: 'to',
  unit: 'of the volume',
  start,
})

/** What each phase asks for, in the order of work. */
export const phases: Record<string, { name: string; fields: PhaseField[] }> = {
  rinse: { name: 'Rinse', fields: [min('for', 10)] },
  soak: { name: 'Soak', fields: [min('for', 60), min('fresh water every', 20, 'everyMin')] },
  wipe: { name: 'Wipe', fields: [min('for', 3)] },
  thaw: { name: 'Thaw', fields: [min('for', 720)] },
  blanch: { name: 'Blanch', fields: [min('hold', 2), min('drain and wash', 15, 'drainAndWashMin')] },
  roast: {
    name: 'Roast',
    fields: [
      { field: 'ovenC', label: 'oven', dimension: 'celsius', start: 210 },
      { field: 'shade', label: 'to shade', unit: 'of 8', start: 5.5 },
      min('turn every', 15, 'everyMin'),
      { field: 'keepsMass', label: 'keeps', unit: 'of its mass', start: 1 },
    ],
  },
  sweat: { name: 'Sweat', fields: [min('for', 10)] },
  brown: { name: 'Brown', fields: [min('for', 14)] },
  'cook-tomato': { name: 'Cook the tomato', fields: [min('for', 8)] },
  flame: { name: 'Flame the spirit', fields: [] },
  deglaze: {
    name: 'Deglaze',
    fields: [
      { field: 'litresPerKgBed', label: 'with', unit: 'L/kg bed', start: 0.12 },
      fraction(0.25),
      { field: 'times', label: 'times', unit: '×', start: 1 },
    ],
  },
  'wine-down': { name: 'Cook the wine down', fields: [fraction(0.5)] },
  steep: {
    name: 'Steep',
    fields: [{ field: 'celsius', label: 'at', dimension: 'celsius', start: 65 }, min('for', 20)],
  },
  fill: {
    name: 'Fill',
    fields: [
      { field: 'liquid', label: 'with', words: ['water', 'second-wetting', 'stock'], start: 'water' },
      { field: 'celsius', label: 'at', dimension: 'celsius', start: 12 },
      { field: 'gelatinGPerL', label: 'gelatin', unit: 'g/L', start: 0 },
    ],
  },
  'bring-up': { name: 'Bring up', fields: [] },
  simmer: {
    name: 'Simmer',
    fields: [
      { field: 'band', label: 'looks', words: ['tremble', 'lazy', 'lively'], start: 'lazy' },
      min('usually', 180),
      min('at least', 120, 'leastMin'),
      min('at most', 240, 'mostMin'),
      { field: 'cover', label: 'under', words: ['open', 'paper-lid', 'lid-ajar', 'lid-on'], start: 'open' },
      { field: 'holdLevel', label: 'hold the level', flag: true, start: false },
      { field: 'topUpDropCm', label: 'top up when down', dimension: 'cm', start: 2.5 },
      { field: 'topUpC', label: 'with water at', dimension: 'celsius', start: 85 },
      min('skim every', 15, 'skimEarlyMin'),
      min('for the first', 75, 'skimEarlyForMin'),
      min('then every', 45, 'skimLateMin'),
    ],
  },
  rest: { name: 'Rest', fields: [min('for', 20)] },
  strain: {
    name: 'Strain',
    fields: [
      { field: 'passes', label: 'passes', unit: '×', start: 2 },
      { field: 'transfer', label: 'by', words: ['ladle', 'pour', 'tap'], start: 'ladle' },
      { field: 'pressed', label: 'press the solids', flag: true, start: false },
    ],
  },
  degrease: { name: 'Degrease', fields: [{ field: 'cold', label: 'set and cold', flag: true, start: true }] },
  reduce: { name: 'Reduce', fields: [fraction(0.5)] },
  cool: { name: 'Cool', fields: [] },
  portion: { name: 'Portion', fields: [min('for', 15)] },
}

/** A phase as it is first put into a procedure. */
export function newPhase(phase: string): Phase {
  const made: Record<string, unknown> = { phase }
  for (const field of phases[phase]?.fields ?? []) made[field.field] = field.start
  return made as unknown as Phase
}
