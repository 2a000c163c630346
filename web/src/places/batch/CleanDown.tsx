import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useMay } from '../../kit/session'
import { allergenName } from '../../words/en'
import { useSend } from './useSend'

/** Between what swims and what does not: said before the vessel is filled or the stock strained, and in its way until it is done. */
export function CleanDown({ page }: { page: Page }) {
  const may = useMay()
  const { problem, busy, send } = useSend(page.card.id)
  const wanted = page.cleanDown
  if (!wanted) return null
  return (
    <div className="border-amber bg-amber-ground mt-4 flex flex-wrap items-center justify-between gap-4 border-l-4 px-4 py-3">
      <p className="text-18 m-0 max-w-[720px]">
        <b className="font-semibold">Clean down first.</b>{' '}
        {wanted.vessel ? `${page.card.vessel.name} held` : 'Strainer set and ladle were in'}{' '}
        {wanted.formulaName.toLowerCase()} (batch {wanted.afterBatch}):{' '}
        {wanted.of.map(allergenName).join(', ')}.{' '}
        {wanted.vessel
          ? 'Vessel, strainer and ladle, before it is filled.'
          : 'Both, before this pot is skimmed or strained.'}
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
