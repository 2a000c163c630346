import { useState } from 'react'
import { Link } from 'react-router'
import { api, data, newId } from '../../api/client'
import { useChange, useTheCourse } from '../../api/queries'
import { River, type Course } from '../../graphics/River'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { Empty, Failed, Heading, Loading, Note } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { duration } from '../../words/time'

type Draft = Course['drafts'][number]
type Call = Course['calls'][number]

const spans = [
  { value: '1', name: 'Day' },
  { value: '3', name: 'Three days' },
  { value: '7', name: 'Week' },
]

/** The whole kitchen on one axis: what is open of its calls, laid beside what is under way. */
export default function CoursePlace() {
  const [days, setDays] = useState('3')
  const [chosen, setChosen] = useState<string>()
  const course = useTheCourse(Number(days))
  const units = useUnits()
  const { clock, day } = useTimes()
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
      {it.calls.length === 0 && it.lots.length === 0 ? (
        <Empty title="Nothing is open">
          What stations call for is laid here as soon as it is asked: in which pot, when, and out of what.{' '}
          <Link to="/calls" className="text-river">
            See the calls
          </Link>
        </Empty>
      ) : (
        <>
          <div className="hidden md:block">
            <River
              course={it}
              chosen={chosen}
              onChoose={setChosen}
              clock={clock}
              day={day}
              litres={(value) => units.litres(value)}
              label={summary(it)}
            />
          </div>
          <ToMake course={it} chosen={chosen} onChoose={setChosen} />
          <FromTheShelf course={it} />
          <NotMet calls={it.calls.filter(wrong)} />
        </>
      )}
    </>
  )
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
  if (open === 0) return 'No call is open.'
  return `${calls}: ${batches}, ${late === 0 ? 'all in time' : late === 1 ? 'one late or short' : `${late} late or short`}.`
}

const callOf = (course: Course, gives: Draft['gives'][number]) =>
  course.calls.find((call) => call.id === gives.callId)

/** Not as it was asked for. */
const wrong = (call: Call) => call.missing > 0 || call.lateMin > 0

/** How a batch of the course is accepted: for the first of its calls, at the hour and in the pot that were laid. */
function useAccept(course: Course) {
  return useChange(
    async (drafts: Draft[]) => {
      for (const draft of drafts) {
        const first = draft.gives
          .map((g) => callOf(course, g))
          .filter((call): call is Call => call !== undefined)
          .sort((a, b) => a.by.localeCompare(b.by))[0]
        await data(
          api.POST('/api/batches', {
            body: {
              id: newId(),
              callId: first?.id,
              charge: {
                formula: draft.formula,
                vesselId: draft.vesselId,
                burnerId: draft.burnerId,
                goal: 'LITRES',
                value: draft.litres,
                readyBy: first?.by ?? draft.ready,
                startAt: draft.start,
              },
            },
          }),
        )
      }
    },
    'the-course',
    'range',
    'calls',
    'batches',
  )
}

function ToMake({
  course,
  chosen,
  onChoose,
}: {
  course: Course
  chosen?: string
  onChoose: (id: string | undefined) => void
}) {
  const units = useUnits()
  const may = useMay()
  const { day } = useTimes()
  const accept = useAccept(course)
  const drafts = [...course.drafts].sort((a, b) => a.start.localeCompare(b.start))
  if (drafts.length === 0) return null
  return (
    <section className="mt-6">
      <Heading
        aside={
          may('PLAN') &&
          drafts.length > 1 && (
            <Button disabled={accept.isPending} onClick={() => accept.mutate(drafts)}>
              {accept.isPending ? 'Accepting …' : `Accept all ${drafts.length}`}
            </Button>
          )
        }
      >
        To make, by when it starts
      </Heading>
      <ul className="m-0 list-none p-0">
        {drafts.map((draft) => (
          <li
            key={draft.id}
            className={`border-rule grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-t py-3 last:border-b md:grid-cols-[150px_minmax(0,3fr)_minmax(0,3fr)_auto] ${chosen === draft.id ? 'bg-raised' : ''}`}
            onMouseEnter={() => onChoose(draft.id)}
            onMouseLeave={() => onChoose(undefined)}
          >
            <b className="text-18 font-semibold">{day(draft.start)}</b>
            <span className="order-last col-span-2 md:order-none md:col-span-1">
              <b className="text-18 font-semibold">
                {draft.formulaName}, {units.litres(draft.litres)}
              </b>
              <span className="text-15 text-quiet block">
                in {draft.vesselName}, ready {day(draft.ready)}
              </span>
            </span>
            <span className="text-15 order-last col-span-2 md:order-none md:col-span-1">
              {draft.gives
                .map((g) => {
                  const call = callOf(course, g)
                  return `${call?.station ?? ''} ${units.litres(g.litres)} by ${call ? day(call.by) : ''}`
                })
                .join('; ')}
            </span>
            {may('PLAN') && (
              <Button
                disabled={accept.isPending}
                onClick={() => accept.mutate([draft])}
                aria-label={`Accept ${draft.formulaName} in ${draft.vesselName}`}
              >
                Accept
              </Button>
            )}
          </li>
        ))}
      </ul>
      {accept.error && <Note>{accept.error.message}</Note>}
    </section>
  )
}

/** Litres that are there already, or coming, and whose they would be. */
function FromTheShelf({ course }: { course: Course }) {
  const units = useUnits()
  const { day } = useTimes()
  const lots = course.lots.filter((lot) => lot.gives.length > 0)
  if (lots.length === 0) return null
  return (
    <section className="mt-6">
      <Heading aside="oldest first">From what there is</Heading>
      <ul className="m-0 list-none p-0">
        {lots.flatMap((lot) =>
          lot.gives.map((g) => {
            const call = callOf(course, g)
            return (
              <li
                key={lot.id + g.callId}
                className="border-rule text-18 flex flex-wrap justify-between gap-x-4 border-t py-3 last:border-b"
              >
                <b className="font-semibold">
                  {call?.station} {units.litres(g.litres)}
                </b>
                <span className="text-15 text-quiet">
                  {lot.formulaName}, {lot.id}; by {call ? day(call.by) : ''}
                </span>
              </li>
            )
          }),
        )}
      </ul>
    </section>
  )
}

/** What comes late or not at all, and what is in its way. */
function NotMet({ calls }: { calls: Call[] }) {
  const units = useUnits()
  const { day } = useTimes()
  if (calls.length === 0) return null
  return (
    <section className="mt-6">
      <Heading>Late or short</Heading>
      <ul className="m-0 list-none p-0">
        {calls.map((call) => (
          <li key={call.id} className="border-rule text-18 border-t py-3 last:border-b">
            <b className="text-ember font-semibold">
              {call.station}, {units.litres(call.litres)} of {call.formulaName} by {day(call.by)}
            </b>
            <span className="text-15 text-quiet block">
              {call.missing > 0
                ? `${units.litres(call.missing)} are missing`
                : `${duration(call.lateMin)} late`}
              {call.why && `: ${call.why}`}.
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
