import { useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import { newId } from '../../api/client'
import { useTheCourse } from '../../api/queries'
import { River, type Course, type Guest } from '../../graphics/River'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { useKeys } from '../../kit/keys'
import { Empty, Failed, Loading, Note } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { ToMake } from './ToMake'
import {
  placed,
  startsLater,
  stopLooking,
  useCourseChanges,
  type Call,
  type Draft,
  type Moved,
} from './changes'
import { useVessels } from './vessels'
import { HitNow } from './HitNow'
import { Missing } from './Missing'
import { InHand } from './InHand'
import { LeftBank } from './LeftBank'
import { FromTheShelf, Late, Papers } from './Lists'

const spans = [
  { value: '1', name: 'Day' },
  { value: '3', name: 'Three days' },
  { value: '7', name: 'Week' },
]

/** The whole kitchen on one axis: what is open of its calls, laid beside what is under way and around what is held. */
export default function CoursePlace() {
  const [days, setDays] = useState('3')
  const course = useTheCourse(Number(days))
  if (course.isPending) return <Loading what="the course" />
  if (!course.data)
    return <Failed what="The course" error={course.error} onRetry={() => void course.refetch()} />
  const it = course.data
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-24 m-0 font-bold">Course</h1>
          <p className="text-15 text-quiet m-0">{summary(it)}</p>
        </div>
        <Choice label="How far it looks" value={days} onValue={setDays} options={spans} />
      </div>
      {it.calls.length === 0 && it.aside.length === 0 && it.lots.length === 0 && it.drafts.length === 0 ? (
        <Empty title="Nothing is open">
          What stations call for is laid here as soon as it is asked: in which pot, when, and out of what.{' '}
          <Link to="/calls" className="text-river">
            See the calls
          </Link>
        </Empty>
      ) : (
        <Laid course={it} days={Number(days)} />
      )}
    </>
  )
}

function Laid({ course, days }: { course: Course; days: number }) {
  const [pointed, setPointed] = useState<string>()
  const [taken, setTaken] = useState<string>()
  const [guest, setGuest] = useState<Guest>()
  const river = useRef<HTMLDivElement>(null)
  const units = useUnits()
  const may = useMay()
  const { clock, day } = useTimes()
  const changes = useCourseChanges(course, days)
  const vessels = useVessels()
  const inHand = course.drafts.find((draft) => draft.id === taken)
  const plans = may('PLAN')
  const hold = (draft: Draft, moved?: Moved) => {
    // A key that is held down would change what its own first change has changed already.
    if (changes.busy) return
    const id = draft.held ? draft.id : newId()
    changes.hold.mutate({ id, place: placed(draft, moved) }, { onSuccess: () => setTaken(id) })
  }
  const bring = (call: Call, place?: { start: string; vesselId: string }) => {
    if (changes.busy) return
    const id = newId()
    const done = { onSuccess: () => setTaken(id) }
    if (place) {
      const { formula, missing } = call
      changes.hold.mutate({ id, place: { formula, litres: missing, ...place }, callId: call.id }, done)
    } else changes.bringIn.mutate({ callId: call.id, draftId: id }, done)
  }
  useKeys(
    useMemo(
      (): Record<string, () => void> =>
        plans && course.held.canUndo && !changes.busy ? { z: () => changes.undo.mutate() } : {},
      [plans, course.held.canUndo, changes.busy, changes.undo],
    ),
  )
  return (
    <>
      {plans && <Steps course={course} changes={changes} />}
      {changes.problem && <Note>{changes.problem.message}</Note>}
      <HitNow notBegun={course.running.some((batch) => batch.notBegun)} />
      <Unmade course={course} onRelease={(id) => changes.release.mutate(id)} />
      <LeftBank
        course={course}
        river={river}
        vessels={vessels}
        plans={plans}
        busy={changes.busy}
        onOver={setGuest}
        onDrop={(call, start, vesselId) => bring(call, { start, vesselId })}
        onBringIn={bring}
        onLay={(call) => changes.lay.mutate(call.id)}
        onSetAside={(call) => changes.setAside.mutate(call.id)}
      />
      <div ref={river} className="hidden md:block">
        <River
          course={course}
          chosen={pointed ?? taken}
          onChoose={setTaken}
          onMove={
            plans
              ? (id, minutes, vesselId) => {
                  const draft = course.drafts.find((one) => one.id === id)
                  if (draft)
                    hold(draft, { start: startsLater(draft, minutes), ...(vesselId && { vesselId }) })
                }
              : undefined
          }
          guest={guest}
          vessels={vessels}
          clock={clock}
          day={day}
          litres={(value) => units.litres(value)}
          kg={(value) => units.kg(value)}
          heat={(celsius) => units.celsius(celsius, 1)}
          label={summary(course)}
        />
      </div>
      {inHand && (
        <InHand
          course={course}
          days={days}
          draft={inHand}
          busy={changes.busy}
          vessels={vessels}
          onSplit={() => changes.split.mutate(inHand.id)}
          onJoin={(otherId) =>
            changes.join.mutate({ id: inHand.id, otherId }, { onSuccess: () => setTaken(undefined) })
          }
          onHold={(moved) => hold(inHand, moved)}
          onRelease={() => changes.release.mutate(inHand.id, { onSuccess: () => setTaken(undefined) })}
          onShelve={() => changes.shelve.mutate(inHand.id, { onSuccess: () => setTaken(undefined) })}
          onAccept={() => changes.accept.mutate([inHand], { onSuccess: () => setTaken(undefined) })}
          onClose={() => setTaken(undefined)}
        />
      )}
      <ToMake
        course={course}
        taken={taken}
        busy={changes.busy}
        onPoint={setPointed}
        onTake={setTaken}
        onAccept={(drafts) => changes.accept.mutate(drafts)}
      />
      <FromTheShelf course={course} />
      <Papers days={days} />
      <Late calls={course.calls.filter((call) => call.missing === 0 && call.lateMin > 0)} />
      <Missing />
    </>
  )
}

const LOOK_S = 8

/** Looking for a better one, and back and forth through what was changed. */
function Steps({ course, changes }: { course: Course; changes: ReturnType<typeof useCourseChanges> }) {
  const looked = changes.look.data
  const found = looked?.held.version === course.held.version ? looked.found : undefined
  const looking = changes.look.isPending
  return (
    <div className="mb-3 flex flex-wrap items-center gap-2">
      <Button disabled={changes.busy} onClick={() => changes.look.mutate(LOOK_S)}>
        {looking ? 'Looking …' : 'Look for a better one'}
      </Button>
      {looking && <Button onClick={() => void stopLooking()}>Stop here</Button>}
      <Button disabled={changes.busy || !course.held.canUndo} onClick={() => changes.undo.mutate()}>
        Undo
      </Button>
      <Button disabled={changes.busy || !course.held.canRedo} onClick={() => changes.redo.mutate()}>
        Redo
      </Button>
      {course.drafts.some((draft) => !draft.held) && (
        <Button disabled={changes.busy} onClick={() => changes.holdAll.mutate(course.until)}>
          Hold all as laid
        </Button>
      )}
      {course.drafts.some((draft) => draft.held) && (
        <Button disabled={changes.busy} onClick={() => changes.releaseAll.mutate()}>
          Let all go
        </Button>
      )}
      <span aria-live="polite" className="text-15 text-quiet">
        {looking
          ? `Fewer litres late first, then fewer batches: ${LOOK_S} seconds at most.`
          : found && goodness(found)}
      </span>
    </div>
  )
}

function goodness({ how, gap }: NonNullable<Course['found']>): string {
  if (how === 'PROVEN')
    return 'Proven best: nothing made of these calls is less late, or takes fewer batches.'
  if (how === 'CONSTRUCTIVE') return 'Nobody has looked further than this.'
  if (gap === 0) return 'Nothing is less late; fewer batches may be possible.'
  return gap === undefined
    ? 'How far from the best it is, is not known.'
    : `At most ${Math.ceil(gap * 100)} % of what comes late could be saved.`
}

/** What is held and cannot be made as it is any more. */
function Unmade({ course, onRelease }: { course: Course; onRelease: (id: string) => void }) {
  const units = useUnits()
  const { day } = useTimes()
  return course.unmade.map((one) => (
    <Note key={one.id}>
      {units.litres(one.litres)} of {one.formula}, held at {day(one.start)}: {one.reason}.{' '}
      <Button tone="quiet" onClick={() => onRelease(one.id)}>
        Let it go
      </Button>
    </Note>
  ))
}

function summary(course: Course): string {
  const make = course.drafts.length
  const late = course.calls.filter(wrong).length
  const open = course.calls.length
  const calls = open === 1 ? 'One call is open' : `${open} calls are open`
  const batches =
    make === 0
      ? open === 1
        ? 'what there is covers it'
        : 'what there is covers them'
      : make === 1
        ? 'one batch to make'
        : `${make} batches to make`
  const aside = course.aside.length
  const besides = aside === 0 ? '' : aside === 1 ? ' One is set aside.' : ` ${aside} are set aside.`
  if (open === 0) return aside === 0 ? 'No call is open.' : `Nothing is to be laid.${besides}`
  return `${calls}: ${batches}, ${late === 0 ? 'all in time' : late === 1 ? 'one late or short' : `${late} late or short`}.${besides}`
}

/** Not as it was asked for. */
const wrong = (call: Call) => call.missing > 0 || call.lateMin > 0
