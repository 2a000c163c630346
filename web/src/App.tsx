import { lazy, Suspense, useEffect } from 'react'
import { Navigate, Route, Routes, useLocation } from 'react-router'
import { actAs } from './api/outbox'
import { useLive } from './api/live'
import { useSession } from './api/queries'
import { VisitContext, type Person } from './kit/session'
import { StaysUp } from './kit/Fallen'
import { Shell } from './kit/Shell'
import { Empty, Failed, Loading } from './kit/Note'
import { SignIn } from './places/visit/SignIn'
import { FirstRun } from './places/visit/FirstRun'
import { OwnPassword } from './places/visit/OwnPassword'
import { AlarmStrip } from './places/range/AlarmStrip'
import { RangePlace } from './places/range/RangePlace'
import { CallsPlace } from './places/calls/CallsPlace'

const ChargePlace = lazy(() => import('./places/formulas/ChargePlace'))
const ComparePlace = lazy(() => import('./places/formulas/ComparePlace'))
const EditPlace = lazy(() => import('./places/formulas/EditPlace'))
const FormulasPlace = lazy(() => import('./places/formulas/FormulasPlace'))
const BatchPlace = lazy(() => import('./places/batch/BatchPlace'))
const BatchesPlace = lazy(() => import('./places/batch/BatchesPlace'))
const CoursePlace = lazy(() => import('./places/course/CoursePlace'))
const ColdPlace = lazy(() => import('./places/coldside/ColdPlace'))
const LotPlace = lazy(() => import('./places/coldside/LotPlace'))
const HandOverPlace = lazy(() => import('./places/range/HandOverPlace'))
const LarderPlace = lazy(() => import('./places/larder/LarderPlace'))
const BoxPlace = lazy(() => import('./places/larder/BoxPlace'))
const TracePlace = lazy(() => import('./places/trace/TracePlace'))
const KitchenPlace = lazy(() => import('./places/kitchen/KitchenPlace'))

export function App() {
  const session = useSession()
  const location = useLocation()
  const person = session.data?.person
  const connected = useLive(person !== undefined)
  useEffect(() => actAs(person && signs(person) ? person : undefined), [person])
  if (session.isPending) return <Loading what="the kitchen" />
  if (session.isError)
    return <Failed what="The kitchen" error={session.error} onRetry={() => void session.refetch()} />
  if (session.data.firstRun) return <FirstRun />
  if (!person) {
    if (location.pathname === '/sign-in') return <SignIn session={session.data} />
    return <Navigate to="/sign-in" replace state={{ from: location.pathname + location.search }} />
  }
  if (person.signature === 'ONCE') return <OwnPassword session={session.data} />
  const home = person.rights.includes('READ') ? '/range' : '/calls'
  return (
    <VisitContext
      value={{
        person,
        kitchen: session.data.kitchen ?? '',
        zone: session.data.timeZone ?? 'UTC',
        shared: session.data.shared,
        startedAgain: session.data.startedAgain,
      }}
    >
      <Shell connected={connected} alarms={wakes(person) && <AlarmStrip />}>
        <StaysUp at={location.pathname}>
          <Suspense fallback={<Loading what="the place" />}>
            <Routes>
              <Route path="/" element={<Navigate to={home} replace />} />
              <Route path="/sign-in" element={<Back home={home} />} />
              {person.rights.includes('READ') && (
                <>
                  <Route path="/range" element={<RangePlace />} />
                  <Route path="/formulas" element={<FormulasPlace />} />
                  <Route path="/formulas/:slug" element={<ChargePlace />} />
                  <Route path="/formulas/:slug/edit" element={<EditPlace />} />
                  <Route path="/compare" element={<ComparePlace />} />
                  <Route path="/course" element={<CoursePlace />} />
                  <Route path="/batches" element={<BatchesPlace />} />
                  <Route path="/batches/:id" element={<BatchPlace />} />
                  <Route path="/cold" element={<ColdPlace />} />
                  <Route path="/hand-over" element={<HandOverPlace />} />
                  <Route path="/larder" element={<LarderPlace />} />
                  <Route path="/larder/:id" element={<BoxPlace />} />
                  <Route path="/trace" element={<TracePlace />} />
                  <Route path="/kitchen" element={<KitchenPlace />} />
                </>
              )}
              <Route path="/calls" element={<CallsPlace />} />
              <Route path="/lots/:id" element={<LotPlace />} />
              <Route
                path="*"
                element={<Empty title="There is no such place here">Choose one above, or go back.</Empty>}
              />
            </Routes>
          </Suspense>
        </StaysUp>
      </Shell>
    </VisitContext>
  )
}

/** Whether what is logged here is somebody's. */
const signs = (person: Person) => person.signature === 'PASSWORD' || person.signature === 'PIN'

/** Alarms sound for whoever works at the pots, and at a shared tablet also while nobody has signed. */
const wakes = (person: Person) => person.rights.includes('ACT') || person.signature === 'NOBODY'

/** After signing in: to where the person was going. */
function Back({ home }: { home: string }) {
  const state: unknown = useLocation().state
  const from = (state as { from?: string } | null)?.from
  return <Navigate to={from && from !== '/sign-in' ? from : home} replace />
}
