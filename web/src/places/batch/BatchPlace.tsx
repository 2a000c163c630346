import { useMemo, useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { useBatch, type Card, type Page } from '../../api/queries'
import { liquorColour } from '../../graphics/liquor'
import { Mouths } from '../../graphics/Mouths'
import { useKeys } from '../../kit/keys'
import { Failed, Heading, Loading, Note } from '../../kit/Note'
import { Opened } from '../../kit/Opened'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { stageName } from '../../words/en'
import { duration } from '../../words/time'
import { kindOf, logAll, moves, movesBy, usual, type SheetName } from './acts'
import { resting, used } from '../../kit/rest'
import { ActSheet } from './ActSheet'
import { BatchActs } from './BatchActs'
import { BatchCooling } from './BatchCooling'
import { BatchCourse } from './BatchCourse'
import { BatchLeft, Kilograms } from './BatchLeft'
import { BatchPhotos } from './BatchPhotos'
import { BatchPot } from './BatchPot'
import { BatchRecord } from './BatchRecord'
import { BatchStream } from './BatchStream'
import { BatchWeighOut } from './BatchWeighOut'
import { BatchWeighing } from './BatchWeighing'
import { ChoreLine } from './ChoreLine'
import { CleanDown } from './CleanDown'
import { Steps } from './Steps'
import { WeighInSheet } from './WeighInSheet'

/** One batch from bed to delivery. */
export default function BatchPlace() {
  const { id = '' } = useParams()
  const batch = useBatch(id)
  if (batch.isPending) return <Loading what="the batch" />
  if (!batch.data)
    return <Failed what="The batch" error={batch.error!} onRetry={() => void batch.refetch()} />
  return <Batch page={batch.data} />
}

/** A box whose code was scanned, and that is to be weighed in here. */
function Scanned({ page }: { page: Page }) {
  const [params, setParams] = useSearchParams()
  const may = useMay()
  const box = params.get('weigh')
  if (!box || !may('ACT')) return null
  return <WeighInSheet page={page} box={box} onClose={() => setParams({}, { replace: true })} />
}

function Batch({ page }: { page: Page }) {
  const units = useUnits()
  const { day } = useTimes()
  const card = page.card
  const colour = liquorColour(card.family, card.pot.gelatinGPerL || page.forecast.gelatinGPerL)
  const [asked, setAsked] = useState<SheetName>()
  useBatchKeys(page, setAsked)
  const inPot = !['COOL', 'STORE', 'ON_SHELF', 'DONE'].includes(card.stage)
  const givenUp = card.stage === 'ABANDONED'
  /** Whether there is anything of it that could be told: a pot that was never filled has given nothing away. */
  const ran = !givenUp || card.pot.filled
  const late = card.lateMin > 0
  return (
    <>
      <div className="mb-4 flex flex-wrap items-baseline justify-between gap-x-8 gap-y-1">
        <h1 className="text-24 m-0 font-bold">
          {card.formulaName}
          <span className="text-quiet font-normal">
            {' '}
            in {card.vessel.name}, batch {card.number}
          </span>
        </h1>
        <p className="text-18 m-0">
          {page.call && (
            <>
              for <Link to="/calls">{page.call.stationName}</Link>, {units.litres(page.call.litres)} by{' '}
              {day(card.readyBy)}.{' '}
              {page.call.openL > 0 && (
                <b className="text-ember font-semibold">{units.litres(page.call.openL)} of it still open. </b>
              )}
              {page.also.length > 0 && (
                <>
                  The rest for{' '}
                  {page.also
                    .map((call) => `${call.stationName}, ${units.litres(call.litres)}`)
                    .join(', and ')}
                  .{' '}
                </>
              )}
            </>
          )}
          {['ON_SHELF', 'DONE', 'ABANDONED'].includes(card.stage) ? (
            <b className="font-semibold">{stageName[card.stage]}</b>
          ) : (
            <span className="inline-flex items-center gap-2">
              <b className={`font-semibold ${late ? 'text-ember' : ''}`}>
                Ready {day(card.readyAt)}
                {late ? `, ${duration(card.lateMin)} late` : ''}
              </b>
              <WhyReady page={page} />
            </span>
          )}
        </p>
      </div>
      <Steps page={page} />
      <Short page={page} />
      {page.salted && <Salted page={page} />}
      {!givenUp && <ChoreLine page={page} />}
      <CleanDown page={page} />
      {page.weighing && <BatchWeighing page={page} weighing={page.weighing} />}
      <div className="mt-5 grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        {givenUp ? (
          <GivenUp page={page} />
        ) : (
          <section aria-label={inPot ? 'The pot' : 'Cooling'}>
            {inPot ? <BatchPot page={page} colour={colour} /> : <BatchCooling page={page} />}
          </section>
        )}
        <div>
          <BatchActs page={page} colour={colour} onAsk={setAsked} />
          <BatchLeft page={page} />
        </div>
      </div>
      <BatchWeighOut page={page} />
      <Scanned page={page} />
      {ran && (
        <>
          <section className="mt-8">
            <Heading aside="planned dashed, happened filled; temperature below">The stream</Heading>
            <BatchStream page={page} colour={colour} />
          </section>
          <BatchCourse page={page} colour={colour} />
        </>
      )}
      <div className="mt-8 grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section>
          {ran && <Litres page={page} colour={colour} />}
          <Kilograms page={page} colour={colour} />
          <BatchPhotos page={page} />
        </section>
        <BatchRecord page={page} />
      </div>
      {asked && (
        <ActSheet
          page={page}
          kind={asked}
          due={card.due.find((due) => kindOf(due) === asked)}
          onClose={() => setAsked(undefined)}
        />
      )}
    </>
  )
}

/** Where every litre went, as far as it is known. */
function Litres({ page, colour }: { page: Page; colour: string }) {
  const units = useUnits()
  const card = page.card
  return (
    <>
      <Heading
        aside={
          card.strainedL !== undefined
            ? `${units.litres(card.strainedL)} out, planned ${units.estimate(page.forecast.yieldL)}`
            : card.pot.filled
              ? 'so far'
              : 'as planned; nothing is in it yet'
        }
      >
        Where every litre went
      </Heading>
      <Mouths
        entries={page.ledger.entries}
        yieldL={page.ledger.yieldL}
        unexplainedL={page.ledger.unexplainedL}
        litres={(value) => units.litres(value)}
        colour={colour}
        yieldName={yieldName(card, units.out)}
      />
    </>
  )
}

/** A batch that nobody goes on with: until when it was one, and why. */
function GivenUp({ page }: { page: Page }) {
  const { day } = useTimes()
  const units = useUnits()
  const end = page.events.find((event) => event.kind === 'abandoned' && !event.withdrawn)
  const weighed = page.weighedKg['bed']
  return (
    <section aria-label="Given up">
      <Heading>Given up</Heading>
      {end && (
        <p className="text-18 m-0">
          {day(end.at)} by {end.byName}
          {end.figures.words ? `: ${end.figures.words}` : ''}.
        </p>
      )}
      <p className="text-15 text-quiet mt-2 mb-0">
        {weighed !== undefined && `${units.kg(weighed)} of ${page.bedName} had been weighed in. `}
        {page.card.vessel.name} is free again; what was to come of this pot is planned from the{' '}
        <Link to="/calls">calls</Link>.
      </p>
    </section>
  )
}

/** When it is ready: what is still ahead of it, and how long each takes. */
function WhyReady({ page }: { page: Page }) {
  const { now, time, day } = useTimes()
  const ahead = page.outlook.filter((step) => new Date(step.to).getTime() > now)
  return (
    <Opened of="When it is ready" says={`${day(page.card.readyAt)}, wanted ${day(page.card.readyBy)}.`}>
      <table className="text-15 mt-2 w-full">
        <tbody>
          {ahead.map((step) => {
            const from = Math.max(now, new Date(step.from).getTime())
            return (
              <tr key={step.stage} className="border-rule border-t">
                <th scope="row" className="py-1 text-left font-normal">
                  {stageName[step.stage]}
                </th>
                <td className="text-right whitespace-nowrap">
                  {duration((new Date(step.to).getTime() - from) / 60_000)}
                </td>
                <td className="w-[110px] text-right whitespace-nowrap">to {time(step.to)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </Opened>
  )
}

/** A pot that came out short of its call: whoever stands at it decides what becomes of the rest. */
function Short({ page }: { page: Page }) {
  const units = useUnits()
  const { call, card } = page
  if (!call || call.openL === 0 || card.strainedL === undefined || card.stage === 'ABANDONED') return null
  return (
    <Note>
      {units.litres(call.openL)} of the {units.litres(call.litres)} for {call.stationName} will not come of
      this pot; the station sees it. <Link to="/calls">Plan the rest, or close the call short</Link>
    </Note>
  )
}

/** Salt that nobody planned, told where it is decided what becomes of the stock. */
function Salted({ page }: { page: Page }) {
  const units = useUnits()
  const salt = page.salted!
  const reduced = salt.afterGPerL > salt.gPerL * 1.01
  return (
    <Note>
      Salted by mistake with {units.kg(salt.addedKg)}: about {units.dissolved(salt.gPerL, 0.1)}
      {reduced && `, ${units.dissolved(salt.afterGPerL, 0.1)} once it is reduced`}.{' '}
      {salt.tooMuch
        ? 'Too salty to be reduced for a sauce: let it down with unsalted stock, or keep it for soup.'
        : 'Write it on the lot, and salt less after it.'}
    </Note>
  )
}

function useBatchKeys(page: Page, ask: (kind: SheetName) => void) {
  const may = useMay()
  const card = page.card
  useKeys(
    useMemo<Record<string, () => void>>(() => {
      const none: Record<string, () => void> = {}
      if (!may('ACT')) return none
      const next = card.due[0]
      return {
        n: () => {
          if (!next || resting()) return
          if (next.asks || moves(next) > 0) ask(movesBy(next))
          else {
            used()
            void logAll(card.id, usual(next))
          }
        },
        l: () => ask('level-read'),
        t: () => ask(card.strainedL === undefined ? 'temperature-read' : 'cooling-read'),
        k: () => ask('skimmed'),
        w: () => ask(card.pot.filled ? 'topped-up' : 'filled'),
        j: () => ask('judged-enough'),
      }
    }, [may, card, ask]),
  )
}

/** While a pot works its ledger tells what would come out if it were strained this minute; top-ups ahead are not in it. */
function yieldName(card: Card, out: string): string {
  if (card.strainedL !== undefined) return out
  if (card.stage === 'ABANDONED') return 'Left in it'
  return card.pot.filled ? 'If strained now' : 'Expected out'
}
