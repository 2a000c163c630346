import { ToggleGroup } from 'radix-ui'

interface Props<T extends string> {
  label: string
  value: readonly T[]
  options: { value: T; name: string }[]
  /** In the order in which they stand. */
  onValue: (value: T[]) => void
}

/** Any of a few, all in view. */
export function Several<T extends string>({ label, value, options, onValue }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="multiple"
      aria-label={label}
      value={[...value]}
      onValueChange={(chosen) =>
        onValue(options.map((option) => option.value).filter((one) => chosen.includes(one)))
      }
      className="flex flex-wrap gap-1"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="border-ink bg-raised text-15 data-[state=on]:bg-ink data-[state=on]:text-surface min-h-[48px] min-w-[46px] rounded-md border-2 px-2 font-semibold"
        >
          {option.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
