import { useState } from 'react'
import type { Problem } from '../../api/client'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { bodyName, spentSigns, tasteWords } from '../../words/en'
import { duration } from '../../words/time'
import { logAll } from './acts'
import { Ticks } from './Ticks'

/** Judging the end: enough, or not yet, with what that does to the rest of the day said before it is accepted. */
export function JudgeSheet({ page, onClose }: { page: Page; onClose: () => void }) {
  const units = useUnits()
  const { day, now } = useTimes()
  const [problem, setProblem] = useState<Problem>()
  const [words, setWords] = useState<string[]>([])
  const pot = page.card.pot
  const end = Math.max(now, new Date(page.card.simmer.plannedEnd ?? now).getTime())
  const judge = async (longer: number) => {
    const what = longer === 0 ? act('judged-enough') : act('judged-not-yet', { longerMin: longer })
    const looked = words.length ? [act('tasted', { words: words.join(', ') })] : []
    const outcome = await logAll(page.card.id, [...looked, what])
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else onClose()
  }
  return (
    <Sheet title="Judge the end" open onClose={onClose}>
      <p className="text-18 mt-0 mb-4">
        {pot.gelatinGPerL >= 1 ? (
          <>
            By the model it now <b className="font-semibold">{bodyName[pot.body]}</b>, about{' '}
            {Math.round(pot.gelatinGPerL)} g gelatin in a litre. The taste decides.
          </>
        ) : (
          'The taste decides; the clock is a guess.'
        )}
      </p>
      <div className="mb-5 grid gap-4">
        <Ticks label="It tastes" options={tasteWords} value={words} onValue={setWords} />
        {page.plannedBedKg > 0 && (
          <Ticks label="The bed" options={spentSigns} value={words} onValue={setWords} />
        )}
      </div>
      <div className="grid gap-3">
        <Button tone="act" large onClick={() => void judge(0)}>
          Enough: off the heat
        </Button>
        <p className="text-15 mt-3 mb-0 font-semibold">Not yet</p>
        {[15, 30, 60].map((longer) => {
          const late = page.card.lateMin + longer
          return (
            <Button
              key={longer}
              large
              className="justify-between! text-left!"
              onClick={() => void judge(longer)}
            >
              <span>+{longer} min</span>
              <span className={`text-15 text-right font-normal ${late > 0 ? 'text-ember' : 'text-quiet'}`}>
                ends {day(end + longer * 60_000)}, ready{' '}
                {day(new Date(page.card.readyAt).getTime() + longer * 60_000)}
                {late > 0 ? `, ${duration(late)} late` : ''}
                <br />
                steam takes {units.litres((pot.steamLPerH * longer) / 60)}
              </span>
            </Button>
          )
        })}
      </div>
      {problem && <Note>{problem.message}.</Note>}
    </Sheet>
  )
}
