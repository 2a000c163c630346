import type { Page } from '../../api/queries'
import type { Due } from './acts'
import { CardSheet, TasteSheet, type CardName } from './CardSheet'
import { FigureSheet } from './FigureSheet'
import { JudgeSheet } from './JudgeSheet'

interface Props {
  page: Page
  kind: string
  due?: Due
  onClose: () => void
}

/** Where something is read, judged or corrected before it is logged. */
export function ActSheet({ page, kind, due, onClose }: Props) {
  if (kind === 'judged-enough') return <JudgeSheet page={page} onClose={onClose} />
  if (kind === 'tasted') return <TasteSheet page={page} onClose={onClose} />
  if (kind.startsWith('card:'))
    return <CardSheet page={page} due={due} card={kind.slice(5) as CardName} onClose={onClose} />
  return <FigureSheet page={page} kind={kind} due={due} onClose={onClose} />
}
