import { useState, type FormEvent } from 'react'
import type { Problem } from '../../api/client'
import { act } from '../../api/outbox'
import { useKitchen, type Page } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { used } from '../../kit/rest'
import { SelectField } from '../../kit/SelectField'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { keptName } from '../../words/en'
import { happened, WhenField } from './WhenField'
import { useSend } from './useSend'

type Kept = Page['lots'][number]['kept']

interface Line {
  litres: number | undefined
  kept: Kept
  container: string
  containers: number
  /** Where it is frozen so. */
  cubes: number | undefined
  words: string
}

const WHERE: Record<Kept, string> = { COLD: 'Cold store', FROZEN: 'Freezer' }

/** Putting a cold batch away, in as many lots as it takes; what is left over stays in sight. */
export function PutAwaySheet({ page, onClose }: { page: Page; onClose: () => void }) {
  const units = useUnits()
  const { now } = useTimes()
  const may = useMay()
  const fresh = (litres: number | undefined): Line => ({
    litres,
    kept: 'COLD',
    container: '',
    containers: 1,
    cubes: undefined,
    words: WHERE.COLD,
  })
  const [lines, setLines] = useState<Line[]>(() => [fresh(page.restL)])
  const [ago, setAgo] = useState(0)
  const { problem, busy, send } = useSend(page.card.id, () => {
    used()
    onClose()
  })
  const rest = page.restL - lines.reduce((sum, line) => sum + (line.litres ?? 0), 0)
  const change = (at: number, next: Partial<Line>) =>
    setLines(lines.map((line, i) => (i === at ? { ...line, ...next } : line)))
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void send(
      ...lines.map(({ kept, cubes, ...line }) =>
        act('stored', {
          ...line,
          kept: kept === 'COLD' ? 'cold' : 'frozen',
          ...(kept === 'FROZEN' && cubes && { cubes }),
          ...happened(ago, now),
        }),
      ),
    )
  }
  return (
    <Sheet title="Put away" open onClose={onClose}>
      <form onSubmit={submit} className="grid gap-5">
        <p className="text-18 m-0">
          <b className="text-36 font-semibold">{units.litres(page.restL)}</b> to put away.
        </p>
        {lines.map((line, i) => (
          <LotLine
            key={i}
            line={line}
            place={i + 1}
            alone={lines.length === 1}
            onChange={(next) => change(i, next)}
            onDrop={() => setLines(lines.filter((_, at) => at !== i))}
            problem={problem}
          />
        ))}
        <p className={`text-18 m-0 ${Math.abs(rest) > DROP ? 'text-ember font-semibold' : 'text-quiet'}`}>
          {rest > DROP
            ? `${units.litres(rest)} are left over, and stay in sight until they are put away or poured away.`
            : rest < -DROP
              ? `${units.litres(-rest)} more than there is.`
              : 'All of it has its place.'}
        </p>
        <Button type="button" onClick={() => setLines([...lines, fresh(rest > DROP ? rest : undefined)])}>
          Another lot
        </Button>
        <WhenField minutes={ago} onMinutes={setAgo} />
        {problem && <Note>{problem.message}.</Note>}
        <Button
          type="submit"
          tone="act"
          large
          disabled={busy || lines.some((line) => !line.litres || !(line.containers >= 1))}
        >
          {busy ? 'Logging …' : 'Put it away'}
        </Button>
      </form>
      {may('JUDGE') && <PourAway page={page} onDone={onClose} />}
    </Sheet>
  )
}

/** What a jug does not tell. */
const DROP = 0.05

/** What has no place is poured away with a reason, and does not vanish. */
function PourAway({ page, onDone }: { page: Page; onDone: () => void }) {
  const units = useUnits()
  const [asked, setAsked] = useState(false)
  const [words, setWords] = useState('')
  const { problem, send } = useSend(page.card.id, onDone)
  const pour = (event: FormEvent) => {
    event.preventDefault()
    void send(act('discarded', { litres: page.restL, words, ...(page.lots.length > 0 && { lotId: 'rest' }) }))
  }
  if (!asked)
    return (
      <Button tone="quiet" className="mt-4 px-0!" onClick={() => setAsked(true)}>
        Pour {units.litres(page.restL)} away
      </Button>
    )
  return (
    <form onSubmit={pour} className="border-rule mt-5 grid gap-3 border-t pt-4">
      <TextField label="Why it is poured away" value={words} onValue={setWords} required />
      {problem && <Note>{problem.message}.</Note>}
      <span className="flex gap-2">
        <Button type="submit" disabled={words.trim() === ''}>
          Pour {units.litres(page.restL)} away
        </Button>
        <Button tone="quiet" onClick={() => setAsked(false)}>
          Keep it
        </Button>
      </span>
    </form>
  )
}

function LotLine({
  line,
  place,
  alone,
  onChange,
  onDrop,
  problem,
}: {
  line: Line
  place: number
  alone: boolean
  onChange: (next: Partial<Line>) => void
  onDrop: () => void
  problem?: Problem
}) {
  const units = useUnits()
  const kitchen = useKitchen()
  const known = kitchen.data?.containers ?? []
  const holds = known.find((one) => one.name === line.container)?.holdsL
  const fill = (next: Partial<Line>) => {
    const container = known.find((one) => one.name === (next.container ?? line.container))
    const litres = next.litres ?? line.litres
    // As many of them as it takes; more or fewer can be told.
    onChange(
      container && litres ? { ...next, containers: Math.max(1, Math.ceil(litres / container.holdsL)) } : next,
    )
  }
  return (
    <fieldset className="border-frost m-0 grid gap-3 border-0 border-l-4 py-0 pr-0 pl-4">
      <legend className="sr-only">Lot {place}</legend>
      <div className="flex items-center justify-between gap-2">
        <Choice
          label="Kept"
          value={line.kept}
          onValue={(kept) => onChange({ kept, words: WHERE[kept] })}
          options={(Object.keys(keptName) as Kept[]).map((kept) => ({ value: kept, name: keptName[kept] }))}
        />
        {!alone && (
          <Button type="button" tone="quiet" onClick={onDrop}>
            Leave it out
          </Button>
        )}
      </div>
      <NumberField
        label={`${units.Litres} in it`}
        dimension="litres"
        units={units.units}
        value={line.litres}
        onValue={(litres) => fill({ litres })}
        problem={problem?.fields.litres}
      />
      <SelectField
        label="In"
        value={line.container}
        onValue={(container) => fill({ container })}
        options={[
          { value: '', name: 'as it is' },
          ...known.map((one) => ({ value: one.name, name: one.name })),
        ]}
      />
      <div className="flex items-center gap-3">
        <span className="text-15 font-semibold">How many</span>
        <Button
          type="button"
          aria-label="One fewer"
          disabled={line.containers <= 1}
          onClick={() => onChange({ containers: line.containers - 1 })}
        >
          −
        </Button>
        <output className="text-24 min-w-8 text-center font-semibold">{line.containers}</output>
        <Button
          type="button"
          aria-label="One more"
          onClick={() => onChange({ containers: line.containers + 1 })}
        >
          +
        </Button>
        {holds !== undefined && line.litres !== undefined && (
          <span className="text-15 text-quiet">
            {units.litres(line.litres / line.containers)} each, {units.litres(holds)} fit
          </span>
        )}
      </div>
      {line.kept === 'FROZEN' && (
        <div>
          <NumberField
            label="As cubes"
            dimension="count"
            units={units.units}
            value={line.cubes}
            onValue={(cubes) => onChange({ cubes })}
            problem={problem?.fields.cubes}
          />
          <p className="text-15 text-quiet mt-1 mb-0">
            {line.cubes && line.litres
              ? `${units.jug(line.litres / line.cubes)} each. They are handed out frozen.`
              : 'Left empty, it is frozen in one piece and thawed before it is handed out.'}
          </p>
        </div>
      )}
      <TextField label="Where" value={line.words} onValue={(words) => onChange({ words })} />
    </fieldset>
  )
}
