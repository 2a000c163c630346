import { useProvisions, type Provision } from '../../api/larder'
import { Heading } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'

const DAYS = 3

/** What the course of the coming days wants, and the larder has not: to order, and to take out of the freezer in time. */
export function Lacks() {
  const provisions = useProvisions(DAYS)
  const units = useUnits()
  const { day, now } = useTimes()
  if (!provisions.data) return null
  const thaw = provisions.data.filter((one) => one.frozenKg > 0)
  const order = lacking(provisions.data)
  return (
    <aside aria-label="For the course" className="grid content-start gap-7">
      <section>
        <Heading aside="for the course">Out of the freezer</Heading>
        {thaw.length === 0 && (
          <p className="text-15 text-quiet m-0">Nothing has to thaw for the coming days.</p>
        )}
        <ul className="m-0 list-none p-0">
          {thaw.map((one) => (
            <li key={`${one.at} ${one.goods}`} className="border-rule border-t py-2 last:border-b">
              <b className="text-18 block font-semibold">
                {units.kg(one.frozenKg)} {one.name.toLowerCase()}
              </b>
              <span
                className={`text-15 ${one.thawFrom && new Date(one.thawFrom).getTime() < now ? 'text-ember font-semibold' : ''}`}
              >
                {one.thawFrom && new Date(one.thawFrom).getTime() < now
                  ? `now: it should have come out ${day(one.thawFrom)}`
                  : one.thawFrom && `by ${day(one.thawFrom)}`}
              </span>
              <span className="text-15 text-quiet block">
                for {one.formulaName.toLowerCase()} in {one.vessel}, {day(one.at)}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section>
        <Heading
          aside={
            <a href={`/api/course/needs.csv?days=${DAYS}`} download>
              As a table
            </a>
          }
        >
          To order
        </Heading>
        {order.length === 0 && (
          <p className="text-15 text-quiet m-0">All is there for the next {DAYS} days.</p>
        )}
        <table className="text-15 w-full">
          <tbody>
            {order.map(([goods, lack]) => (
              <tr key={goods} className="border-rule border-t">
                <th scope="row" className="py-2 pr-3 text-left font-normal">
                  <span className="block first-letter:uppercase">{lack.name}</span>
                  <span className="text-13 text-quiet block">first for {day(lack.at)}</span>
                </th>
                <td className="text-18 py-2 text-right align-top font-semibold whitespace-nowrap">
                  {units.kg(lack.kg)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </aside>
  )
}

/** By what lacks, with the sum and when it is wanted first; the largest first. */
function lacking(all: readonly Provision[]): [string, { name: string; kg: number; at: string }][] {
  const sums = new Map<string, { name: string; kg: number; at: string }>()
  for (const one of all) {
    if (one.lacksKg <= 0) continue
    const sum = sums.get(one.goods)
    if (sum) sum.kg += one.lacksKg
    else sums.set(one.goods, { name: one.name, kg: one.lacksKg, at: one.at })
  }
  return [...sums].sort(([, a], [, b]) => b.kg - a.kg)
}
