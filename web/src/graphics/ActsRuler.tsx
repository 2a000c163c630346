import { scaleLinear } from 'd3-scale'

export interface RulerAct {
  id: string
  vessel: string
  words: string
  minute: number
  late: boolean
  href: string
}

interface Props {
  acts: RulerAct[]
  /** Wall-clock words for a minute from now. */
  clock: (minute: number) => string
  onOpen: (href: string) => void
}

const HOUR = 60
const BEHIND = 6
const ROW = 34
const FLIP = 44

/** The coming hour: every act where it falls, so that two which meet are seen ahead. */
export function ActsRuler({ acts, clock, onOpen }: Props) {
  const x = scaleLinear([-BEHIND, HOUR], [0, 100])
  const shown = acts.filter((act) => act.minute <= HOUR)
  const rows = layRows(shown)
  const count = Math.max(1, ...rows.map((row) => row + 1))
  return (
    <>
      <ol className="m-0 list-none p-0 md:hidden" aria-label="Acts of the coming hour, in order">
        {shown.map((act) => (
          <li key={act.id} className="border-rule border-t">
            <button
              onClick={() => onOpen(act.href)}
              className={`text-15 flex min-h-[48px] w-full items-center gap-3 text-left ${act.late ? 'text-ember font-semibold' : 'text-ink'}`}
            >
              <span className="w-12">{act.minute <= 0 ? 'now' : clock(act.minute)}</span>
              <b className="font-semibold">{act.vessel}</b> {act.words}
            </button>
          </li>
        ))}
      </ol>
      <div
        className="border-ink relative hidden border-b-2 md:block"
        style={{ height: count * ROW + 34 }}
        role="list"
        aria-label="Acts of the coming hour"
      >
        {[0, 15, 30, 45, 60].map((minute) => (
          <div
            key={minute}
            aria-hidden
            className="border-rule absolute inset-y-0 border-l"
            style={{ left: `${Math.min(99.8, x(minute))}%` }}
          >
            <span
              className={`text-13 absolute bottom-1 px-1 ${minute === 0 ? 'text-ember font-semibold' : 'text-quiet'} ${minute === 60 ? 'right-0' : 'left-0'}`}
            >
              {minute === 0 ? 'now' : clock(minute)}
            </span>
          </div>
        ))}
        <div aria-hidden className="bg-ember absolute inset-y-0 w-[2px]" style={{ left: `${x(0)}%` }} />
        {shown.map((act, i) => (
          <div
            key={act.id}
            role="listitem"
            className="absolute"
            style={{ ...side(act.minute, x), top: rows[i]! * ROW + 2 }}
          >
            <button
              onClick={() => onOpen(act.href)}
              className={`bg-raised text-13 flex min-h-[30px] items-center gap-1 border-l-4 pr-2 pl-1.5 whitespace-nowrap ${act.late ? 'border-ember text-ember font-semibold' : 'border-river text-ink'} ${act.minute > FLIP ? 'border-r-4 border-l-0 pr-1.5 pl-2' : ''}`}
            >
              <b className="font-semibold">{act.vessel}</b> {act.words}
            </button>
          </div>
        ))}
      </div>
    </>
  )
}

/** Labels hang to the right of their moment, and to the left of it where the hour runs out. */
function side(minute: number, x: (minute: number) => number) {
  const at = x(Math.max(-BEHIND + 1, Math.min(HOUR - 1, minute)))
  return minute > FLIP ? { right: `${100 - at}%` } : { left: `${at}%` }
}

/** Acts that would cover each other go below one another. A label is about a sixth of the hour wide. */
function layRows(acts: RulerAct[]): number[] {
  const ends: number[] = []
  return acts.map((act) => {
    const start = act.minute > FLIP ? act.minute - 17 : Math.max(act.minute, -BEHIND)
    const row = ends.findIndex((end) => end <= start)
    const place = row < 0 ? ends.length : row
    ends[place] = start + 17
    return place
  })
}
