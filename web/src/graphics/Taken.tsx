import { useRef, useState, type PointerEvent, type ReactNode } from 'react'

/** A hand that moves less has only tapped. */
const A_TAP = 4
const STILL = { along: 0, across: 0 }

/** A stream that can be taken by hand and let go further along, or across in another vessel. */
export function Taken({
  width,
  faint,
  inHand,
  onTake,
  onMove,
  says,
  children,
}: {
  /** Of the picture, in its own measure. */
  width: number
  faint: boolean
  /** Taken before: a finger moves it and not the page. */
  inHand: boolean
  onTake: () => void
  /** By how much, in the picture's own measure, to the right and downwards. */
  onMove?: (along: number, across: number) => void
  /** What it says while it is held so far across. */
  says?: (across: number) => ReactNode
  children: ReactNode
}) {
  const from = useRef<{ x: number; y: number }>(undefined)
  const [by, setBy] = useState(STILL)
  const moved = (event: PointerEvent<SVGGElement>) => {
    const wide = event.currentTarget.ownerSVGElement?.getBoundingClientRect().width ?? width
    if (from.current === undefined) return STILL
    const scale = width / wide
    return {
      along: (event.clientX - from.current.x) * scale,
      across: (event.clientY - from.current.y) * scale,
    }
  }
  const end = () => {
    from.current = undefined
    setBy(STILL)
  }
  const words = by === STILL ? undefined : says?.(by.across)
  return (
    <g
      opacity={faint ? 0.35 : 1}
      transform={by === STILL ? undefined : `translate(${by.along} ${by.across})`}
      className={
        onMove
          ? `cursor-grab active:cursor-grabbing ${inHand ? 'touch-none' : 'touch-pan-y'}`
          : 'cursor-pointer'
      }
      onPointerDown={(event) => {
        from.current = { x: event.clientX, y: event.clientY }
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) => onMove && from.current && setBy(moved(event))}
      onPointerUp={(event) => {
        const { along, across } = moved(event)
        end()
        onTake()
        if (onMove && Math.max(Math.abs(along), Math.abs(across)) > A_TAP) onMove(along, across)
      }}
      onPointerCancel={end}
    >
      {children}
      {words}
    </g>
  )
}
