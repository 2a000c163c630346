import { Link } from 'react-router'
import { useDeliveries, useLots, useRange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Empty, Failed, Heading, Loading } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { containsWords, outcomeName } from '../../words/en'
import { plainDay } from '../../words/time'
import { CoolingNow } from './CoolingNow'

/** Is it cold in time, what is there, who gets it? */
export default function ColdPlace() {
  const range = useRange()
  const lots = useLots()
  const deliveries = useDeliveries()
  const units = useUnits()
  const { day } = useTimes()
  if (lots.isPending || range.isPending) return <Loading what="the cold side" />
  if (!lots.data || !range.data)
    return (
      <Failed what="The cold side" error={(lots.error ?? range.error)!} onRetry={() => void lots.refetch()} />
    )
  const cooling = range.data.batches.filter((b) => b.stage === 'COOL' || b.stage === 'STORE')
  const shelf = lots.data.pages.flat()
  const most = Math.max(1, ...shelf.map((lot) => lot.litres))
  return (
    <>
      <h1 className="sr-only">Cold side</h1>
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
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
          <Heading aside="oldest first">On the shelf</Heading>
          {shelf.length === 0 ? (
            <Empty title="The shelf is empty">
              A lot appears when a cold batch is put away, with its use-by day and allergens.
            </Empty>
          ) : (
            <ul className="m-0 grid list-none gap-4 p-0">
              {shelf.map((lot) => (
                <li key={lot.id} className="border-frost border-t-4 pt-2">
                  <Link to={`/lots/${lot.id}`} className="text-ink grid gap-2 no-underline">
                    <span className="flex items-baseline justify-between gap-4">
                      <b className="text-18 font-semibold">{lot.formulaName}</b>
                      <span className="text-24 font-semibold">{units.litres(lot.leftL)}</span>
                    </span>
                    <svg
                      viewBox="0 0 100 6"
                      preserveAspectRatio="none"
                      className="h-[10px] w-full"
                      aria-hidden
                    >
                      <rect width={(lot.litres / most) * 100} height="6" fill="var(--sunken)" />
                      <rect width={(lot.leftL / most) * 100} height="6" fill="var(--straw-deep)" />
                    </svg>
                    <span className="text-15 text-quiet flex flex-wrap justify-between gap-x-4">
                      <span
                        className={lot.pastUseBy ? 'text-hazard font-semibold' : 'text-ink font-semibold'}
                      >
                        use by {plainDay(lot.useBy)}
                        {lot.pastUseBy ? ', past' : ''}
                      </span>
                      <span>
                        lot {lot.code}, {lot.place || 'cold store'}
                      </span>
                      <span>{containsWords(lot)}</span>
                      <span>cooling {outcomeName[lot.verdict].toLowerCase()}</span>
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          )}
          {lots.hasNextPage && (
            <Button className="mt-4" disabled={lots.isFetching} onClick={() => void lots.fetchNextPage()}>
              {lots.isFetching ? 'Fetching …' : 'More'}
            </Button>
          )}
          <div className="mt-8">
            <Heading aside="a week back">Slips</Heading>
            {(deliveries.data ?? []).length === 0 && <p className="text-18 text-quiet">No slip yet.</p>}
            <ul className="m-0 list-none p-0">
              {(deliveries.data ?? []).map((slip) => (
                <li
                  key={slip.id}
                  className="border-rule text-15 flex min-h-[44px] items-center justify-between gap-4 border-b"
                >
                  <span>
                    <b className="font-semibold">{slip.stationName}</b>, {slip.formulaName}
                  </span>
                  <span>{units.litres(slip.litres)}</span>
                  <span className="text-quiet">{day(slip.deliveredAt)}</span>
                </li>
              ))}
            </ul>
          </div>
        </section>
      </div>
    </>
  )
}
