import { useState } from 'react'
import { Link } from 'react-router'
import { api, data, newId, type FieldProblem } from '../../api/client'
import { useChange, useLarder, useTrim, type Trim } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Empty, Failed, Heading, Loading, Refused } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { DayField } from '../../kit/MomentField'
import { SelectField } from '../../kit/SelectField'
import { Sheet } from '../../kit/Sheet'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { dayOf, plainDay } from '../../words/time'

/** The freezer box of clean trim: what is in it, how old, and how it comes in and out. */
export default function TrimPlace() {
  const trim = useTrim()
  const units = useUnits()
  const may = useMay()
  const [putting, setPutting] = useState(false)
  const [taking, setTaking] = useState<Trim>()
  if (trim.isPending) return <Loading what="the trim bank" />
  if (!trim.data)
    return <Failed what="The trim bank" error={trim.error} onRetry={() => void trim.refetch()} />
  const all = trim.data
  const act = may('ACT')
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-24 m-0 font-bold">Trim bank</h1>
        {act && (
          <Button tone="act" onClick={() => setPutting(true)}>
            Put trim by
          </Button>
        )}
      </div>
      {all.length === 0 ? (
        <Empty title="The box is empty">
          Clean skins, ends, leaves and tops belong in it, weighed and dated. A{' '}
          <Link to="/formulas">charge</Link> then says what of it can stand for fresh vegetables, oldest
          first.
        </Empty>
      ) : (
        <section>
          <Heading aside={`${units.kg(all.reduce((sum, t) => sum + t.kg, 0))} in all`}>Oldest first</Heading>
          <ul className="m-0 list-none p-0">
            {all.map((bag) => (
              <li
                key={bag.id}
                className="border-rule grid min-h-[60px] grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-6 border-t"
              >
                <span>
                  <b className="text-18 font-semibold">{bag.name}</b>
                  <span className={`text-15 block ${bag.old ? 'text-amber font-semibold' : 'text-quiet'}`}>
                    {plainDay(bag.day)}, {ageWords(bag.ageDays)}, {bag.putBy}
                    {bag.old && '. Use it or throw it away'}
                  </span>
                </span>
                <span className="text-24 font-semibold">{units.kg(bag.kg)}</span>
                {act ? <Button onClick={() => setTaking(bag)}>Take out</Button> : <span />}
              </li>
            ))}
          </ul>
        </section>
      )}
      {putting && <PutSheet onClose={() => setPutting(false)} />}
      {taking && <TakeSheet bag={taking} onClose={() => setTaking(undefined)} />}
    </>
  )
}

const ageWords = (days: number) => (days === 0 ? 'today' : days === 1 ? 'one day old' : `${days} days old`)

function PutSheet({ onClose }: { onClose: () => void }) {
  const larder = useLarder()
  const { now, zone } = useTimes()
  const [id] = useState(newId)
  const [item, setItem] = useState('onion')
  const [kg, setKg] = useState<number | undefined>(0.5)
  const [day, setDay] = useState(() => dayOf(now, zone))
  const put = useChange(
    async () => {
      await data(api.POST('/api/trim', { body: { id, item, kg: kg ?? 0, day } }))
      onClose()
    },
    'trim',
    'charge',
  )
  const vegetables = (larder.data?.items ?? []).filter((i) =>
    ['vegetable', 'tomato', 'sachet', 'body'].includes(i.figures.kind),
  )
  return (
    <Sheet
      title="Put trim by"
      open
      onClose={onClose}
      describedBy="Clean, weighed, dated. Leave the peel of anything bitter out."
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          put.mutate(undefined)
        }}
      >
        <SelectField
          label="What"
          value={item}
          onValue={setItem}
          options={vegetables.map((i) => ({ value: i.id, name: i.name }))}
        />
        <Weight kg={kg} onKg={setKg} problem={put.error?.fields.kg} />
        <DayField label="Trimmed on" value={day} onValue={setDay} problem={put.error?.fields.day} />
        <Refused problem={put.error} />
        <Button tone="act" large type="submit" disabled={put.isPending || kg === undefined}>
          Put it in the box
        </Button>
      </form>
    </Sheet>
  )
}

function TakeSheet({ bag, onClose }: { bag: Trim; onClose: () => void }) {
  const [id] = useState(newId)
  const [kg, setKg] = useState<number | undefined>(bag.kg)
  const take = useChange(
    async () => {
      await data(
        api.POST('/api/trim/{id}/takings', { params: { path: { id: bag.id } }, body: { id, kg: kg ?? 0 } }),
      )
      onClose()
    },
    'trim',
    'charge',
  )
  return (
    <Sheet title={`Take out ${bag.name.toLowerCase()}`} open onClose={onClose}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          take.mutate(undefined)
        }}
      >
        <Weight kg={kg} onKg={setKg} problem={take.error?.fields.kg} />
        <Refused problem={take.error} />
        <Button tone="act" large type="submit" disabled={take.isPending || kg === undefined}>
          Take it out
        </Button>
      </form>
    </Sheet>
  )
}

function Weight({
  kg,
  onKg,
  problem,
}: {
  kg?: number
  onKg: (kg: number | undefined) => void
  problem?: FieldProblem
}) {
  const units = useUnits()
  return (
    <NumberField
      label="Weight"
      dimension="kg"
      units={units.units}
      value={kg}
      step={0.1}
      onValue={onKg}
      problem={problem}
    />
  )
}
