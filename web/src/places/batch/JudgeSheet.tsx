import { tells } from '../../words/units'
import { useEffect, useRef, useState } from 'react'
import type { Problem, Schemas } from '../../api/client'
import { act } from '../../api/outbox'
import { useJudging, useWaysOut, type Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { intoSight } from '../../kit/screen'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { bodyName, tasteWords } from '../../words/en'
import { duration } from '../../words/time'
import type { Formatters } from '../../words/units'
import { NOW, useTaking } from '../course/trouble'
import { WaysOut } from '../course/WaysOut'
import { logAll } from './acts'
import { SpentTicks, Ticks } from './Ticks'

type Choice = Schemas['ChoiceView']

/** Judging the end: enough, or not yet, with what each does to stock, call and burner said before it is accepted. */
export function JudgeSheet({ page, onClose }: { page: Page; onClose: () => void }) {
  const judging = useJudging(page.card.id)
  const [problem, setProblem] = useState<Problem>()
  const [words, setWords] = useState<string[]>([])
  const [longerBy, setLongerBy] = useState<number>()
  const may = useMay()
  const pot = page.card.pot
  const units = useUnits()
  const judged = useRef<Promise<boolean>>(undefined)
  /** Once, however often it is tapped, and also where what comes after it is refused; what the kitchen refuses can be judged otherwise. */
  const judge = (longer: number) => {
    judged.current ??= log(longer).then((taken) => {
      if (!taken) judged.current = undefined
      return taken
    })
    return judged.current
  }
  const log = async (longer: number) => {
    const what = longer === 0 ? act('judged-enough') : act('judged-not-yet', { longerMin: longer })
    const looked = words.length ? [act('tasted', { words: words.join(', ') })] : []
    const outcome = await logAll(page.card.id, [...looked, what])
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    return outcome.kind !== 'refused'
  }
  const judgeAndClose = async (longer: number) => {
    if (await judge(longer)) onClose()
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
        <Button tone="act" large className="py-2" onClick={() => void judgeAndClose(0)}>
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
            onClick={() => (may('PLAN') ? setLongerBy(longer) : void judgeAndClose(longer))}
            aria-pressed={longerBy === longer}
          >
            <span className="whitespace-nowrap">+{longer} min</span>
            <Consequences choice={choice(longer)} page={page} />
          </Button>
        ))}
        {longerBy !== undefined && (
          <Longer
            key={longerBy}
            batchId={page.card.id}
            minutes={longerBy}
            judge={() => judge(longerBy)}
            onClose={onClose}
          />
        )}
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

/** What going on longer does to everything else that is planned: judged at once where that is nothing. */
function Longer({
  batchId,
  minutes,
  judge,
  onClose,
}: {
  batchId: string
  minutes: number
  judge: () => Promise<boolean>
  onClose: () => void
}) {
  const looked = useWaysOut({ kind: 'LONGER', batchId, minutes })
  const telling = useTaking()
  const nothing = looked.isError || looked.data?.ways.length === 0
  /** Its own call is told that it comes later, where that is known. */
  const judgeAlone = async () => {
    if (!(await judge())) return
    const stay = looked.isError ? undefined : looked.data
    if (stay && stay.stay.tells.length > 0)
      telling.mutate({ trouble: NOW, version: stay.version, way: stay.stay })
    onClose()
  }
  useEffect(() => {
    if (nothing) void judgeAlone()
    // Once, when it is known.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [nothing])
  if (nothing) return null
  if (!looked.data)
    return (
      <div className="flex flex-wrap items-center gap-4">
        <p className="text-18 text-quiet m-0">Looking what that does …</p>
        <Button onClick={() => void judgeAlone()}>Judge it at once</Button>
      </div>
    )
  return (
    <div ref={intoSight} className="grid gap-3">
      <p className="text-18 m-0">{minutes} minutes more, and not everything fits as it is planned:</p>
      <WaysOut
        looked={looked.data}
        trouble={NOW}
        take="Judge and take this"
        first={judge}
        onTaken={onClose}
      />
      <Button large onClick={() => void judgeAlone()}>
        Judge it and move nothing
      </Button>
    </div>
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
