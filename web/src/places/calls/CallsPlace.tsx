import { useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../api/client'
import { useCalls, useChange, useDeliveries, type Call } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Empty, Failed, Heading, Loading, Note } from '../../kit/Note'
import { useMay, useTimes, useUnits, useVisit } from '../../kit/session'
import { allergenName, containsWords, statusName } from '../../words/en'
import { AskSheet } from './AskSheet'

/** What the stations ask for, by when, and what has become of it. */
export function CallsPlace() {
  const calls = useCalls()
  const may = useMay()
  const { person } = useVisit()
  const [asking, setAsking] = useState(false)
  if (calls.isPending) return <Loading what="the calls" />
  if (!calls.data) return <Failed what="The calls" error={calls.error} onRetry={() => void calls.refetch()} />
  const live = calls.data.filter((call) => !['MET', 'WITHDRAWN'].includes(call.status))
  const past = calls.data.filter((call) => ['MET', 'WITHDRAWN'].includes(call.status))
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-24 m-0 font-bold">{person.stationId ? 'Your calls' : 'Calls'}</h1>
        {may('ASK') && (
          <Button tone="act" large onClick={() => setAsking(true)}>
            Ask for litres
          </Button>
        )}
      </div>
      {live.length === 0 && (
        <Empty title="Nobody is waiting for stock">
          {may('ASK')
            ? 'Ask for litres, and by when; the stock cook sees it at once.'
            : 'A call appears here when a station asks.'}
        </Empty>
      )}
      <ul className="m-0 list-none p-0">
        {live.map((call) => (
          <CallRow key={call.id} call={call} />
        ))}
      </ul>
      {past.length > 0 && (
        <section className="mt-8">
          <Heading>Met or withdrawn, two days back</Heading>
          <ul className="m-0 list-none p-0">
            {past.map((call) => (
              <CallRow key={call.id} call={call} />
            ))}
          </ul>
        </section>
      )}
      {person.stationId && <OwnSlips />}
      {asking && <AskSheet onClose={() => setAsking(false)} />}
    </>
  )
}

function CallRow({ call }: { call: Call }) {
  const may = useMay()
  const units = useUnits()
  const { day } = useTimes()
  const withdraw = useChange(
    (id: string) => api.POST('/api/calls/{id}/withdrawal', { params: { path: { id } } }),
    'calls',
  )
  return (
    <li className="border-rule grid items-center gap-x-6 gap-y-2 border-t py-3 md:grid-cols-[150px_minmax(0,1.4fr)_minmax(0,1fr)_220px]">
      <span className="text-36 font-mono font-semibold whitespace-nowrap">{units.litres(call.litres)}</span>
      <span>
        <b className="text-18 block font-semibold">{call.formulaName}</b>
        <span className="text-15 text-quiet">
          {call.stationName}
          {call.without.length > 0 && `, without ${call.without.map(allergenName).join(', ')}`}
          {call.note && `, ${call.note}`}
        </span>
      </span>
      <span>
        <span className="text-18 block">by {day(call.readyBy)}</span>
        <span className={`text-15 font-semibold ${call.status === 'OPEN' ? 'text-ember' : 'text-quiet'}`}>
          {statusName[call.status]}
          {call.deliveredL > 0 && `: ${units.litres(call.deliveredL)}`}
        </span>
      </span>
      <span className="flex justify-end gap-2">
        {call.status === 'OPEN' && may('PLAN') && (
          <Link
            to={`/formulas/${call.formulaSlug}?call=${call.id}`}
            className="border-river bg-river text-on-river inline-flex min-h-[48px] items-center rounded-md border-2 px-4 font-semibold no-underline"
          >
            Plan it
          </Link>
        )}
        {call.batchId && may('READ') && (
          <Link
            to={`/batches/${call.batchId}`}
            className="inline-flex min-h-[48px] items-center px-2 font-semibold"
          >
            Batch
          </Link>
        )}
        {call.status === 'OPEN' && may('ASK') && (
          <Button tone="quiet" onClick={() => withdraw.mutate(call.id)}>
            Withdraw
          </Button>
        )}
      </span>
      {withdraw.error && <Note>{withdraw.error.message}</Note>}
    </li>
  )
}

/** A station sees what it was handed, and what is in it. */
function OwnSlips() {
  const deliveries = useDeliveries()
  const units = useUnits()
  const { day } = useTimes()
  return (
    <section className="mt-8">
      <Heading>Handed to you</Heading>
      {(deliveries.data ?? []).length === 0 && <p className="text-18 text-quiet">Nothing yet this week.</p>}
      <ul className="m-0 list-none p-0">
        {(deliveries.data ?? []).map((slip) => (
          <li
            key={slip.id}
            className="border-rule text-15 flex flex-wrap items-center justify-between gap-x-6 border-t py-2"
          >
            <span>
              <Link to={`/lots/${slip.lotId}`} className="font-semibold">
                {slip.formulaName}
              </Link>
              , lot {slip.lotCode}
            </span>
            <span className="text-18 font-mono">{units.litres(slip.litres)}</span>
            <span>{containsWords(slip)}</span>
            <span className="text-quiet">{day(slip.deliveredAt)}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
