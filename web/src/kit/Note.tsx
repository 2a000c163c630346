import { useSyncExternalStore, type ReactNode } from 'react'
import type { Problem } from '../api/client'
import { Button } from './Button'

/** Something to know before going on: amber to watch, hazard for safety only. */
export function Note({
  tone = 'amber',
  children,
}: {
  tone?: 'amber' | 'hazard' | 'plain'
  children: ReactNode
}) {
  const look = {
    amber: 'border-amber bg-amber-ground text-amber',
    hazard: 'border-hazard text-hazard bg-raised',
    plain: 'border-river bg-raised text-ink',
  }[tone]
  return <div className={`text-15 border-l-4 px-3 py-2 ${look}`}>{children}</div>
}

/** A refusal that belongs to no field; one that does is told beside it. */
export function Refused({ problem }: { problem?: Problem | null }) {
  return problem && Object.keys(problem.fields).length === 0 ? <Note>{problem.message}</Note> : null
}

/** A secret that was just made and can be copied now and never again. */
export function ToldOnce({ what, lines }: { what: string; lines: string[] }) {
  return (
    <div className="mt-3">
      <Note tone="plain">
        {what}
        {lines.map((line) => (
          <code key={line} className="text-15 mt-1 block break-all select-all">
            {line}
          </code>
        ))}
      </Note>
    </div>
  )
}

export function Loading({ what }: { what: string }) {
  const connected = useSyncExternalStore(onConnection, () => navigator.onLine)
  if (!connected)
    return (
      <div role="status" className="grid gap-2 p-8">
        <h1 className="text-18 m-0 font-semibold">
          No connection, and {what} was not seen on this screen before it went.
        </h1>
        <p className="text-18 text-quiet m-0">It comes by itself when the connection is back.</p>
      </div>
    )
  return (
    <p role="status" className="text-18 text-quiet p-8">
      Fetching {what} …
    </p>
  )
}

function onConnection(changed: () => void) {
  window.addEventListener('online', changed)
  window.addEventListener('offline', changed)
  return () => {
    window.removeEventListener('online', changed)
    window.removeEventListener('offline', changed)
  }
}

export function Failed({ what, error, onRetry }: { what: string; error: Error; onRetry: () => void }) {
  return (
    <div role="alert" className="grid justify-items-start gap-3 p-8">
      <h1 className="text-18 m-0 font-semibold">
        {what} could not be fetched. {error.message}
      </h1>
      <Button onClick={onRetry}>Try again</Button>
    </div>
  )
}

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="grid max-w-[60ch] gap-2 py-8">
      <p className="text-24 m-0 font-bold">{title}</p>
      <div className="text-18 text-quiet">{children}</div>
    </div>
  )
}

export function Heading({ children, aside }: { children: ReactNode; aside?: ReactNode }) {
  return (
    <div className="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
      <h2 className="text-18 m-0 font-bold">{children}</h2>
      {aside && <div className="text-15 text-quiet">{aside}</div>}
    </div>
  )
}
