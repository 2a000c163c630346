import { Link, useParams } from 'react-router'
import { useBatch, useLot } from '../../api/queries'
import { liquorColour } from '../../graphics/liquor'
import { Failed, Heading, Loading, Note } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { containsWords, keptName, outcomeName } from '../../words/en'
import { plainDay } from '../../words/time'
import { Figure } from '../batch/BatchPot'
import { Deliver } from '../batch/Deliver'
import { IntoAnotherPot } from '../draws/IntoAnotherPot'
import { SlipRow } from '../slips/SlipRow'
import { MoveLot } from './MoveLot'

/** A lot, as its label's code opens it. */
export default function LotPlace() {
  const { id = '' } = useParams()
  const lot = useLot(id)
  const may = useMay()
  const units = useUnits()
  const { day } = useTimes()
  if (lot.isPending) return <Loading what="the lot" />
  if (!lot.data) return <Failed what="The lot" error={lot.error!} onRetry={() => void lot.refetch()} />
  const it = lot.data
  return (
    <>
      <h1 className="text-24 mt-0 mb-1 font-bold">
        {it.formulaName} <span className="text-quiet font-normal">lot {it.code}</span>
      </h1>
      <p className="text-18 mt-0 mb-5">
        {it.place || 'Cold store'}.{' '}
        {may('READ') && (
          <>
            From <Link to={`/batches/${it.batchId}`}>batch {it.batchNumber}</Link>.
          </>
        )}
      </p>
      {it.stopped && <Note tone="hazard">Stopped: {it.stopped}. Nobody may hand it out.</Note>}
      {it.released && (
        <Note>
          Cooling {outcomeName[it.verdict].toLowerCase()}. {it.released.by} vouched for it on{' '}
          {day(it.released.at)}: {it.released.words}.
        </Note>
      )}
      {it.pastUseBy && (
        <Note tone="hazard">Past its use-by day. Do not hand it out; discard it with initials.</Note>
      )}
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section>
          <dl className="m-0 grid grid-cols-2 gap-5">
            <Figure name={it.kept === 'FROZEN' ? 'Best before' : 'Use by'} value={plainDay(it.useBy)} large />
            <Figure name="Left" value={units.litres(it.leftL)} large />
            <Figure name="Put away" value={`${units.litres(it.litres)}, ${day(it.madeAt)}`} />
            <Figure name="Cooling" value={outcomeName[it.verdict]} />
            <Figure
              name="Kept"
              value={[
                keptName[it.kept],
                it.thawed && 'thawed',
                it.container && `${it.containers} × ${it.container}`,
                it.cubes > 0 && units.cubes(it.leftL, it.cubes),
              ]
                .filter(Boolean)
                .join(', ')}
            />
            <Figure name="Contains" value={containsWords(it).replace(/^contains /, '')} />
          </dl>
          {it.blend.length > 0 && (
            <p className="text-18 mt-5 mb-0">
              Blended with{' '}
              {it.blend.map((part, i) => (
                <span key={part.sourceId}>
                  {i > 0 && ', '}
                  {units.litres(part.litres)} of <Link to={`/lots/${part.sourceId}`}>{part.name}</Link>
                </span>
              ))}
              .
            </p>
          )}
          {may('READ') && (
            <p className="mt-6">
              <a
                href={`/api/lots/${it.id}/label.pdf`}
                target="_blank"
                rel="noreferrer"
                className="border-ink bg-raised text-ink inline-flex min-h-[48px] items-center rounded-md border-2 px-4 font-semibold no-underline"
              >
                Label (PDF)
              </a>
              <Link
                to={`/trace?what=${it.code}`}
                className="ml-2 inline-flex min-h-[48px] items-center px-2 font-semibold"
              >
                Where it came from
              </Link>
            </p>
          )}
          <div className="mt-8">
            <Heading>{may('READ') ? 'What left this lot' : 'What you were handed of it'}</Heading>
            {it.deliveries.length + it.drawnOff.length === 0 && (
              <p className="text-18 text-quiet">Nothing has left it yet.</p>
            )}
            <ul className="m-0 list-none p-0">
              {it.drawnOff.map((drawn) => (
                <li
                  key={drawn.batchId + drawn.at}
                  className="border-rule text-15 flex min-h-[44px] items-center justify-between gap-4 border-b"
                >
                  <span>
                    into{' '}
                    <Link to={`/batches/${drawn.batchId}`} className="font-semibold">
                      {drawn.formulaName}, batch {drawn.batchNumber}
                    </Link>
                  </span>
                  <span>{units.litres(drawn.litres)}</span>
                  <span className="text-quiet">{day(drawn.at)}</span>
                </li>
              ))}
              {/* A station that scans the label of what it was handed takes it over here. */}
              {!may('READ') && it.deliveries.map((slip) => <SlipRow key={slip.id} slip={slip} hand />)}
              {may('READ') &&
                it.deliveries.map((slip) => (
                  <li
                    key={slip.id}
                    className="border-rule text-15 flex min-h-[44px] items-center justify-between gap-4 border-b"
                  >
                    <b className="font-semibold">{slip.stationName}</b>
                    <span>{units.litres(slip.litres)}</span>
                    <span className="text-quiet">
                      {day(slip.deliveredAt)}, {slip.deliveredBy}
                    </span>
                  </li>
                ))}
            </ul>
          </div>
        </section>
        {may('READ') && (
          <section>
            <Heading>Deliver</Heading>
            <DeliverFor batchId={it.batchId} lot={it.id} />
            {it.kept === 'COLD' && !it.stopped && !it.pastUseBy && (
              <div className="mt-6">
                <IntoAnotherPot
                  source={it.id}
                  litres={it.leftL}
                  colour={liquorColour(it.family, it.gelatinGPerL)}
                />
              </div>
            )}
            {may('ACT') && it.leftL > 0 && <MoveLot lot={it} />}
          </section>
        )}
      </div>
    </>
  )
}

function DeliverFor({ batchId, lot }: { batchId: string; lot: string }) {
  const batch = useBatch(batchId)
  return batch.data ? <Deliver page={batch.data} lot={lot} /> : null
}
