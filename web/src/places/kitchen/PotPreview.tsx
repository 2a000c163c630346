import { Cutaway } from '../../graphics/Cutaway'

/** A straight-walled pot drawn to scale while it is typed; nothing while the figures make no pot. */
export function PotPreview({ diameter, height }: { diameter?: number; height?: number }) {
  if (!diameter || !height || diameter < 5 || height < 3 || diameter > 200 || height > 200) return null
  const litres = (Math.PI * diameter * diameter * height) / 4000
  const vessel = {
    shape: 'cylinder',
    widthCm: diameter,
    heightCm: height,
    bowlCm: 0,
    fillLineCm: Math.max(0, height - Math.max(5, height / 10)),
    litresAtCm: [],
  }
  return (
    <div className="flex items-end gap-4">
      <Cutaway
        vessel={vessel}
        levelCm={vessel.fillLineCm}
        colour="var(--water)"
        scale={Math.min(140 / height, 200 / diameter)}
        label="The pot in section, filled to its line"
      />
      <span className="text-18 pb-8 font-mono">{Math.round(litres * 10) / 10} L</span>
    </div>
  )
}
