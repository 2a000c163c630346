import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'

/** A figure that opens: what it rests on, in a box beside it. What is inside is only made, and asked for, once it is open. */
export function Opened({ of, says, children }: { of: string; says?: string; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className="border-rule text-15 text-ink bg-raised -my-1.5 grid size-7 shrink-0 cursor-pointer place-items-center rounded-md border-2 font-semibold"
        aria-label={`Why: ${of}`}
      >
        ?
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="center"
          collisionPadding={12}
          aria-label={`Why: ${of}`}
          className="border-ink bg-raised text-ink z-40 max-h-[calc(100dvh-24px)] w-[380px] max-w-[calc(100vw-24px)] overflow-y-auto border-2 px-4 py-3 text-left font-normal"
        >
          <p className="text-18 m-0 font-semibold">{of}</p>
          {says && <p className="text-15 text-quiet m-0">{says}</p>}
          {children}
          <Popover.Arrow className="fill-ink" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

/** What most of what is not known comes from. */
export function MostOfIt<T extends { bandShare: number }>({
  of,
  name,
}: {
  of: readonly T[]
  name: (one: T) => string
}) {
  const most = [...of].sort((a, b) => b.bandShare - a.bandShare)[0]
  return (
    <p className="text-15 mt-2 mb-0">
      {most && most.bandShare > 0
        ? `Most of what is not known comes from “${name(most)}”: ${Math.round(most.bandShare * 100)} % of the band.`
        : 'It is measured: nothing of it is guessed any more.'}
    </p>
  )
}
