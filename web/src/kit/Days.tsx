import { ToggleGroup } from 'radix-ui'
import type { Schemas } from '../api/client'
import { dayName } from '../words/en'

export type Day = Schemas['HoursView']['days'][number]

export const DAYS: Day[] = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY']

export const daysSaid = (days: readonly Day[]) =>
  days.length === DAYS.length ? 'Every day' : days.map((day) => dayName[day]).join(', ')

/** Some of the days of a week. */
export function Days({
  label,
  value,
  onValue,
}: {
  label: string
  value: Day[]
  onValue: (days: Day[]) => void
}) {
  return (
    <ToggleGroup.Root
      type="multiple"
      aria-label={label}
      value={value}
      onValueChange={(days) => onValue(DAYS.filter((day) => days.includes(day)))}
      className="flex flex-wrap gap-1"
    >
      {DAYS.map((day) => (
        <ToggleGroup.Item
          key={day}
          value={day}
          className="border-ink bg-raised text-15 data-[state=on]:bg-ink data-[state=on]:text-surface min-h-[48px] min-w-[46px] rounded-md border-2 font-semibold"
        >
          {dayName[day]}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
