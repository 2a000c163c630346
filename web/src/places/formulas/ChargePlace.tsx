import { memo, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { api, data, newId } from '../../api/client'
import { useCalls, useCharge, useChange, type Call, type Charge, type ChargeRequest } from '../../api/queries'
import { Mouths } from '../../graphics/Mouths'
import { Failed, Heading, Loading, Note } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { cautionName } from '../../words/en'
import { instantOf } from '../../words/time'
import { ChargeControls } from './ChargeControls'
import { ChargePapers } from './ChargePapers'
import { ChargePot } from './ChargePot'
import { CharacterPanel } from './CharacterPanel'
import { PlanStrip } from './PlanStrip'
import { SchoolSwitches } from './SchoolSwitches'
import { chargeColour } from './strength'
import { Warnings } from './Warnings'
import { WeighOut } from './WeighOut'
import { readWish, requestOf, writeWish, type Wish } from './wish'

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
  const may = useMay()
  const { now, day, zone } = useTimes()
  const [wish, setWish] = useWish(call)
  const [openedAt] = useState(now)
  const request = useMemo<ChargeRequest>(
    () => ({
      ...requestOf(wish, slug),
      readyBy:
        call?.readyBy ??
        (wish.by ? instantOf(wish.by, zone) : new Date(openedAt + 24 * 3_600_000)).toISOString(),
      startAt: wish.startNow ? new Date(openedAt).toISOString() : undefined,
    }),
    [slug, wish, call, openedAt, zone],
  )
  const charge = useCharge(request)
  const accept = useAccept(request, call)
  // A refused figure must not take the pot away from under the hand that typed it.
  const [last, setLast] = useState<Charge>()
  if (charge.data && charge.data !== last) setLast(charge.data)
  const it = charge.data ?? (last?.formula === slug ? last : undefined)
  const calm = useDeferredValue(it) ?? it
  const calmWish = useDeferredValue(wish)
  if (!it && charge.isPending) return <Loading what="the charge" />
  if (!it || !calm) {
    return (
      <Failed
        what="The charge"
        error={charge.error!}
        onRetry={() =>
          setWish({
            goal: 'LITRES',
            value: call?.openL || call?.litres || 10,
            schools: {},
            bed: {},
            cut: {},
            swaps: {},
            draws: {},
            brought: {},
          })
        }
      />
    )
  }
  const colour = chargeColour(it)
  const standing = { ...requestOf(wish, slug), vesselId: it.vessel.id }
  return (
    <>
      <div className="mb-4 flex flex-wrap items-baseline justify-between gap-x-8 gap-y-1">
        <h1 className="text-24 m-0 font-bold">
          {it.formulaName}
          <span className="text-quiet font-normal"> in {it.vessel.name}</span>
        </h1>
        {call ? (
          <p className="text-18 m-0">
            {call.stationName} asks for <b className="font-semibold">{units.litres(call.litres)}</b>
            {call.openL > 0 &&
              call.openL < call.litres &&
              `, ${units.litres(call.openL)} of it still open,`}{' '}
            by <b className="font-semibold">{day(call.readyBy)}</b>
            {call.note && `, ${call.note}`}
          </p>
        ) : (
          <p className="text-15 m-0 flex gap-5">
            <Link
              to={`/compare?a=${encodeURIComponent(`${slug}?${writeWish({ ...wish, vessel: it.vessel.id })}`)}`}
            >
              Set beside another
            </Link>
            {may('SET_UP') ? (
              <Link to={`/formulas/${slug}/edit`}>Edit the formula</Link>
            ) : (
              <Link to={`/formulas/${slug}/edit`}>The formula</Link>
            )}
          </p>
        )}
      </div>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,330px)_minmax(0,1fr)_minmax(0,320px)] lg:grid-rows-[auto_1fr]">
        <ChargeControls charge={it} wish={wish} onWish={setWish} problem={charge.error ?? undefined} />
        <ChargePot
          charge={it}
          behind={charge.behind}
          colour={colour}
          onWish={setWish}
          wish={wish}
          request={standing}
        />
        <div className="grid content-start gap-4 lg:col-start-3 lg:row-span-2 lg:row-start-1">
          <CalmWeighOut charge={calm} wish={calmWish} onWish={setWish} />
          <ChargePapers request={request} slug={slug} />
        </div>
      </div>
      <Warnings charge={it} onWish={setWish} wish={wish} request={standing} />
      <PlanStrip
        charge={calm}
        call={call}
        startNow={wish.startNow ?? false}
        onStartNow={(startNow) => setWish({ ...wish, startNow })}
        busy={accept.isPending || charge.behind}
        problem={accept.error ?? undefined}
        onAccept={() => accept.mutate(it)}
      />
      <Below charge={calm} wish={calmWish} request={standing} onWish={setWish} />
    </>
  )
}

const sameCharge = (before: { charge: Charge; wish: Wish }, after: { charge: Charge; wish: Wish }) =>
  before.charge === after.charge && before.wish === after.wish

const CalmWeighOut = memo(WeighOut, sameCharge)

interface BelowProps {
  charge: Charge
  wish: Wish
  request: ChargeRequest
  onWish: (wish: Wish) => void
}

/**
 * What follows from the pot, below it. While a finger drags, the pot and its figures come first and this comes after; so it is drawn anew for another
 * charge alone, whatever else went by.
 */
const Below = memo(function Below({ charge: it, wish, request, onWish }: BelowProps) {
  const units = useUnits()
  const colour = chargeColour(it)
  return (
    <>
      <SchoolSwitches request={request} wish={wish} onWish={onWish} body={it.forecast.body} />
      <CharacterPanel charge={it} wish={wish} onWish={onWish} />
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
}, sameCharge)

/**
 * The address says the charge. While something moves the charge goes ahead of it, and the address follows when the hand rests. It arrives a while after it is
 * written: whatever was asked for meanwhile stays.
 */
function useWish(call?: Call): [Wish, (wish: Wish) => void] {
  const [params, setParams] = useSearchParams()
  const said = useMemo(() => readWish(params, call?.openL || call?.litres), [params, call])
  const [ahead, setAhead] = useState<{ wish: Wish; address: string }>()
  const [seen, setSeen] = useState(params)
  const [written, setWritten] = useState<string>()
  if (params !== seen) {
    setSeen(params)
    const ours = params.toString() === written
    if (!ours || ahead?.address === written) setAhead(undefined)
  }
  const writing = useRef<{ timer: number; address?: string }>({ timer: 0 })
  useEffect(() => () => window.clearTimeout(writing.current.timer), [])
  const set = (next: Wish) => {
    const made = writeWish(next)
    if (call) made.set('call', call.id)
    const address = made.toString()
    setAhead({ wish: next, address })
    window.clearTimeout(writing.current.timer)
    const { pathname, search } = window.location
    writing.current.timer = window.setTimeout(() => {
      // Whoever is on the way elsewhere, while that place is still being fetched, is not pulled back.
      const here = window.location
      const ours = here.search === search || here.search === `?${writing.current.address}`
      if (here.pathname !== pathname || !ours) return
      writing.current.address = address
      setWritten(address)
      setParams(made, { replace: true })
    }, ADDRESS_FOLLOWS_MS)
  }
  return [ahead?.wish ?? said, set]
}

/** Longer than a finger pauses while it drags: with each new address a browser looks for the icon again, and every place is drawn anew. */
const ADDRESS_FOLLOWS_MS = 400

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
