import type { Schemas } from '../../api/client'
import type { Page } from '../../api/queries'
import { act, log, type Act, type Outcome } from '../../api/outbox'
import { beginName, dueName, endName } from '../../words/en'

export type Due = Schemas['DueView']

/** Which act it is, however its time moves: a button keeps its act, so that no finger on its way down finds another one under it. */
export const dueKey = (due: Due) => `${due.kind}:${due.step}:${due.parts.map((part) => part.id).join('+')}`

/** Which event an act due becomes. */
const kinds: Record<string, string> = {
  WEIGH: 'weighed-in',
  BEGIN: 'began',
  END: 'finished',
  TURN: 'turned',
  JUDGE_SHADE: 'card:shade',
  CHANGE_WATER: 'water-changed',
  BURNER_OFF: 'burner-off',
  HOLD: 'held',
  KELP_OUT: 'taken-out',
  FLAKES_IN: 'added',
  TASTE: 'tasted',
  SET_TEST: 'card:set',
  PASS: 'passed',
  REDUCE: 'reduced',
  DEGREASE: 'degreased',
  BLANCH: 'blanched',
  FILL: 'filled',
  LIGHT: 'heat-on',
  FIRST_FOAM: 'first-foam',
  TURN_DOWN: 'simmer-reached',
  SKIM: 'skimmed',
  READ_LEVEL: 'level-read',
  READ_TEMPERATURE: 'temperature-read',
  TOP_UP: 'topped-up',
  ADD: 'added',
  JUDGE: 'judged-enough',
  STRAIN: 'strained',
  BEGIN_COOLING: 'cooling-began',
  READ_COOLING: 'cooling-read',
  RESCUE: 'reheated',
  STORE: 'stored',
}

/** Acts that carry a figure only a person can read, or a choice; these open a sheet, the others log at a tap. */
const asks = new Set([
  'READ_LEVEL',
  'READ_TEMPERATURE',
  'READ_COOLING',
  'JUDGE',
  'STRAIN',
  'STORE',
  'WEIGH',
  'RESCUE',
  'JUDGE_SHADE',
  'SET_TEST',
  'TASTE',
  'REDUCE',
])

export const kindOf = (due: Due) => kinds[due.kind] ?? 'noted'
export const asksFirst = (due: Due) => asks.has(due.kind)

export function dueWords(due: Pick<Due, 'kind' | 'phase'> & { parts: { name: string }[] }): string {
  if (due.kind === 'BEGIN') return beginName[due.phase ?? ''] ?? 'Begin'
  if (due.kind === 'END') return endName[due.phase ?? ''] ?? 'Done'
  const name = dueName[due.kind] ?? due.kind
  if (due.kind !== 'ADD') return name
  const parts = due.parts.map((part) => part.name.toLowerCase())
  if (parts.length > 3) return 'Sachet in'
  return `Put in ${parts.join(', ')}`
}

/** What a tap logs: the usual amounts. Several parts that go in together are several entries of one tap. */
export function usual(due: Due, fillC: number, topUpC: number): Act[] {
  switch (due.kind) {
    case 'FILL':
      return [act('filled', { litres: due.amount, celsius: fillC })]
    case 'TOP_UP':
      return [act('topped-up', { litres: Math.max(0.1, due.amount), celsius: topUpC })]
    case 'SKIM':
      return [act('skimmed', { litres: due.amount })]
    case 'FIRST_FOAM':
      return [act('first-foam'), act('skimmed', { litres: due.amount })]
    case 'BEGIN':
    case 'END':
      return [act(kindOf(due), { step: due.step })]
    case 'KELP_OUT':
      return due.parts.map((part) => act('taken-out', { part: part.id }))
    case 'DEGREASE':
      return [act('degreased', { litres: due.amount })]
    case 'FLAKES_IN':
    case 'ADD':
      return due.parts.map((part) => act('added', { part: part.id, kg: part.kg }))
    default:
      return [act(kindOf(due))]
  }
}

/** Logs acts one after another and tells what became of the first that was not simply taken. */
export async function logAll(batchId: string, acts: Act[]): Promise<Outcome> {
  const outcomes = await Promise.all(acts.map((one) => log(batchId, one)))
  return outcomes.find((outcome) => outcome.kind !== 'sent') ?? outcomes[outcomes.length - 1]!
}

/** Which part of the figure a sheet asks for, and what stands there first. */
export interface Question {
  kind: string
  field: 'litres' | 'kg' | 'celsius' | 'belowRimCm' | 'value'
  start: number | undefined
  label: string
  part?: string
}

export function question(kind: string, page: Page, due?: Due): Question | undefined {
  const { pot, probe } = page.card
  const last = page.card.cooling.readings[page.card.cooling.readings.length - 1]
  switch (kind) {
    case 'weighed-in': {
      const part = due?.parts[0]?.id ?? 'bed'
      return { kind, field: 'kg', start: due?.amount ?? page.plannedBedKg, label: 'On the scale', part }
    }
    case 'filled':
      return { kind, field: 'litres', start: due?.amount ?? page.plannedWaterL, label: 'Water drawn' }
    case 'skimmed':
      return { kind, field: 'litres', start: due?.amount ?? 0.1, label: 'Liquor lost with the scum' }
    case 'topped-up':
      return { kind, field: 'litres', start: due ? due.amount : 1, label: 'Water added' }
    case 'level-read':
      return { kind, field: 'belowRimCm', start: pot.belowRimCm, label: 'Below the rim' }
    case 'temperature-read':
      // A probe that reports has read it already; a silent one has not.
      return {
        kind,
        field: 'celsius',
        start: probe?.silent === false ? probe.celsius : pot.celsius,
        label: 'In the liquor',
      }
    case 'brix-read':
      return { kind, field: 'value', start: page.brix[page.brix.length - 1]?.degrees, label: 'Refractometer' }
    case 'strained':
      return { kind, field: 'litres', start: due?.amount ?? page.card.expectedL.p50, label: 'Litres out' }
    case 'reduced':
      return { kind, field: 'litres', start: due?.amount ?? pot.liquorL, label: 'Left after reducing' }
    case 'degreased':
      return { kind, field: 'litres', start: due?.amount ?? 0.2, label: 'Fat lifted' }
    case 'cooling-read':
      return { kind, field: 'celsius', start: last?.celsius ?? 85, label: 'In the stock' }
    case 'reheated':
      return { kind, field: 'celsius', start: page.card.cooling.reheatC, label: 'Reheated to' }
    case 'stored':
      return { kind, field: 'litres', start: due?.amount ?? page.card.strainedL, label: 'Put away' }
    default:
      return undefined
  }
}

type Likely = Page['likely']
const measured: Record<string, string> = {
  filled: 'FILLED_L',
  'level-read': 'LEVEL_BELOW_RIM_CM',
  'temperature-read': 'TEMPERATURE_C',
  'topped-up': 'TOPPED_UP_L',
  'brix-read': 'BRIX',
  strained: 'STRAINED_L',
  reduced: 'REDUCED_L',
  'cooling-read': 'COOLING_C',
  stored: 'STORED_L',
}

/** Within what a figure will most likely lie; beyond it the cook is asked whether it was read right. */
export function likely(asked: Question, page: Page): Likely[string] | undefined {
  if (asked.kind === 'weighed-in') return asked.part === 'bed' ? page.likely['BED_KG'] : undefined
  return page.likely[measured[asked.kind] ?? '']
}
