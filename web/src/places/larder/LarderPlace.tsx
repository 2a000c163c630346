import { useState } from 'react'
import { Link } from 'react-router'
import { api, asCsv, data } from '../../api/client'
import { useBoxes, type Box } from '../../api/larder'
import { useChange } from '../../api/queries'
import { Crate } from '../../graphics/Crate'
import { Button } from '../../kit/Button'
import { Empty, Failed, Loading } from '../../kit/Note'
import { TableSheet } from '../../kit/TableSheet'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { dayOf, plainDay } from '../../words/time'
import { IntakeSheet } from './IntakeSheet'
import { Lacks } from './Lacks'
import { shelves } from './shelves'

/** What lies ready for the pot, and what has to go first. */
export default function LarderPlace() {
  const boxes = useBoxes()
  const may = useMay()
  const { now, zone } = useTimes()
  const [taking, setTaking] = useState<'box' | 'trim' | 'table'>()
  if (boxes.isPending) return <Loading what="the larder" />
  if (!boxes.data)
    return <Failed what="The larder" error={boxes.error} onRetry={() => void boxes.refetch()} />
  const all = boxes.data.pages.flat()
  const most = Math.max(1, ...all.map((box) => box.kg))
  const close = () => setTaking(undefined)
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-4">
        <h1 className="text-24 m-0 font-bold">Larder</h1>
        <span className="flex flex-wrap justify-end gap-2">
          <a
            href="/api/larder/boxes.csv"
            className="inline-flex min-h-[48px] items-center px-2 font-semibold"
            download
          >
            As a table
          </a>
          {may('ACT') && (
            <>
              <Button onClick={() => setTaking('table')}>From a table</Button>
              <Button onClick={() => setTaking('trim')}>Put trim by</Button>
              <Button tone="act" onClick={() => setTaking('box')}>
                Take in
              </Button>
            </>
          )}
        </span>
      </div>
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,2.2fr)_minmax(0,1fr)]">
        <div>
          {all.length === 0 && (
            <Empty title="The larder is empty">
              What comes in is weighed at the door, with its use-by. A batch is then weighed out of it, box by
              box, and everything can be followed back to who delivered it.
            </Empty>
          )}
          <div className="flex flex-wrap gap-x-8 gap-y-7">
            {shelves(all, dayOf(now, zone)).map((shelf) => (
              <section
                key={shelf.name}
                aria-label={shelf.name}
                className="flex grow flex-col justify-between"
              >
                <h2 className={`text-18 mt-0 mb-1 font-bold ${shelf.late ? 'text-hazard' : ''}`}>
                  {shelf.name}
                </h2>
                <ul className="border-ink m-0 flex list-none flex-wrap items-end gap-x-5 gap-y-4 border-b-4 p-0">
                  {shelf.boxes.map((box) => (
                    <OnShelf key={box.id} box={box} most={most} />
                  ))}
                </ul>
              </section>
            ))}
          </div>
          {boxes.hasNextPage && (
            <Button disabled={boxes.isFetching} onClick={() => void boxes.fetchNextPage()}>
              {boxes.isFetching ? 'Fetching …' : 'More'}
            </Button>
          )}
        </div>
        <Lacks />
      </div>
      {(taking === 'box' || taking === 'trim') && <IntakeSheet trim={taking === 'trim'} onClose={close} />}
      {taking === 'table' && <FromTable onClose={close} />}
    </>
  )
}

/** Bones are the colour of stock, what grew is green, what is frozen is frost. */
const colourOf = (box: Box) =>
  box.frozen ? 'var(--frost)' : box.raw ? 'var(--umber-pale)' : 'var(--moss-deep)'

function OnShelf({ box, most }: { box: Box; most: number }) {
  const units = useUnits()
  const refused = box.refused !== undefined && box.refused !== 'FROZEN'
  return (
    <li>
      <Link
        to={`/larder/${box.id}`}
        className="text-ink grid max-w-[132px] justify-items-center gap-y-0.5 text-center no-underline"
      >
        <span className="text-15 leading-tight font-semibold first-letter:uppercase">{box.name}</span>
        <span className="text-13 text-quiet leading-tight">
          {box.softAt && box.refused === 'FROZEN'
            ? 'thawing'
            : box.trim
              ? 'trim'
              : box.of
                ? `of batch ${box.of.batchNumber}`
                : box.supplierLot}
          {box.useBy && !box.trim && (
            <span className="block whitespace-nowrap">by {plainDay(box.useBy)}</span>
          )}
          {box.warm && <b className="text-ember font-semibold">, came warm</b>}
        </span>
        <span className="text-18 font-semibold">{units.kg(box.leftKg)}</span>
        <Crate share={box.leftKg / box.kg} size={box.kg / most} colour={colourOf(box)} struck={refused} />
      </Link>
    </li>
  )
}

const EXAMPLE = `goods,kg,use by,door c,supplier,supplier lot,price per kg,frozen,thick cm
chicken-carcass,20,2026-12-01,2.5,Hill Farm,HF-118,1.80,,
veal-knuckle-breast,30,2027-02-01,-19,Hill Farm,HF-119,3.20,yes,10
onion,25,,,Valley Greens,,0.90,,`

function FromTable({ onClose }: { onClose: () => void }) {
  const reading = useChange(
    async (file: File) => data(api.POST('/api/larder/table', await asCsv(file))),
    'larder',
    'provisions',
    'charge',
  )
  const came = reading.data?.length
  return (
    <TableSheet
      title="Into the larder from a table"
      says="One line for each box, under this heading. All lines come in, or none; a table that is sent twice comes in once."
      example={EXAMPLE}
      reading={reading}
      done={came === undefined ? undefined : came === 1 ? 'One box came in.' : `${came} boxes came in.`}
      onClose={onClose}
    />
  )
}
