import { useState } from 'react'
import { useWaysOut } from '../../api/queries'
import { Button } from '../../kit/Button'
import { useMay, useTimes } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { NOW } from './trouble'
import { WaysOut } from './WaysOut'

/** What happened since leaves no room for what is accepted: told where pots and plans are seen, with the ways out behind it. */
export function HitNow({ notBegun }: { notBegun: boolean }) {
  const may = useMay()
  const { day } = useTimes()
  const [open, setOpen] = useState(false)
  const waits = may('PLAN') && notBegun
  const looked = useWaysOut(waits ? NOW : undefined)
  const ways = looked.data?.ways ?? []
  if (!waits || ways.length === 0) return null
  const hit = ways[0]!.moved.flatMap(({ number, formulaName, from }) =>
    number && from ? [`${formulaName}, batch ${number}, in ${from.vesselName} from ${day(from.start)}`] : [],
  )
  return (
    <div className="border-ember bg-raised mb-3 flex flex-wrap items-center justify-between gap-3 border-l-4 px-4 py-2">
      <span className="text-18">
        {hit.length > 0
          ? `There is no room any more for ${hit.join(', and for ')}.`
          : 'Not all fits any more.'}
      </span>
      <Button tone="act" onClick={() => setOpen(true)}>
        See the ways out
      </Button>
      {open && (
        <Sheet title="Ways out" open onClose={() => setOpen(false)}>
          <WaysOut looked={looked.data!} trouble={NOW} take="Take this way" onTaken={() => setOpen(false)} />
        </Sheet>
      )}
    </div>
  )
}
