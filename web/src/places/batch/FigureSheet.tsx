import { useState, type FormEvent, type ReactNode } from 'react'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { eventName, figureName, phaseName } from '../../words/en'
import { amount, type Dimension } from '../../words/units'
import { likely, moves, question, type Due, type ProposedName } from './acts'
import { Advice } from './Advice'
import { BrixField } from './BrixField'
import { LevelField } from './LevelField'
import { used } from '../../kit/rest'
import { happened, WhenField } from './WhenField'
import { WeightField } from './WeightField'
import { DiscardInstead } from './DiscardInstead'
import { useSend } from './useSend'

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
}

const dimensions: Record<string, Dimension> = {
  litres: 'litres',
  kg: 'kg',
  celsius: 'celsius',
  belowRimCm: 'cm',
  value: 'brix',
}

/** Readings whose advice does not tell already what is expected. */
const saysItself: ProposedName[] = ['cooling-read', 'brix-read']

interface Props {
  page: Page
  kind: ProposedName
  due?: Due
  onClose: () => void
  /** Stands over what is asked. */
  before?: ReactNode
}

/** Where a figure is read or corrected before it is logged. One that can hardly be is asked about once, and then taken as it was read. */
export function FigureSheet({ page, kind, due, onClose, before }: Props) {
  const units = useUnits()
  const asked = question(kind, page, due)
  const [value, setValue] = useState(asked?.start)
  const [byProbe, setByProbe] = useState(false)
  const [ago, setAgo] = useState(0)
  const { now } = useTimes()
  const [words, setWords] = useState('')
  const [doubted, setDoubted] = useState<number>()
  const { problem, busy, send } = useSend(page.card.id, () => {
    used()
    onClose()
  })
  const [skips, setSkips] = useState<'done' | 'left' | ''>('')
  if (!asked) return null
  const range = likely(asked, page)
  // Whoever fills the pot is past what comes before its water: what is not told as done is asked about once.
  const skipped = kind === 'filled' ? page.chores.filter((chore) => !chore.finished) : []
  const odd = value !== undefined && range !== undefined && (value < range.low || value > range.high)
  const doubt = odd && doubted === value
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (value === undefined) return
    if (odd && !doubt) {
      setDoubted(value)
      return
    }
    // Foam is seen before it is skimmed: what an act becomes beside its litres goes with them.
    const first = (due?.becomes ?? []).filter((one) => one.kind !== kind && moves(due!) > 0)
    const done = skips === 'done' ? skipped : []
    void send(
      ...done.map((chore) => act('finished', { step: chore.step, ...happened(ago, now) })),
      ...first.map((one) => act(one.kind, { ...one.figures, ...happened(ago, now) })),
      act(kind, {
        ...asked.beside,
        ...happened(ago, now),
        ...(words && { words }),
        ...(byProbe && { byProbe }),
        [asked.field]: value,
      }),
    )
  }
  const fieldProblem = problem?.fields[asked.field]
  const other = problem && !problem.fields[asked.field] ? problem.message : undefined
  const dimension = dimensions[asked.field]!
  const noReheat = kind === 'reheated' && !page.card.cooling.allowed.includes('REHEAT')
  const typed = (typedIn: number | undefined) => {
    setByProbe(false)
    setValue(typedIn)
  }
  const measure = { label: asked.label, value, onValue: typed, units: units.units, problem: fieldProblem }
  return (
    <Sheet title={titles[kind] ?? eventName[kind]} open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        {before}
        <Advice kind={kind} page={page} due={due} />
        {noReheat ? null : kind === 'level-read' ? (
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
            from={asked.expected}
            autoFocus
          />
        )}
        {asked.expected !== undefined && saysItself.includes(kind) && (
          <p className="text-15 text-quiet m-0">
            Expected about{' '}
            <b className="text-ink font-semibold">{amount(asked.expected, dimension, units.units)}</b>.
          </p>
        )}
        {asked.probe !== undefined && (
          <Button
            type="button"
            aria-pressed={byProbe}
            onClick={() => {
              setValue(Math.round(asked.probe! * 10) / 10)
              setByProbe(true)
            }}
          >
            {byProbe ? 'Taken from' : 'Take'} {page.card.probe?.name}: {units.celsius(asked.probe, 0.1)}
          </Button>
        )}
        {kind === 'wrong-pan' && (
          <TextField label={figureName(kind, 'words')} value={words} onValue={setWords} required />
        )}
        {kind === 'weighed-in' && (
          <TextField
            label={`Lot of the ${page.bedName}`}
            value={words}
            onValue={setWords}
            hint="As on the delivery; may stay empty"
          />
        )}
        {skipped.length > 0 && (
          <div className="border-amber bg-amber-ground grid gap-2 border-l-4 px-3 py-2">
            <p className="text-18 m-0">
              Not logged as done: {skipped.map((chore) => phaseName[chore.phase].toLowerCase()).join(', ')}.
            </p>
            <Choice<'done' | 'left' | ''>
              label="What became of it"
              value={skips}
              onValue={setSkips}
              options={[
                { value: 'done', name: 'It was done' },
                { value: 'left', name: 'Left out' },
              ]}
            />
          </div>
        )}
        {!noReheat && <WhenField minutes={ago} onMinutes={setAgo} />}
        {other && <Note>{other}.</Note>}
        {doubt && (
          <Note>
            {amount(value, dimension, units.units)} is far from what is likely here,{' '}
            {amount(range.low, dimension, units.units)} to {amount(range.high, dimension, units.units)}. Read
            it once more; if it stands, log it as it is.
          </Note>
        )}
        <Button
          type="submit"
          tone="act"
          large
          disabled={busy || value === undefined || noReheat || (skipped.length > 0 && !skips)}
        >
          {busy ? 'Logging …' : doubt ? 'It stands: log it' : 'Log'}
        </Button>
        {kind === 'reheated' && <DiscardInstead page={page} why="cooling failed" onClose={onClose} />}
      </form>
    </Sheet>
  )
}
