import type { Problem } from '../../api/client'
import type { FormulaJson } from '../../api/queries'

export interface FormProps {
  formula: FormulaJson
  onFormula: (formula: FormulaJson) => void
  problem?: Problem
  readOnly: boolean
}

/** Why a field of the formula was refused, by its path. */
export function reasonAt(problem: Problem | undefined, path: string): string | undefined {
  const why = problem?.fields[path]
  if (!why) return undefined
  return why.low === undefined ? why.reason : `${why.reason}: ${why.low} to ${why.high} ${why.unit ?? ''}`
}
