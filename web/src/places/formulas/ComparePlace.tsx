import { useMemo } from 'react'
import { useSearchParams } from 'react-router'
import { useCharge, useKitchen, useShelf, type Charge } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
import { Courses } from '../../graphics/Courses'
import { Heading, Loading, Note } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { Scrubber } from '../../kit/Scrubber'
import { SelectField } from '../../kit/SelectField'
import { useUnits } from '../../kit/session'
import { bodyName, schoolName, schoolWord } from '../../words/en'
import { duration, handStep } from '../../words/time'
import { chargeColour } from './strength'
import { readWish, requestOf, schoolFields, writeWish, type Wish } from './wish'

interface Side {
  slug: string
  wish: Wish
}

const sides = ['a', 'b'] as const
type Which = (typeof sides)[number]

/** Two charges side by side on the same scale: two schools, two vessels, two formulas. */
export default function ComparePlace() {
  const [params, setParams] = useSearchParams()
  const a = useMemo(() => readSide(params.get('a')), [params])
  const b = useMemo(() => (params.has('b') ? readSide(params.get('b')) : a), [params, a])
  const left = useSideCharge(a)
  const right = useSideCharge(b)
  const set = (which: Which, side: Side) => {
    const next = new URLSearchParams(params)
    next.set('a', which === 'a' ? write(side) : write(a))
    next.set('b', which === 'b' ? write(side) : write(b))
    setParams(next, { replace: true })
  }
  const tallest = Math.max(left.data?.vessel.heightCm ?? 1, right.data?.vessel.heightCm ?? 1)
  const widest = Math.max(left.data?.vessel.widthCm ?? 1, right.data?.vessel.widthCm ?? 1)
  const scale = Math.min(6, 250 / tallest, 260 / widest)
  return (
    <>
      <h1 className="text-24 mt-0 mb-4 font-bold">Side by side</h1>
      <div className="grid gap-x-10 gap-y-8 md:grid-cols-2">
        {sides.map((which) => (
          <SideControls
            key={which}
            which={which}
            side={which === 'a' ? a : b}
            charge={which === 'a' ? left.data : right.data}
            error={(which === 'a' ? left.error : right.error)?.message}
            scale={scale}
            onSide={(side) => set(which, side)}
          />
        ))}
      </div>
      {left.data && right.data && <Difference a={left.data} b={right.data} />}
    </>
  )
}

function useSideCharge(side: Side) {
  const request = useMemo(() => requestOf(side.wish, side.slug), [side])
  return useCharge(side.slug ? request : undefined)
}

function SideControls({
  which,
  side,
  charge,
  error,
  scale,
  onSide,
}: {
  which: Which
  side: Side
  charge?: Charge
  error?: string
  scale: number
  onSide: (side: Side) => void
}) {
  const shelf = useShelf()
  const kitchen = useKitchen()
  const units = useUnits()
  const { wish } = side
  const set = (next: Partial<Wish>) => onSide({ ...side, wish: { ...wish, ...next } })
  return (
    <section aria-label={which === 'a' ? 'The one' : 'The other'} className="grid content-start gap-4">
      <div className="grid gap-3 lg:grid-cols-2">
        <SelectField
          label="Formula"
          value={side.slug}
          onValue={(slug) =>
            onSide({
              slug,
              wish: { ...wish, schools: {}, bed: {}, cut: {}, swaps: {}, simmerMin: undefined },
            })
          }
          options={(shelf.data ?? []).filter((s) => !s.retired).map((s) => ({ value: s.slug, name: s.name }))}
        />
        <SelectField
          label="Vessel"
          value={wish.vessel ?? ''}
          onValue={(vessel) => set({ vessel: vessel || undefined })}
          options={[
            { value: '', name: 'the smallest that fits' },
            ...(kitchen.data?.vessels ?? []).map((v) => ({ value: v.id, name: v.name })),
          ]}
        />
        {wish.goal === 'LITRES' && (
          <NumberField
            label={units.out}
            dimension="litres"
            units={units.units}
            value={wish.value}
            step={1}
            onValue={(value) => value !== undefined && set({ value })}
          />
        )}
        <SchoolSelect charge={charge} wish={wish} onWish={(next) => onSide({ ...side, wish: next })} />
      </div>
      {charge && (
        <Scrubber
          label="Simmer"
          value={wish.simmerMin ?? charge.simmerMin}
          min={Math.min(charge.leastSimmerMin, charge.simmerMin)}
          max={Math.max(charge.mostSimmerMin, charge.simmerMin)}
          step={handStep(charge.mostSimmerMin)}
          words={duration(wish.simmerMin ?? charge.simmerMin)}
          onValue={(simmerMin) => set({ simmerMin })}
          colour={chargeColour(charge)}
        />
      )}
      {error && <Note>{error}</Note>}
      {charge ? (
        <div className="grid min-h-[220px] content-end justify-items-center">
          <Cutaway
            vessel={charge.vessel}
            levelCm={charge.levels.filledCm}
            bedCm={charge.levels.bedRawCm}
            colour={chargeColour(charge)}
            scale={scale}
            ruler={units.ruler()}
            label={`${charge.formulaName} in ${charge.vessel.name}: ${units.kg(charge.bedKg)} of bed, ${units.litres(charge.waterL)} drawn`}
          />
        </div>
      ) : (
        !error && <Loading what="the charge" />
      )}
    </section>
  )
}

/** One school at a time, the quick way to set two against each other. */
function SchoolSelect({
  charge,
  wish,
  onWish,
}: {
  charge?: Charge
  wish: Wish
  onWish: (wish: Wish) => void
}) {
  const standing = (charge?.schools ?? {}) as Record<string, unknown>
  const options = schoolFields
    .filter((field) => standing[field] !== undefined)
    .flatMap((field) =>
      Object.keys(schoolWord[field] ?? {}).map((word) => ({
        value: `${field}:${word}`,
        name: `${schoolName[field]}: ${schoolWord[field]?.[word]}`,
      })),
    )
  const chosen = Object.entries(wish.schools)
    .map(([field, word]) => `${field}:${word}`)
    .pop()
  return (
    <SelectField
      label="School"
      value={chosen ?? ''}
      onValue={(value) => {
        const [field, word] = value.split(':')
        onWish({ ...wish, schools: field && word ? { ...wish.schools, [field]: word } : {} })
      }}
      options={[{ value: '', name: 'as the formula has it' }, ...options]}
    />
  )
}

/** The figures of both in one table, and their liquor against the same clock. */
function Difference({ a, b }: { a: Charge; b: Charge }) {
  const units = useUnits()
  const rows: [string, string, string, string][] = [
    row(units.out, a.forecast.yieldL.p50, b.forecast.yieldL.p50, (v) => units.litres(v)),
    row('Bed', a.bedKg, b.bedKg, (v) => units.kg(v)),
    row('Drawn', a.waterL, b.waterL, (v) => units.litres(v)),
    row(
      `Bed for each ${units.each.name}`,
      a.bedKg / a.forecast.yieldL.p50,
      b.bedKg / b.forecast.yieldL.p50,
      (v) => units.kg(v * units.each.litres),
    ),
    row('Steam', a.forecast.evaporatedL, b.forecast.evaporatedL, (v) => units.litres(v)),
    row('Gelatin', a.forecast.gelatinGPerL, b.forecast.gelatinGPerL, (v) => units.dissolved(v, 0.1)),
    ['When cold', bodyName[a.forecast.body], bodyName[b.forecast.body], ''],
    row('Clarity', a.character.clarity, b.character.clarity, (v) => String(Math.round(v))),
    row('To the strainer', hot(a), hot(b), duration),
    ['Fits', a.fits ? 'yes' : 'no', b.fits ? 'yes' : 'no', ''],
  ]
  const colours: [string, string] = [chargeColour(a), chargeColour(b)]
  return (
    <div className="mt-8 grid gap-x-10 gap-y-6 lg:grid-cols-2">
      <section>
        <Heading>What differs</Heading>
        <table className="text-18 w-full">
          <thead>
            <tr className="text-13 text-quiet text-right">
              <td />
              <th className="py-1 font-normal">{a.vessel.name}</th>
              <th className="py-1 font-normal">{b.vessel.name}</th>
              <th className="py-1 font-normal">difference</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, left, right, by]) => (
              <tr key={name} className="border-rule border-t">
                <th scope="row" className="py-1 text-left font-normal">
                  {name}
                </th>
                <td className="py-1 text-right">{left}</td>
                <td className="py-1 text-right">{right}</td>
                <td className="text-15 py-1 text-right font-semibold">{by}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section>
        <Heading aside={`${units.litresWord} in the pot against hours`}>The same clock</Heading>
        <Courses
          courses={[a, b].map((charge, i) => ({
            name: i === 0 ? 'left' : 'right',
            colour: colours[i]!,
            dashed: i === 1,
            points: charge.forecast.course.map((p) => ({ minute: p.minute, litres: p.litres })),
          }))}
          litres={(v) => units.litres(v, 1)}
        />
      </section>
    </div>
  )
}

const hot = (charge: Charge) => charge.forecast.bringUpMin + charge.forecast.simmerMin + charge.boilDownMin

function row(
  name: string,
  a: number,
  b: number,
  words: (value: number) => string,
): [string, string, string, string] {
  const left = words(a)
  const right = words(b)
  const by = left === right ? '' : `${b > a ? '+' : '−'}${words(Math.abs(b - a))}`
  return [name, left, right, by]
}

function readSide(text: string | null): Side {
  const [slug = '', query = ''] = (text ?? 'white-chicken?goal=LITRES&value=14').split('?')
  return { slug, wish: readWish(new URLSearchParams(query)) }
}

const write = (side: Side) => `${side.slug}?${writeWish(side.wish)}`
