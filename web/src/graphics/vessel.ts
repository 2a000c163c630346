/** A vessel's inside in section, in centimetres: x from the axis, y upwards from the lowest point. */
export interface VesselShape {
  shape: string
  widthCm: number
  heightCm: number
  bowlCm: number
  fillLineCm: number
  litresAtCm: number[]
}

/** Half the inside width at a height. */
export function halfWidthAt(vessel: VesselShape, cm: number): number {
  const a = vessel.widthCm / 2
  if (vessel.bowlCm <= 0 || cm >= vessel.bowlCm) return a
  const r = (a * a + vessel.bowlCm ** 2) / (2 * vessel.bowlCm)
  return Math.sqrt(Math.max(0, r * r - (r - cm) ** 2))
}

/** The outline from a height down one wall, round the bottom and up the other, as an SVG path in pixels. */
export function outline(
  vessel: VesselShape,
  topCm: number,
  x: (cm: number) => number,
  y: (cm: number) => number,
): string {
  const points: string[] = []
  const bowl = Math.min(vessel.bowlCm, topCm)
  const steps = vessel.bowlCm > 0 ? 40 : 0
  points.push(`M${x(-halfWidthAt(vessel, topCm))} ${y(topCm)}`)
  points.push(`L${x(-halfWidthAt(vessel, bowl))} ${y(bowl)}`)
  for (let i = 1; i <= steps; i++) {
    const cm = bowl * (1 - i / steps) ** 2
    points.push(`L${x(-halfWidthAt(vessel, cm))} ${y(cm)}`)
  }
  for (let i = steps; i >= 0; i--) {
    const cm = steps ? bowl * (1 - i / steps) ** 2 : 0
    points.push(`L${x(halfWidthAt(vessel, cm))} ${y(cm)}`)
  }
  points.push(`L${x(halfWidthAt(vessel, topCm))} ${y(topCm)}`)
  return points.join('')
}

/** Litres up to a level, read off the server's table between whole centimetres. */
export function litresAt(vessel: VesselShape, cm: number): number {
  const table = vessel.litresAtCm
  const below = Math.max(0, Math.min(table.length - 1, Math.floor(cm)))
  const above = Math.min(table.length - 1, below + 1)
  const share = above === below ? 0 : cm - below
  return (table[below] ?? 0) + ((table[above] ?? 0) - (table[below] ?? 0)) * share
}

/** The level that so many litres come to: the same table read the other way. Between empty and the rim. */
export function levelAt(vessel: VesselShape, litres: number): number {
  const table = vessel.litresAtCm
  const above = table.findIndex((l) => l >= litres)
  if (above < 0) return vessel.heightCm
  if (above === 0) return 0
  const low = table[above - 1]!
  return above - 1 + (litres - low) / (table[above]! - low)
}
