import {
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react'
import { NavLink, useLocation, useNavigate } from 'react-router'
import { kitchenTime } from '../api/clock'
import { act, forgetLast, log, useOutbox } from '../api/outbox'
import { newerThere, onNewer } from '../offline/newer'
import { onSeen, seenAt } from '../offline/seen'
import { eventName } from '../words/en'
import { duration } from '../words/time'
import { Button } from './Button'
import { Clock } from './DemoClock'
import { keySheet, useKeys } from './keys'
import { PersonMenu } from './PersonMenu'
import { useMay, useTimes } from './session'
import { Sheet } from './Sheet'
import { StartedAgain, Unsettled } from './Unsettled'
import { SignBar } from './SignBar'

const places = [
  { to: '/range', name: 'Range', right: 'READ' },
  { to: '/calls', name: 'Calls', right: 'ASK' },
  { to: '/course', name: 'Course', right: 'READ' },
  { to: '/formulas', name: 'Formulas', right: 'READ' },
  { to: '/larder', name: 'Larder', right: 'READ' },
  { to: '/cold', name: 'Cold side', right: 'READ' },
  { to: '/batches', name: 'Batches', right: 'READ' },
  { to: '/kitchen', name: 'Kitchen', right: 'READ' },
] as const

/** What every place stands in: its name and the others', the kitchen's clock, what waits to be sent, and the way back. */
export function Shell({
  connected,
  alarms,
  children,
}: {
  connected: boolean
  /** What must be heard wherever one is. It moves nothing that a hand is about to tap. */
  alarms?: ReactNode
  children: ReactNode
}) {
  const may = useMay()
  const navigate = useNavigate()
  const { time } = useTimes()
  const [keysOpen, setKeysOpen] = useState(false)
  const outbox = useOutbox()
  const undo = useUndo()
  const foot = useFoot()
  const bar = usePlaceInSight()
  useKeys(
    useMemo(
      () => ({ '?': () => setKeysOpen(true), g: () => void navigate('/range'), z: () => void undo?.() }),
      [navigate, undo],
    ),
  )
  return (
    <div className="flex min-h-dvh flex-col">
      <a
        href="#work"
        className="bg-ink text-surface sr-only z-40 px-4 py-3 font-semibold focus:not-sr-only focus:fixed focus:top-1 focus:left-1"
      >
        To the work
      </a>
      <header className="border-ink bg-surface sticky top-0 z-10 flex items-center gap-x-4 border-b-2 px-4 md:px-6">
        <NavLink
          to="/"
          className="text-18 text-ink hidden font-bold no-underline md:block"
          aria-label="Potamos, home"
        >
          <Wordmark narrow />
        </NavLink>
        <nav ref={bar} aria-label="Places" className="-mx-[6px] flex flex-1 overflow-x-auto">
          {places
            .filter((place) => may(place.right))
            .map((place) => (
              <NavLink
                key={place.to}
                to={place.to}
                className={({ isActive }) =>
                  `text-15 relative flex min-h-[52px] items-center px-[6px] font-semibold whitespace-nowrap no-underline ${isActive ? 'text-ink' : 'text-quiet'}`
                }
              >
                {({ isActive }) => (
                  <>
                    {place.name}
                    {isActive && <Waterline />}
                  </>
                )}
              </NavLink>
            ))}
        </nav>
        {alarms}
        <Clock />
        <PersonMenu onKeys={() => setKeysOpen(true)} />
        <div className="absolute inset-x-0 top-full">
          <Newer />
          <Waiting connected={connected} />
        </div>
      </header>
      <Unsettled />
      <StartedAgain />
      <main
        id="work"
        tabIndex={-1}
        className="mx-auto w-full max-w-[1440px] flex-1 px-4 py-4 md:px-6 md:py-5"
      >
        {children}
      </main>
      <div ref={foot} className="sticky bottom-0 z-10">
        {outbox.last && undo && (
          <div
            role="status"
            className="border-ink bg-raised flex items-center justify-between gap-4 border-t-2 px-4 py-1 md:px-6"
          >
            <span>
              <b className="font-semibold">{eventName[outbox.last.act.kind]}</b> at {time(outbox.last.act.at)}
            </span>
            <span className="flex">
              <Button tone="quiet" onClick={() => void undo()}>
                Undo
              </Button>
              <Button tone="quiet" onClick={forgetLast}>
                Keep as it is
              </Button>
            </span>
          </div>
        )}
        <SignBar />
      </div>
      <Sheet title="Keys and colours" open={keysOpen} onClose={() => setKeysOpen(false)}>
        <Legend />
        <dl className="text-18 grid grid-cols-[80px_1fr] gap-y-3">
          {keySheet.map(([key, does]) => (
            <div key={key} className="contents">
              <dt className="font-semibold">{key}</dt>
              <dd className="m-0">{does}</dd>
            </div>
          ))}
        </dl>
      </Sheet>
    </div>
  )
}

/** What colours and lines mean, once, in words. */
function Legend() {
  return (
    <ul className="m-0 mb-6 grid list-none gap-2 p-0">
      {legend.map(([look, words]) => (
        <li key={words} className="text-15 grid grid-cols-[44px_1fr] items-center gap-3">
          <span className={`block ${look}`} aria-hidden />
          {words}
        </li>
      ))}
    </ul>
  )
}

const legend: [string, string][] = [
  ['bg-river h-5', 'what you can press, and what is done'],
  ['bg-ember h-5', 'due now, late, or hot'],
  ['bg-amber h-5', 'mind this: it can still be put right'],
  ['bg-hazard h-5', 'a danger to whoever eats or works here'],
  ['bg-frost h-5', 'cold, and everything of cooling'],
  ['border-quiet border-t-2 border-dashed', 'as it was planned'],
  ['border-ink border-t-2', 'as it went'],
  ['border-ink border-t-2 border-dotted', 'as it will most likely go on'],
  ['bg-ink/20 h-5', 'the band: four times of five it lies within'],
]

/** On a narrow screen the bar is longer than there is room for: where one is stands in the middle of it. */
function usePlaceInSight() {
  const bar = useRef<HTMLElement>(null)
  const { pathname } = useLocation()
  useLayoutEffect(() => {
    const here = bar.current?.querySelector<HTMLElement>('[aria-current]')
    if (!bar.current || !here) return
    const middle = here.offsetLeft - bar.current.offsetLeft + here.offsetWidth / 2
    bar.current.scrollLeft = middle - bar.current.clientWidth / 2
  }, [pathname])
  return bar
}

/** Tells how high the lower edge is taken, so that what hangs there on a narrow screen hangs above it. */
function useFoot() {
  const foot = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!foot.current || !('ResizeObserver' in window)) return
    const measure = new ResizeObserver(([entry]) =>
      document.documentElement.style.setProperty('--foot', `${entry!.contentRect.height}px`),
    )
    measure.observe(foot.current)
    return () => measure.disconnect()
  }, [])
  return foot
}

/** Shorter than this is no matter for words: every act waits for a moment, and every page connects anew. */
const WORTH_SAYING_MS = 1500

/** Another build of these pages is there: it loads by itself once nobody is at them, or at a touch. */
function Newer() {
  const there = useSyncExternalStore(onNewer, newerThere)
  if (!there) return null
  return (
    <p
      role="status"
      className="border-river bg-raised text-15 m-0 flex min-h-[48px] items-center justify-between gap-4 border-b px-4 py-1 md:px-6"
    >
      <span>A new version of Potamos is there. It loads by itself in a quiet moment.</span>
      <Button onClick={() => window.location.reload()}>Load it now</Button>
    </p>
  )
}

/** What has not reached the server yet. */
function Waiting({ connected }: { connected: boolean }) {
  const { waiting, others } = useOutbox()
  const { time, now } = useTimes()
  const seen = useSyncExternalStore(onSeen, seenAt)
  const stood = seen === undefined ? undefined : kitchenTime(seen)
  // A server that is slow beyond waiting leaves an old answer in view as well as one that is away.
  const trouble = !connected || waiting.length > 0 || others.length > 0 || stood !== undefined
  const [long, setLong] = useState(false)
  useEffect(() => {
    if (!trouble) return
    const timer = setTimeout(() => setLong(true), WORTH_SAYING_MS)
    return () => {
      clearTimeout(timer)
      setLong(false)
    }
  }, [trouble])
  if (!trouble || !long) return null
  return (
    <p
      role="status"
      className="border-amber bg-amber-ground text-15 text-amber m-0 border-b px-4 py-2 md:px-6"
    >
      {connected ? '' : 'No connection. What you log is kept here and sent when it is back. '}
      {stood !== undefined &&
        `Shown as it stood at ${time(stood)}, ${duration((now - stood) / 60_000)} ago. `}
      {waiting.length > 0 &&
        `${waiting.length} ${waiting.length === 1 ? 'act waits' : 'acts wait'} to be sent. `}
      {others.length > 0 &&
        `${others.length} ${others.length === 1 ? 'act waits' : 'acts wait'} for ${initials(others)} to be here again.`}
    </p>
  )
}

const initials = (items: { by?: { initials: string } }[]) =>
  [...new Set(items.map((item) => item.by?.initials))].join(', ')

const UNDO_MS = 60_000

/** Takes back the last act, within a minute: as a withdrawal in the record, never as if it had not been. */
function useUndo() {
  const outbox = useOutbox()
  const { now } = useTimes()
  const last = outbox.last
  const fresh = last !== undefined && now - new Date(last.act.at).getTime() < UNDO_MS
  return useMemo(
    () =>
      fresh && last
        ? async () => {
            forgetLast()
            await log(last.batchId, act('withdrawn', { corrects: last.act.id, reason: 'undone' }))
          }
        : undefined,
    [fresh, last],
  )
}

function Waterline() {
  return (
    <svg
      aria-hidden
      className="absolute inset-x-3 bottom-1 h-[6px] w-[calc(100%-24px)]"
      preserveAspectRatio="none"
      viewBox="0 0 60 6"
    >
      <path d="M0 3q7.5 -5 15 0t15 0t15 0t15 0" fill="none" stroke="var(--river)" strokeWidth="2.5" />
    </svg>
  )
}

/** @param narrow where there is little room, the vessel alone */
export function Wordmark({ narrow = false }: { narrow?: boolean }) {
  return (
    <span className="inline-flex items-center gap-2">
      <svg width="26" height="26" viewBox="0 0 32 32" aria-hidden>
        <path
          d="M4 6v18a4 4 0 0 0 4 4h16a4 4 0 0 0 4-4V6"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="3"
          strokeLinecap="round"
        />
        <path
          d="M6 15c4-3 7 3 11 0s6-2 9 0v8.5a2.5 2.5 0 0 1-2.5 2.5h-15A2.5 2.5 0 0 1 6 23.5z"
          fill="var(--river)"
        />
      </svg>
      <span className={narrow ? 'hidden lg:inline' : ''}>Potamos</span>
    </span>
  )
}
