import { tells } from '../../words/units'
import type { Schemas } from '../../api/client'
import { useCourse, type Page } from '../../api/queries'
import { ClarityLadder } from '../../graphics/ClarityLadder'
import { CurvePanels, type CurvePanel } from '../../graphics/CurvePanels'
import { Button } from '../../kit/Button'
import { Heading, Note } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { ladleName } from '../../words/en'

type Course = Schemas['CourseView']

/** The pot against its plan: level, temperature and gelatin, and what clouds it. */
export function BatchCourse({ page, colour }: { page: Page; colour: string }) {
  const course = useCourse(page.card.id)
  if (course.isError && !course.data) {
    return (
      <div className="mt-8 grid justify-items-start gap-3">
        <Note>The curves could not be fetched. {course.error.message}</Note>
        <Button onClick={() => void course.refetch()}>Try again</Button>
      </div>
    )
  }
  if (!course.data) return null
  return (
    <div className="mt-8 grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
      {course.data.points.length > 0 && (
        <section>
          <Heading aside="planned dashed, shaded: one time in ten beyond each side">Against the plan</Heading>
          <Curves page={page} course={course.data} colour={colour} />
        </section>
      )}
      <section>
        <Heading>What clouds it</Heading>
        <Clearness course={course.data} begun={page.card.simmer.reached !== undefined} />
      </section>
    </div>
  )
}

function Curves({ page, course, colour }: { page: Page; course: Course; colour: string }) {
  const units = useUnits()
  const { clock } = useTimes()
  const rim = page.card.vessel.heightCm
  const levels = [
    ...course.points.flatMap((p) => [p.levelCm.p10, p.levelCm.p90]),
    ...course.planned.map((p) => p.levelCm),
  ]
  const belowRim = (value: number) => units.cm(rim - value)
  const gelatin = Math.max(
    ...course.points.map((p) => p.gelatinGPerL.p90),
    ...course.planned.map((p) => p.gelatinGPerL),
  )
  const panels: CurvePanel[] = [
    {
      name: 'Level, below the rim',
      ...figures(course, 'levelCm'),
      least: Math.max(0, Math.min(...levels, page.card.pot.bedTopCm) - 1),
      most: Math.min(rim, Math.max(...levels) + 2),
      colour: 'var(--ink)',
      words: belowRim,
      downward: true,
      line: { value: page.card.pot.bedTopCm, name: 'the bed' },
    },
    {
      name: 'Temperature',
      ...figures(course, 'celsius'),
      least: 0,
      most: 105,
      colour: 'var(--ember)',
      words: (value) => units.celsius(value, 1),
    },
  ]
  if (tells(gelatin)) {
    panels.push({
      name: 'Gelatin',
      ...figures(course, 'gelatinGPerL'),
      least: 0,
      most: gelatin * 1.1,
      colour,
      words: (value) => units.dissolved(value),
    })
  }
  const end = course.points[course.points.length - 1]!
  return (
    <CurvePanels
      panels={panels}
      now={new Date(course.now).getTime()}
      running={page.card.strainedL === undefined && page.card.stage !== 'ABANDONED'}
      clock={clock}
      label={`Level, temperature and gelatin against the plan, to ${clock(end.at)}: ${belowRim(end.levelCm.p50)} below the rim, ${units.celsius(end.celsius.p50)}, ${units.dissolved(end.gelatinGPerL.p50)} gelatin`}
    />
  )
}

function figures(course: Course, figure: 'levelCm' | 'celsius' | 'gelatinGPerL') {
  const moment = (point: { at: string }) => new Date(point.at).getTime()
  return {
    points: course.points.map((point) => {
      const { p10, p50, p90 } = point[figure]
      return { at: moment(point), low: p10, mid: p50, high: p90 }
    }),
    planned: course.planned.map((point) => ({ at: moment(point), value: point[figure] })),
  }
}

/** Clarity by cause, as handled and as planned; the ladle decides. */
function Clearness({ course, begun }: { course: Course; begun: boolean }) {
  return (
    <div className="grid gap-5">
      <div>
        <p className="text-15 m-0 mb-1 font-semibold">Planned</p>
        <ClarityLadder index={course.clarityPlanned.index} shares={course.clarityPlanned.shares} />
      </div>
      {begun ? (
        <div>
          <p className="text-15 m-0 mb-1 font-semibold">As handled so far</p>
          <ClarityLadder index={course.claritySoFar.index} shares={course.claritySoFar.shares} />
        </div>
      ) : (
        <p className="text-15 text-quiet m-0">
          From the simmer on, every skim and every minute of boil moves it.
        </p>
      )}
      <p className="text-15 m-0">
        {course.ladle === undefined ? (
          <span className="text-quiet">No ladle held against the light yet; it decides, not the model.</span>
        ) : (
          <>
            Ladle card <b className="font-semibold">{course.ladle}</b>,{' '}
            {ladleName[Math.round(course.ladle) - 1]}.
          </>
        )}
      </p>
    </div>
  )
}
