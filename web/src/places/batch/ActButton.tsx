import { useEffect, useRef, useState } from 'react'
import { useBatch, type Card } from '../../api/queries'
import type { Problem } from '../../api/client'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useMay, useUnits } from '../../kit/session'
import { lossWords } from '../../words/en'
import { fromNow } from '../../words/time'
import { dueWords, logAll, moves, movesBy, usual, type Due, type SheetName } from './acts'
import { ActSheet } from './ActSheet'
import { used, useResting } from '../../kit/rest'
import { happened, WhenField } from './WhenField'

/** Whether the button of the next act takes the focus on, as when the one before was tapped by the keyboard. */
let handOn = false

/** The next act as one large button: a tap logs it, or opens the sheet where a figure has to be read first. */
export function ActButton({
  card,
  due,
  now,
  roomy = false,
}: {
  card: Card
  due: Due
  now: number
  /** Where there is room for telling that it was done a while ago. */
  roomy?: boolean
}) {
  const may = useMay()
  const units = useUnits()
  const [sheet, setSheet] = useState(false)
  const [earlier, setEarlier] = useState(false)
  const [ago, setAgo] = useState(0)
  const [armed, setArmed] = useState(false)
  const rests = useResting()
  const [problem, setProblem] = useState<Problem>()
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (rests) return
    if (handOn) button.current?.focus()
    handOn = false
  }, [rests])
  const minutes = (new Date(due.due).getTime() - now) / 60_000
  const isDue = minutes <= 0
  const late = new Date(due.lateAt).getTime() < now
  const lost = new Date(due.costsFrom).getTime() < now && due.cost !== 'NOTHING'
  const amount = amountWords(due, units)
  if (!may('ACT')) {
    return (
      <p className="text-18 m-0 flex min-h-[64px] items-center font-semibold">
        {dueWords(due)} {fromNow(due.due, now)}
      </p>
    )
  }
  const litres = moves(due)
  const tap = () => {
    if (due.asks) setSheet(true)
    else if (litres > 0) setArmed(!armed)
    else void take()
  }
  const take = async () => {
    setProblem(undefined)
    // What comes next may be the same act once more, and then this button stays: nothing of this one is meant for it.
    setArmed(false)
    setEarlier(false)
    setAgo(0)
    handOn = button.current?.parentElement?.contains(document.activeElement) ?? false
    used()
    const outcome = await logAll(
      card.id,
      usual(due).map((one) => ({ ...one, ...(earlier && happened(ago, now)) })),
    )
    if (outcome.kind === 'refused') {
      handOn = false
      setProblem(outcome.problem)
    }
  }
  return (
    <div className="grid gap-2">
      <Button
        ref={button}
        tone={armed ? undefined : isDue ? 'due' : 'act'}
        large
        disabled={rests}
        aria-expanded={litres > 0 && !due.asks ? armed : undefined}
        className="w-full flex-wrap justify-between! gap-y-0 py-2 text-left!"
        onClick={tap}
      >
        <span>
          {dueWords(due)}
          {amount && <span className="font-normal"> {amount}</span>}
        </span>
        <span className="text-15 font-normal">
          {late ? fromNow(due.due, now) : isDue ? 'now' : fromNow(due.due, now)}
        </span>
      </Button>
      {armed && (
        <div className="grid grid-cols-[1fr_auto] gap-2">
          <Button tone="act" large onClick={() => void take()}>
            Log {units.litres(litres)}
          </Button>
          <Button large onClick={() => setSheet(true)}>
            Another amount
          </Button>
        </div>
      )}
      {roomy && isDue && !due.asks && (
        <Button tone="quiet" className="justify-self-start px-0!" onClick={() => setEarlier(!earlier)}>
          {earlier ? 'It is done now' : 'It was done earlier'}
        </Button>
      )}
      {earlier && !due.asks && <WhenField minutes={ago} onMinutes={setAgo} />}
      {lost && lossWords[due.kind] && <Note>{lossWords[due.kind]}</Note>}
      {problem && <Note>{problem.message}.</Note>}
      {sheet && <SheetFor id={card.id} kind={movesBy(due)} due={due} onClose={() => setSheet(false)} />}
    </div>
  )
}

function SheetFor({
  id,
  kind,
  due,
  onClose,
}: {
  id: string
  kind: SheetName
  due: Due
  onClose: () => void
}) {
  const batch = useBatch(id)
  if (!batch.data) return null
  return <ActSheet page={batch.data} kind={kind} due={due} onClose={onClose} />
}

export function amountWords(due: Due, units: ReturnType<typeof useUnits>): string {
  if (due.kind === 'FILL' || due.kind === 'TOP_UP') return units.litres(due.amount)
  if (due.kind === 'DRAW')
    return [units.litres(due.amount), due.becomes[0]?.figures.source].filter(Boolean).join(' of ')
  if (due.kind === 'WEIGH') return units.kg(due.amount)
  if (due.kind === 'REDUCE' && due.amount > 0) return units.litres(due.amount)
  if (due.kind === 'JUDGE_SHADE') return `to ${due.amount}`
  if (due.kind === 'TURN_DOWN' || due.kind === 'HOLD') return units.celsius(due.amount, 1)
  return ''
}
