import type { Charge } from '../../api/queries'
import { ClarityLadder } from '../../graphics/ClarityLadder'
import { CutRuler } from '../../graphics/CutRuler'
import { Heading } from '../../kit/Note'
import { useUnits } from '../../kit/session'
import { capital, taintWords, unusualWords } from '../../words/en'
import { duration } from '../../words/time'
import { spread, tells } from '../../words/units'
import type { Choosing } from './wish'

/** The cuts against their simmer, the clarity by cause, and what would taste of something else. */
export function CharacterPanel({ charge, wish, onWish }: Choosing) {
  const units = useUnits()
  const { character } = charge
  const mm = (value: number) =>
    units.units === 'us' ? `${Math.round((value / 25.4) * 16) / 16} in` : `${Math.round(value)} mm`
  return (
    <div className="mt-8 grid gap-x-10 gap-y-6 lg:grid-cols-2">
      {character.cuts.length > 0 && (
        <section>
          <Heading aside="the shaded stretch fits the simmer">Cut to the simmer</Heading>
          <ul className="m-0 grid list-none gap-4 p-0">
            {character.cuts.map((cut) => (
              <li key={cut.id}>
                <p className="text-15 m-0 flex flex-wrap justify-between gap-x-4">
                  <b className="font-semibold">
                    {capital(cut.name)}, {mm(cut.cutMm)}
                  </b>
                  <span className={cut.fit === 'FITS' ? 'text-quiet' : 'text-amber font-semibold'}>
                    {cutWords(cut, duration(cut.minutes))}
                  </span>
                </p>
                <CutRuler
                  name={cut.name}
                  cutMm={cut.cutMm}
                  smallestMm={cut.smallestMm}
                  largestMm={cut.largestMm}
                  fits={cut.fit === 'FITS'}
                  length={mm}
                  words={`${mm(cut.cutMm)}, ${Math.round(cut.spent * 100)} % spent after ${duration(cut.minutes)}`}
                  onCut={(edge) => onWish({ ...wish, cut: { ...wish.cut, [cut.id]: edge } })}
                />
              </li>
            ))}
          </ul>
        </section>
      )}
      <section className="grid content-start gap-4">
        <div>
          <Heading>What it will be</Heading>
          <ClarityLadder
            index={character.clarity}
            band={character.clarityBand}
            shares={character.clarityShares}
          />
        </div>
        <ul className="m-0 grid list-none gap-2 p-0">
          {character.taints.map((taint) => (
            <Amber key={taint.kind} words={[taintWords[taint.kind].what, taintWords[taint.kind].why]} />
          ))}
          {character.flat ? (
            <Amber
              words={[
                `Flat: aroma ${Math.round(character.aroma)} of 100.`,
                'What herbs, wine and vegetables give has gone with the steam. Put them in later, or simmer for less.',
              ]}
            />
          ) : (
            <li className="text-15 text-quiet">
              Aroma {Math.round(character.aroma)} of 100: what of it is still there at the end.
            </li>
          )}
          {character.saltTooMuch && (
            <Amber
              words={[
                `Salt ${units.dissolved(character.saltAfterGPerL, 0.1)}.`,
                'Seasoned: say so on the label, and reduce it no further.',
              ]}
            />
          )}
          {!character.saltTooMuch && tells(character.saltGPerL) && (
            <li className="text-15 text-quiet">
              Salt {units.dissolved(character.saltGPerL, 0.1)},{' '}
              {units.dissolved(character.saltAfterGPerL, 0.1)} once reduced.
            </li>
          )}
          {character.declaresSulphites && (
            <li className="text-15 text-quiet">
              Sulphites {Math.round(character.sulphitesMgPerL)} mg/L from the wine: declared above 10.
            </li>
          )}
          {charge.unusual.map((remark) => {
            const { what, why } = unusualWords[remark.matter]
            return (
              <Amber
                key={remark.matter}
                words={[
                  `Unusual ${what}: ${round(remark.value)}, usually ${round(remark.low)} to ${round(remark.high)} ${remark.unit}.`,
                  why,
                ]}
              />
            )
          })}
        </ul>
      </section>
    </div>
  )
}

function Amber({ words }: { words: [string, string] }) {
  return (
    <li className="border-amber bg-amber-ground text-15 text-amber border-l-4 px-3 py-2">
      <b className="font-semibold">{words[0]}</b> {words[1]}
    </li>
  )
}

function cutWords(cut: Charge['character']['cuts'][number], time: string): string {
  const band = spread({ p10: cut.spread.p10 * 100, p90: cut.spread.p90 * 100 }, 1)
  const share = `${band} % spent in ${time}`
  if (cut.fit === 'TOO_SMALL') return `${share}: goes to mush and clouds`
  return cut.fit === 'TOO_LARGE' ? `${share}: thrown away half used` : share
}

const round = (value: number) => Math.round(value * 100) / 100
