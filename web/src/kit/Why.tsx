import type { ReactNode } from 'react'
import type { Schemas } from '../api/client'
import { useGrounds, type GroundsOf } from '../api/queries'
import { basisName, causeName, groundName } from '../words/en'
import { duration } from '../words/time'
import type { Formatters } from '../words/units'
import { Failed, Loading } from './Note'
import { MostOfIt, Opened } from './Opened'
import { useUnits } from './session'

type Reason = Schemas['WhyView']
type Ground = Schemas['GroundView']

/** Why so many litres: what comes in and what goes, each with what it rests on; and what would change it most. */
export function Why({ of, reasons, out }: { of: string; reasons: Reason[]; out: Schemas['BandView'] }) {
  const units = useUnits()
  return (
    <Opened of={of} says={`${units.estimate(out)}, likely ${units.spread(out)}.`}>
      <Litres reasons={reasons} />
    </Opened>
  )
}

function Litres({ reasons }: { reasons: Reason[] }) {
  const units = useUnits()
  const longest = Math.max(...reasons.map((reason) => reason.litres), 0.001)
  return (
    <>
      <table className="text-15 mt-2 w-full">
        <tbody>
          {reasons.map((reason) => (
            <Rests key={reason.term} on={causeName[reason.term]} basis={reason.basis}>
              <td className="w-[110px] align-middle" aria-hidden>
                <span
                  className={`block h-3 ${reason.inward ? 'bg-river' : 'bg-rule ml-auto'}`}
                  style={{ width: `${(100 * reason.litres) / longest}%` }}
                />
              </td>
              <td className="w-[84px] text-right whitespace-nowrap">
                {reason.inward ? '+' : '−'}
                {units.litres(reason.litres)}
              </td>
            </Rests>
          ))}
        </tbody>
      </table>
      <MostOfIt of={reasons} name={(reason) => causeName[reason.term]} />
    </>
  )
}

/** What a figure rests on, and what that rests on itself; how much of it stands behind. */
function Rests({ on, basis, children }: { on: string; basis: Reason['basis']; children: ReactNode }) {
  return (
    <tr className="border-rule border-t">
      <th scope="row" className="py-1 text-left font-normal">
        {on}
        <span className="text-13 text-quiet block">{basisName[basis]}</span>
      </th>
      {children}
    </tr>
  )
}

/** The same for a figure that is no sum: what goes into it, each in its measure. Asked for when it is opened. */
export function WhyOf({
  of,
  says,
  figure,
  from,
}: {
  of: string
  says?: string
  figure: keyof Schemas['GroundsView']
  from: GroundsOf
}) {
  return (
    <Opened of={of} says={says}>
      <Asked figure={figure} from={from} />
    </Opened>
  )
}

function Asked({ figure, from }: { figure: keyof Schemas['GroundsView']; from: GroundsOf }) {
  const units = useUnits()
  const grounds = useGrounds(from)
  if (grounds.isPending) return <Loading what="its grounds" />
  if (!grounds.data)
    return <Failed what="Its grounds" error={grounds.error} onRetry={() => void grounds.refetch()} />
  if (figure === 'litres') return <Litres reasons={grounds.data.litres} />
  const all = grounds.data[figure]
  return (
    <>
      <table className="text-15 mt-2 w-full">
        <tbody>
          {all.map((ground) => (
            <Rests key={ground.term} on={groundName[ground.term]} basis={ground.basis}>
              <td className="text-right whitespace-nowrap">{measured(ground, units)}</td>
            </Rests>
          ))}
        </tbody>
      </table>
      <MostOfIt of={all} name={(ground) => groundName[ground.term]} />
    </>
  )
}

function measured({ value, measure }: Ground, units: Formatters): string {
  switch (measure) {
    case 'LITRES':
      return units.litres(value)
    case 'KILOGRAMS':
      return units.kg(value)
    case 'GRAMS':
      return units.kg(value / 1000)
    case 'GRAMS_PER_LITRE':
      return units.dissolved(value)
    case 'CELSIUS':
      return units.celsius(value, 1)
    case 'MINUTES':
      return duration(value)
    case 'HOURS':
      return duration(value * 60)
    case 'KILOWATTS':
      return units.power(value)
    case 'CENTIMETRES':
      return units.cm(value)
    case 'SHARE':
      return `${Math.round(value * 100)} %`
    case 'FACTOR':
      return String(Number(value.toPrecision(3)))
    case 'COUNT':
      return String(value)
  }
}
