import { useState } from 'react'
import { Link } from 'react-router'
import { api, data } from '../../api/client'
import { useCalls, useChange, useDeliveries, type Call } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Empty, Failed, Heading, Loading, Note } from '../../kit/Note'
import { OwnCalendar } from '../../kit/OwnCalendar'
import { TextField } from '../../kit/TextField'
import { useMay, useTimes, useUnits, useVisit } from '../../kit/session'
import { needsSaid, statusName } from '../../words/en'
import { dayOf, fromNow } from '../../words/time'
import { SlipRow } from '../slips/SlipRow'
import { AskSheet } from './AskSheet'
import { ChangeSheet } from './ChangeSheet'
import { Standing } from './Standing'
import { CallTableSheet } from './CallTableSheet'

const ended: Call['status'][] = ['MET', 'CLOSED_SHORT', 'WITHDRAWN']

/** Further on it is what comes back week by week that fills the list. */
const SOON_MS = 3 * 86_400_000

/** What the stations ask for, by when, and what has become of it. */
export function CallsPlace() {
  const calls = useCalls()
  const may = useMay()
  const units = useUnits()
  const { person } = useVisit()
  const { now } = useTimes()
  const [asking, setAsking] = useState(false)
  const [reading, setReading] = useState(false)
  const [later, setLater] = useState(false)
  if (calls.isPending) return <Loading what="the calls" />
  if (!calls.data) return <Failed what="The calls" error={calls.error} onRetry={() => void calls.refetch()} />
  const live = calls.data.filter((call) => !ended.includes(call.status))
  const soon = live.filter((call) => new Date(call.readyBy).getTime() < now + SOON_MS)
  const past = calls.data.filter((call) => ended.includes(call.status))
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-24 m-0 font-bold">{person.stationId ? 'Your calls' : 'Calls'}</h1>
        {may('ASK') && (
          <span className="flex flex-wrap gap-2">
            <Button large onClick={() => setReading(true)}>
              From a table
            </Button>
            <Button tone="act" large onClick={() => setAsking(true)}>
              Ask for {units.litresWord}
            </Button>
          </span>
        )}
      </div>
      {person.stationId && <ToTakeOver />}
      {live.length === 0 && (
        <Empty title="Nobody is waiting for stock">
          {may('ASK')
            ? `Ask for ${units.litresWord}, and by when; the stock cook sees it at once.`
            : 'A call appears here when a station asks.'}
        </Empty>
      )}
      <ul className="m-0 list-none p-0">
        {(later ? live : soon).map((call) => (
          <CallRow key={call.id} call={call} />
        ))}
      </ul>
      {live.length > soon.length && (
        <Button className="mt-3" onClick={() => setLater(!later)}>
          {later ? 'Only the coming days' : `And ${live.length - soon.length} further on`}
        </Button>
      )}
      <Standing />
      {past.length > 0 && (
        <section className="mt-8">
          <Heading>Met, closed or withdrawn, two days back</Heading>
          <ul className="m-0 list-none p-0">
            {past.map((call) => (
              <CallRow key={call.id} call={call} />
            ))}
          </ul>
        </section>
      )}
      {person.stationId && <OwnSlips />}
      {person.stationId && (
        <section className="mt-8">
          <Heading>In your calendar</Heading>
          <OwnCalendar />
        </section>
      )}
      {asking && <AskSheet onClose={() => setAsking(false)} />}
      {reading && <CallTableSheet onClose={() => setReading(false)} />}
    </>
  )
}

function CallRow({ call }: { call: Call }) {
  const units = useUnits()
  const { day } = useTimes()
  const [asked, setAsked] = useState<'withdraw' | 'close' | 'change'>()
  const bad = ['OPEN', 'SHORT', 'CLOSED_SHORT'].includes(call.status)
  return (
    <li className="border-rule grid items-center gap-x-6 gap-y-2 border-t py-3 md:grid-cols-[150px_minmax(0,1.4fr)_minmax(0,1fr)_340px]">
      <span className="text-36 font-semibold whitespace-nowrap">{units.litres(call.litres)}</span>
      <span>
        <b className="text-18 block font-semibold">{call.formulaName}</b>
        <span className="text-15 text-quiet">
          {call.stationName}
          {needsSaid(call) && `, ${needsSaid(call)}`}
          {call.note && `, ${call.note}`}
        </span>
      </span>
      <span>
        <span className="text-18 block">by {day(call.readyBy)}</span>
        <span className={`text-15 font-semibold ${bad ? 'text-ember' : 'text-quiet'}`}>
          {statusName[call.status]}
          {call.deliveredL > 0 && `: ${units.litres(call.deliveredL)}`}
        </span>
        {call.status === 'SHORT' && (
          <span className="text-15 block">
            {units.litres(call.promisedL)} will come, {units.litres(call.openL)} still open
          </span>
        )}
        {call.told && !ended.includes(call.status) && <Word told={call.told} by={call.readyBy} />}
        {call.closedAs && <span className="text-15 block">{call.closedAs}</span>}
      </span>
      <CallActs call={call} onAsk={setAsked} />
      {asked === 'withdraw' && <Withdraw call={call} onDone={() => setAsked(undefined)} />}
      {asked === 'change' && <ChangeSheet call={call} onClose={() => setAsked(undefined)} />}
      {asked === 'close' && <CloseCall call={call} onDone={() => setAsked(undefined)} />}
    </li>
  )
}

/** What the stock cook has said of how it comes. */
function Word({ told, by }: { told: NonNullable<Call['told']>; by: string }) {
  const units = useUnits()
  const { day, now } = useTimes()
  const comes = told.comes.map(
    (one) => `${units.litres(one.litres)} ${one.at > by ? 'at' : 'by'} ${day(one.at)}`,
  )
  return (
    <span className="text-15 border-amber mt-1 block border-l-4 pl-2">
      <b className="font-semibold">{comes.length > 0 ? comes.join(', ') : 'It does not come'}</b>
      <span className="text-quiet block">
        {told.by} said {fromNow(told.at, now)}
      </span>
    </span>
  )
}

const route = (call: Call) => ({ params: { path: { id: call.id } } })

function CallActs({ call, onAsk }: { call: Call; onAsk: (what: 'withdraw' | 'close' | 'change') => void }) {
  const may = useMay()
  const { now } = useTimes()
  const again = useChange(() => api.DELETE('/api/calls/{id}/withdrawal', route(call)), 'calls')
  const open = useChange(() => api.DELETE('/api/calls/{id}/closing', route(call)), 'calls')
  const toPlan = call.openL > 0 && !ended.includes(call.status)
  const made = ['SHORT', 'PARTLY_MET'].includes(call.status)
  return (
    <span className="flex flex-wrap justify-end gap-2">
      {toPlan && may('PLAN') && (
        <Link
          to={`/formulas/${call.formulaSlug}?call=${call.id}`}
          className="border-river bg-river text-on-river inline-flex min-h-[48px] items-center rounded-md border-2 px-4 font-semibold no-underline"
        >
          {call.status === 'OPEN' ? 'Plan it' : 'Plan the rest'}
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
      {!ended.includes(call.status) && may('ASK') && (
        <Button tone="quiet" onClick={() => onAsk('change')}>
          Change
        </Button>
      )}
      {made && may('DELIVER') && (
        <Button tone="quiet" onClick={() => onAsk('close')}>
          Close it
        </Button>
      )}
      {call.status === 'OPEN' && may('ASK') && (
        <Button tone="quiet" onClick={() => onAsk('withdraw')}>
          Withdraw
        </Button>
      )}
      {call.againUntil && new Date(call.againUntil).getTime() > now && may('ASK') && (
        <Button tone="quiet" onClick={() => again.mutate(undefined)}>
          Ask again
        </Button>
      )}
      {call.status === 'CLOSED_SHORT' && may('DELIVER') && (
        <Button tone="quiet" onClick={() => open.mutate(undefined)}>
          Open again
        </Button>
      )}
    </span>
  )
}

function Withdraw({ call, onDone }: { call: Call; onDone: () => void }) {
  const units = useUnits()
  const withdraw = useChange(() => api.POST('/api/calls/{id}/withdrawal', route(call)), 'calls')
  return (
    <div className="flex flex-wrap items-center gap-3 md:col-span-4">
      <span className="text-18">
        Take back {units.litres(call.litres)} of {call.formulaName.toLowerCase()}?
      </span>
      <Button onClick={() => withdraw.mutate(undefined, { onSuccess: onDone })} disabled={withdraw.isPending}>
        Take it back
      </Button>
      <Button tone="quiet" onClick={onDone}>
        Leave it
      </Button>
      {withdraw.error && <Note>{withdraw.error.message}</Note>}
    </div>
  )
}

/** As met, where what lacks is within what the kitchen lets pass; else short, and the station reads why. */
function CloseCall({ call, onDone }: { call: Call; onDone: () => void }) {
  const units = useUnits()
  const [reason, setReason] = useState('')
  const close = useChange(
    () => data(api.POST('/api/calls/{id}/closing', { ...route(call), body: { reason } })),
    'calls',
    'batch',
  )
  return (
    <form
      className="flex flex-wrap items-end gap-3 md:col-span-4"
      onSubmit={(event) => {
        event.preventDefault()
        close.mutate(undefined, { onSuccess: onDone })
      }}
    >
      {call.nearlyMet ? (
        <span className="text-18 self-center">
          {units.litres(call.deliveredL)} of {units.litres(call.litres)} is near enough.
        </span>
      ) : (
        <div className="min-w-[240px] flex-1">
          <TextField
            label={`Why ${units.litres(call.dueL)} will not come`}
            value={reason}
            onValue={setReason}
            maxLength={300}
            required
            problem={close.error?.fields.reason}
          />
        </div>
      )}
      <Button type="submit" disabled={close.isPending}>
        {call.nearlyMet ? 'Close as met' : 'Close it short'}
      </Button>
      <Button tone="quiet" onClick={onDone}>
        Leave it open
      </Button>
      {close.error && !close.error.fields.reason && <Note>{close.error.message}</Note>}
    </form>
  )
}

/** What a station was handed and has not taken over yet comes before anything that it may ask for. */
function ToTakeOver() {
  const deliveries = useDeliveries()
  const open = (deliveries.data ?? []).filter((slip) => !slip.takenOverAt)
  if (open.length === 0) return null
  return (
    <section className="mb-8">
      <Heading>To take over</Heading>
      <ul aria-label="To take over" className="m-0 list-none p-0">
        {open.map((slip) => (
          <SlipRow key={slip.id} slip={slip} hand />
        ))}
      </ul>
    </section>
  )
}

/** A station sees what it has, and what is in it; it sends back what it does not use. */
function OwnSlips() {
  const deliveries = useDeliveries()
  const { now, zone } = useTimes()
  const today = dayOf(now, zone)
  const taken = (deliveries.data ?? []).filter((slip) => slip.takenOverAt)
  return (
    <section className="mt-8">
      <Heading
        aside={
          <>
            today’s as{' '}
            <a href={`/api/deliveries/slips.pdf?day=${today}`} target="_blank" rel="noreferrer">
              PDF
            </a>
          </>
        }
      >
        Taken over
      </Heading>
      {taken.length === 0 && <p className="text-18 text-quiet">Nothing yet this week.</p>}
      <ul className="m-0 list-none p-0">
        {taken.map((slip) => (
          <SlipRow key={slip.id} slip={slip} hand />
        ))}
      </ul>
    </section>
  )
}
