import { Popover } from 'radix-ui'
import type { Schemas } from '../api/client'
import { basisName, causeName } from '../words/en'
import { useUnits } from './session'

type Reason = Schemas['WhyView']

/** Why so many litres: what comes in and what goes, each with what it rests on; and what would change it most. */
export function Why({ of, reasons, out }: { of: string; reasons: Reason[]; out: Schemas['BandView'] }) {
  const units = useUnits()
  const most = [...reasons].sort((a, b) => b.bandShare - a.bandShare)[0]
  const longest = Math.max(...reasons.map((reason) => reason.litres), 0.001)
  return (
    <Popover.Root>
      <Popover.Trigger
        className="border-rule text-15 text-ink bg-raised grid size-8 place-items-center rounded-md border-2 font-semibold"
        aria-label={`Why: ${of}`}
      >
        ?
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="center"
          collisionPadding={12}
          className="border-ink bg-raised z-40 max-h-[calc(100dvh-24px)] w-[380px] max-w-[calc(100vw-24px)] overflow-y-auto border-2 px-4 py-3"
        >
          <h2 className="text-18 m-0 font-semibold">{of}</h2>
          <p className="text-15 text-quiet m-0">
            {units.estimate(out)}, likely {units.spread(out)}.
          </p>
          <table className="text-15 mt-2 w-full">
            <tbody>
              {reasons.map((reason) => (
                <tr key={reason.term} className="border-rule border-t">
                  <th scope="row" className="py-1 text-left font-normal">
                    {causeName[reason.term]}
                    <span className="text-13 text-quiet block">{basisName[reason.basis]}</span>
                  </th>
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
                </tr>
              ))}
            </tbody>
          </table>
          <p className="text-15 mt-2 mb-0">
            {most && most.bandShare > 0
              ? `Most of what is not known comes from “${causeName[most.term]}”: ${Math.round(most.bandShare * 100)} % of the band.`
              : 'It is measured: nothing of it is guessed any more.'}
          </p>
          <Popover.Arrow className="fill-ink" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
