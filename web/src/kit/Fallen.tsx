import type { ReactNode } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { Button } from './Button'

/** Keeps a fault in what it shows from taking the whole screen: says so, and that nothing logged is lost. Another place is tried as soon as one goes there. */
export function StaysUp({ at, children }: { at: string; children: ReactNode }) {
  return (
    <ErrorBoundary
      resetKeys={[at]}
      fallbackRender={({ resetErrorBoundary }) => <Fallen onRetry={resetErrorBoundary} />}
    >
      {children}
    </ErrorBoundary>
  )
}

function Fallen({ onRetry }: { onRetry: () => void }) {
  return (
    <div role="alert" className="grid max-w-[60ch] justify-items-start gap-3 p-8">
      <h1 className="text-24 m-0 font-bold">This page has a fault and cannot be shown.</h1>
      <p className="text-18 text-quiet m-0">
        What was logged is kept, and so is what waits to be sent. The other places work; tell whoever looks
        after Potamos where it happened.
      </p>
      <div className="flex gap-2">
        <Button onClick={onRetry}>Try again</Button>
        <Button onClick={() => window.location.reload()}>Load it anew</Button>
      </div>
    </div>
  )
}
