import type { Page } from '../../api/queries'
import { Note } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { limitsNote, wayName } from '../../words/en'
import { question, type Due } from './acts'

/** What the cook should know while reading the figure. */
export function Advice({ kind, page, due }: { kind: string; page: Page; due?: Due }) {
  const units = useUnits()
  const pot = page.card.pot
  switch (kind) {
    case 'weighed-in':
      return (
        <p className="text-18 m-0">
          The plan asks for {units.kg(due?.amount ?? page.plannedBedKg)} of {page.bedName}.
        </p>
      )
    case 'level-read':
      return (
        <p className="text-18 m-0">
          Expected {units.cm(pot.belowRimCm)} below the rim. The bed stands at{' '}
          {units.cm(page.card.vessel.heightCm - pot.bedTopCm)}.
        </p>
      )
    case 'temperature-read':
      return (
        <p className="text-18 m-0">
          Expected {units.celsius(pot.celsius)}; the simmer is {units.celsius(page.forecast.simmerC)}.
        </p>
      )
    case 'brix-read':
      return (
        <p className="text-18 m-0">
          A clear drop, strained and cooled. It is made for sugar: gelatin reads a third richer, and salt
          counts with it.
        </p>
      )
    case 'strained':
      return (
        <p className="text-18 m-0">
          Expected {units.estimate(page.card.expectedL)}, likely {units.spread(page.card.expectedL)}. Ladle
          from the top, in small loads, {page.passes === 1 ? 'one pass' : `${page.passes} passes`}.
          {page.fatOnItL > 0 &&
            ` Read the stock without its fat: about ${units.litres(page.fatOnItL)} float on it until they are lifted.`}
        </p>
      )
    case 'reduced':
      return (
        <p className="text-18 m-0">
          To {units.litres(due?.amount ?? 0)}. Gently; it coats a spoon, and a finger’s track stays.
        </p>
      )
    case 'cooling-read':
      return (
        <p className="text-15 text-quiet m-0">
          Stir, then read in the middle. Limits: {page.card.cooling.profile}. {limitsNote}
        </p>
      )
    case 'reheated':
      return (
        <Note tone="hazard">
          {page.card.cooling.allowed.includes('REHEAT') ? (
            <>
              The cooling does not hold its limits. {page.card.cooling.profile} allows one reheat to{' '}
              {units.celsius(page.card.cooling.reheatC)}, then cooling starts again; or discard it.{' '}
            </>
          ) : page.card.cooling.overall === 'FAILED' ? (
            <>
              The cooling did not hold its limits, and {page.card.cooling.profile} allows no reheat any more:
              discard it.{' '}
            </>
          ) : (
            <>The cooling will not hold its limits: {wayName.COOL_FASTER.toLowerCase()}, and read again. </>
          )}
          {limitsNote}
        </Note>
      )
    case 'stored':
      return <p className="text-18 m-0">Label it before it goes. Lid ajar until it is cold.</p>
    case 'topped-up':
      return (
        <p className="text-18 m-0">
          {units.litres(question(kind, page, due)?.start ?? 0)} bring it back to the mark,{' '}
          {units.cm(page.card.vessel.heightCm - pot.markCm)} below the rim.
        </p>
      )
    default:
      return null
  }
}
