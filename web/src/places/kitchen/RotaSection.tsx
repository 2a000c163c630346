import { useState, type FormEvent } from 'react'
import { api, type Schemas } from '../../api/client'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { Days, DAYS, daysSaid } from '../../kit/Days'
import { useDraft } from '../../kit/draft'
import { Heading, Note } from '../../kit/Note'
import { Sheet } from '../../kit/Sheet'
import { SmallNumber } from '../../kit/SmallNumber'
import { useMay } from '../../kit/session'
import { TextField } from '../../kit/TextField'
import { dayName } from '../../words/en'
import { Change } from './Change'

type Hours = Schemas['HoursView']
type Unattended = Schemas['RotaBody']['unattended']

const policies: { value: Unattended; name: string; says: string }[] = [
  { value: 'NEVER', name: 'Nothing', says: 'Nothing simmers while nobody is there.' },
  {
    value: 'CHECKS',
    name: 'Low, under a lid',
    says: 'A low simmer under a lid goes on alone; somebody looks in on it at named times.',
  },
  { value: 'ALLOWED', name: 'Any simmer', says: 'Any simmer goes on alone.' },
]

const TIME = /^([01]\d|2[0-3]):[0-5]\d$/
const MINUTES = 24 * 60
const at = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5))

/** The week as a tide: as high as there are cooks, from midnight to midnight for each day. */
function Tide({ hours, wide = false }: { hours: Hours[]; wide?: boolean }) {
  const width = wide ? 980 : 380
  const height = wide ? 72 : 52
  const x = (day: number, minute: number) => ((day * MINUTES + minute) / (7 * MINUTES)) * width
  const stretches = hours.flatMap((h) =>
    h.days.map((day) => {
      const from = DAYS.indexOf(day) * MINUTES + at(h.from)
      const long = (at(h.to) - at(h.from) + MINUTES) % MINUTES || MINUTES
      return { from, to: from + long, cooks: h.cooks }
    }),
  )
  const cooksAt = (minute: number) =>
    stretches
      .filter((s) => [minute, minute + 7 * MINUTES].some((m) => s.from <= m && m < s.to))
      .reduce((sum, s) => sum + s.cooks, 0)
  const turns = [
    ...new Set([0, 7 * MINUTES, ...stretches.flatMap((s) => [s.from, s.to % (7 * MINUTES)])]),
  ].sort((a, b) => a - b)
  const most = Math.max(1, ...turns.map(cooksAt))
  const y = (cooks: number) => height - (cooks / most) * (height - 6)
  return (
    <svg
      viewBox={`0 -4 ${width} ${height + 26}`}
      className="block h-auto w-full"
      role="img"
      aria-label={`Cooks in the kitchen over the week, at most ${most}`}
    >
      {turns.slice(0, -1).map((from, i) => (
        <rect
          key={from}
          x={x(0, from)}
          width={x(0, turns[i + 1]!) - x(0, from)}
          y={y(cooksAt(from))}
          height={height - y(cooksAt(from))}
          fill="var(--river)"
          opacity={0.28}
        />
      ))}
      {DAYS.map((day, n) => (
        <g key={day}>
          <line x1={x(n, 0)} x2={x(n, 0)} y1={0} y2={height} stroke="var(--rule)" />
          <text x={x(n, MINUTES / 2)} y={height + 18} textAnchor="middle" fontSize={15} fill="var(--quiet)">
            {dayName[day]}
          </text>
        </g>
      ))}
      <line x1={0} x2={width} y1={height} y2={height} stroke="var(--ink)" strokeWidth={2} />
    </svg>
  )
}

const said = (h: Hours) =>
  `${daysSaid(h.days)} ${h.from.slice(0, 5)} to ${h.to.slice(0, 5)}${at(h.to) <= at(h.from) ? ' the next day' : ''}`

/** When people are in the kitchen, and what goes on without them: plans go by it. */
export function RotaSection({
  hours,
  unattended,
  checks = [],
}: {
  hours: Hours[]
  unattended: Unattended
  checks?: string[]
}) {
  const may = useMay()
  const [open, setOpen] = useState(false)
  return (
    <section className="mb-8">
      <Heading aside={may('SET_UP') && <Change what="the hours" onClick={() => setOpen(true)} />}>
        Hours and hands
      </Heading>
      <Tide hours={hours} wide />
      <ul className="text-15 m-0 mt-2 list-none p-0">
        {hours.map((h) => (
          <li key={said(h)} className="border-rule flex justify-between gap-4 border-b py-2">
            <span>{said(h)}</span>
            <span>{h.cooks === 1 ? '1 cook' : `${h.cooks} cooks`}</span>
          </li>
        ))}
      </ul>
      <p className="text-15 text-quiet">
        {policies.find((p) => p.value === unattended)?.says}
        {unattended === 'CHECKS' && checks.length > 0 && ` Somebody looks in at ${checks.join(', ')}.`}
      </p>
      {open && (
        <RotaSheet hours={hours} unattended={unattended} checks={checks} onClose={() => setOpen(false)} />
      )}
    </section>
  )
}

function RotaSheet({
  hours,
  unattended,
  checks,
  onClose,
}: {
  hours: Hours[]
  unattended: Unattended
  checks: string[]
  onClose: () => void
}) {
  const [typed, setTyped, forget] = useDraft('rota', () => ({ hours, unattended, checks: checks.join(', ') }))
  const times = typed.checks.split(/[\s,;]+/).filter(Boolean)
  const saving = useChange(
    () => api.PUT('/api/kitchen/rota', { body: { ...typed, checks: times } }),
    'kitchen',
    'charge',
  )
  const close = () => {
    forget()
    onClose()
  }
  const put = (n: number, change: Partial<Hours>) =>
    setTyped({ ...typed, hours: typed.hours.map((h, i) => (i === n ? { ...h, ...change } : h)) })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    saving.mutate(undefined, { onSuccess: close })
  }
  const checked = typed.unattended !== 'CHECKS' || (times.length > 0 && times.every((t) => TIME.test(t)))
  const whole =
    checked &&
    typed.hours.every((h) => h.days.length > 0 && /^\d\d:\d\d/.test(h.from) && /^\d\d:\d\d/.test(h.to))
  return (
    <Sheet title="Hours and hands" open onClose={close}>
      <form onSubmit={submit} className="grid gap-6">
        <Tide hours={typed.hours} />
        {typed.hours.map((h, n) => (
          <fieldset key={n} className="border-rule m-0 grid gap-3 border-0 border-t p-0 pt-4">
            <legend className="sr-only">Shift {n + 1}</legend>
            <Days label={`Days of shift ${n + 1}`} value={h.days} onValue={(days) => put(n, { days })} />
            <div className="flex flex-wrap items-end gap-3">
              <div className="w-[104px]">
                <TextField label="From" value={h.from.slice(0, 5)} onValue={(from) => put(n, { from })} />
              </div>
              <div className="w-[104px]">
                <TextField label="To" value={h.to.slice(0, 5)} onValue={(to) => put(n, { to })} />
              </div>
              <div className="grid w-[112px] gap-1">
                <span className="text-15 font-semibold">Cooks</span>
                <SmallNumber
                  label={`Cooks of shift ${n + 1}`}
                  value={h.cooks}
                  onValue={(cooks) => put(n, { cooks: Math.round(cooks ?? 1) })}
                />
              </div>
              {typed.hours.length > 1 && (
                <Button
                  tone="quiet"
                  onClick={() => setTyped({ ...typed, hours: typed.hours.filter((_, i) => i !== n) })}
                >
                  Take it out
                </Button>
              )}
            </div>
          </fieldset>
        ))}
        <div>
          <Button
            onClick={() =>
              setTyped({
                ...typed,
                hours: [...typed.hours, { days: [...DAYS], from: '17:00', to: '01:00', cooks: 1 }],
              })
            }
          >
            Another shift
          </Button>
        </div>
        <div className="grid gap-2">
          <span className="text-15 font-semibold">While nobody is there, what simmers</span>
          <Choice
            label="What simmers while nobody is there"
            value={typed.unattended}
            onValue={(policy) => setTyped({ ...typed, unattended: policy })}
            options={policies.map(({ value, name }) => ({ value, name }))}
          />
          <p className="text-15 text-quiet m-0">
            {policies.find((p) => p.value === typed.unattended)?.says} Nothing is ever strained or cooled
            then.
          </p>
        </div>
        {typed.unattended === 'CHECKS' && (
          <TextField
            label="Somebody looks in at"
            value={typed.checks}
            onValue={(checks) => setTyped({ ...typed, checks })}
            hint="Hours and minutes, as 01:30, 04:00: never more than four hours apart"
            problem={checked ? saving.error?.fields.checks : { reason: 'times, as 01:30' }}
          />
        )}
        {saving.error && !saving.error.fields.checks && <Note>{saving.error.message}</Note>}
        <Button type="submit" tone="act" large disabled={!whole || saving.isPending}>
          Save
        </Button>
      </form>
    </Sheet>
  )
}
