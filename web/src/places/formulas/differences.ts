import type { FormulaJson } from '../../api/queries'

export interface Change {
  /** Where, in words. */
  where: string
  before: string
  after: string
}

/** What differs between two versions, line by line; entries of lists are told apart by what they are, not by where they stand. */
export function differences(before: FormulaJson, after: FormulaJson): Change[] {
  const a = lines(before)
  const b = lines(after)
  const all = [...new Set([...a.keys(), ...b.keys()])]
  return all
    .filter((where) => a.get(where) !== b.get(where))
    .map((where) => ({ where, before: a.get(where) ?? '–', after: b.get(where) ?? '–' }))
}

function lines(formula: FormulaJson): Map<string, string> {
  const found = new Map<string, string>()
  const put = (where: string, value: unknown) => {
    if (value === undefined || value === null) return
    if (typeof value === 'object') {
      for (const [key, inner] of Object.entries(value)) put(`${where} ${words(key)}`, inner)
    } else {
      found.set(where, String(value))
    }
  }
  put('name', formula.name)
  put('water', formula.water)
  put('days cold', formula.coldDays)
  put('months frozen', formula.frozenMonths)
  for (const bed of formula.bed) {
    put(`bed ${bed.kind}`, { share: bed.share, cutMm: bed.cutMm })
  }
  for (const part of formula.parts) {
    put(`${part.item}`, { amount: part.amount, when: part.when, cutMm: part.cutMm })
  }
  const seen = new Map<string, number>()
  for (const phase of formula.procedure) {
    const count = (seen.get(phase.phase) ?? 0) + 1
    seen.set(phase.phase, count)
    const name = count > 1 ? `${phase.phase} (${count})` : phase.phase
    const { phase: kind, ...rest } = phase
    if (Object.keys(rest).length === 0) put(name, kind)
    else put(name, rest)
  }
  put('order of work', formula.procedure.map((p) => p.phase).join(', '))
  put('cautions', formula.cautions.join(', '))
  return found
}

/** `beforeTheEndMin` as "before the end min". */
const words = (key: string) => key.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`)
