import { Slider } from 'radix-ui'

interface Props {
  label: string
  value: number
  min: number
  max: number
  step: number
  onValue: (value: number) => void
  /** What the value says, for the head of the track and for a screen reader. */
  words: string
  /** A colour for the part that is behind the thumb. */
  colour?: string
}

/** A figure on a long track, for a thumb. */
export function Scrubber({ label, value, min, max, step, onValue, words, colour }: Props) {
  return (
    <div className="grid">
      <span className="text-15 flex justify-between gap-4 font-semibold">
        {label} <span className="whitespace-nowrap">{words}</span>
      </span>
      <Slider.Root
        className="relative flex h-12 touch-none items-center select-none"
        min={min}
        max={max}
        step={step}
        value={[value]}
        onValueChange={([next]) => next !== undefined && onValue(next)}
      >
        <Slider.Track className="border-ink bg-raised relative h-[14px] grow overflow-hidden rounded-md border-2">
          <Slider.Range className="absolute h-full" style={{ background: colour ?? 'var(--river)' }} />
        </Slider.Track>
        <Slider.Thumb
          aria-label={label}
          aria-valuetext={words}
          className="border-river bg-raised block h-10 w-6 rounded-md border-2"
        />
      </Slider.Root>
    </div>
  )
}
