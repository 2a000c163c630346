import type { Schemas } from '../../api/client'
import { phaseKinds, type PhaseName } from '../../api/kinds'
import type { Dimension } from '../../words/units'

export type Phase = Schemas['PhaseJson']
export type PhaseFigure = keyof Phase

/** A figure that a phase is told with. */
export interface PhaseField {
  name: PhaseFigure
  quantity: string
  unit: string
  choices: readonly string[]
}

/** Kinds of phases, in the order of work. */
export const phaseNames = Object.keys(phaseKinds) as PhaseName[]

/** What a phase asks for. */
export const fieldsOf = (phase: PhaseName): readonly PhaseField[] => phaseKinds[phase].figures

/** What a cook's units are applied to; everything else has one unit for everybody. */
const dimensions: Partial<Record<string, Dimension>> = {
  DURATION: 'minutes',
  CELSIUS: 'celsius',
  CENTIMETRES: 'cm',
}
export const dimensionOf = (field: PhaseField): Dimension | undefined => dimensions[field.quantity]

/** A phase as it is first put into a procedure. */
export const newPhase = (phase: PhaseName): Phase => ({ phase, ...phaseKinds[phase].usual })
