import { memo, useId, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { outline, halfWidthAt, type VesselShape } from './vessel'

export interface Mark {
  cm: number
  label: string
  tone: 'river' | 'quiet' | 'ember' | 'amber'
}

interface Props {
  vessel: VesselShape
  /** Height of the liquor; absent when the vessel is empty. */
  levelCm?: number
  /** Height of the bed's top. */
  bedCm?: number
  colour: string
  marks?: Mark[]
  /** Pixels for a centimetre, so that vessels beside each other keep their true sizes. */
  scale: number
  /** Unit and step of the ruler, in the reader's units. */
  ruler?: { unit: string; perCm: number; every: number }
  lit?: boolean
  foam?: boolean
  label: string
  /** Given where a plan is being made: the level can then be dragged, or moved with the arrow keys. */
  onLevel?: (cm: number) => void
  /** Whether the level still follows what was last given to {@link onLevel}. */
  behind?: boolean
  /** What the level says to a screen reader while it is moved. */
  levelText?: string
}

const WALL = 4

/** The vessel in section, to scale. */
export function Cutaway(props: Props) {
  const {
    vessel,
    levelCm,
    bedCm,
    colour,
    marks = [],
    scale,
    ruler,
    lit,
    foam,
    label,
    onLevel,
    behind = false,
    levelText,
  } = props
  const id = useId()
  const svg = useRef<SVGSVGElement>(null)
  const rulerWidth = ruler ? 46 : 0
  const marksWidth = marks.length ? 112 : 0
  const steamRoom = 18
  const fire = 24
  const half = (vessel.widthCm / 2) * scale
  const width = marksWidth + half * 2 + WALL * 2 + 10 + rulerWidth
  const height = steamRoom + vessel.heightCm * scale + WALL + fire
  const centre = marksWidth + half + WALL
  const x = (cm: number) => round(centre + cm * scale)
  const y = (cm: number) => round(steamRoom + (vessel.heightCm - cm) * scale)
  // The line stays under the finger; what follows from it comes a moment later.
  const [held, setHeld] = useState<{ cm: number; down: boolean }>()
  if (held && !held.down && !behind) setHeld(undefined)
  const stands = held ? held.cm : levelCm
  const level = stands === undefined ? undefined : Math.min(stands, vessel.heightCm)

  const drag = (event: PointerEvent) => {
    if (!onLevel || !svg.current || (event.type === 'pointermove' && event.buttons === 0)) return
    event.currentTarget.setPointerCapture?.(event.pointerId)
    const box = svg.current.getBoundingClientRect()
    const py = ((event.clientY - box.top) / box.height) * height
    const cm = clamp(vessel.heightCm - (py - steamRoom) / scale, 1, vessel.heightCm)
    setHeld({ cm, down: true })
    onLevel(cm)
  }
  const letGo = () => setHeld((line) => line && { ...line, down: false })
  const key = (event: KeyboardEvent) => {
    const step = { ArrowUp: 0.5, ArrowDown: -0.5, PageUp: 2, PageDown: -2 }[event.key]
    if (!onLevel || step === undefined || level === undefined) return
    event.preventDefault()
    const cm = clamp(level + step, 1, vessel.heightCm)
    setHeld({ cm, down: false })
    onLevel(cm)
  }

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${round(width)} ${round(height)}`}
      width={round(width)}
      height={round(height)}
      role={onLevel ? 'group' : 'img'}
      aria-label={label}
      className="block h-auto max-w-full touch-none overflow-visible select-none"
    >
      <defs>
        <clipPath id={`${id}i`}>
          <path d={outline(vessel, vessel.heightCm, x, y) + 'Z'} />
        </clipPath>
      </defs>
      <g clipPath={`url(#${id}i)`}>
        <path d={outline(vessel, vessel.heightCm, x, y) + 'Z'} fill="var(--sunken)" />
        {level !== undefined && (
          <rect
            x={x(-vessel.widthCm / 2)}
            y={y(level)}
            width={half * 2}
            height={level * scale + 2}
            fill={colour}
          />
        )}
        {bedCm !== undefined && bedCm > 0 && (
          <BedPieces vessel={vessel} bedCm={bedCm} left={centre} top={steamRoom} scale={scale} />
        )}
        {level !== undefined && bedCm !== undefined && bedCm > 0 && (
          <rect
            x={x(-vessel.widthCm / 2)}
            y={y(level)}
            width={half * 2}
            height={level * scale + 2}
            fill={colour}
            opacity={0.45}
          />
        )}
        {foam && level !== undefined && (
          <path
            d={foamLine(x(-vessel.widthCm / 2), x(vessel.widthCm / 2), y(level))}
            fill="var(--raised)"
            stroke="var(--steel)"
          />
        )}
      </g>
      {level !== undefined && (
        <line
          x1={x(-halfWidthAt(vessel, level))}
          x2={x(halfWidthAt(vessel, level))}
          y1={y(level)}
          y2={y(level)}
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
      <line
        x1={x(-halfWidthAt(vessel, vessel.fillLineCm))}
        x2={x(halfWidthAt(vessel, vessel.fillLineCm))}
        y1={y(vessel.fillLineCm)}
        y2={y(vessel.fillLineCm)}
        stroke="var(--quiet)"
        strokeDasharray="2 5"
      />
      <path
        d={outline(vessel, vessel.heightCm, x, y)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={WALL}
        strokeLinejoin="round"
      />
      <path
        d={`M${x(-vessel.widthCm / 2) - 9} ${y(vessel.heightCm)}h9M${x(vessel.widthCm / 2)} ${y(vessel.heightCm)}h9`}
        stroke="var(--ink)"
        strokeWidth={WALL}
        strokeLinecap="round"
      />
      {ruler && <RulerTicks vessel={vessel} left={centre + half + WALL + 8} y={y} ruler={ruler} />}
      {spread(marks, y).map((mark) => (
        <g key={mark.label} fill={`var(--${mark.tone})`} stroke={`var(--${mark.tone})`}>
          <path
            d={`M${marksWidth - 16} ${mark.at}L${marksWidth - 8} ${y(mark.cm)}H${x(-halfWidthAt(vessel, mark.cm)) + 8}`}
            fill="none"
            strokeWidth={1.5}
          />
          <text x={marksWidth - 20} y={mark.at + 4.5} textAnchor="end" fontSize={13} stroke="none">
            {mark.label}
          </text>
        </g>
      ))}
      {lit && <Flames centre={centre} half={half} top={y(0) + WALL + 2} />}
      {onLevel && level !== undefined && (
        <g
          role="slider"
          tabIndex={0}
          aria-label="Water line"
          aria-orientation="vertical"
          aria-valuemin={1}
          aria-valuemax={round(vessel.heightCm)}
          aria-valuenow={round(level)}
          aria-valuetext={levelText}
          onPointerDown={drag}
          onPointerMove={drag}
          onPointerUp={letGo}
          onPointerCancel={letGo}
          onKeyDown={key}
          className="cursor-ns-resize"
        >
          <rect
            x={x(-vessel.widthCm / 2)}
            y={y(level) - 26}
            width={half * 2}
            height={52}
            fill="transparent"
          />
          <rect x={centre - 30} y={y(level) - 11} width={60} height={22} rx={6} fill="var(--river)" />
          <path
            d={`M${centre - 5} ${y(level) - 2}l5-5l5 5M${centre - 5} ${y(level) + 2}l5 5l5-5`}
            fill="none"
            stroke="var(--on-river)"
            strokeWidth={2}
          />
        </g>
      )}
    </svg>
  )
}

type Axis = (cm: number) => number

/**
 * The bed as loose pieces laid in rows; always the same for the same vessel, so that nothing jumps. A row is two strokes, rim and piece, for a bed
 * of some hundred pieces is drawn anew with every move of a finger.
 */
const BedPieces = memo(function BedPieces({
  vessel,
  bedCm,
  left,
  top,
  scale,
}: {
  vessel: VesselShape
  bedCm: number
  /** Where the vessel's middle and its rim are. */
  left: number
  top: number
  scale: number
}) {
  const piece = Math.max(3.2, 13 / scale)
  const thick = piece * scale * 0.38
  const long = piece * scale * 0.29
  const rows = []
  for (let row = 0; row * piece * 0.72 < bedCm; row++) {
    const cy = row * piece * 0.72 + piece * 0.4
    if (cy + piece * 0.25 > bedCm) continue
    const half = halfWidthAt(vessel, Math.max(cy, 0.5)) - piece * 0.35
    let d = ''
    for (let cx = -half + ((row % 2) * piece) / 2; cx <= half; cx += piece * 1.05) {
      const turn = (((row * 47 + Math.round(cx * 31)) % 180) * Math.PI) / 180
      const dx = long * Math.cos(turn)
      const dy = long * Math.sin(turn)
      const px = left + cx * scale
      const py = top + (vessel.heightCm - cy) * scale
      d += `M${round(px - dx)} ${round(py - dy)}L${round(px + dx)} ${round(py + dy)}`
    }
    rows.push(<path key={`${row}r`} d={d} stroke="var(--bone-line)" strokeWidth={thick + 1} />)
    rows.push(<path key={row} d={d} stroke="var(--bone)" strokeWidth={thick - 1} />)
  }
  return (
    <g fill="none" strokeLinecap="round">
      {rows}
    </g>
  )
})

function RulerTicks({
  vessel,
  left,
  y,
  ruler,
}: {
  vessel: VesselShape
  left: number
  y: Axis
  ruler: NonNullable<Props['ruler']>
}) {
  const ticks = []
  const most = Math.floor(vessel.heightCm * ruler.perCm)
  for (let below = 0; below <= most; below++) {
    const at = y(vessel.heightCm - below / ruler.perCm)
    const long = below % ruler.every === 0
    ticks.push(
      <line
        key={below}
        x1={left}
        x2={left + (long ? 12 : 6)}
        y1={at}
        y2={at}
        stroke="var(--quiet)"
        strokeWidth={long ? 1.5 : 1}
      />,
    )
    if (long) {
      ticks.push(
        <text key={`t${below}`} x={left + 16} y={at + 4.5} fontSize={13} fill="var(--quiet)">
          {below === 0 ? `0 ${ruler.unit}` : below}
        </text>,
      )
    }
  }
  return (
    <g aria-hidden>
      <line x1={left} x2={left} y1={y(vessel.heightCm)} y2={y(0)} stroke="var(--quiet)" />
      {ticks}
    </g>
  )
}

function Flames({ centre, half, top }: { centre: number; half: number; top: number }) {
  const count = Math.max(3, Math.round((half * 2) / 26))
  return (
    <g aria-hidden fill="none" stroke="var(--ember)" strokeWidth={2.5} strokeLinecap="round">
      {Array.from({ length: count }, (_, i) => {
        const cx = centre - half * 0.8 + ((half * 1.6) / (count - 1)) * i
        return <path key={i} d={`M${round(cx - 4)} ${top + 15}q-4 -6 4 -13q8 7 4 13`} />
      })}
    </g>
  )
}

function foamLine(from: number, to: number, at: number): string {
  let path = `M${from} ${at + 3}`
  for (let px = from; px < to; px += 12) path += `q6 -13 12 0`
  return `${path}V${at + 5}H${from}Z`
}

/** Labels that would overlap are pushed apart; their lines still point at their true height. */
function spread(marks: Mark[], y: Axis) {
  const placed = marks.map((mark) => ({ ...mark, at: y(mark.cm) })).sort((a, b) => a.at - b.at)
  for (let i = 1; i < placed.length; i++) {
    const above = placed[i - 1]!
    const mark = placed[i]!
    mark.at = Math.max(mark.at, above.at + 17)
  }
  return placed
}

const round = (value: number) => Math.round(value * 10) / 10
const clamp = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value))
