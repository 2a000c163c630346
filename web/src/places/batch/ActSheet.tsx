import type { Page } from '../../api/queries'
import { isCard, type Due, type SheetName } from './acts'
import { CardSheet, TasteSheet } from './CardSheet'
import { FigureSheet } from './FigureSheet'
import { JudgeSheet } from './JudgeSheet'
import { PutAwaySheet } from './PutAwaySheet'
import { ReleaseSheet } from './ReleaseSheet'
import { WeighInSheet } from './WeighInSheet'

interface Props {
  page: Page
  kind: SheetName
  due?: Due
  onClose: () => void
}

const cards = { 'card:SHADE': 'SHADE', 'card:SET': 'SET', 'card:LADLE': 'LADLE' } as const

/** Where something is read, judged or corrected before it is logged. */
export function ActSheet({ page, kind, due, onClose }: Props) {
  if (kind === 'judged-enough') return <JudgeSheet page={page} onClose={onClose} />
  if (kind === 'tasted') return <TasteSheet page={page} onClose={onClose} />
  if (isCard(kind)) return <CardSheet page={page} due={due} card={cards[kind]} onClose={onClose} />
  if (kind === 'weighed-in') return <WeighInSheet page={page} due={due} onClose={onClose} />
  if (kind === 'stored') return <PutAwaySheet page={page} onClose={onClose} />
  if (kind === 'released') return <ReleaseSheet page={page} onClose={onClose} />
  return <FigureSheet page={page} kind={kind} due={due} onClose={onClose} />
}
