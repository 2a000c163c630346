import type { Schemas } from '../../api/client'
import { usePantry } from '../../api/queries'
import { Heading } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { SmallNumber } from '../../kit/SmallNumber'
import { Pick } from '../../kit/Pick'
import { reasonAt, type FormProps } from './form'

type Part = Schemas['PartJson']

const amounts = [
  ['percentOfBed', '% of the bed'],
  ['gramsPerKgBed', 'g/kg bed'],
  ['gramsPerLitre', 'g/litre'],
] as const
const whens = [
  ['withTheBed', 'with the bed'],
  ['beforeTheEndMin', 'min before the end'],
  ['intoTheSimmerMin', 'min into the simmer'],
] as const

/** What goes in beside the bed: how much, when, how cut. */
export function PartRows({ formula, onFormula, problem }: FormProps) {
  const larder = usePantry()
  const units = useUnits()
  const set = (i: number, part: Part) =>
    onFormula({ ...formula, parts: formula.parts.map((p, at) => (at === i ? part : p)) })
  const there = new Set(formula.parts.map((p) => p.item))
  return (
    <section>
      <Heading>Parts</Heading>
      <ul className="m-0 grid list-none p-0">
        {formula.parts.map((part, i) => (
          <li
            key={part.item}
            className="border-rule grid items-center gap-x-3 gap-y-1 border-t py-1 md:grid-cols-[minmax(0,1fr)_auto_auto_132px_44px] lg:grid-cols-[minmax(0,1fr)_226px_266px_122px_44px]"
          >
            <span className="text-15">{part.name ?? part.item}</span>
            <Amount
              part={part}
              onPart={(p) => set(i, p)}
              problem={reasonAt(problem, path(i, 'amount', part.amount))}
            />
            <When
              part={part}
              onPart={(p) => set(i, p)}
              problem={reasonAt(problem, path(i, 'when', part.when))}
            />
            <SmallNumber
              label={`Cut of ${part.name ?? part.item}`}
              dimension="mm"
              units={units.units}
              empty="uncut"
              value={part.cutMm || undefined}
              onValue={(cutMm) => set(i, { ...part, cutMm: cutMm || undefined })}
              problem={reasonAt(problem, `parts[${i}].cutMm`)}
            />
            <button
              type="button"
              aria-label={`Without ${part.name ?? part.item}`}
              className="text-24 text-quiet grid size-11 place-items-center"
              onClick={() => onFormula({ ...formula, parts: formula.parts.filter((_, at) => at !== i) })}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <Pick
        look="small"
        className="mt-2"
        label="Another part"
        empty="Another part …"
        value=""
        onValue={(id) => {
          const item = larder.data?.items.find((x) => x.id === id)
          if (item) {
            const liquid = formula.bed.length === 0
            const made: Part = {
              item: item.id,
              name: item.name,
              amount: liquid ? { gramsPerLitre: 10 } : { percentOfBed: 3 },
              when: { withTheBed: true },
              figures: item.figures,
            }
            onFormula({ ...formula, parts: [...formula.parts, made] })
          }
        }}
        options={(larder.data?.items ?? [])
          .filter((item) => !there.has(item.id))
          .map((item) => ({ value: item.id, name: item.name }))}
      />
    </section>
  )
}

const path = (i: number, field: string, value: object) =>
  `parts[${i}].${field}.${Object.entries(value).find(([, v]) => v !== undefined)?.[0] ?? ''}`

function Amount({ part, onPart, problem }: { part: Part; onPart: (part: Part) => void; problem?: string }) {
  const kind = amounts.find(([k]) => part.amount[k] !== undefined)?.[0] ?? 'percentOfBed'
  const value = part.amount[kind]
  return (
    <span className="flex min-w-0 items-center gap-2">
      <SmallNumber
        label={`How much ${part.name ?? part.item}`}
        value={value}
        onValue={(v) => onPart({ ...part, amount: { [kind]: v } })}
        problem={problem}
      />
      <Pick
        look="small"
        className="min-w-0 flex-1"
        label={`Amount of ${part.name ?? part.item} in`}
        value={kind}
        onValue={(next) => onPart({ ...part, amount: { [next]: value } })}
        options={amounts.map(([k, name]) => ({ value: k, name }))}
      />
    </span>
  )
}

function When({ part, onPart, problem }: { part: Part; onPart: (part: Part) => void; problem?: string }) {
  const kind = whens.find(([k]) => part.when[k] !== undefined)?.[0] ?? 'withTheBed'
  return (
    <span className="flex items-center gap-2">
      {kind !== 'withTheBed' && (
        <SmallNumber
          label={`When ${part.name ?? part.item} goes in`}
          value={part.when[kind]}
          onValue={(v) => onPart({ ...part, when: { [kind]: v } })}
          problem={problem}
        />
      )}
      <Pick
        look="small"
        label={`${part.name ?? part.item} goes in`}
        value={kind}
        onValue={(next) =>
          onPart({ ...part, when: next === 'withTheBed' ? { withTheBed: true } : { [next]: 60 } })
        }
        options={whens.map(([k, name]) => ({ value: k, name }))}
      />
    </span>
  )
}
