import { DropdownMenu } from 'radix-ui'
import { useOver } from './over'

export interface Option {
  value: string
  name: string
}

interface Props {
  id?: string
  /** What is picked, for whoever does not see the words around it. */
  label: string
  value: string
  options: readonly Option[]
  onValue: (value: string) => void
  /** Stands there while nothing is picked. */
  empty?: string
  /** A whole field, a small one among others, or a word in running text. */
  look?: 'field' | 'small' | 'word'
  disabled?: boolean
  className?: string
}

const looks = {
  field: 'border-ink text-18 min-h-[48px] w-full rounded-md border-2 px-3 justify-between bg-raised',
  small: 'border-rule text-15 min-h-[48px] rounded-md border-2 px-2 justify-between bg-raised',
  word: 'decoration-quiet min-h-[44px] underline decoration-dotted underline-offset-4',
}

/**
 * One of many, in a list of the kitchen's own size: wet fingers miss the platform's, and each platform draws another one. The page behind it stays as it is
 * for a screen reader.
 */
export function Pick({
  id,
  label,
  value,
  options,
  onValue,
  empty,
  look = 'field',
  disabled,
  className = '',
}: Props) {
  const picked = options.find((option) => option.value === value)
  const shown = picked?.name ?? empty ?? ''
  const { trigger, over } = useOver()
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        ref={trigger}
        id={id}
        disabled={disabled}
        aria-label={picked ? `${label}: ${picked.name}` : label}
        className={`text-ink inline-flex cursor-pointer items-center gap-2 text-left disabled:cursor-default disabled:opacity-60 ${looks[look]} ${className}`}
      >
        <span className={look === 'word' ? '' : 'min-w-0 flex-1 truncate'}>{shown}</span>
        {look !== 'word' && (
          <svg viewBox="0 0 12 8" className="h-2 w-3 shrink-0" aria-hidden>
            <path d="M1 1.5 6 6.5l5-5" fill="none" stroke="currentColor" strokeWidth="2" />
          </svg>
        )}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal container={over}>
        <DropdownMenu.Content
          align="start"
          tabIndex={0}
          sideOffset={2}
          collisionPadding={8}
          aria-label={label}
          className="border-ink bg-raised z-50 max-h-[min(480px,var(--radix-dropdown-menu-content-available-height))] min-w-[max(160px,var(--radix-dropdown-menu-trigger-width))] overflow-y-auto border-2"
        >
          <DropdownMenu.RadioGroup value={value} onValueChange={onValue}>
            {options.map((option) => (
              <DropdownMenu.RadioItem
                key={option.value}
                value={option.value}
                className="text-15 data-[highlighted]:bg-sunken relative flex min-h-[48px] cursor-pointer items-center py-1 pr-4 pl-8 outline-none data-[state=checked]:font-semibold"
              >
                <DropdownMenu.ItemIndicator className="absolute left-3">
                  <svg viewBox="0 0 12 12" className="size-3" aria-hidden>
                    <path d="m1 6.5 3.5 3.5L11 2" fill="none" stroke="currentColor" strokeWidth="2.4" />
                  </svg>
                </DropdownMenu.ItemIndicator>
                {option.name}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
