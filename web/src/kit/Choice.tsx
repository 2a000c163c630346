import { ToggleGroup } from 'radix-ui'

interface Props<T extends string> {
  label: string
  value: T
  options: { value: T; name: string; disabled?: boolean; title?: string }[]
  onValue: (value: T) => void
}

/** One of a few, all in view. */
export function Choice<T extends string>({ label, value, options, onValue }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next && onValue(next as T)}
      className="flex flex-wrap"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          disabled={option.disabled}
          title={option.title}
          className="border-ink bg-raised text-15 disabled:text-quiet data-[state=on]:bg-ink data-[state=on]:text-surface -ml-[2px] min-h-[48px] border-2 px-2.5 font-semibold whitespace-nowrap first:ml-0 first:rounded-l-md last:rounded-r-md disabled:opacity-60"
        >
          {option.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
