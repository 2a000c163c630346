import type { Page } from '../../api/queries'
import { useTimes } from '../../kit/session'
import { phaseName } from '../../words/en'

/** The phases before the water, each with its times; what was never logged says so. */
export function ChoreLine({ page }: { page: Page }) {
  const { time } = useTimes()
  if (page.chores.length === 0) return null
  const words = ({ began, finished }: Page['chores'][number]) => {
    if (finished) return began ? `${time(began)}–${time(finished)}` : time(finished)
    if (began) return `since ${time(began)}`
    return page.card.pot.filled ? 'not logged' : 'ahead'
  }
  return (
    <ul
      aria-label="Before the water"
      className="text-15 text-quiet m-0 mt-2 flex list-none flex-wrap gap-x-5 gap-y-1 p-0"
    >
      {page.chores.map((chore) => (
        <li key={chore.step}>
          {phaseName[chore.phase]}{' '}
          <span className={`${chore.began && !chore.finished ? 'text-ember font-semibold' : 'text-ink'}`}>
            {words(chore)}
          </span>
        </li>
      ))}
    </ul>
  )
}
