import { usePantry } from '../../api/queries'
import { Heading } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { SmallNumber } from '../../kit/SmallNumber'
import { TextField } from '../../kit/TextField'
import { Pick } from '../../kit/Pick'
import { reasonAt, type FormProps } from './form'
import { PartRows } from './PartRows'
import { ProcedureRows } from './ProcedureRows'
import type { Dimension } from '../../words/units'
import { moveShare } from './wish'

const rules: [string, string, Dimension | undefined][] = [
  ['per-kg-bed', 'so much for each kg of bed', 'litresPerKg'],
  ['over-the-bed', 'so deep over the bed', 'cm'],
  ['for-the-yield', 'whatever gives so much for each kg', 'litresPerKg'],
  ['to-the-line', 'to the fill line', undefined],
]

/** Everything that a formula is, in the order of work. */
export function FormulaForm(props: FormProps) {
  const { formula, onFormula, problem, readOnly } = props
  const units = useUnits()
  const rule = rules.find(([word]) => word === formula.water.rule) ?? rules[0]!
  return (
    <fieldset disabled={readOnly} className="m-0 grid min-w-0 gap-7 border-0 p-0">
      <legend className="sr-only">The formula</legend>
      <TextField
        label="Name"
        value={formula.name}
        onValue={(name) => onFormula({ ...formula, name })}
        problem={problem?.fields.name}
        maxLength={80}
      />
      <section>
        <Heading>Bed and water</Heading>
        <BedRows {...props} />
        {formula.bed.length > 0 && (
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <span className="text-15 flex items-center gap-2">
              Water
              <Pick
                look="small"
                label="Water rule"
                value={formula.water.rule}
                onValue={(next) => {
                  const start = { 'per-kg-bed': 1.7, 'over-the-bed': 4, 'for-the-yield': 1.3 }[next]
                  onFormula({ ...formula, water: { rule: next, value: start } })
                }}
                options={rules.map(([word, name]) => ({ value: word, name }))}
              />
            </span>
            {formula.water.rule !== 'to-the-line' && (
              <SmallNumber
                label="Water"
                value={formula.water.value}
                dimension={rule[2]}
                units={units.units}
                onValue={(value) => onFormula({ ...formula, water: { rule: formula.water.rule, value } })}
                problem={reasonAt(problem, 'water.value')}
              />
            )}
          </div>
        )}
      </section>
      <PartRows {...props} />
      <ProcedureRows {...props} />
      <section className="flex flex-wrap gap-6">
        <SmallNumber
          label="Keeps cold"
          shown
          unit="days"
          value={formula.coldDays}
          onValue={(coldDays) =>
            coldDays !== undefined && onFormula({ ...formula, coldDays: Math.round(coldDays) })
          }
          problem={reasonAt(problem, 'coldDays')}
        />
        <SmallNumber
          label="Frozen"
          shown
          unit="months"
          value={formula.frozenMonths}
          onValue={(months) =>
            months !== undefined && onFormula({ ...formula, frozenMonths: Math.round(months) })
          }
          problem={reasonAt(problem, 'frozenMonths')}
        />
      </section>
    </fieldset>
  )
}

function BedRows({ formula, onFormula, problem }: FormProps) {
  const larder = usePantry()
  const units = useUnits()
  if (formula.bed.length === 0) return <p className="text-15 m-0">No bed: a finished stock is drawn.</p>
  const shares = Object.fromEntries(formula.bed.map((b) => [b.kind, b.share]))
  const set = (next: Record<string, number>) =>
    onFormula({
      ...formula,
      bed: Object.entries(next).map(([kind, share]) => {
        const old = formula.bed.find((b) => b.kind === kind)
        return old ? { ...old, share } : { kind, share }
      }),
    })
  return (
    <ul className="m-0 grid list-none gap-1 p-0">
      {formula.bed.map((bed, i) => (
        <li key={bed.kind} className="border-rule flex flex-wrap items-center gap-3 border-t py-1">
          <span className="text-15 min-w-0 flex-1">{bed.name ?? bed.kind}</span>
          <SmallNumber
            label={`Share of ${bed.name ?? bed.kind}`}
            unit="%"
            value={Math.round(bed.share * 1000) / 10}
            onValue={(percent) => percent !== undefined && set(moveShare(shares, bed.kind, percent / 100))}
            problem={reasonAt(problem, `bed[${i}].share`)}
          />
          <SmallNumber
            label={`Cut of ${bed.name ?? bed.kind}`}
            dimension="mm"
            units={units.units}
            empty="uncut"
            value={bed.cutMm || undefined}
            onValue={(cutMm) =>
              onFormula({
                ...formula,
                bed: formula.bed.map((b) => (b === bed ? { ...b, cutMm: cutMm || undefined } : b)),
              })
            }
            problem={reasonAt(problem, `bed[${i}].cutMm`)}
          />
          {formula.bed.length > 1 && (
            <button
              type="button"
              aria-label={`Without ${bed.name ?? bed.kind}`}
              className="text-24 text-quiet grid size-11 place-items-center"
              onClick={() => {
                const left = Object.fromEntries(Object.entries(shares).filter(([k]) => k !== bed.kind))
                const sum = Object.values(left).reduce((x, y) => x + y, 0)
                set(Object.fromEntries(Object.entries(left).map(([k, v]) => [k, sum > 0 ? v / sum : 1])))
              }}
            >
              ×
            </button>
          )}
        </li>
      ))}
      <li className="pt-1">
        <Pick
          look="small"
          label="Another kind of bed"
          empty="Another kind of bed …"
          value=""
          onValue={(kind) => set(moveShare({ ...shares, [kind]: 0 }, kind, 0.25))}
          options={(larder.data?.beds ?? [])
            .filter((b) => !(b.id in shares))
            .map((b) => ({ value: b.id, name: b.name }))}
        />
      </li>
    </ul>
  )
}
