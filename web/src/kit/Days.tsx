import type { Schemas } from '../api/client'
import { dayName } from '../words/en'
import { Several } from './Several'

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
    <Several
      label={label}
      value={value}
      onValue={onValue}
      options={DAYS.map((day) => ({ value: day, name: dayName[day] }))}
    />
  )
}
