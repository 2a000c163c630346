import { useState, type FormEvent } from 'react'
import type { Problem } from '../../api/client'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { eventName, limitsNote } from '../../words/en'
import type { Dimension } from '../../words/units'
import { logAll, question, type Due } from './acts'
import { CardSheet, TasteSheet, type CardName } from './CardSheet'
import { JudgeSheet } from './JudgeSheet'

const titles: Record<string, string> = {
  'weighed-in': 'Weigh in',
  filled: 'Fill to the line',
  skimmed: 'Skim',
  'level-read': 'Read the level',
  'temperature-read': 'Read the temperature',
  'topped-up': 'Top up',
  strained: 'Strain and measure',
  reduced: 'Reduced to its mark',
  degreased: 'Lift the fat',
  'cooling-read': 'Read the cooling',
  reheated: 'Rescue the cooling',
  stored: 'Put away',
}

const dimensions: Record<string, Dimension> = {
  litres: 'litres',
  kg: 'kg',
  celsius: 'celsius',
  belowRimCm: 'cm',
}

interface Props {
  page: Page
  kind: string
  due?: Due
  onClose: () => void
}

/** Where a figure is read or corrected before it is logged. */
export function ActSheet({ page, kind, due, onClose }: Props) {
  if (kind === 'judged-enough') return <JudgeSheet page={page} onClose={onClose} />
  if (kind === 'tasted') return <TasteSheet page={page} onClose={onClose} />
  if (kind.startsWith('card:'))
    return <CardSheet page={page} due={due} card={kind.slice(5) as CardName} onClose={onClose} />
  return <FigureSheet page={page} kind={kind} due={due} onClose={onClose} />
}

function FigureSheet({ page, kind, due, onClose }: Props) {
  const units = useUnits()
  const asked = question(kind, page, due)
  const [value, setValue] = useState(asked?.start)
  const [words, setWords] = useState(kind === 'stored' ? 'Cold store' : '')
  const [problem, setProblem] = useState<Problem>()
  const [busy, setBusy] = useState(false)
  if (!asked) return null
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (value === undefined) return
    setBusy(true)
    setProblem(undefined)
    const fields = {
      [asked.field]: value,
      part: asked.part,
      words: words || undefined,
      celsius:
        asked.field === 'celsius'
          ? value
          : kind === 'filled'
            ? page.fillC
            : kind === 'topped-up'
              ? page.topUpC
              : undefined,
      passes: kind === 'strained' ? page.passes : undefined,
    }
    const outcome = await logAll(page.card.id, [act(kind, fields)])
    setBusy(false)
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else onClose()
  }
  const fieldProblem =
    value === undefined ? { reason: 'a number is needed here' } : problem?.fields[asked.field]
  const other = problem && !problem.fields[asked.field] ? problem.message : undefined
  return (
    <Sheet title={titles[kind] ?? eventName[kind] ?? kind} open onClose={onClose}>
      <form onSubmit={(event) => void submit(event)} className="grid gap-5">
        <Advice kind={kind} page={page} due={due} />
        <NumberField
          label={asked.label}
          value={value}
          onValue={setValue}
          dimension={dimensions[asked.field]!}
          units={units.units}
          problem={fieldProblem}
          step={kind === 'skimmed' ? 0.05 : asked.field === 'celsius' ? 1 : undefined}
          autoFocus
        />
        {kind === 'weighed-in' && (
          <TextField
            label="Lot of the bones"
            value={words}
            onValue={setWords}
            hint="As on the delivery; may stay empty"
          />
        )}
        {kind === 'stored' && <TextField label="Where" value={words} onValue={setWords} />}
        {other && <Note>{other}.</Note>}
        <Button type="submit" tone="act" large disabled={busy || value === undefined}>
          {busy ? 'Logging …' : 'Log'}
        </Button>
        {kind === 'reheated' && <DiscardInstead page={page} onClose={onClose} />}
      </form>
    </Sheet>
  )
}

/** What the cook should know while reading the figure. */
function Advice({ kind, page, due }: { kind: string; page: Page; due?: Due }) {
  const units = useUnits()
  const pot = page.card.pot
  switch (kind) {
    case 'weighed-in':
      return (
        <p className="text-18 m-0">
          The plan asks for {units.kg(due?.amount ?? page.plannedBedKg)} of {page.bedName}.
        </p>
      )
    case 'level-read':
      return (
        <p className="text-18 m-0">
          Expected {units.cm(pot.belowRimCm)} below the rim. The bed stands at{' '}
          {units.cm(page.card.vessel.heightCm - pot.bedTopCm)}.
        </p>
      )
    case 'temperature-read':
      return (
        <p className="text-18 m-0">
          Expected {units.celsius(pot.celsius)}; the simmer is {units.celsius(page.forecast.simmerC)}.
        </p>
      )
    case 'strained':
      return (
        <p className="text-18 m-0">
          Expected {units.estimate(page.card.expectedL)}, likely {units.spread(page.card.expectedL)}. Ladle
          from the top, in small loads, {page.passes === 1 ? 'one pass' : `${page.passes} passes`}.
        </p>
      )
    case 'reduced':
      return (
        <p className="text-18 m-0">
          To {units.litres(due?.amount ?? 0)}. Gently; it coats a spoon, and a finger’s track stays.
        </p>
      )
    case 'cooling-read':
      return (
        <p className="text-15 text-quiet m-0">
          Stir, then read in the middle. Limits: {page.card.cooling.profile}. {limitsNote}
        </p>
      )
    case 'reheated':
      return (
        <Note tone="hazard">
          The cooling does not hold its limits. {page.card.cooling.profile} allows one reheat to{' '}
          {units.celsius(page.card.cooling.reheatC)}, then cooling starts again; or discard it. {limitsNote}
        </Note>
      )
    case 'stored':
      return <p className="text-18 m-0">Label it before it goes. Lid ajar until it is cold.</p>
    case 'topped-up':
      return (
        <p className="text-18 m-0">
          {units.litres(due?.amount ?? 0)} bring it back to the mark,{' '}
          {units.cm(page.card.vessel.heightCm - pot.markCm)} below the rim.
        </p>
      )
    default:
      return null
  }
}

function DiscardInstead({ page, onClose }: { page: Page; onClose: () => void }) {
  const units = useUnits()
  const litres = (page.card.strainedL ?? 0) - page.discardedL
  const [problem, setProblem] = useState<Problem>()
  const discard = async () => {
    const outcome = await logAll(page.card.id, [act('discarded', { litres, words: 'cooling failed' })])
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else onClose()
  }
  return (
    <>
      <Button large onClick={() => void discard()}>
        Discard all {units.litres(litres)}
      </Button>
      {problem && <Note>{problem.message}.</Note>}
    </>
  )
}
