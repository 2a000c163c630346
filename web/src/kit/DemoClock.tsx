import { useQueryClient } from '@tanstack/react-query'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { moveDemo, type Move } from '../api/demo'
import { useSession } from '../api/queries'
import { useTimes } from './session'
import { useOver } from './over'

const moves: [string, Move][] = [
  ['10 minutes on', { minutes: 10 }],
  ['An hour on', { minutes: 60 }],
  ['To the next act', { toTheNextAct: true }],
]

/** The kitchen's clock. In the demo it opens to what moves it on, for nobody who tries it waits eight hours. */
export function Clock() {
  const { now, clock } = useTimes()
  const demo = (useSession().data?.demo.length ?? 0) > 0
  if (!demo)
    return (
      <time className="text-24 hidden sm:block" aria-label="Kitchen time">
        {clock(now)}
      </time>
    )
  return <DemoClock shows={clock(now)} />
}

function DemoClock({ shows }: { shows: string }) {
  const client = useQueryClient()
  const [works, setWorks] = useState(false)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState('')
  const move = async (by: Move) => {
    setBusy(true)
    setProblem((await moveDemo(by, works)) ?? '')
    setBusy(false)
    await client.invalidateQueries()
  }
  const item =
    'flex min-h-[48px] items-center justify-between gap-6 px-4 text-15 outline-none data-[highlighted]:bg-sunken data-[disabled]:text-quiet cursor-pointer'
  const { trigger, over } = useOver()
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        ref={trigger}
        className="text-24 flex min-h-[48px] items-center gap-2"
        aria-label={`Kitchen time ${shows}; move the demo on`}
      >
        <time className="hidden sm:block">{shows}</time>
        <Onward />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal container={over}>
        <DropdownMenu.Content align="end" className="border-ink bg-raised z-40 min-w-[260px] border-2">
          <DropdownMenu.Label className="border-rule text-15 border-b px-4 py-3">
            <b className="font-semibold">The demo’s clock</b>
            <br />
            <span className="text-quiet">
              {busy ? 'Moving on …' : problem || 'The pots go on with it, as they would.'}
            </span>
          </DropdownMenu.Label>
          {moves.map(([name, by]) => (
            <DropdownMenu.Item
              key={name}
              className={item}
              disabled={busy}
              onSelect={(event) => {
                event.preventDefault()
                void move(by)
              }}
            >
              {name}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.CheckboxItem
            className={`${item} border-rule border-t`}
            checked={works}
            onCheckedChange={setWorks}
            onSelect={(event) => event.preventDefault()}
          >
            {works ? 'The cook is at work meanwhile' : 'The pots are left alone meanwhile'}
            <span
              aria-hidden
              className={`border-ink grid h-6 w-10 border-2 ${works ? 'bg-river justify-end' : 'justify-start'}`}
            >
              <span className="bg-ink block h-full w-4" />
            </span>
          </DropdownMenu.CheckboxItem>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** On to a mark. */
function Onward() {
  return (
    <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden>
      <path d="M3 11 H15 M11 6 L16 11 L11 16" fill="none" stroke="currentColor" strokeWidth="2" />
      <path d="M19 5 V17" stroke="currentColor" strokeWidth="2" />
    </svg>
  )
}
