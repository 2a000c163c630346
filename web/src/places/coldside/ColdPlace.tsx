import { Link } from 'react-router'
import { useDeliveries, useLots, useRange, type Lot } from '../../api/queries'
import { liquorColour } from '../../graphics/liquor'
import { CubeTray } from '../../graphics/CubeTray'
import { Tubs } from '../../graphics/Tubs'
import { Button } from '../../kit/Button'
import { Empty, Failed, Heading, Loading } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { containsWords, outcomeName } from '../../words/en'
import { dayOf, plainDay } from '../../words/time'
import { SlipRow } from '../slips/SlipRow'
import { standing } from './boards'
import { CoolingNow } from './CoolingNow'

/** Is it cold in time, what is there, who gets it? */
export default function ColdPlace() {
  const range = useRange()
  const lots = useLots()
  const deliveries = useDeliveries()
  const may = useMay()
  const { now, zone } = useTimes()
  const today = dayOf(now, zone)
  if (lots.isPending || range.isPending) return <Loading what="the cold side" />
  if (!lots.data || !range.data)
    return (
      <Failed what="The cold side" error={(lots.error ?? range.error)!} onRetry={() => void lots.refetch()} />
    )
  const cooling = range.data.batches.filter((b) => b.stage === 'COOL' || b.stage === 'STORE')
  const shelf = lots.data.pages.flat()
  return (
    <>
      <h1 className="sr-only">Cold side</h1>
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section>
          <Heading>Cooling now</Heading>
          {cooling.length === 0 ? (
            <Empty title="Nothing is cooling">
              A batch comes here when it is strained, and stays until it is cold and put away.
            </Empty>
          ) : (
            cooling.map((card) => <CoolingNow key={card.id} id={card.id} />)
          )}
        </section>
        <section>
          <Heading
            aside={
              <>
                first what goes first; as <a href="/api/lots.csv">CSV</a>
              </>
            }
          >
            On the shelf
          </Heading>
          {shelf.length === 0 ? (
            <Empty title="The shelf is empty">
              A lot appears when a cold batch is put away, with its use-by day and allergens.
            </Empty>
          ) : (
            standing(shelf, dayOf(now, zone)).map((board) => (
              <section key={board.name} aria-label={board.name} className="mb-6">
                <h3 className={`text-15 m-0 mb-1 font-bold ${board.tone}`}>{board.name}</h3>
                <ul className="border-ink m-0 flex list-none flex-wrap items-end gap-x-5 gap-y-4 border-b-4 p-0">
                  {board.lots.map((lot) => (
                    <OnBoard key={lot.id} lot={lot} />
                  ))}
                </ul>
              </section>
            ))
          )}
          {lots.hasNextPage && (
            <Button className="mt-4" disabled={lots.isFetching} onClick={() => void lots.fetchNextPage()}>
              {lots.isFetching ? 'Fetching …' : 'More'}
            </Button>
          )}
          <div className="mt-8">
            <Heading
              aside={
                <>
                  a week back; today’s as{' '}
                  <a href={`/api/deliveries/slips.pdf?day=${today}`} target="_blank" rel="noreferrer">
                    PDF
                  </a>
                  , <a href={`/api/deliveries/slips.csv?day=${today}`}>CSV</a>
                </>
              }
            >
              Slips
            </Heading>
            {(deliveries.data ?? []).length === 0 && <p className="text-18 text-quiet">No slip yet.</p>}
            <ul className="m-0 list-none p-0">
              {(deliveries.data ?? []).map((slip) => (
                <SlipRow key={slip.id} slip={slip} station={slip.stationName} hand={may('DELIVER')} />
              ))}
            </ul>
          </div>
        </section>
      </div>
    </>
  )
}

function OnBoard({ lot }: { lot: Lot }) {
  const units = useUnits()
  const colour = liquorColour(lot.family, lot.gelatinGPerL)
  return (
    <li>
      <Link
        to={`/lots/${lot.id}`}
        className="text-ink grid max-w-[170px] justify-items-center gap-y-0.5 text-center no-underline"
      >
        <b className="text-15 leading-tight font-semibold">{lot.formulaName}</b>
        <span className="text-13 text-quiet leading-tight">
          {lot.code}
          {lot.container && `, ${lot.containers > 1 ? `${lot.containers} × ` : ''}${lot.container}`}
          <span className="block whitespace-nowrap">by {plainDay(lot.useBy)}</span>
          {lot.verdict !== 'PASSED' && (
            <b className="text-ember block font-semibold">cooling {outcomeName[lot.verdict].toLowerCase()}</b>
          )}
        </span>
        <span className="text-24 font-semibold">{units.litres(lot.leftL)}</span>
        {lot.cubes > 0 ? (
          <>
            <span className="text-15">{units.cubes(lot.leftL, lot.cubes)}</span>
            <CubeTray share={lot.leftL / lot.litres} colour={colour} struck={lot.pastUseBy} />
          </>
        ) : (
          <Tubs
            count={lot.containers}
            share={lot.leftL / lot.litres}
            colour={colour}
            frozen={lot.kept === 'FROZEN'}
            struck={lot.pastUseBy}
          />
        )}
        <span className="sr-only">{containsWords(lot)}</span>
      </Link>
    </li>
  )
}
