import { Heading } from '../../kit/Note'
import { SmallNumber } from '../../kit/SmallNumber'
import { useUnits } from '../../kit/session'
import { Pick } from '../../kit/Pick'
import { reasonAt, type FormProps } from './form'
import { choiceName, phaseFigureName, phaseName } from '../../words/en'
import { dimensionOf, fieldsOf, newPhase, phaseNames, type Phase, type PhaseField } from './phases'

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
                  aria-label={`${phaseName[phase.phase]} ${by < 0 ? 'earlier' : 'later'}`}
                  disabled={i + by < 0 || i + by >= formula.procedure.length}
                  className="text-18 text-quiet grid h-11 w-8 place-items-center disabled:opacity-30"
                  onClick={() => move(i, by)}
                >
                  {by < 0 ? '↑' : '↓'}
                </button>
              ))}
            </span>
            <b className="text-15 w-[9.5rem] shrink-0 py-3 font-semibold">{phaseName[phase.phase]}</b>
            <span className="flex min-w-0 flex-1 flex-wrap gap-x-5 gap-y-1">
              {fieldsOf(phase.phase).map((field) => (
                <Field
                  key={field.name}
                  field={field}
                  phase={phase}
                  problem={reasonAt(problem, `procedure[${i}].${field.name}`)}
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
              aria-label={`Without ${phaseName[phase.phase]}`}
              className="text-24 text-quiet grid size-11 shrink-0 place-items-center"
              onClick={() => set(formula.procedure.filter((_, at) => at !== i))}
            >
              ×
            </button>
          </li>
        ))}
      </ol>
      <Pick
        look="small"
        className="mt-2"
        label="Another phase"
        empty="Another phase …"
        value=""
        onValue={(chosen) => set([...formula.procedure, newPhase(chosen as (typeof phaseNames)[number])])}
        options={phaseNames.map((name) => ({ value: name, name: phaseName[name] }))}
      />
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
  const value = phase[field.name]
  const label = phaseFigureName(phase.phase, field.name)
  const set = (next: unknown) => onPhase({ ...phase, [field.name]: next })
  if (field.quantity === 'YES') {
    return (
      <label className="text-15 text-quiet flex min-h-[44px] items-center gap-2">
        <input
          type="checkbox"
          checked={value === true}
          onChange={(event) => set(event.target.checked)}
          className="size-5 accent-(--river)"
        />
        {label}
      </label>
    )
  }
  if (field.choices.length > 0) {
    return (
      <span className="text-15 text-quiet flex items-center gap-2">
        {label}
        <Pick
          look="small"
          label={label}
          value={typeof value === 'string' ? value : ''}
          onValue={set}
          options={field.choices.map((word) => ({ value: word, name: choiceName[word] ?? word }))}
        />
      </span>
    )
  }
  return (
    <SmallNumber
      label={label}
      shown
      dimension={dimensionOf(field)}
      units={units.units}
      unit={field.unit === label ? undefined : field.unit}
      value={typeof value === 'number' ? value : undefined}
      onValue={set}
      problem={problem}
    />
  )
}
