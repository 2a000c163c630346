import { tells } from '../../words/units'
import { useState } from 'react'
import type { Problem, Schemas } from '../../api/client'
import { act } from '../../api/outbox'
import { useJudging, type Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { bodyName, tasteWords } from '../../words/en'
import { duration } from '../../words/time'
import type { Formatters } from '../../words/units'
import { logAll } from './acts'
import { SpentTicks, Ticks } from './Ticks'

type Choice = Schemas['ChoiceView']

/** Judging the end: enough, or not yet, with what each does to stock, call and burner said before it is accepted. */
export function JudgeSheet({ page, onClose }: { page: Page; onClose: () => void }) {
  const judging = useJudging(page.card.id)
  const [problem, setProblem] = useState<Problem>()
  const [words, setWords] = useState<string[]>([])
  const pot = page.card.pot
  const units = useUnits()
  const judge = async (longer: number) => {
    const what = longer === 0 ? act('judged-enough') : act('judged-not-yet', { longerMin: longer })
    const looked = words.length ? [act('tasted', { words: words.join(', ') })] : []
    const outcome = await logAll(page.card.id, [...looked, what])
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else onClose()
  }
  const choice = (longer: number) => judging.data?.find((c) => c.longerMin === longer)
  return (
    <Sheet title="Judge the end" open onClose={onClose}>
      <p className="text-18 mt-0 mb-4">
        {tells(pot.gelatinGPerL) ? (
          <>
            By the model it now <b className="font-semibold">{bodyName[pot.body]}</b>, about{' '}
            {units.dissolved(pot.gelatinGPerL)} gelatin. The taste decides.
          </>
        ) : (
          'The taste decides; the clock is a guess.'
        )}
      </p>
      <div className="mb-5 grid gap-4">
        <Ticks label="It tastes" options={tasteWords} value={words} onValue={setWords} />
        <SpentTicks signs={page.spentSigns} value={words} onValue={setWords} />
      </div>
      <div className="grid gap-3">
        <Button tone="act" large className="py-2" onClick={() => void judge(0)}>
          <span>
            Enough: off the heat
            <ComesTo choice={choice(0)} page={page} />
          </span>
        </Button>
        <p className="text-15 mt-3 mb-0 font-semibold">Not yet</p>
        {page.longerMin.map((longer) => (
          <Button
            key={longer}
            large
            className="justify-between! py-2 text-left!"
            onClick={() => void judge(longer)}
          >
            <span className="whitespace-nowrap">+{longer} min</span>
            <Consequences choice={choice(longer)} page={page} />
          </Button>
        ))}
        {judging.isError && (
          <p className="text-15 text-quiet m-0">
            What each would change cannot be asked for now; the judgement is kept all the same.
          </p>
        )}
      </div>
      {problem && <Note>{problem.message}.</Note>}
    </Sheet>
  )
}

/** When it would be ready, and how late for whom. */
function Ready({ choice, page }: { choice: Choice; page: Page }) {
  const { day } = useTimes()
  const whom = page.call ? ` for ${page.call.stationName}` : ''
  return (
    <>
      ready {day(choice.readyAt)}
      {choice.lateMin > 0 && `, ${duration(choice.lateMin)} late${whom}`}
    </>
  )
}

/** Litres and gelatin that it would come to. */
function ComesTo({ choice, page }: { choice?: Choice; page: Page }) {
  const units = useUnits()
  if (!choice) return null
  return (
    <span className="text-15 block font-normal">
      {body(choice, units)}, <Ready choice={choice} page={page} />
    </span>
  )
}

function Consequences({ choice, page }: { choice?: Choice; page: Page }) {
  const units = useUnits()
  const { day } = useTimes()
  if (!choice) return null
  const waiting = choice.waiting
  return (
    <span className="text-15 grid text-right font-normal">
      <span className={choice.lateMin > 0 ? 'text-ember' : 'text-quiet'}>
        ends {day(choice.endsAt)}, <Ready choice={choice} page={page} />
      </span>
      <span className="text-quiet">{body(choice, units)}</span>
      {waiting && (
        <span className="text-ember">
          {waiting.formulaName}, batch {waiting.number}, waits {duration(Math.max(1, waiting.waitMin))} for
          its burner
        </span>
      )}
    </span>
  )
}

const body = (choice: Choice, units: Formatters) =>
  tells(choice.gelatinGPerL)
    ? `${units.estimate(choice.litres)} out, ${units.dissolved(choice.gelatinGPerL)} gelatin`
    : `${units.estimate(choice.litres)} out`
