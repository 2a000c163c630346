import { useMemo, useState } from 'react'
import { useCharge, type ChargeRequest, type FormulaJson } from '../../api/queries'
import { Cutaway } from '../../graphics/Cutaway'
import { Heading, Note } from '../../kit/Note'
import { SmallNumber } from '../../kit/SmallNumber'
import { useUnits } from '../../kit/session'
import { bodyName, unusualWords } from '../../words/en'
import { Figure } from '../batch/BatchPot'
import { chargeColour } from './strength'

/** The pot that a draft makes, solved while it is typed; nothing of it is stored. */
export function DraftPot({ draft }: { draft: FormulaJson }) {
  const units = useUnits()
  const [litres, setLitres] = useState<number | undefined>(14)
  const request = useMemo<ChargeRequest | undefined>(
    () => (litres && litres > 0 ? { draft, goal: 'LITRES', value: litres } : undefined),
    [draft, litres],
  )
  const charge = useCharge(request)
  const it = charge.data
  return (
    <section aria-label="The pot that it makes">
      <Heading
        aside={
          <SmallNumber
            label={units.out}
            shown
            dimension="litres"
            units={units.units}
            value={litres}
            onValue={setLitres}
          />
        }
      >
        {it ? `In ${it.vessel.name}` : 'In a pot'}
      </Heading>
      {charge.error && (
        <Note>
          {Object.entries(charge.error.fields).map(([field, why]) => (
            <p key={field} className="m-0">
              <b className="font-semibold">{field}</b>: {why.reason}
              {why.low !== undefined && `, ${round(why.low)} to ${round(why.high ?? 0)} ${why.unit ?? ''}`}
            </p>
          ))}
          {Object.keys(charge.error.fields).length === 0 && charge.error.message}
        </Note>
      )}
      {it && (
        <div className={charge.error ? 'opacity-50' : ''}>
          <div className="grid justify-items-center">
            <Cutaway
              vessel={it.vessel}
              levelCm={it.levels.filledCm}
              bedCm={it.levels.bedRawCm}
              colour={chargeColour(it)}
              scale={Math.min(5, 180 / it.vessel.heightCm, 260 / it.vessel.widthCm)}
              label={`${it.vessel.name} in section with ${units.kg(it.bedKg)} of bed under ${units.litres(it.waterL)}`}
            />
          </div>
          <dl className="m-0 grid grid-cols-[1fr_1fr_auto] gap-3">
            <Figure name="Bed" value={it.bedKg ? units.kg(it.bedKg) : '–'} />
            <Figure name="Drawn" value={units.litres(it.waterL)} />
            <Figure name="When cold" value={bodyName[it.forecast.body]} />
            <Figure name="Clarity" value={String(Math.round(it.character.clarity))} />
            <Figure name="Steam" value={units.litres(it.forecast.evaporatedL)} />
            <Figure name="Salt" value={units.dissolved(it.character.saltAfterGPerL, 0.1)} />
          </dl>
          <ul className="m-0 mt-3 grid list-none gap-2 p-0">
            {it.unusual.map((remark) => {
              const { what, why } = unusualWords[remark.matter]
              return (
                <li
                  key={remark.matter}
                  className="border-amber bg-amber-ground text-15 text-amber border-l-4 px-3 py-1"
                >
                  <b className="font-semibold">
                    Unusual {what}: {round(remark.value)}, usually {round(remark.low)} to {round(remark.high)}{' '}
                    {remark.unit}.
                  </b>{' '}
                  {why}
                </li>
              )
            })}
          </ul>
        </div>
      )}
    </section>
  )
}

const round = (value: number) => Math.round(value * 100) / 100
