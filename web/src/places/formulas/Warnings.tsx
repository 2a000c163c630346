import type { Schemas } from '../../api/client'
import { useSplit, type Charge, type ChargeRequest } from '../../api/queries'
import { Button } from '../../kit/Button'
import { useUnits, useTimes } from '../../kit/session'
import { duration } from '../../words/time'
import type { Choosing } from './wish'

type Warning = Schemas['WarningView']

/** What an old hand would say before the burner is lit, each with what to do. */
export function Warnings({ charge, wish, onWish, request }: Choosing & { request: ChargeRequest }) {
  const words = useWords(charge)
  const units = useUnits()
  const fitting = charge.vessels.find((v) => v.fits && v.free && v.id !== charge.vessel.id)
  const here = charge.vessels.find((v) => v.id === charge.vessel.id)
  const cool = charge.cooling.verdict === 'PASS' && charge.cooling.enough && charge.cooling.iceShortKg === 0
  if (charge.warnings.length === 0 && here?.free && cool) return null
  const tooSmall = charge.warnings.some((w) => w.kind === 'RUNS_OVER' || w.kind === 'OVER_THE_LINE')
  return (
    <ul aria-label="Warnings" className="m-0 mt-5 grid list-none gap-2 p-0">
      {!here?.free && (
        <li className="border-amber bg-amber-ground text-15 text-amber border-l-4 px-3 py-2">
          <b className="font-semibold">{charge.vessel.name} is in use then.</b> Choose another vessel, or
          another time.
        </li>
      )}
      {charge.warnings.map((warning) => (
        <li
          key={warning.kind}
          className="border-amber bg-amber-ground text-15 text-amber border-l-4 px-3 py-2"
        >
          <b className="font-semibold">{words(warning)[0]}</b> {words(warning)[1]}
        </li>
      ))}
      {charge.cooling.verdict !== 'PASS' && (
        <li className="border-amber bg-amber-ground text-15 text-amber border-l-4 px-3 py-2">
          <b className="font-semibold">
            {charge.cooling.verdict === 'FAIL' ? 'It would not be cold in time.' : 'Cooling will be tight.'}
          </b>{' '}
          Fill more and shallower containers
          {charge.cooling.chiller ? ', or stir them in ice water' : ', or have more ice'}.
        </li>
      )}
      {!charge.cooling.enough && (
        <li className="border-amber bg-amber-ground text-15 text-amber border-l-4 px-3 py-2">
          <b className="font-semibold">Not enough containers.</b> Find{' '}
          {charge.cooling.into.map((f) => `${f.count} × ${f.container}`).join(' and ')}, or make less.
        </li>
      )}
      {charge.cooling.iceShortKg > 0 && (
        <li className="border-amber bg-amber-ground text-15 text-amber border-l-4 px-3 py-2">
          <b className="font-semibold">Not enough ice.</b> Its bath wants {units.kg(charge.cooling.iceKg)};
          with what is promised to other pots {units.kg(charge.cooling.iceShortKg)} are missing. Make ice by
          then, or make less.
        </li>
      )}
      {tooSmall && !fitting && wish.goal === 'LITRES' && <SplitOffer request={request} />}
      {tooSmall && (
        <li className="flex flex-wrap gap-2">
          {fitting && (
            <Button onClick={() => onWish({ ...wish, vessel: fitting.id })}>Take {fitting.name}</Button>
          )}
          <Button
            onClick={() => onWish({ ...wish, goal: 'VESSEL', value: undefined, vessel: charge.vessel.id })}
          >
            Fill this one instead
          </Button>
        </li>
      )}
    </ul>
  )
}

/** No single free vessel gives it: how several would. */
function SplitOffer({ request }: { request: ChargeRequest }) {
  const split = useSplit(request)
  const units = useUnits()
  if (!split.data && !split.error) return null
  return (
    <li className="border-river bg-raised text-15 border-l-4 px-3 py-2">
      {split.data ? (
        <>
          <b className="font-semibold">Split over free vessels: </b>
          {split.data
            .map((s) => `${s.vesselName} ${units.litres(s.litres)} from ${units.kg(s.bedKg)}`)
            .join(', ')}
          . Plan each in its own pot.
        </>
      ) : (
        `Nor do all free vessels together give it: at most ${units.litres(split.error?.fields.litres?.high ?? 0)}.`
      )}
    </li>
  )
}

function useWords(charge: Charge) {
  const units = useUnits()
  useTimes()
  return (warning: Warning): [string, string] => {
    const most = units.litres(charge.mostOutL)
    switch (warning.kind) {
      case 'RUNS_OVER':
        return [
          `${charge.vessel.name} would run over.`,
          `It would have to hold ${units.litres(warning.value)} and takes ${units.litres(warning.limit)}. Filled to its line it gives ${most}; take a larger vessel or split the call.`,
        ]
      case 'OVER_THE_LINE':
        return [
          'Too full to skim and simmer.',
          `${units.litres(warning.value)} stand above the fill line at ${units.litres(warning.limit)}. Filled to its line it gives ${most}.`,
        ]
      case 'BED_PROUD':
        return [
          'The bed would stand proud.',
          `Draw ${units.litres(warning.limit)} instead of ${units.litres(warning.value)}, or take a narrower pot.`,
        ]
      case 'BED_BARE_LATER':
        return [
          'The bed will be laid bare.',
          `After ${duration(warning.value)} the liquor is below it. Top up, or put a paper lid on.`,
        ]
      case 'HEAVY_LIFT':
        return [
          'Too heavy to lift alone.',
          `Full it weighs ${units.kg(warning.value)}. Ladle or draw it off where it stands; nobody lifts above ${units.kg(warning.limit)}.`,
        ]
      case 'OUT_OF_THE_OVEN':
        return [
          'Nobody carries it out of the oven full.',
          `Full it weighs ${units.kg(warning.value)}, and it is hot all round. Pull the rack, ladle it out where it stands, then lift the pot.`,
        ]
      case 'UNUSUAL_RATIO':
        return [
          'An unusual ratio.',
          `${units.litresPerKg(warning.value)} of bed; the usual end is ${units.litresPerKg(warning.limit)}.`,
        ]
      case 'SLOW_BRING_UP':
        return [
          'Lukewarm for too long.',
          `It takes ${duration(warning.value)} from cold to hot; bones and water should be through that in ${duration(warning.limit)}. ${charge.heat === 'OVEN' ? 'Fill it with hot water, set the oven hotter, or charge less.' : 'A stronger burner, or a smaller charge.'}`,
        ]
      case 'TRAYS_CROWDED':
        return [
          'The trays are crowded.',
          `The pieces lie ${warning.value.toFixed(1)} deep in ${charge.roast?.oven ?? 'the oven'} and steam before they colour. Roast in two loads, or take both ovens.`,
        ]
      case 'SEVERAL_LOADS':
        return [
          `${warning.value} loads in ${charge.roast?.oven ?? 'the oven'}.`,
          'It does not take the bed at once; the plan counts them one after another.',
        ]
      default:
        return [
          'Next to nothing would come out.',
          'The steam takes it. Take a narrower pot, a lid, or more bones.',
        ]
    }
  }
}
