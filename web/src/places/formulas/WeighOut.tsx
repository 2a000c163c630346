import type { Charge } from '../../api/queries'
import { Heading } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { duration } from '../../words/time'

/** Everything to weigh, in the order in which it goes in. */
export function WeighOut({ charge }: { charge: Charge }) {
  const units = useUnits()
  const groups = new Map<number, typeof charge.parts>()
  for (const part of charge.parts)
    groups.set(part.intoTheSimmerMin, [...(groups.get(part.intoTheSimmerMin) ?? []), part])
  return (
    <section>
      <Heading aside={`${charge.waterLPerKg.toFixed(2)} L/kg`}>Weigh out</Heading>
      <table className="text-18 w-full">
        <tbody>
          <Group words="Cold, at the start" />
          <Row
            name={charge.bedName.charAt(0).toUpperCase() + charge.bedName.slice(1)}
            value={units.kg(charge.bedKg)}
          />
          <Row name="Cold water" value={units.litres(charge.waterL)} />
          {[...groups.entries()]
            .sort(([a], [b]) => a - b)
            .map(([minutes, parts]) => (
              <Fragments key={minutes} minutes={minutes} charge={charge}>
                {parts.map((part) => (
                  <Row
                    key={part.id}
                    name={
                      part.cutMm > 0
                        ? `${part.name}, ${units.units === 'us' ? `${Math.round(part.cutMm / 2.54) / 10} in` : `${part.cutMm} mm`}`
                        : part.name
                    }
                    value={units.kg(part.kg)}
                  />
                ))}
              </Fragments>
            ))}
          <Group words="For cooling" />
          <Row
            name={`${charge.cooling.count} × ${charge.cooling.container}`}
            value={`${units.litres(charge.cooling.eachL)} each`}
          />
          <Row name="Ice, at least" value={units.kg(charge.cooling.iceKg)} />
        </tbody>
      </table>
    </section>
  )
}

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
        words={minutes === 0 ? 'With the bed' : `${duration(charge.simmerMin - minutes)} before the end`}
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

function Row({ name, value }: { name: string; value: string }) {
  return (
    <tr className="border-rule border-b">
      <th scope="row" className="py-1 pr-3 text-left font-normal">
        {name}
      </th>
      <td className="py-1 text-right font-mono whitespace-nowrap">{value}</td>
    </tr>
  )
}
