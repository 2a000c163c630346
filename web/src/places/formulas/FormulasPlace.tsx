import { useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import type { Schemas } from '../../api/client'
import { useKitchen, useOverview, useShelf, type ChargeRequest } from '../../api/queries'
import { liquorColour } from '../../graphics/liquor'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { MomentField } from '../../kit/MomentField'
import { Failed, Loading, Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { SelectField } from '../../kit/SelectField'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { allergenName, familyName, type Family } from '../../words/en'
import { instantOf, localOf } from '../../words/time'
import { ReadFileSheet } from './ReadFileSheet'

type Goal = 'LITRES' | 'BED' | 'VESSEL'
type Shelved = Schemas['ShelfView']
type Answer = Schemas['OverviewView']

/** The kitchen's formulas by family, each with its answer to one question. */
export default function FormulasPlace() {
  const shelf = useShelf()
  const kitchen = useKitchen()
  const may = useMay()
  const units = useUnits()
  const { now, zone } = useTimes()
  const [params, setParams] = useSearchParams()
  const [reading, setReading] = useState(false)
  const [openedAt] = useState(now)
  const [retiredShown, setRetiredShown] = useState(false)
  const goal = (params.get('goal') ?? 'LITRES') as Goal
  const value = Number(params.get('value') ?? (goal === 'BED' ? 11 : 14))
  const vessel = params.get('vessel') ?? ''
  const by = params.get('by') ?? localOf(openedAt + 24 * 3_600_000, zone)
  const vesselId = vessel || (goal === 'VESSEL' ? kitchen.data?.vessels[0]?.id : undefined)
  const request = useMemo<ChargeRequest | undefined>(
    () =>
      goal === 'VESSEL' && !vesselId
        ? undefined
        : {
            goal,
            value: goal === 'VESSEL' ? undefined : value,
            vesselId: vesselId || undefined,
            readyBy: instantOf(by, zone).toISOString(),
          },
    [goal, value, vesselId, by, zone],
  )
  const overview = useOverview(request)
  if (shelf.isPending) return <Loading what="the formulas" />
  if (!shelf.data)
    return <Failed what="The formulas" error={shelf.error} onRetry={() => void shelf.refetch()} />
  const set = (next: { goal?: Goal; value?: number; vessel?: string; by?: string }) => {
    const made = new URLSearchParams()
    const g = next.goal ?? goal
    made.set('goal', g)
    if (g !== 'VESSEL') made.set('value', String(next.value ?? (next.goal ? (g === 'BED' ? 11 : 14) : value)))
    const v = next.vessel ?? vessel
    if (v) made.set('vessel', v)
    const wanted = next.by ?? params.get('by')
    if (wanted) made.set('by', wanted)
    setParams(made, { replace: true })
  }
  const families = (Object.keys(familyName) as Family[]).filter((f) =>
    shelf.data.some((s) => s.family === f && (retiredShown || !s.retired)),
  )
  const query = `goal=${goal}${goal === 'VESSEL' ? '' : `&value=${value}`}${vesselId ? `&vessel=${vesselId}` : ''}${params.has('by') ? `&by=${by}` : ''}`
  const retired = shelf.data.filter((s) => s.retired).length
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-24 m-0 font-bold">Formulas</h1>
        <span className="text-15 flex items-center gap-5">
          {may('SET_UP') && <Button onClick={() => setReading(true)}>Read a file</Button>}
        </span>
      </div>
      <section
        aria-label="What have you got?"
        className="ruled mb-6 grid items-start gap-x-6 gap-y-3 pb-4 md:grid-cols-2 lg:grid-cols-[auto_220px_200px_minmax(300px,1fr)]"
      >
        <div className="grid content-start gap-1">
          <span className="text-15 font-semibold">What have you got?</span>
          <Choice<Goal>
            label="What have you got?"
            value={goal}
            onValue={(g) => set({ goal: g })}
            options={[
              { value: 'LITRES', name: `I need ${units.litresWord}` },
              { value: 'BED', name: 'I have a bed' },
              { value: 'VESSEL', name: 'Fill this pot' },
            ]}
          />
        </div>
        {goal !== 'VESSEL' && <GoalValue goal={goal} value={value} onValue={(v) => set({ value: v })} />}
        <SelectField
          label="In"
          value={vesselId ?? ''}
          onValue={(v) => set({ vessel: v })}
          options={[
            ...(goal === 'VESSEL' ? [] : [{ value: '', name: 'whatever fits' }]),
            ...(kitchen.data?.vessels ?? []).map((v) => ({ value: v.id, name: v.name })),
          ]}
        />
        <MomentField label="Ready by" value={by} onValue={(next) => set({ by: next })} />
      </section>
      {overview.error && <Note>{overview.error.message}</Note>}
      {families.map((family) => (
        <section key={family} className="mb-5" aria-busy={overview.isFetching}>
          <h2 className="text-15 text-quiet m-0 mb-1 font-semibold">{familyName[family]}</h2>
          <ul className="m-0 list-none p-0">
            {shelf.data
              .filter((s) => s.family === family && (retiredShown || !s.retired))
              .map((formula) => (
                <Row
                  key={formula.slug}
                  formula={formula}
                  answer={overview.data?.find((a) => a.slug === formula.slug)}
                  query={query}
                  goal={goal}
                />
              ))}
          </ul>
        </section>
      ))}
      {retired > 0 && (
        <Button tone="quiet" onClick={() => setRetiredShown(!retiredShown)}>
          {retiredShown ? 'Without the retired ones' : `${retired} retired`}
        </Button>
      )}
      {reading && <ReadFileSheet onClose={() => setReading(false)} />}
    </>
  )
}

function GoalValue({ goal, value, onValue }: { goal: Goal; value: number; onValue: (v: number) => void }) {
  const units = useUnits()
  return (
    <NumberField
      label={goal === 'BED' ? 'Bed in hand' : units.out}
      dimension={goal === 'BED' ? 'kg' : 'litres'}
      units={units.units}
      value={value}
      step={1}
      onValue={(v) => v !== undefined && v > 0 && onValue(v)}
    />
  )
}

/** A formula and what the question comes to in it. */
function Row({
  formula,
  answer,
  query,
  goal,
}: {
  formula: Shelved
  answer?: Answer
  query: string
  goal: Goal
}) {
  const units = useUnits()
  const { day } = useTimes()
  const ok = answer && !answer.refusal
  const depth = formula.family === 'WHITE' || formula.family === 'BROWN' ? undefined : 0.7
  return (
    <li className="border-rule border-t">
      <Link
        to={formula.retired ? `/formulas/${formula.slug}/edit` : `/formulas/${formula.slug}?${query}`}
        className="text-ink grid min-h-[68px] grid-cols-[40px_minmax(0,1fr)_auto] items-center gap-x-4 py-1 no-underline md:grid-cols-[40px_minmax(0,1.3fr)_130px_130px_minmax(0,1fr)]"
      >
        <svg width="40" height="40" viewBox="0 0 32 32" aria-hidden>
          <path
            d="M5 14h22v9a4 4 0 0 1-4 4H9a4 4 0 0 1-4-4z"
            fill={liquorColour(formula.family, answer?.gelatinGPerL ?? 12, depth)}
          />
          <path
            d="M4 6v18a4 4 0 0 0 4 4h16a4 4 0 0 0 4-4V6"
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2.5"
            strokeLinecap="round"
          />
        </svg>
        <span>
          <b className="text-18 block font-semibold">
            {formula.name}
            {formula.retired && <span className="text-15 text-quiet font-normal"> retired</span>}
          </b>
          <span className="text-13 text-quiet">
            {formula.bed.join(', ') || 'a finished stock'}
            {formula.allergens.length > 0 && `; contains ${formula.allergens.map(allergenName).join(', ')}`}
          </span>
        </span>
        <span className="text-right md:contents">
          <Cell name="out" value={ok ? units.litres(answer.litres) : ''} strong={goal !== 'LITRES'} />
          <Cell
            name={formula.bed.length ? 'bed' : 'stock'}
            value={ok ? (formula.bed.length ? units.kg(answer.bedKg) : units.litres(answer.waterL)) : ''}
            strong={goal !== 'BED'}
          />
        </span>
        <span className="text-15 text-quiet col-start-2 text-right md:col-start-auto">
          {answer?.refusal}
          {ok &&
            (answer.fits ? (
              <>
                {answer.vesselName}
                {answer.startAt && `, start ${day(answer.startAt)}`}
                {answer.inTime === false && <span className="text-amber font-semibold">, not in time</span>}
              </>
            ) : (
              <span className="text-amber font-semibold">does not fit {answer.vesselName}</span>
            ))}
        </span>
      </Link>
    </li>
  )
}

function Cell({ name, value, strong }: { name: string; value: string; strong: boolean }) {
  return (
    <span className={`block text-right ${strong ? 'text-24 font-semibold' : 'text-18'}`}>
      {value}
      {value && <span className="text-13 text-quiet ml-1 font-sans font-normal">{name}</span>}
    </span>
  )
}
