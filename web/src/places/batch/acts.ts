import type { Schemas } from '../../api/client'
import type { Page } from '../../api/queries'
import { eventKinds } from '../../api/kinds'
import { act, log, type Act, type Outcome } from '../../api/outbox'
import { askedName, beginName, dueName, endName } from '../../words/en'

export type Due = Schemas['DueView']
type Proposal = Schemas['ProposalView']
type Figures = Schemas['Figures']
export type ProposedName = Proposal['kind']
/** A sheet is named by the event that it asks for, that of a card by the card. */
type CardSheetName = `card:${NonNullable<Figures['card']>}`
export type SheetName = ProposedName | CardSheetName

/** Which act it is, however its time moves: a button keeps its act, so that no finger on its way down finds another one under it. */
export const dueKey = (due: Due) =>
  `${due.kind}:${due.step}:${due.parts.map((part) => part.id).join('+')}${due.becomes[0]?.figures.sourceId ?? ''}`

/** Which sheet an event is asked for with: its kind, and of the kitchen's cards the one that is held. */
const sheetOf = ({ kind, figures }: Proposal): SheetName =>
  kind === 'card-read' && figures.card ? `card:${figures.card}` : kind

export const isCard = (sheet: SheetName): sheet is CardSheetName => sheet.startsWith('card:')

export const kindOf = (due: Due): SheetName => (due.becomes[0] ? sheetOf(due.becomes[0]) : 'noted')

export function dueWords(due: Pick<Due, 'kind' | 'phase'> & { parts: { name: string }[] }): string {
  if (due.kind === 'BEGIN') return (due.phase && beginName[due.phase]) ?? 'Begin'
  if (due.kind === 'END') return (due.phase && endName[due.phase]) ?? 'Done'
  const name = dueName[due.kind]
  if (due.kind !== 'ADD') return name
  const parts = due.parts.map((part) => part.name.toLowerCase())
  if (parts.length > 3) return 'Sachet in'
  return `Put in ${parts.join(', ')}`
}

/** Litres that an act moves; an act that moves some takes one more touch, with them in sight. */
export const moves = (due: Due): number =>
  due.becomes.reduce((sum, { figures }) => sum + (figures.litres ?? 0), 0)

/** Which sheet asks for those litres; that of the act where none of it moves any. */
export const movesBy = (due: Due): SheetName => {
  const moving = due.becomes.find(({ figures }) => (figures.litres ?? 0) > 0)
  return moving ? sheetOf(moving) : kindOf(due)
}

/** What a tap logs: what is proposed. Several parts that go in together are several entries of one tap. */
export const usual = (due: Due): Act[] => due.becomes.map(({ kind, figures }) => act(kind, figures))

/** Logs acts one after another and tells what became of the first that was not simply taken. */
export async function logAll(batchId: string, acts: Act[]): Promise<Outcome> {
  const outcomes = await Promise.all(acts.map((one) => log(batchId, one)))
  return outcomes.find((outcome) => outcome.kind !== 'sent') ?? outcomes[outcomes.length - 1]!
}

/** What a sheet asks for, what stands there first, and what is logged beside it. */
export interface Question {
  kind: ProposedName
  field: 'litres' | 'kg' | 'celsius' | 'belowRimCm' | 'value'
  /** An amount that may be proposed. A reading starts empty: nobody logs by a tap what nobody has read. */
  start: number | undefined
  /** What a reading should show about now. */
  expected: number | undefined
  /** What the probe says, to be taken over as the probe's. */
  probe: number | undefined
  label: string
  beside: Figures
}

const measures = ['LITRES', 'KILOGRAMS', 'CELSIUS', 'CENTIMETRES', 'MARK']

export function question(kind: ProposedName, page: Page, due?: Due): Question | undefined {
  const label = askedName(kind)
  const field = eventKinds[kind].figures.find((figure) => measures.includes(figure.quantity))?.name as
    Question['field'] | undefined
  if (!label || !field) return undefined
  const proposed = [...(due?.becomes ?? []), ...page.usual].find((proposal) => proposal.kind === kind)
  const { [field]: usually, ...beside } = proposed?.figures ?? {}
  const reading = readings.includes(kind)
  const probe = page.card.probe
  return {
    kind,
    field,
    label,
    beside,
    start: reading ? undefined : usually,
    expected: reading ? usually : undefined,
    probe:
      eventKinds[kind].figures.some((figure) => figure.name === 'byProbe') && probe?.silent === false
        ? probe.celsius
        : undefined,
  }
}

/** What an instrument shows and a person reads off it. */
const readings: ProposedName[] = [
  'level-read',
  'temperature-read',
  'cooling-read',
  'brix-read',
  'reheated',
  'strained',
  'reduced',
  'weighed-in',
]

/** Within what a figure will most likely lie; beyond it the cook is asked whether it was read right. */
export function likely(asked: Question, page: Page): Page['likely'][string] | undefined {
  return page.likely[asked.kind]
}
