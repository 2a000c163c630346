import { usePantry, type Charge } from '../../api/queries'
import { Heading } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { Pick } from '../../kit/Pick'
import { capital, restName } from '../../words/en'
import { duration, plainDay } from '../../words/time'
import { LEAST_L } from '../draws/filled'
import { byEntry } from '../batch/entry'
import { swapped, type Choosing } from './wish'

type Part = Charge['parts'][number]

/** Everything to weigh, in the order in which it goes in. */
export function WeighOut({ charge, wish, onWish }: Choosing) {
  const units = useUnits()
  return (
    <section>
      <Heading aside={charge.bed.length > 0 ? units.litresPerKg(charge.waterLPerKg) : undefined}>
        Weigh out
      </Heading>
      <table className="text-18 w-full">
        <tbody>
          <Group words="Cold, at the start" />
          {charge.bed.length > 0 && (
            <Row
              name={capital(charge.bedName)}
              value={units.kg(charge.bedKg)}
              notes={charge.bed
                .map((share) => coverWords(charge, share.kind, units.kg))
                .filter(Boolean)
                .join('; ')}
            />
          )}
          {charge.deglazeL > 0 && (
            <Row name="For deglazing, water or wine" value={units.jug(charge.deglazeL)} />
          )}
          {charge.draws.map((draw) => (
            <Row key={draw.sourceId} name={draw.name} value={units.litres(draw.litres)} />
          ))}
          {charge.restL >= LEAST_L && (
            <Row name={capital(restName[charge.restKind])} value={units.litres(charge.restL)} />
          )}
          {byEntry(charge.parts).map(([minutes, parts]) => (
            <Fragments key={minutes} minutes={minutes} charge={charge}>
              {parts.map((part) => (
                <PartRow key={part.id} part={part} charge={charge} wish={wish} onWish={onWish} />
              ))}
            </Fragments>
          ))}
          <Group words="For cooling" />
          {charge.cooling.into.map((filled) => (
            <Row
              key={filled.container}
              name={`${filled.count} × ${filled.container}`}
              value={`${units.litres(filled.eachL)}${filled.count > 1 ? ' each' : ''}`}
            />
          ))}
          {charge.cooling.chiller ? (
            <Row name="Room in" value={charge.cooling.chiller} />
          ) : (
            <Row name="Ice, at least" value={units.kg(charge.cooling.iceKg)} />
          )}
        </tbody>
      </table>
      <p className="text-13 text-quiet mt-2 mb-0">A dotted name can be swapped for another of its kind.</p>
    </section>
  )
}

/** A part with its weight, what of it lies in the trim bank, and what else could stand for it. */
function PartRow({ part, charge, wish, onWish }: Choosing & { part: Part }) {
  const units = useUnits()
  const larder = usePantry()
  const notes = [
    part.cutMm > 0 && `cut ${cutWords(part.cutMm, units.units)}`,
    coverWords(charge, part.id, units.kg),
  ].filter(Boolean)
  const there = new Set(charge.parts.map((p) => p.id))
  const others = (larder.data?.items ?? []).filter(
    (item) => item.figures.kind.toUpperCase() === part.kind && (item.id === part.id || !there.has(item.id)),
  )
  return (
    <>
      <tr className={notes.length ? '' : 'border-rule border-b'}>
        <th scope="row" className="py-0 pr-3 text-left font-normal">
          {others.length > 1 ? (
            <Pick
              look="word"
              label={`Instead of ${part.name}`}
              value={part.id}
              onValue={(item) => onWish({ ...wish, swaps: swapped(wish.swaps, part.id, item) })}
              options={others.map((item) => ({ value: item.id, name: item.name }))}
            />
          ) : (
            <span className="inline-block py-1">{part.name}</span>
          )}
        </th>
        <td className="py-1 text-right whitespace-nowrap">{units.kg(part.kg)}</td>
      </tr>
      {notes.length > 0 && (
        <tr className="border-rule border-b">
          <td colSpan={2} className="text-13 text-quiet pb-1">
            {notes.join('; ')}
          </td>
        </tr>
      )}
    </>
  )
}

/** What the larder has of it when it is begun; nothing where the larder knows nothing of it. */
function coverWords(charge: Charge, goods: string, kg: (kg: number) => string): string | false {
  const cover = charge.larder.find((one) => one.goods === goods)
  if (!cover || cover.thereKg + cover.frozenKg === 0) return false
  const there = [
    cover.trimKg > 0 && `trim ${kg(cover.trimKg)}`,
    cover.thereKg - cover.trimKg > 0 && `${kg(cover.thereKg - cover.trimKg)} in the larder`,
    cover.frozenKg > 0 && `${kg(cover.frozenKg)} to thaw`,
    cover.lacksKg > 0 && `${kg(cover.lacksKg)} to fetch`,
  ]
  return there.filter(Boolean).join(', ') + (cover.first ? `, by ${plainDay(cover.first)}` : '')
}

const cutWords = (mm: number, units: string) =>
  units === 'us' ? `${Math.round(mm / 2.54) / 10} in` : `${mm} mm`

function Fragments({
  minutes,
  charge,
  children,
}: {
  minutes: number
  charge: Charge
  children: React.ReactNode
}) {
  return (
    <>
      <Group
        words={
          minutes === 0
            ? charge.bed.length > 0
              ? 'With the bed'
              : 'With the stock'
            : `${duration(charge.simmerMin - minutes)} before the end`
        }
      />
      {children}
    </>
  )
}

function Group({ words }: { words: string }) {
  return (
    <tr>
      <th colSpan={2} scope="colgroup" className="text-13 text-quiet pt-3 text-left font-normal">
        {words}
      </th>
    </tr>
  )
}

function Row({ name, value, notes }: { name: string; value: string; notes?: string }) {
  return (
    <tr className="border-rule border-b">
      <th scope="row" className="py-1 pr-3 text-left font-normal">
        {name}
        {notes && <span className="text-13 text-quiet block">{notes}</span>}
      </th>
      <td className="py-1 text-right align-top whitespace-nowrap">{value}</td>
    </tr>
  )
}
