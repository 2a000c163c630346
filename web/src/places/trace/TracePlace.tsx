import { useState, type FormEvent, type ReactNode } from 'react'
import { Link, useSearchParams } from 'react-router'
import { api, data } from '../../api/client'
import { useChange } from '../../api/queries'
import { useTrace, type Trace } from '../../api/trace'
import { Confluence } from '../../graphics/Confluence'
import { Generations } from '../../graphics/Generations'
import { Button } from '../../kit/Button'
import { Empty, Failed, Loading, Note, Refused } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { TextField } from '../../kit/TextField'
import { plainDay } from '../../words/time'
import type { Formatters } from '../../words/units'

/** Where it came from and where it went: by any number that stands on a label or a slip. */
export default function TracePlace() {
  const [params, setParams] = useSearchParams()
  const what = params.get('what') ?? ''
  const [typed, setTyped] = useState(what)
  const trace = useTrace(what)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    setParams({ what: typed.trim() })
  }
  return (
    <>
      <h1 className="text-24 mt-0 mb-3 font-bold">Where from, where to</h1>
      <form onSubmit={submit} className="mb-6 flex max-w-[560px] flex-wrap items-start gap-3">
        <div className="min-w-[240px] flex-1">
          <TextField
            label="A lot's number"
            value={typed}
            onValue={setTyped}
            hint="The supplier's, as on the slip, or ours, as on the label"
            maxLength={60}
          />
        </div>
        <Button type="submit" tone="act" className="mt-[25px]" disabled={typed.trim() === ''}>
          Follow it
        </Button>
      </form>
      {what === '' ? (
        <Empty title="Any number will do">
          A supplier’s lot leads to the batches that it went into, the lots that came of them and the stations
          that got them; a lot of ours leads back to everything in it.
        </Empty>
      ) : trace.isPending ? (
        <Loading what="the trace" />
      ) : !trace.data ? (
        <Failed what="The trace" error={trace.error} onRetry={() => void trace.refetch()} />
      ) : trace.data.boxes.length + trace.data.batches.length === 0 ? (
        <Empty title="Nothing here is called that">
          Look at the label or the slip again: every letter counts.
        </Empty>
      ) : (
        <Found key={what} what={what} trace={trace.data} />
      )}
    </>
  )
}

/** Rows of one height, so that the lines between them meet them. */
const ROW = 84

function Found({ what, trace }: { what: string; trace: Trace }) {
  const units = useUnits()
  const { day } = useTimes()
  const may = useMay()
  const pots = [...trace.before, ...trace.batches].sort((a, b) => a.number - b.number)
  const batches = pots.map((one) => one.id)
  const lots = [...trace.lots.map((one) => one.id), ...trace.left.map((one) => one.boxId)]
  const mostLeft = Math.max(0.001, ...trace.left.map((one) => one.kg))
  const mostKg = Math.max(0.001, ...trace.taken.map((one) => one.kg))
  const mostL = Math.max(0.001, ...trace.lots.map((one) => one.litres))
  return (
    <>
      <div className="flex flex-wrap items-start gap-y-6 overflow-x-auto lg:flex-nowrap">
        <Column name="In the larder" empty="Nobody told which box it was weighed out of.">
          {trace.boxes.map((box) => (
            <Row key={box.id} struck={box.stopped}>
              <Link to={`/larder/${box.id}`} className="text-18 font-semibold first-letter:uppercase">
                {box.name}
              </Link>
              <span className="text-15 block">
                {[box.supplier, box.supplierLot && `lot ${box.supplierLot}`].filter(Boolean).join(', ')}
              </span>
              <span className="text-13 text-quiet">
                {units.kg(box.kg)} came {plainDay(box.cameOn)}
                {box.stopped && <b className="text-hazard font-semibold"> stopped</b>}
              </span>
            </Row>
          ))}
        </Column>
        <Confluence
          left={trace.boxes.map((one) => one.id)}
          right={batches}
          bends={trace.taken.map((one) => ({ from: one.boxId, to: one.batchId, weight: one.kg / mostKg }))}
          rowHeight={ROW}
        />
        <Generations
          rows={batches}
          arcs={trace.drawn.map((one) => ({
            from: one.batchId,
            to: one.intoId,
            weight:
              one.litres === undefined
                ? (one.kg ?? 0) / Math.max(mostKg, one.kg ?? 0)
                : one.litres / Math.max(mostL, one.litres),
          }))}
          rowHeight={ROW}
        />
        <Column name="Into the pot" empty="It has gone into no pot.">
          {pots.map((batch) => (
            <Row key={batch.id}>
              <Link to={`/batches/${batch.id}`} className="text-18 font-semibold">
                {batch.formulaName}
              </Link>
              <span className="text-15 block">
                {[`batch ${batch.number}`, ...wentIn(trace, batch.id, units)].join(', ')}
              </span>
              <span className="text-13 text-quiet">{day(batch.acceptedAt)}</span>
            </Row>
          ))}
        </Column>
        <Confluence
          left={batches}
          right={lots}
          bends={[
            ...trace.lots.map((one) => ({ from: one.batchId, to: one.id, weight: one.litres / mostL })),
            ...trace.left.map((one) => ({
              from: one.batchId,
              to: one.boxId,
              weight: one.kg / mostLeft / 2,
            })),
          ]}
          rowHeight={ROW}
        />
        <Column name="Put away" empty="Nothing of it is put away.">
          {trace.lots.map((lot) => (
            <Row key={lot.id} struck={lot.stopped !== undefined}>
              <Link to={`/lots/${lot.id}`} className="text-18 font-semibold">
                {lot.code}
              </Link>
              <span className="text-15 block">
                {units.litres(lot.leftL)} left of {units.litres(lot.litres)}
              </span>
              <span className="text-13 text-quiet">
                {lot.place}
                {lot.stopped !== undefined && <b className="text-hazard font-semibold"> stopped</b>}
              </span>
            </Row>
          ))}
          {trace.left.map((left) => (
            <Row key={left.boxId} struck={left.stopped}>
              <Link to={`/larder/${left.boxId}`} className="text-18 font-semibold">
                {left.name}
              </Link>
              <span className="text-15 block">{units.kg(left.kg)} left over</span>
              {left.stopped && <b className="text-13 text-hazard font-semibold">stopped</b>}
            </Row>
          ))}
        </Column>
        <Confluence
          left={lots}
          right={trace.slips.map((one) => one.id)}
          bends={trace.slips.flatMap((one) =>
            one.lotId === undefined ? [] : [{ from: one.lotId, to: one.id, weight: one.litres / mostL }],
          )}
          rowHeight={ROW}
        />
        <Column name="Handed to" empty="Nobody has been handed any.">
          {trace.slips.map((slip) => (
            <Row key={slip.id}>
              <b className="text-18 font-semibold">{slip.stationName}</b>
              <span className="text-15 block">{units.litres(slip.litres)}</span>
              <span className="text-13 text-quiet">
                {[slip.lotId === undefined && 'hot', day(slip.at), slip.by].filter(Boolean).join(', ')}
              </span>
            </Row>
          ))}
        </Column>
      </div>
      <p className="mt-6 flex flex-wrap items-center gap-4">
        <a href={`/api/trace.csv?what=${encodeURIComponent(what)}`} download className="font-semibold">
          As a table
        </a>
        <a href={`/api/trace.jsonld?what=${encodeURIComponent(what)}`} download className="font-semibold">
          As linked data
        </a>
        <Button tone="quiet" onClick={() => window.print()}>
          Print
        </Button>
      </p>
      {may('JUDGE') && <Recall what={what} trace={trace} />}
    </>
  )
}

/** What of the larder went into a batch, and what of other batches. */
function wentIn(trace: Trace, batch: string, units: Formatters): string[] {
  const kg = trace.taken.filter((one) => one.batchId === batch).reduce((sum, one) => sum + one.kg, 0)
  const number = (id: string) => [...trace.before, ...trace.batches].find((one) => one.id === id)?.number
  return [
    ...(kg > 0 ? [`${units.kg(kg)} of it`] : []),
    ...trace.drawn
      .filter((one) => one.intoId === batch)
      .map((one) => {
        const much =
          one.litres === undefined
            ? `${units.kg(one.kg ?? 0)} ${(one.leftOver ?? '').toLowerCase()}`
            : units.litres(one.litres)
        return `${much} of batch ${number(one.batchId) ?? '?'}`
      }),
  ]
}

function Column({ name, empty, children }: { name: string; empty: string; children: ReactNode[] }) {
  const none = children.flat().length === 0
  return (
    <section aria-label={name} className="w-full min-w-[190px] lg:flex-1">
      <h2 className="text-18 m-0 h-10 font-bold">{name}</h2>
      {none ? (
        <p className="text-15 text-quiet m-0">{empty}</p>
      ) : (
        <ul className="m-0 list-none p-0">{children}</ul>
      )}
    </section>
  )
}

function Row({ struck = false, children }: { struck?: boolean; children: ReactNode }) {
  return (
    <li
      className={`flex flex-col justify-center overflow-hidden border-l-4 pl-3 leading-tight ${struck ? 'border-hazard' : 'border-river'}`}
      style={{ height: ROW - 10, marginBottom: 10 }}
    >
      {children}
    </li>
  )
}

/** Nothing of it goes on. Said with a reason, and with what it will stop. */
function Recall({ what, trace }: { what: string; trace: Trace }) {
  const units = useUnits()
  const [asked, setAsked] = useState(false)
  const [reason, setReason] = useState('')
  const recall = useChange(
    () => data(api.POST('/api/trace/recalls', { body: { what, reason } })),
    'trace',
    'larder',
    'lots',
    'lot',
    'the-course',
  )
  const left = trace.lots.reduce((litres, lot) => litres + lot.leftL, 0)
  const all = [
    ...trace.boxes.map((box) => box.stopped),
    ...trace.lots.map((lot) => lot.stopped !== undefined),
    ...trace.left.map((left) => left.stopped),
  ]
  if (all.length > 0 && all.every(Boolean))
    return <Note tone="hazard">All of it is stopped. Each box and lot is released on its own page.</Note>
  if (!asked)
    return (
      <Button className="mt-4" onClick={() => setAsked(true)}>
        Recall it
      </Button>
    )
  return (
    <form
      className="border-hazard mt-4 grid max-w-[560px] gap-4 border-l-4 pl-4"
      onSubmit={(event) => {
        event.preventDefault()
        recall.mutate(undefined, { onSuccess: () => setAsked(false) })
      }}
    >
      <p className="text-18 m-0">
        {trace.lots.length} {trace.lots.length === 1 ? 'lot' : 'lots'} with {units.litres(left)} left are
        stopped, and what lies in the larder. Who was handed what stands above: they are told by a person.
      </p>
      <TextField
        label="Why"
        value={reason}
        onValue={setReason}
        problem={recall.error?.fields.reason}
        maxLength={300}
        required
      />
      <Refused problem={recall.error} />
      <span className="flex gap-2">
        <Button type="submit" tone="act" disabled={recall.isPending || reason.trim() === ''}>
          Stop all of it
        </Button>
        <Button tone="quiet" onClick={() => setAsked(false)}>
          Leave it
        </Button>
      </span>
    </form>
  )
}
