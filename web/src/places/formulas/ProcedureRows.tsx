import { Heading } from '../../kit/Note'
import { SmallNumber } from '../../kit/SmallNumber'
import { useUnits } from '../../kit/session'
import { reasonAt, type FormProps } from './FormulaForm'
import { newPhase, phases, type Phase, type PhaseField } from './phases'

/** The order of work, each phase with its own figures; it can be moved, taken out, and added to. */
export function ProcedureRows({ formula, onFormula, problem }: FormProps) {
  const set = (procedure: Phase[]) => onFormula({ ...formula, procedure })
  const move = (i: number, by: number) => {
    const next = [...formula.procedure]
    const [phase] = next.splice(i, 1)
    next.splice(i + by, 0, phase!)
    set(next)
  }
  return (
    <section>
      <Heading aside="the order of work">Procedure</Heading>
      <ol className="m-0 grid list-none p-0">
        {formula.procedure.map((phase, i) => (
          <li key={`${i} ${phase.phase}`} className="border-rule flex items-start gap-3 border-t py-1">
            <span className="flex shrink-0">
              {([-1, 1] as const).map((by) => (
                <button
                  key={by}
                  type="button"
                  aria-label={`${phases[phase.phase]?.name ?? phase.phase} ${by < 0 ? 'earlier' : 'later'}`}
                  disabled={i + by < 0 || i + by >= formula.procedure.length}
                  className="text-18 text-quiet grid h-11 w-8 place-items-center disabled:opacity-30"
                  onClick={() => move(i, by)}
                >
                  {by < 0 ? '↑' : '↓'}
                </button>
              ))}
            </span>
            <b className="text-15 w-[9.5rem] shrink-0 py-3 font-semibold">
              {phases[phase.phase]?.name ?? phase.phase}
            </b>
            <span className="flex min-w-0 flex-1 flex-wrap gap-x-5 gap-y-1">
              {(phases[phase.phase]?.fields ?? []).map((field) => (
                <Field
                  key={field.field}
                  field={field}
                  phase={phase}
                  problem={reasonAt(problem, `procedure[${i}].${field.field}`)}
                  onPhase={(next) => set(formula.procedure.map((p, at) => (at === i ? next : p)))}
                />
              ))}
              {reasonAt(problem, 'procedure') && i === 0 && (
                <span role="alert" className="text-13 text-amber bg-amber-ground px-1">
                  {reasonAt(problem, 'procedure')}
                </span>
              )}
            </span>
            <button
              type="button"
              aria-label={`Without ${phases[phase.phase]?.name ?? phase.phase}`}
              className="text-24 text-quiet grid size-11 shrink-0 place-items-center"
              onClick={() => set(formula.procedure.filter((_, at) => at !== i))}
            >
              ×
            </button>
          </li>
        ))}
      </ol>
      <select
        aria-label="Another phase"
        value=""
        onChange={(event) => event.target.value && set([...formula.procedure, newPhase(event.target.value)])}
        className="border-rule bg-raised text-15 mt-2 min-h-[44px] rounded-md border-2 px-2"
      >
        <option value="">Another phase …</option>
        {Object.entries(phases).map(([word, { name }]) => (
          <option key={word} value={word}>
            {name}
          </option>
        ))}
      </select>
    </section>
  )
}

function Field({
  field,
  phase,
  onPhase,
  problem,
}: {
  field: PhaseField
  phase: Phase
  onPhase: (phase: Phase) => void
  problem?: string
}) {
  const units = useUnits()
  const value = phase[field.field]
  const set = (next: unknown) => onPhase({ ...phase, [field.field]: next })
  if (field.flag) {
    return (
      <label className="text-15 text-quiet flex min-h-[44px] items-center gap-2">
        <input
          type="checkbox"
          checked={value === true}
          onChange={(event) => set(event.target.checked)}
          className="size-5 accent-(--river)"
        />
        {field.label}
      </label>
    )
  }
  if (field.words) {
    return (
      <label className="text-15 text-quiet flex items-center gap-2">
        {field.label}
        <select
          value={typeof value === 'string' ? value : ''}
          onChange={(event) => set(event.target.value)}
          className="border-rule bg-raised text-ink min-h-[44px] rounded-md border-2 px-1"
        >
          {field.words.map((word) => (
            <option key={word} value={word}>
              {word.replace(/-/g, ' ')}
            </option>
          ))}
        </select>
      </label>
    )
  }
  return (
    <SmallNumber
      label={field.label}
      shown
      dimension={field.dimension}
      units={units.units}
      unit={field.unit}
      value={typeof value === 'number' ? value : undefined}
      onValue={set}
      problem={problem}
    />
  )
}
