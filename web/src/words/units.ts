/** Kitchen units: the server always speaks metric; people read and type in theirs. Conversions are exact. */
export type Units = 'metric' | 'us'
export type Dimension =
  | 'litres'
  | 'kg'
  | 'celsius'
  | 'cm'
  | 'mm'
  | 'metres'
  | 'kilowatts'
  | 'litresPerKg'
  | 'gramsPerLitre'
  | 'minutes'
  | 'brix'
  | 'mark'
  | 'count'

const L_PER_GAL = 3.785411784
const L_PER_QT = L_PER_GAL / 4
const L_PER_CUP = L_PER_GAL / 16
const L_PER_FL_OZ = L_PER_GAL / 128
const KG_PER_LB = 0.45359237
const G_PER_OZ = (KG_PER_LB * 1000) / 16
const CM_PER_IN = 2.54
const M_PER_FT = 0.3048
const BTU_H_PER_KW = 3412.142

/** Thin, and never a place where a line breaks: a figure and its unit do not part. */
const JOINT = '\u202f'

/** A figure with its unit. */
export const joined = (shown: string | number, unit: string) =>
  unit ? `${shown}${JOINT}${unit}` : `${shown}`

interface Scale {
  unit: string
  to: (metric: number) => number
  from: (shown: number) => number
  /** The finest step anyone reads. */
  step: number
}

const same = (unit: string, step: number): Scale => ({ unit, to: (v) => v, from: (v) => v, step })

const scales: Record<Units, Record<Dimension, Scale>> = {
  metric: {
    litres: same('L', 0.1),
    kg: same('kg', 0.05),
    celsius: same('°C', 0.5),
    cm: same('cm', 0.5),
    mm: same('mm', 1),
    metres: same('m', 10),
    kilowatts: same('kW', 0.5),
    litresPerKg: same('L/kg', 0.05),
    gramsPerLitre: same('g/L', 0.1),
    minutes: same('min', 1),
    brix: same('°Bx', 0.1),
    mark: same('', 0.5),
    count: same('', 1),
  },
  us: {
    litres: { unit: 'gal', to: (v) => v / L_PER_GAL, from: (v) => v * L_PER_GAL, step: 0.05 },
    kg: { unit: 'lb', to: (v) => v / KG_PER_LB, from: (v) => v * KG_PER_LB, step: 0.1 },
    celsius: { unit: '°F', to: (v) => v * 1.8 + 32, from: (v) => (v - 32) / 1.8, step: 1 },
    cm: { unit: 'in', to: (v) => v / CM_PER_IN, from: (v) => v * CM_PER_IN, step: 0.25 },
    mm: { unit: 'in', to: (v) => v / CM_PER_IN / 10, from: (v) => v * CM_PER_IN * 10, step: 0.05 },
    metres: { unit: 'ft', to: (v) => v / M_PER_FT, from: (v) => v * M_PER_FT, step: 50 },
    kilowatts: { unit: 'BTU/h', to: (v) => v * BTU_H_PER_KW, from: (v) => v / BTU_H_PER_KW, step: 100 },
    litresPerKg: {
      unit: 'qt/lb',
      to: (v) => (v / L_PER_QT) * KG_PER_LB,
      from: (v) => (v * L_PER_QT) / KG_PER_LB,
      step: 0.05,
    },
    gramsPerLitre: {
      unit: 'oz/gal',
      to: (v) => (v / G_PER_OZ) * L_PER_GAL,
      from: (v) => (v * G_PER_OZ) / L_PER_GAL,
      step: 0.05,
    },
    minutes: same('min', 1),
    brix: same('°Bx', 0.1),
    mark: same('', 0.5),
    count: same('', 1),
  },
}

export function scaleOf(units: Units, dimension: Dimension): Scale {
  return scales[units][dimension]
}

/** Digits after the point that a step needs: 0.1 → 1, 0.25 → 2, 5 → 0. */
export function digitsOf(step: number): number {
  const text = step.toString()
  const point = text.indexOf('.')
  return point < 0 ? 0 : text.length - point - 1
}

/** 17,100: from a thousand on digits part in threes, as they are written in the United States. */
const parted = (digits: string) => digits.replace(/\B(?=(\d{3})+$)/, ',')

/** A figure at a step, without unit. A minus sign is a real one; nothing is ever shown as minus nothing. */
export function figure(value: number, step: number): string {
  const rounded = Math.round(value / step) * step
  const text = Math.abs(rounded).toFixed(Math.min(3, digitsOf(step)))
  return rounded < 0 && Number(text) !== 0 ? '−' + text : text
}

/**
 * The step to which a figure may be shown given the width of its 10–90 % band: never finer than a tenth of it.
 */
export function stepFor(bandWidth: number, finest: number): number {
  const wanted = Math.max(bandWidth / 10, finest)
  const power = 10 ** Math.floor(Math.log10(wanted))
  const lead = wanted / power
  return (lead < 1.5 ? 1 : lead < 3.5 ? 2 : lead < 7.5 ? 5 : 10) * power
}

/** Weights as a kitchen says them: grams below a pound or so, kilograms above; ounces and pounds in US kitchens. */
export function weight(kg: number, units: Units): string {
  if (units === 'us') {
    const lb = kg / KG_PER_LB
    return lb < 1 ? joined(figure(lb * 16, lb * 16 < 1 ? 0.05 : 0.1), 'oz') : joined(figure(lb, 0.1), 'lb')
  }
  // Where the finer step would round it up to what the coarser one begins with, the coarser one says it: 1.00 kg and not 1000 g.
  if (kg < 0.00995) return joined(figure(kg * 1000, 0.1), 'g')
  if (kg < 0.9975) return joined(figure(kg * 1000, kg < 0.0995 ? 1 : 5), 'g')
  return joined(figure(kg, kg < 9.975 ? 0.05 : 0.1), 'kg')
}

/** A volume as a kitchen says it: a splash in millilitres, cups or ounces, and nothing ever as none of a gallon. */
function volume(litres: number, units: Units): string {
  const size = Math.abs(litres)
  if (units === 'metric')
    return size < 0.2 ? joined(Math.round(litres * 1000), 'mL') : amount(litres, 'litres', units)
  if (size < L_PER_CUP) return joined(figure(litres / L_PER_FL_OZ, size < L_PER_FL_OZ ? 0.1 : 0.5), 'fl oz')
  if (size < L_PER_QT) return joined(figure(litres / L_PER_CUP, 0.25), 'cups')
  return size < L_PER_GAL ? joined(figure(litres / L_PER_QT, 0.1), 'qt') : amount(litres, 'litres', units)
}

/** A number as it is typed: with a point or a comma; in the United States a comma before three digits parts thousands. */
export function numberTyped(text: string, units: Units): number | undefined {
  const plain = text.trim().replace('−', '-')
  const parted = units === 'us' && /^-?\d{1,3}(,\d{3})+(\.\d*)?$/.test(plain)
  const clean = parted ? plain.replaceAll(',', '') : plain.replace(',', '.')
  return /^-?\d+(\.\d*)?$|^-?\.\d+$/.test(clean) ? Number(clean) : undefined
}

/** A band without its unit, «10–15»: no finer than it deserves, and one figure where both ends look alike. */
export function spread(band: { p10: number; p90: number }, finest: number): string {
  const step = stepFor(band.p90 - band.p10, finest)
  const low = figure(band.p10, step)
  const high = figure(band.p90, step)
  return low === high ? low : `${low}–${high}`
}

/** A metric figure in the reader's unit, with the unit. */
export function amount(value: number, dimension: Dimension, units: Units, step?: number): string {
  const scale = scaleOf(units, dimension)
  const shown = figure(scale.to(value), step ?? scale.step)
  return joined(units === 'us' && /^.?\d{4,}$/.test(shown) ? parted(shown) : shown, scale.unit)
}

/** Whether there is enough of something in a litre to speak of. */
export const tells = (gPerL: number) => Math.round(gPerL) > 0

/** Marks along a vessel, fewer of them where it is drawn small. */
const rulers: Record<Units, (small: boolean) => { unit: string; perCm: number; every: number }> = {
  metric: (small) => ({ unit: 'cm', perCm: 1, every: small ? 10 : 5 }),
  us: (small) => ({ unit: 'in', perCm: 1 / CM_PER_IN, every: small ? 4 : 2 }),
}

export function formatters(units: Units) {
  const show = (dimension: Dimension) => (value: number, step?: number) =>
    amount(value, dimension, units, step)
  return {
    units,
    /** Litres of a pot or a call. */
    litres: (value: number, step?: number) =>
      units === 'us' && step === undefined && Math.abs(value) < L_PER_QT && value !== 0
        ? volume(value, units)
        : show('litres')(value, step),
    cm: show('cm'),
    celsius: show('celsius'),
    kg: (value: number) => weight(value, units),
    ruler: (small = false) => rulers[units](small),
    /** How many cubes litres are in, and how much one of them is. */
    cubes: (litres: number, count: number) =>
      `${count} ${count === 1 ? 'cube' : 'cubes'} of ${volume(litres / count, units)}`,
    /** Litres that may be a splash. */
    jug: (value: number) => volume(value, units),
    mm: show('mm'),
    metres: show('metres'),
    power: show('kilowatts'),
    litresPerKg: show('litresPerKg'),
    /** Dissolved in a litre, or in a gallon: grams whole, as tastes tell no finer. */
    dissolved: (gPerL: number, step?: number) =>
      amount(gPerL, 'gramsPerLitre', units, step ?? (units === 'us' ? 0.1 : 1)),
    dissolvedSpread: (band: { p10: number; p90: number }) => {
      const { to, unit } = scaleOf(units, 'gramsPerLitre')
      return joined(spread({ p10: to(band.p10), p90: to(band.p90) }, units === 'us' ? 0.1 : 1), unit)
    },
    /** What volumes are told in, for labels. */
    litresWord: units === 'us' ? 'gallons' : 'litres',
    Litres: units === 'us' ? 'Gallons' : 'Litres',
    out: units === 'us' ? 'Gallons out' : 'Litres out',
    /** One of what volumes are told in. */
    each: units === 'us' ? { name: 'gallon', litres: L_PER_GAL } : { name: 'litre', litres: 1 },
    /** Litres that are an estimate: no finer than their band deserves. */
    estimate: (band: { p10: number; p50: number; p90: number }) => {
      const scale = scaleOf(units, 'litres')
      const step = stepFor(scale.to(band.p90) - scale.to(band.p10), scale.step)
      return joined(figure(scale.to(band.p50), step), scale.unit)
    },
    spread: (band: { p10: number; p90: number }) => {
      const scale = scaleOf(units, 'litres')
      return joined(spread({ p10: scale.to(band.p10), p90: scale.to(band.p90) }, scale.step), scale.unit)
    },
  }
}

export type Formatters = ReturnType<typeof formatters>
