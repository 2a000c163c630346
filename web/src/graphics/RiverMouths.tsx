import { liquorColour } from './liquor'
import { ms, type Leaving } from './river'
import { DONE, WIDTH } from './riverMeasure'
import { Words } from './RiverWords'

/** Litres that leave at the hour of a call, from a width of the bank to the hour itself; what is missing is an empty bed. */
export function Mouth({
  call,
  at,
  left,
  wide,
  bank,
  end,
}: {
  call: Leaving
  at: number
  left: number
  wide: number
  bank: number
  end: number
}) {
  const right = left + wide
  return (
    <path
      d={`M${left} ${bank}C${left} ${bank + 18} ${at} ${bank + 22} ${at} ${end}H${at + 3}C${at + 3} ${bank + 22} ${right} ${bank + 18} ${right} ${bank}Z`}
      fill={call.missing > 0 ? 'none' : liquorColour(call.family, DONE)}
      stroke={amiss(call) ? 'var(--ember)' : 'none'}
      strokeWidth={2}
      strokeDasharray={call.missing > 0 ? '4 3' : undefined}
    />
  )
}

const amiss = (call: Leaving) => call.missing > 0 || call.lateMin > 0

/** Who wants what at the end of a mouth; over all mouths, which would run through its letters otherwise. */
export function MouthWords({
  call,
  at,
  end,
  says,
  clock,
}: {
  call: Leaving
  at: number
  end: number
  says: string
  clock: (at: number) => string
}) {
  const said = Math.min(at, WIDTH - 120)
  return (
    <g>
      <Words x={said} y={end + 17} fontWeight={600} fill={amiss(call) ? 'var(--ember)' : 'var(--ink)'}>
        {says}
      </Words>
      <Words x={said} y={end + 33} fontSize={14} fill="var(--quiet)">
        {clock(ms(call.by))}
      </Words>
    </g>
  )
}
