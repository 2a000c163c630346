import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useMay } from '../../kit/session'
import { allergenName } from '../../words/en'
import { useSend } from './useSend'

/** Between what swims and what does not: said before the vessel is filled, and in its way until it is done. */
export function CleanDown({ page }: { page: Page }) {
  const may = useMay()
  const { problem, busy, send } = useSend(page.card.id)
  const wanted = page.cleanDown
  if (!wanted) return null
  return (
    <div className="border-amber bg-amber-ground mt-4 flex flex-wrap items-center justify-between gap-4 border-l-4 px-4 py-3">
      <p className="text-18 m-0 max-w-[720px]">
        <b className="font-semibold">Clean down first.</b> {page.card.vessel.name} held{' '}
        {wanted.formulaName.toLowerCase()} (batch {wanted.afterBatch}):{' '}
        {wanted.of.map(allergenName).join(', ')}. Vessel, strainer and ladle, before it is filled.
      </p>
      {may('ACT') && (
        <Button disabled={busy} onClick={() => void send(act('cleaned-down', {}))}>
          They are clean
        </Button>
      )}
      {problem && <Note>{problem.message}.</Note>}
    </div>
  )
}
