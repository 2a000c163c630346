import { useState } from 'react'
import { api, data, newId } from '../../api/client'
import { now } from '../../api/clock'
import { useBoxes, useGoods } from '../../api/larder'
import { useChange, useKitchen, useWaysOut } from '../../api/queries'
import { Button } from '../../kit/Button'
import { MomentField } from '../../kit/MomentField'
import { Note } from '../../kit/Note'
import { SelectField } from '../../kit/SelectField'
import { Sheet } from '../../kit/Sheet'
import { NumberField } from '../../kit/NumberField'
import { useUnits, useVisit } from '../../kit/session'
import { TextField } from '../../kit/TextField'
import { missingName } from '../../words/en'
import { instantOf, localOf } from '../../words/time'
import type { Trouble } from './trouble'
import { WaysOut } from './WaysOut'

const FOUR_HOURS = 4 * 3_600_000
const COOKS = 'COOKS'

/** Something is out of order, or somebody is away: what that does is seen before it is written down, and a way out goes with it. */
export function TroubleSheet({ onClose }: { onClose: () => void }) {
  const { zone } = useVisit()
  const units = useUnits()
  const kitchen = useKitchen()
  const goods = useGoods()
  const [id] = useState(newId)
  const [what, setWhat] = useState<string>()
  const [until, setUntil] = useState(() => localOf(now() + FOUR_HOURS, zone))
  const [cooks, setCooks] = useState<number | undefined>(1)
  const [reason, setReason] = useState('')
  const it = kitchen.data
  const beds = (goods.data ?? []).filter((one) => one.bed)
  const things = it
    ? [
        ...it.vessels.map((v) => ({ kind: 'VESSEL' as const, id: v.id, name: v.name })),
        ...it.burners.map((b) => ({ kind: 'BURNER' as const, id: b.id, name: b.name })),
        ...it.ovens.map((o) => ({ kind: 'OVEN' as const, id: o.id, name: o.name })),
        ...it.chillers
          .filter((c) => c.kind === 'BLAST')
          .map((c) => ({ kind: 'CHILLER' as const, id: c.id, name: c.name })),
        ...beds.map((b) => ({ kind: 'BED' as const, id: b.id, name: b.name })),
      ]
    : []
  const thing = things.find((one) => one.id === what)
  const outage =
    what === undefined
      ? undefined
      : {
          kind: thing?.kind ?? (COOKS as 'COOKS'),
          thingId: thing?.id,
          cooks: thing ? undefined : cooks,
          until: instantOf(until, zone).toISOString(),
        }
  const trouble: Trouble | undefined = outage && { kind: 'OUTAGE', id, outage }
  const looked = useWaysOut(trouble)
  const told = trouble && { ...trouble, outage: { ...trouble.outage!, reason } }
  const writing = useChange(
    () => data(api.POST('/api/kitchen/outages', { body: { id, ...outage!, reason } })),
    'outages',
    'the-course',
  )
  const problem = (looked.error ?? writing.error) as typeof writing.error
  const options = [
    ...things.map((one) => ({ value: one.id, name: `${missingName[one.kind]}: ${one.name}` })),
    { value: COOKS, name: 'A cook is away' },
  ]
  return (
    <Sheet title="Something is missing" open onClose={onClose}>
      <div className="grid gap-5">
        <SelectField label="What" value={what ?? ''} onValue={setWhat} empty="Choose" options={options} />
        {thing?.kind === 'BED' && <InTheLarder goods={thing.id} />}
        {what === COOKS && (
          <NumberField
            label="How many fewer"
            dimension="count"
            units={units.units}
            value={cooks}
            onValue={setCooks}
            step={1}
            problem={problem?.fields.cooks}
          />
        )}
        <MomentField
          label="From now until"
          value={until}
          onValue={setUntil}
          problem={problem?.fields.until}
        />
        <TextField
          label="Why"
          value={reason}
          onValue={setReason}
          maxLength={200}
          hint="What whoever mends it should know"
        />
        {trouble && looked.isFetching && <p className="text-18 text-quiet m-0">Looking what that does …</p>}
        {problem && Object.keys(problem.fields).length === 0 && <Note>{problem.message}</Note>}
        {trouble && looked.data && !looked.isFetching && !looked.isError && (
          <>
            {looked.data.ways.length === 0 ? (
              <p className="text-18 m-0">Nothing that is planned is hit by it.</p>
            ) : (
              <WaysOut
                looked={looked.data}
                trouble={told!}
                take="Take this way"
                busy={writing.isPending}
                onTaken={onClose}
              />
            )}
            <Button
              tone={looked.data.ways.length === 0 ? 'act' : 'plain'}
              large
              disabled={writing.isPending}
              onClick={() => writing.mutate(undefined, { onSuccess: onClose })}
            >
              {looked.data.ways.length === 0 ? 'Write it down' : 'Write it down and move nothing'}
            </Button>
          </>
        )}
      </div>
    </Sheet>
  )
}

/** What there is of it all the same: whoever finds it enough misses nothing. */
function InTheLarder({ goods }: { goods: string }) {
  const units = useUnits()
  const boxes = useBoxes()
  if (!boxes.data) return null
  const kg = boxes.data.pages
    .flat()
    .filter((box) => box.goods === goods && (box.refused === undefined || box.refused === 'FROZEN'))
    .reduce((sum, box) => sum + box.leftKg, 0)
  return (
    <p className="text-18 m-0">
      {kg > 0
        ? `${units.kg(kg)} of it lie in the larder; where they are enough, nothing is missing.`
        : 'None of it lies in the larder.'}{' '}
      <span className="text-quiet">Nothing is laid to begin with it before it is there.</span>
    </p>
  )
}
