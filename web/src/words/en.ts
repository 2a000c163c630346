import words from '../../../words/en.json'
import type { Schemas } from '../api/client'
import type { PhaseName, SchoolName } from '../api/kinds'

/**
 * What the pages say. The words stand in one dictionary that paper and tables are printed with too; here each kind of thing is held to having its word.
 */
export type Family = Schemas['ChargeView']['family']
export type DueKind = Schemas['DueView']['kind']

export const stageName: Record<Schemas['EnteredView']['stage'], string> = words.stage
export const dueName: Record<Exclude<DueKind, 'BEGIN' | 'END'>, string> = words.due
export const phaseName: Record<PhaseName, string> = words.phase
/** What there is to do at the beginning of a phase before the water, and at its end. */
export const beginName: Partial<Record<PhaseName, string>> = words.phaseBegins
export const endName: Partial<Record<PhaseName, string>> = words.phaseEnds
export const eventName: Record<Schemas['EventView']['kind'], string> = words.event
/** What is lost once an act has waited too long, and what still helps. */
export const lossWords: Partial<Record<DueKind, string>> = words.loss
export const costName: Record<Schemas['DueView']['cost'], string> = words.cost
/** Where litres came from and went, what came out and what nobody can explain. */
export type Cause = Schemas['EntryView']['cause'] | 'YIELD' | 'UNEXPLAINED'
export const causeName: Record<Cause, string> = words.cause
export const bodyName: Record<Schemas['PotView']['body'], string> = words.body
export const outcomeName: Record<Schemas['CoolView']['overall'], string> = words.outcome
/** What a reason for a figure rests on. */
export const groundName: Record<Schemas['GroundView']['term'], string> = words.ground
export const basisName: Record<Schemas['WhyView']['basis'], string> = words.basis
/** How a shade stands to the one that is wanted. */
export const shadeWords: Record<Schemas['ShadeView']['stands'], string> = words.shadeStands
/** What an outcome rests on. */
export const reasonWords: Record<Schemas['StageVerdictView']['reason'], string> = words.reason
/** What may be done now with a stock that cools. */
export const wayName: Record<Schemas['CoolView']['allowed'][number], string> = words.way
/** How to go on with a bed that is not as planned. */
export const weighingName: Record<Schemas['WayView']['kind'], string> = words.weighing
export const statusName: Record<Schemas['CallView']['status'], string> = words.callStatus
export const cautionName: Record<Schemas['ChargeView']['cautions'][number], string> = words.caution
export const dayName: Record<Schemas['HoursView']['days'][number], string> = words.weekday
export const familyName: Record<Family, string> = words.family
export type ClarityCause = Schemas['ClarityShareView']['cause']
export const clarityName: Record<ClarityCause, string> = words.clarity
export const subjectName: Record<Schemas['PhotoView']['subject'], string> = words.photo
export const schoolName: Record<SchoolName, string> = words.school
export const schoolWord: Record<SchoolName, Record<string, string>> = words.schoolOption
/** One of the words that a phase is told with. */
export const choiceName: Record<string, string> = words.choice

interface Remark {
  what: string
  why: string
}
export const taintWords: Record<Schemas['TaintView']['kind'], Remark> = words.taint
export const unusualWords: Record<Schemas['UsualView']['matter'], Remark> = words.unusual

export const shadeName = words.shade
export const setName = words.set
export const ladleName = words.ladle
export const tasteWords = words.taste
export const spentName: Record<Schemas['Page']['spentSigns'][number], string> = words.spent
export const limitsNote = words.limitsNote

export type Allergen = NonNullable<Schemas['Ask']['without']>[number]
const allergens: Record<Allergen, string> = words.allergen
export const allergenName = (allergen: Allergen) => allergens[allergen]
export const everyAllergen = Object.keys(allergens) as Allergen[]

/** What a stock must be. */
export type Need = NonNullable<Schemas['Ask']['needs']>[number]
export const needName: Record<Need, string> = words.need
/** How something is kept. */
export const keptName: Record<Schemas['LotView']['kept'], string> = words.kept
/** Why a box of the larder may not be used now. */
export const boxRefusedWords: Record<NonNullable<Schemas['BoxView']['refused']>, string> = words.boxRefused
/** What is made of what a stock was strained off. */
export const leftoverName: Record<Schemas['LeftOfferView']['as'], string> = words.leftover
/** Why kilograms came or went. */
export const massName: Record<Schemas['MassView']['cause'], string> = words.mass
/** What became of a box. */
export const boxStoryName: Record<Schemas['StoryView']['kind'], string> = words.boxStory
/** How much a station counts. */
export type Importance = Schemas['StationView']['importance']
export const importanceName: Record<Importance, string> = words.importance

/** What somebody needs of a stock: "pale, without celery"; empty where anything will do. */
export const needsSaid = ({ without, needs }: { without: readonly Allergen[]; needs: readonly Need[] }) =>
  [
    ...needs.map((need) => needName[need]),
    ...(without.length > 0 ? [`without ${without.map(allergenName).join(', ')}`] : []),
  ].join(', ')

const asked: Partial<Record<string, string>> = words.asked
/** What a sheet asks for, by what it becomes. */
export const askedName = (kind: string) => asked[kind]

const figures: Partial<Record<string, string>> = words.figure
/** A figure of an entry, where it is told right; first by what it is of. */
export const figureName = (kind: string, figure: string) =>
  figures[`${kind}.${figure}`] ?? figures[figure] ?? figure

const phaseFigures: Partial<Record<string, string>> = words.phaseFigure
/** A figure of a phase, the same way. */
export const phaseFigureName = (phase: string, figure: string) =>
  phaseFigures[`${phase}.${figure}`] ?? phaseFigures[figure] ?? figure

/** What a lot declares; what it was drawn with may bring more than anybody has written down. */
/** As it begins a line. */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)

/** What a pot is filled with, and what of that is from no lot. */
export const liquidName: Record<Schemas['ChargeView']['restKind'], string> = words.liquid
export const restName: Record<Schemas['ChargeView']['restKind'], string> = words.rest

export function containsWords(lot: {
  allergens: Parameters<typeof allergenName>[0][]
  allergensUnknown: boolean
}): string {
  const listed = lot.allergens.map(allergenName).join(', ')
  if (lot.allergensUnknown)
    return `${listed ? `contains ${listed}, and ` : 'contains '}${words.allergensUnknown}`
  return listed ? `contains ${listed}` : words.noAllergen
}
/** How a way out goes. */
export const wayOutName: Record<Schemas['Way']['how'], string> = words.wayOut
/** What can be missing in a kitchen. */
export const missingName: Record<Schemas['OutageView']['kind'], string> = words.missing
/** What a course breaks, behind the name of the thing that it is about where it is about one. */
export const brokenName: Record<Schemas['CourseBroken']['rule'], string> = words.brokenRule
/** What stands against a start, behind the name of the thing that is taken then. */
export const obstacleName: Record<Schemas['InTheWay']['what'], string> = words.obstacle
