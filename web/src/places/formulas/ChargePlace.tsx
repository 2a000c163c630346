import { useMemo, useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { api, data, newId } from '../../api/client'
import { useCalls, useCharge, useChange, type Call, type Charge, type ChargeRequest } from '../../api/queries'
import { liquorColour } from '../../graphics/liquor'
import { Mouths } from '../../graphics/Mouths'
import { Failed, Heading, Loading, Note } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { cautionName } from '../../words/en'
import { ChargeControls } from './ChargeControls'
import { ChargePot } from './ChargePot'
import { PlanStrip } from './PlanStrip'
import { Warnings } from './Warnings'
import { WeighOut } from './WeighOut'

export type GoalKind = ChargeRequest['goal']

/** What the address of a charge says: a person who shares it shares the very pot. */
export interface Wish {
  goal: GoalKind
  value?: number
  vessel?: string
  blanch?: boolean
  simmerMin?: number
  startNow?: boolean
}

/** A formula in a vessel, solved from whichever side is given. */
export default function ChargePlace() {
  const { slug = '' } = useParams()
  const [params] = useSearchParams()
  const calls = useCalls()
  const callId = params.get('call') ?? undefined
  const call = calls.data?.find((c) => c.id === callId)
  if (callId && calls.isPending) return <Loading what="the call" />
  return <Solver slug={slug} call={call} />
}

function Solver({ slug, call }: { slug: string; call?: Call }) {
  const units = useUnits()
  const { now, day } = useTimes()
  const [wish, setWish] = useWish(call)
  const [openedAt] = useState(now)
  const request = useMemo<ChargeRequest>(
    () => ({
      formula: slug,
      goal: wish.goal,
      value: wish.value,
      vesselId: wish.vessel,
      blanch: wish.blanch,
      simmerMin: wish.simmerMin,
      readyBy: call?.readyBy ?? new Date(openedAt + 24 * 3_600_000).toISOString(),
      startAt: wish.startNow ? new Date(openedAt).toISOString() : undefined,
    }),
    [slug, wish, call, openedAt],
  )
  const charge = useCharge(request)
  const accept = useAccept(request, call)
  if (!charge.data && charge.isPending) return <Loading what="the charge" />
  if (!charge.data) {
    return (
      <>
        <Failed
          what="The charge"
          error={charge.error!}
          onRetry={() => setWish({ goal: 'LITRES', value: call?.litres ?? 10 })}
        />
      </>
    )
  }
  const it = charge.data
  const colour = liquorColour(it.family, it.forecast.gelatinGPerL)
  return (
    <>
      <div className="mb-4 flex flex-wrap items-baseline justify-between gap-x-8 gap-y-1">
        <h1 className="text-24 m-0 font-bold">
          {it.formulaName}
          <span className="text-quiet font-normal"> in {it.vessel.name}</span>
        </h1>
        {call && (
          <p className="text-18 m-0">
            {call.stationName} asks for <b className="font-semibold">{units.litres(call.litres)}</b> by{' '}
            <b className="font-semibold">{day(call.readyBy)}</b>
            {call.note && `, ${call.note}`}
          </p>
        )}
      </div>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,330px)_minmax(0,1fr)_minmax(0,320px)]">
        <ChargeControls charge={it} wish={wish} onWish={setWish} problem={charge.error ?? undefined} />
        <ChargePot charge={it} colour={colour} onWish={setWish} wish={wish} />
        <WeighOut charge={it} />
      </div>
      <Warnings charge={it} onWish={setWish} wish={wish} />
      <PlanStrip
        charge={it}
        call={call}
        startNow={wish.startNow ?? false}
        onStartNow={(startNow) => setWish({ ...wish, startNow })}
        busy={accept.isPending || charge.isPlaceholderData}
        problem={accept.error ?? undefined}
        onAccept={() => accept.mutate(it)}
      />
      <div className="mt-8 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <section>
          <Heading
            aside={`${units.estimate(it.forecast.yieldL)} out, likely ${units.spread(it.forecast.yieldL)}`}
          >
            Where every litre goes
          </Heading>
          <Mouths
            entries={it.ledger.entries}
            yieldL={it.ledger.yieldL}
            unexplainedL={0}
            litres={(v) => units.litres(v)}
            colour={colour}
            yieldName="Expected out"
          />
        </section>
        <section>
          <Heading>Mind</Heading>
          <ul className="text-15 m-0 grid list-none gap-2 p-0">
            {it.cautions.map((caution) => (
              <li key={caution} className="border-rule border-l-4 pl-3">
                {cautionName[caution]}
              </li>
            ))}
          </ul>
          {!it.plan?.inTime && it.plan && (
            <Note>It will not be ready when it is wanted. Tell the station now, not at service.</Note>
          )}
        </section>
      </div>
    </>
  )
}

function useWish(call?: Call): [Wish, (wish: Wish) => void] {
  const [params, setParams] = useSearchParams()
  const wish: Wish = useMemo(() => {
    const goal = (params.get('goal') ?? 'LITRES') as GoalKind
    const value = params.get('value')
    return {
      goal: ['LITRES', 'BED', 'VESSEL', 'WATER'].includes(goal) ? goal : 'LITRES',
      value:
        goal === 'VESSEL' ? undefined : value !== null && value !== '' ? Number(value) : (call?.litres ?? 10),
      vessel: params.get('vessel') ?? undefined,
      blanch: params.has('blanch') ? params.get('blanch') === 'true' : undefined,
      simmerMin: params.has('simmer') ? Number(params.get('simmer')) : undefined,
      startNow: params.get('start') === 'now',
    }
  }, [params, call])
  const set = (next: Wish) => {
    const made = new URLSearchParams()
    if (call) made.set('call', call.id)
    made.set('goal', next.goal)
    if (next.value !== undefined) made.set('value', String(Math.round(next.value * 1000) / 1000))
    if (next.vessel) made.set('vessel', next.vessel)
    if (next.blanch !== undefined) made.set('blanch', String(next.blanch))
    if (next.simmerMin !== undefined) made.set('simmer', String(next.simmerMin))
    if (next.startNow) made.set('start', 'now')
    setParams(made, { replace: true })
  }
  return [wish, set]
}

function useAccept(request: ChargeRequest, call?: Call) {
  const navigate = useNavigate()
  const [id] = useState(newId)
  return useChange(
    async (charge: Charge) => {
      const page = await data(
        api.POST('/api/batches', {
          body: { id, callId: call?.id, charge: { ...request, vesselId: charge.vessel.id } },
        }),
      )
      await navigate(`/batches/${page.card.id}`)
    },
    'range',
    'calls',
    'batches',
  )
}
