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
import { eventName } from '../../words/en'
import { amount, type Dimension } from '../../words/units'
import { likely, logAll, question, type Due, type ProposedName } from './acts'
import { Advice } from './Advice'
import { BrixField } from './BrixField'
import { LevelField } from './LevelField'
import { WeightField } from './WeightField'

const titles: Record<string, string> = {
  'weighed-in': 'Weigh in',
  filled: 'Fill to the line',
  skimmed: 'Skim',
  'level-read': 'Read the level',
  'temperature-read': 'Read the temperature',
  'topped-up': 'Top up',
  'brix-read': 'Read the refractometer',
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
  value: 'brix',
}

interface Props {
  page: Page
  kind: ProposedName
  due?: Due
  onClose: () => void
}

/** Where a figure is read or corrected before it is logged. One that can hardly be is asked about once, and then taken as it was read. */
export function FigureSheet({ page, kind, due, onClose }: Props) {
  const units = useUnits()
  const asked = question(kind, page, due)
  const [value, setValue] = useState(asked?.start)
  const [words, setWords] = useState(kind === 'stored' ? 'Cold store' : '')
  const [doubted, setDoubted] = useState<number>()
  const [problem, setProblem] = useState<Problem>()
  const [busy, setBusy] = useState(false)
  if (!asked) return null
  const range = likely(asked, page)
  const odd = value !== undefined && range !== undefined && (value < range.low || value > range.high)
  const doubt = odd && doubted === value
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (value === undefined) return
    if (odd && !doubt) {
      setDoubted(value)
      return
    }
    setBusy(true)
    setProblem(undefined)
    const outcome = await logAll(page.card.id, [
      act(kind, { ...asked.beside, ...(words && { words }), [asked.field]: value }),
    ])
    setBusy(false)
    if (outcome.kind === 'refused') setProblem(outcome.problem)
    else onClose()
  }
  const fieldProblem =
    value === undefined ? { reason: 'a number is needed here' } : problem?.fields[asked.field]
  const other = problem && !problem.fields[asked.field] ? problem.message : undefined
  const dimension = dimensions[asked.field]!
  const measure = { label: asked.label, value, onValue: setValue, units: units.units, problem: fieldProblem }
  return (
    <Sheet title={titles[kind] ?? eventName[kind]} open onClose={onClose}>
      <form onSubmit={(event) => void submit(event)} className="grid gap-5">
        <Advice kind={kind} page={page} due={due} />
        {kind === 'level-read' ? (
          <LevelField {...measure} vessel={page.card.vessel} />
        ) : kind === 'weighed-in' ? (
          <WeightField {...measure} />
        ) : kind === 'brix-read' ? (
          <BrixField {...measure} scale={page.brixScale} />
        ) : (
          <NumberField
            {...measure}
            dimension={dimension}
            step={kind === 'skimmed' ? 0.05 : asked.field === 'celsius' ? 1 : undefined}
            autoFocus
          />
        )}
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
        {doubt && (
          <Note>
            {amount(value, dimension, units.units)} is far from what is likely here,{' '}
            {amount(range.low, dimension, units.units)} to {amount(range.high, dimension, units.units)}. Read
            it once more; if it stands, log it as it is.
          </Note>
        )}
        <Button type="submit" tone="act" large disabled={busy || value === undefined}>
          {busy ? 'Logging …' : doubt ? 'It stands: log it' : 'Log'}
        </Button>
        {kind === 'reheated' && <DiscardInstead page={page} onClose={onClose} />}
      </form>
    </Sheet>
  )
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
