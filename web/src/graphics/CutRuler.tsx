import { scaleLinear } from 'd3-scale'
import { useRef, type KeyboardEvent, type PointerEvent } from 'react'

interface Props {
  name: string
  cutMm: number
  smallestMm: number
  largestMm: number
  fits: boolean
  onCut?: (mm: number) => void
  /** A length in the reader's units. */
  length: (mm: number) => string
  words: string
}

const WIDTH = 420
const HEIGHT = 58
const LEFT = 8
const AXIS = 36

/** A cut on a millimetre ruler, with the stretch that fits its simmer; the piece is drawn in its true proportion to the ruler. */
export function CutRuler({ name, cutMm, smallestMm, largestMm, fits, onCut, length, words }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const most = Math.max(10, Math.ceil((Math.max(cutMm, largestMm) * 1.25) / 5) * 5)
  const x = scaleLinear([0, most], [LEFT, WIDTH - LEFT])
  const ticks = Array.from({ length: most + 1 }, (_, mm) => mm).filter((mm) => most <= 40 || mm % 5 === 0)
  const every = most <= 20 ? 5 : 10
  const move = (event: PointerEvent) => {
    if (!onCut || !svg.current || (event.type === 'pointermove' && event.buttons === 0)) return
    event.currentTarget.setPointerCapture?.(event.pointerId)
    const box = svg.current.getBoundingClientRect()
    const mm = x.invert(((event.clientX - box.left) / box.width) * WIDTH)
    onCut(Math.max(1, Math.min(most, Math.round(mm))))
  }
  const key = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key]
    if (!onCut || by === undefined) return
    event.preventDefault()
    onCut(Math.max(1, Math.min(100, cutMm + by)))
  }
  const piece = Math.min(AXIS - 2, x(cutMm) - x(0))
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={`block h-auto w-full max-w-[520px] touch-none select-none ${onCut ? 'cursor-ew-resize' : ''}`}
      role={onCut ? 'slider' : 'img'}
      tabIndex={onCut ? 0 : undefined}
      aria-label={onCut ? `Cut of ${name}` : `Cut of ${name}: ${words}`}
      aria-valuemin={onCut ? 1 : undefined}
      aria-valuemax={onCut ? most : undefined}
      aria-valuenow={onCut ? cutMm : undefined}
      aria-valuetext={onCut ? words : undefined}
      onPointerDown={move}
      onPointerMove={move}
      onKeyDown={key}
    >
      <rect
        x={x(smallestMm)}
        y={AXIS - 12}
        width={x(largestMm) - x(smallestMm)}
        height={12}
        fill="var(--river)"
        opacity={0.28}
      />
      {[smallestMm, largestMm].map((mm) => (
        <line key={mm} x1={x(mm)} x2={x(mm)} y1={AXIS - 14} y2={AXIS} stroke="var(--river)" strokeWidth={2} />
      ))}
      <rect
        x={x(cutMm) - piece}
        y={AXIS - piece}
        width={piece}
        height={piece}
        fill={fits ? 'var(--bone)' : 'var(--amber-ground)'}
        stroke={fits ? 'var(--bone-line)' : 'var(--amber)'}
        strokeWidth={2}
        opacity={0.9}
      />
      <line x1={LEFT} x2={WIDTH - LEFT} y1={AXIS} y2={AXIS} stroke="var(--quiet)" />
      {ticks.map((mm) => (
        <line
          key={mm}
          x1={x(mm)}
          x2={x(mm)}
          y1={AXIS}
          y2={AXIS + (mm % every === 0 ? 8 : 4)}
          stroke="var(--quiet)"
        />
      ))}
      {ticks
        .filter((mm) => mm % every === 0)
        .map((mm) => (
          <text
            key={mm}
            x={x(mm)}
            y={AXIS + 20}
            fontSize={12}
            textAnchor={mm === 0 ? 'start' : mm === most ? 'end' : 'middle'}
            fill="var(--quiet)"
          >
            {mm === 0 ? length(0) : length(mm).replace(/ .*/, '')}
          </text>
        ))}
      <path d={`M${x(cutMm)} ${AXIS + 1}l-7 11h14z`} fill="var(--ink)" />
    </svg>
  )
}
