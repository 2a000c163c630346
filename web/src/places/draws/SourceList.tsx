import type { Source } from '../../api/draws'
import { liquorColour } from '../../graphics/liquor'
import { Scrubber } from '../../kit/Scrubber'
import { useUnits } from '../../kit/session'
import { bodyName } from '../../words/en'
import { plainDay } from '../../words/time'

/** Litres by source. */
export type Draws = Record<string, number>

/** A jug's mark, L. */
export const STEP_L = 0.5

/** What there is to draw from, each as a tub whose liquor is dragged out: how much of it goes into the pot. */
export function SourceList({
  sources,
  draws,
  onDraws,
}: {
  sources: Source[]
  draws: Draws
  onDraws: (draws: Draws) => void
}) {
  const units = useUnits()
  return (
    <ul className="m-0 grid list-none gap-4 p-0">
      {sources.map((source) => {
        const { stock } = source
        const most = Math.max(0, stock.litres - source.plannedL)
        const drawn = draws[stock.sourceId] ?? 0
        return (
          <li key={stock.sourceId} className="grid gap-1">
            <Scrubber
              label={stock.name}
              value={Math.min(drawn, most)}
              min={0}
              max={most}
              step={STEP_L}
              words={drawn > 0 ? `${units.litres(drawn)} of ${units.litres(most)}` : units.litres(most)}
              onValue={(litres) => onDraws(withDraw(draws, stock.sourceId, litres))}
              colour={liquorColour(source.family, stock.gelatinGPerL)}
            />
            <div className="text-13 text-quiet flex items-center justify-between gap-3">
              <span>
                {[
                  source.useBy ? `use by ${plainDay(source.useBy)}` : 'strained, not put away yet',
                  `${bodyName[stock.body].toLowerCase()} when cold`,
                  source.plannedL > 0 && `${units.litres(source.plannedL)} more planned for another pot`,
                ]
                  .filter(Boolean)
                  .join('; ')}
              </span>
              <button
                type="button"
                className="text-15 text-river min-h-[44px] whitespace-nowrap underline underline-offset-[3px] disabled:invisible"
                disabled={most === 0}
                onClick={() =>
                  onDraws(withDraw(draws, stock.sourceId, drawn >= most ? 0 : Math.floor(most * 100) / 100))
                }
              >
                {drawn >= most ? 'None' : 'All of it'}
              </button>
            </div>
          </li>
        )
      })}
    </ul>
  )
}

export function withDraw(draws: Draws, source: string, litres: number): Draws {
  const others = Object.fromEntries(Object.entries(draws).filter(([id]) => id !== source))
  return litres > 0 ? { ...others, [source]: litres } : others
}

export const drawnL = (draws: Draws) => Object.values(draws).reduce((sum, litres) => sum + litres, 0)
