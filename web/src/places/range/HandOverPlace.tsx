import { useState } from 'react'
import { Link } from 'react-router'
import { api, data, newId } from '../../api/client'
import { useChange, useHandOvers, useHands, useRange, type Card, type HandOver } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Empty, Failed, Heading, Loading, Note, Refused } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { TextField } from '../../kit/TextField'
import { useMay, useTimes, useUnits, useVisit } from '../../kit/session'
import { stageName } from '../../words/en'
import { fromNow } from '../../words/time'
import { dueWords } from '../batch/acts'
import { litresOf } from './RangeVessel'

const KEEPS = ''

/** The change of a shift: who takes which pots, what is pending on them, and who has signed. */
export default function HandOverPlace() {
  const range = useRange()
  const given = useHandOvers()
  const may = useMay()
  if (range.isPending || given.isPending) return <Loading what="the hand-over" />
  if (!range.data || !given.data)
    return (
      <Failed
        what="The hand-over"
        error={range.error ?? given.error!}
        onRetry={() => void Promise.all([range.refetch(), given.refetch()])}
      />
    )
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-24 m-0 font-bold">Hand over</h1>
        <Button className="print:hidden" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      {may('ACT') && <Give batches={range.data.batches} />}
      <section className="mt-8">
        <Heading>Handed over</Heading>
        {given.data.length === 0 && (
          <p className="text-18 text-quiet m-0">
            Nothing yet. A hand-over keeps how every pot stood, and whoever takes it signs for it.
          </p>
        )}
        {given.data.map((each) => (
          <Sheet key={each.id} handOver={each} />
        ))}
      </section>
    </>
  )
}

function Give({ batches }: { batches: Card[] }) {
  const hands = useHands()
  const units = useUnits()
  const { now } = useTimes()
  const { person } = useVisit()
  const [id, setId] = useState(newId)
  const [to, setTo] = useState<Record<string, string>>({})
  const [words, setWords] = useState('')
  const give = useChange(
    (pots: { batchId: string; takenBy: string }[]) =>
      data(api.POST('/api/hand-overs', { body: { id, words, pots } })),
    'hand-overs',
  )
  if (batches.length === 0)
    return (
      <Empty title="There is nothing to hand over">
        No pot is being worked on. <Link to="/calls">Calls</Link> may be waiting for a plan.
      </Empty>
    )
  const others = (hands.data ?? []).filter((hand) => hand.id !== person.id)
  const pots = batches
    .filter((card) => to[card.id])
    .map((card) => ({ batchId: card.id, takenBy: to[card.id]! }))
  return (
    <form
      className="print:hidden"
      onSubmit={(event) => {
        event.preventDefault()
        give.mutate(pots, {
          onSuccess: () => {
            setId(newId())
            setTo({})
            setWords('')
          },
        })
      }}
    >
      {others.length > 1 && (
        <p className="text-15 m-0 mb-3 flex flex-wrap items-center gap-2">
          Everything to
          {others.map((hand) => (
            <Button
              key={hand.id}
              onClick={() => setTo(Object.fromEntries(batches.map((card) => [card.id, hand.id])))}
            >
              {hand.name}
            </Button>
          ))}
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {batches.map((card) => (
          <li
            key={card.id}
            className="border-rule grid items-center gap-x-6 gap-y-1 border-t py-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_220px]"
          >
            <span>
              <b className="text-18 block font-semibold">{card.vessel.name}</b>
              <span className="text-15 text-quiet">
                {card.formulaName}, {stageName[card.stage]?.toLowerCase()}
                {litresOf(card) !== undefined && `, ${units.litres(litresOf(card)!)}`}
              </span>
            </span>
            <span className="text-15">
              {card.due.slice(0, 2).map((due) => (
                <span key={`${due.kind}${due.step}${due.due}`} className="block">
                  {dueWords(due)}{' '}
                  <span
                    className={
                      new Date(due.lateAt).getTime() < now ? 'text-ember font-semibold' : 'text-quiet'
                    }
                  >
                    {fromNow(due.due, now)}
                  </span>
                </span>
              ))}
            </span>
            <SelectField
              label={`${card.vessel.name} goes to`}
              value={to[card.id] ?? KEEPS}
              onValue={(hand) => setTo({ ...to, [card.id]: hand })}
              options={[
                { value: KEEPS, name: 'I keep it' },
                ...others.map((hand) => ({ value: hand.id, name: hand.name })),
              ]}
            />
          </li>
        ))}
      </ul>
      <div className="border-rule grid items-end gap-4 border-t pt-3 md:grid-cols-[minmax(0,1fr)_auto]">
        <TextField
          label="What they should know"
          value={words}
          onValue={setWords}
          maxLength={600}
          problem={give.error?.fields.words}
          hint="A pot that runs hot, a delivery that was short"
        />
        <Button type="submit" tone="act" large disabled={pots.length === 0 || give.isPending}>
          Hand over {pots.length === 0 ? '' : pots.length === 1 ? 'one pot' : `${pots.length} pots`}
        </Button>
      </div>
      <Refused problem={give.error} />
      {give.error?.fields.pots && <Note>{give.error.fields.pots.reason}</Note>}
    </form>
  )
}

/** What was handed over, as it stood then. */
function Sheet({ handOver }: { handOver: HandOver }) {
  const units = useUnits()
  const { time, day } = useTimes()
  const { person } = useVisit()
  const sign = useChange(
    () => api.POST('/api/hand-overs/{id}/signature', { params: { path: { id: handOver.id } } }),
    'hand-overs',
  )
  const takers = [...new Map(handOver.pots.map((pot) => [pot.takenBy, pot.takenByName]))]
  return (
    <article
      aria-label={`Handed over by ${handOver.givenByName}, ${day(handOver.givenAt)}`}
      className="border-ink mb-6 border-t-2 pt-2"
    >
      <p className="text-18 m-0">
        <b className="font-bold">{handOver.givenByName}</b> {day(handOver.givenAt)}
        {handOver.words && <span className="text-quiet">: {handOver.words}</span>}
      </p>
      <div className="overflow-x-auto">
        <table className="text-15 w-full border-collapse">
          <thead>
            <tr className="text-quiet text-left">
              <th className="py-1 pr-4 font-normal">Pot</th>
              <th className="py-1 pr-4 font-normal">Stood at</th>
              <th className="py-1 pr-4 font-normal">Pending</th>
              <th className="py-1 font-normal">Taken by</th>
            </tr>
          </thead>
          <tbody>
            {handOver.pots.map((pot) => (
              <tr key={pot.batchId} className="border-rule border-t align-top">
                <td className="py-2 pr-4">
                  <Link to={`/batches/${pot.batchId}`} className="font-semibold">
                    {pot.vesselName}
                  </Link>
                  <span className="text-quiet block">{pot.formulaName}</span>
                </td>
                <td className="py-2 pr-4 whitespace-nowrap">
                  {stageName[pot.stage]}
                  <span className="block">{pot.litres > 0 && units.litres(pot.litres)}</span>
                </td>
                <td className="py-2 pr-4">
                  {pot.pending.map((act, i) => (
                    <span key={i} className={`block ${act.late ? 'text-ember font-semibold' : ''}`}>
                      <span>{time(act.due)}</span> {dueWords(act).toLowerCase()}
                    </span>
                  ))}
                </td>
                <td className="py-2 whitespace-nowrap">{pot.takenByName}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-15 m-0 mt-2 flex flex-wrap items-center gap-x-6 gap-y-2">
        {takers.map(([taker, name]) => {
          const at = handOver.signed[taker]
          if (at)
            return (
              <span key={taker}>
                {name} signed at <b className="font-semibold">{time(at)}</b>
              </span>
            )
          return taker === person.id ? (
            <Button key={taker} tone="act" className="print:hidden" onClick={() => sign.mutate(undefined)}>
              I have them
            </Button>
          ) : (
            <span key={taker} className="text-amber font-semibold">
              {name} has not signed
            </span>
          )
        })}
      </p>
      <Refused problem={sign.error} />
    </article>
  )
}
