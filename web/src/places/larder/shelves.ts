import type { Box } from '../../api/larder'
import { daysAfter } from '../../words/time'

export interface Shelf {
  name: string
  boxes: Box[]
  late?: boolean
}

const GROUPS = ['past', 'today', 'tomorrow', 'week', 'later', 'freezer', 'keeps'] as const
type Group = (typeof GROUPS)[number]

const names: Record<Group, string> = {
  past: 'Not to be used any more',
  today: 'Goes today',
  tomorrow: 'Goes tomorrow',
  week: 'Goes within the week',
  later: 'Goes later',
  freezer: 'In the freezer',
  keeps: 'Keeps',
}

/** Boxes on shelves by when they have to go; what is frozen and what keeps have one of their own. */
export function shelves(boxes: readonly Box[], today: string): Shelf[] {
  const group = ({ useBy, frozen, refused }: Box): Group => {
    if (refused && refused !== 'FROZEN') return 'past'
    if (frozen) return 'freezer'
    if (useBy === undefined) return 'keeps'
    if (useBy <= today) return 'today'
    if (useBy === daysAfter(today, 1)) return 'tomorrow'
    return useBy <= daysAfter(today, 7) ? 'week' : 'later'
  }
  return GROUPS.map((one) => ({
    name: names[one],
    late: one === 'past',
    boxes: boxes.filter((box) => group(box) === one),
  })).filter((shelf) => shelf.boxes.length > 0)
}
