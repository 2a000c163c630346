import type { Schemas } from '../../api/client'
import { useLarder } from '../../api/queries'
import { Heading } from '../../kit/Note'
import { SmallNumber } from '../../kit/SmallNumber'
import { reasonAt, type FormProps } from './form'

type Part = Schemas['PartJson']

const amounts = [
  ['percentOfBed', '% of the bed'],
  ['gramsPerKgBed', 'g for each kg of bed'],
  ['gramsPerLitre', 'g for each litre'],
] as const
const whens = [
  ['withTheBed', 'with the bed'],
  ['beforeTheEndMin', 'min before the end'],
  ['intoTheSimmerMin', 'min into the simmer'],
] as const

/** What goes in beside the bed: how much, when, how cut. */
export function PartRows({ formula, onFormula, problem }: FormProps) {
  const larder = useLarder()
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
            className="border-rule grid items-center gap-x-3 gap-y-1 border-t py-1 md:grid-cols-[minmax(0,1fr)_246px_254px_100px_44px]"
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
              unit="mm"
              value={part.cutMm ?? 0}
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
      <select
        aria-label="Another part"
        value=""
        onChange={(event) => {
          const item = larder.data?.items.find((x) => x.id === event.target.value)
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
        className="border-rule bg-raised text-15 mt-2 min-h-[44px] rounded-md border-2 px-2"
      >
        <option value="">Another part …</option>
        {(larder.data?.items ?? [])
          .filter((item) => !there.has(item.id))
          .map((item) => (
            <option key={item.id} value={item.id}>
              {item.name}
            </option>
          ))}
      </select>
    </section>
  )
}

const path = (i: number, field: string, value: object) =>
  `parts[${i}].${field}.${Object.entries(value).find(([, v]) => v !== undefined)?.[0] ?? ''}`

function Amount({ part, onPart, problem }: { part: Part; onPart: (part: Part) => void; problem?: string }) {
  const kind = amounts.find(([k]) => part.amount[k] !== undefined)?.[0] ?? 'percentOfBed'
  const value = part.amount[kind]
  return (
    <span className="flex items-center gap-2">
      <SmallNumber
        label={`How much ${part.name ?? part.item}`}
        value={value}
        onValue={(v) => onPart({ ...part, amount: { [kind]: v } })}
        problem={problem}
      />
      <select
        aria-label={`Amount of ${part.name ?? part.item} in`}
        value={kind}
        onChange={(event) => onPart({ ...part, amount: { [event.target.value]: value } })}
        className="border-rule bg-raised text-13 min-h-[44px] rounded-md border-2 px-1"
      >
        {amounts.map(([k, name]) => (
          <option key={k} value={k}>
            {name}
          </option>
        ))}
      </select>
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
      <select
        aria-label={`${part.name ?? part.item} goes in`}
        value={kind}
        onChange={(event) => {
          const next = event.target.value
          onPart({ ...part, when: next === 'withTheBed' ? { withTheBed: true } : { [next]: 60 } })
        }}
        className="border-rule bg-raised text-13 min-h-[44px] rounded-md border-2 px-1"
      >
        {whens.map(([k, name]) => (
          <option key={k} value={k}>
            {name}
          </option>
        ))}
      </select>
    </span>
  )
}
