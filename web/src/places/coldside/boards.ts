import type { Lot } from '../../api/queries'

export interface Board {
  name: string
  /** How loudly it is said. */
  tone: string
  lots: Lot[]
}

/** Lots as they stand: what is past its day, what runs out today, the rest of what is cold, and the freezer. */
export function standing(lots: readonly Lot[], today: string): Board[] {
  const cold = lots.filter((lot) => lot.kept === 'COLD')
  return [
    { name: 'Past its day', tone: 'text-hazard', lots: lots.filter((lot) => lot.pastUseBy) },
    {
      name: 'Runs out today',
      tone: 'text-amber',
      lots: cold.filter((lot) => !lot.pastUseBy && lot.useBy === today),
    },
    { name: 'In the cold', tone: '', lots: cold.filter((lot) => !lot.pastUseBy && lot.useBy > today) },
    {
      name: 'In the freezer',
      tone: 'text-frost',
      lots: lots.filter((lot) => lot.kept === 'FROZEN' && !lot.pastUseBy),
    },
  ].filter((board) => board.lots.length > 0)
}
