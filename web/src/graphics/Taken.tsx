import { useRef, useState, type PointerEvent, type ReactNode } from 'react'

/** A hand that moves less has only tapped. */
const A_TAP = 4

/** A stream that can be taken by hand and let go further along. */
export function Taken({
  width,
  faint,
  onTake,
  onMove,
  children,
}: {
  /** Of the picture, in its own measure. */
  width: number
  faint: boolean
  onTake: () => void
  /** By how much, in the picture's own measure. */
  onMove?: (along: number) => void
  children: ReactNode
}) {
  const from = useRef<number>(undefined)
  const [along, setAlong] = useState(0)
  const moved = (event: PointerEvent<SVGGElement>) => {
    const wide = event.currentTarget.ownerSVGElement?.getBoundingClientRect().width ?? width
    return from.current === undefined ? 0 : ((event.clientX - from.current) * width) / wide
  }
  const end = () => {
    from.current = undefined
    setAlong(0)
  }
  return (
    <g
      opacity={faint ? 0.35 : 1}
      transform={along ? `translate(${along} 0)` : undefined}
      className={onMove ? 'cursor-grab touch-pan-y active:cursor-grabbing' : 'cursor-pointer'}
      onPointerDown={(event) => {
        from.current = event.clientX
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) => onMove && setAlong(moved(event))}
      onPointerUp={(event) => {
        const by = moved(event)
        end()
        onTake()
        if (onMove && Math.abs(by) > A_TAP) onMove(by)
      }}
      onPointerCancel={end}
    >
      {children}
    </g>
  )
}
