import { useState, type FormEvent, type ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import { api, data, newId, type Schemas } from '../../api/client'
import { keepSlip, useBox, useBoxPhotos, useWanting } from '../../api/larder'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Failed, Heading, Loading, Note, Refused } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { PhotoButton, PhotoRefused } from '../../kit/PhotoButton'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { boxRefusedWords, boxStoryName } from '../../words/en'
import { plainDay } from '../../words/time'

type BoxPage = Schemas['BoxPage']
type Entry = Schemas['EntryIn']['kind']

/** A box of the larder, as its label's code opens it: what it is, what became of it, and what wants it now. */
export default function BoxPlace() {
  const { id = '' } = useParams()
  const page = useBox(id)
  const may = useMay()
  const units = useUnits()
  const { day } = useTimes()
  const [entering, setEntering] = useState<Entry>()
  if (page.isPending) return <Loading what="the box" />
  if (!page.data) return <Failed what="The box" error={page.error!} onRetry={() => void page.refetch()} />
  const { box, story } = page.data
  const stopped = box.stopped !== undefined
  return (
    <>
      <p className="text-15 m-0">
        <Link to="/larder">Larder</Link>
      </p>
      <h1 className="text-24 mt-0 mb-3 font-bold first-letter:uppercase">
        {box.name} {box.supplierLot && <span className="text-quiet font-normal">lot {box.supplierLot}</span>}
      </h1>
      {box.refused && (
        <Note tone={box.refused === 'FROZEN' ? 'plain' : 'hazard'}>
          {stopped
            ? `Stopped: ${box.stopped}. Nobody may use it.`
            : box.softAt
              ? `It is soft ${day(box.softAt)}.`
              : `It is ${boxRefusedWords[box.refused]}.`}
        </Note>
      )}
      <div className="mt-4 grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section>
          <dl className="m-0 grid grid-cols-2 gap-5">
            <Told name="Left" value={units.kg(box.leftKg)} large />
            <Told name="Use by" value={box.useBy ? plainDay(box.useBy) : 'keeps'} large />
            <Told name="Came in" value={`${units.kg(box.kg)}, ${plainDay(box.cameOn)}, ${box.takenInBy}`} />
            {box.doorC !== undefined && (
              <Told
                name="At the door"
                value={`${units.celsius(box.doorC, 0.1)}${box.warm ? ', too warm' : ''}`}
                bad={box.warm}
              />
            )}
            {box.supplier && <Told name="From" value={box.supplier} />}
            {box.of && (
              <Told
                name="Left over of"
                value={
                  <Link to={`/batches/${box.of.batchId}`}>
                    {box.of.formulaName}, batch {box.of.batchNumber}
                  </Link>
                }
              />
            )}
            {box.pricePerKg !== undefined && (
              <Told name="Price" value={`${box.pricePerKg.toFixed(2)} per kg`} />
            )}
            {box.note && <Told name="Note" value={box.note} />}
          </dl>
          <p className="mt-6 flex flex-wrap gap-2">
            {may('ACT') && (
              <>
                <Button onClick={() => setEntering('COUNTED')}>Count</Button>
                <Button onClick={() => setEntering('TAKEN_OUT')}>Take out</Button>
                {box.frozen && box.raw && <Button onClick={() => setEntering('THAWING')}>Put to thaw</Button>}
              </>
            )}
            {may('JUDGE') && (
              <Button tone="quiet" onClick={() => setEntering(stopped ? 'RELEASED' : 'STOPPED')}>
                {stopped ? 'Release it' : 'Stop it'}
              </Button>
            )}
            <a
              href={`/api/larder/boxes/${box.id}/label.pdf`}
              target="_blank"
              rel="noreferrer"
              className="inline-flex min-h-[48px] items-center px-2 font-semibold"
            >
              Label (PDF)
            </a>
            <Link
              to={`/trace?what=${box.id}`}
              className="inline-flex min-h-[48px] items-center px-2 font-semibold"
            >
              Where it went
            </Link>
          </p>
        </section>
        <section className="grid content-start gap-8">
          {may('ACT') && <Wanting id={box.id} />}
          {!box.trim && <Slip boxId={box.id} />}
          <div>
            <Heading>What became of it</Heading>
            {story.length === 0 && <p className="text-18 text-quiet">Nothing yet.</p>}
            <ol className="m-0 list-none p-0">
              {story.map((one) => (
                <li
                  key={one.id}
                  className="border-rule text-15 grid min-h-[44px] grid-cols-[minmax(0,1fr)_auto] items-center gap-4 border-b py-1"
                >
                  <span>
                    <b className="font-semibold">{boxStoryName[one.kind]}</b>{' '}
                    {one.batchId ? (
                      <Link to={`/batches/${one.batchId}`}>
                        {one.batchNumber}, {one.formulaName}
                      </Link>
                    ) : (
                      one.reason
                    )}
                    <span className="text-quiet block">
                      {day(one.at)}, {one.by}
                    </span>
                  </span>
                  {one.kg !== 0 && (
                    <span className="text-18 font-semibold">
                      {one.kg > 0 ? '+' : '−'}
                      {units.kg(Math.abs(one.kg))}
                    </span>
                  )}
                </li>
              ))}
            </ol>
          </div>
        </section>
      </div>
      {entering && <EntrySheet page={page.data} kind={entering} onClose={() => setEntering(undefined)} />}
    </>
  )
}

function Told({
  name,
  value,
  large,
  bad,
}: {
  name: string
  value: ReactNode
  large?: boolean
  bad?: boolean
}) {
  return (
    <div>
      <dt className="text-13 text-quiet">{name}</dt>
      <dd className={`m-0 ${large ? 'text-24 font-semibold' : 'text-18'} ${bad ? 'text-ember' : ''}`}>
        {value}
      </dd>
    </div>
  )
}

/** What the supplier's slip said, for whoever asks later. */
function Slip({ boxId }: { boxId: string }) {
  const photos = useBoxPhotos(boxId)
  const may = useMay()
  const { day } = useTimes()
  const keep = useChange((picture: File) => keepSlip(boxId, picture), 'larder')
  const all = photos.data ?? []
  if (all.length === 0 && !may('ACT')) return null
  return (
    <div>
      <Heading>Slip</Heading>
      <ul className="m-0 mb-3 flex list-none flex-wrap gap-4 p-0">
        {all.map((photo) => (
          <li key={photo.id} className="text-15 text-quiet w-[120px]">
            <a href={`/api/larder/boxes/${boxId}/photos/${photo.id}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/larder/boxes/${boxId}/photos/${photo.id}`}
                alt={`The slip, ${day(photo.at)}`}
                width={photo.width}
                height={photo.height}
                loading="lazy"
                className="border-ink h-[150px] w-full rounded-md border-2 object-cover"
              />
            </a>
            {day(photo.at)}, {photo.byName}
          </li>
        ))}
      </ul>
      {may('ACT') && (
        <PhotoButton
          label="Photo of the slip"
          words={keep.isPending ? 'Keeping it …' : all.length ? 'Another page' : 'Photograph the slip'}
          disabled={keep.isPending}
          onPicture={(picture) => keep.mutate(picture)}
        />
      )}
      {keep.error && (
        <div className="mt-2">
          <PhotoRefused problem={keep.error} />
        </div>
      )}
    </div>
  )
}

/** Batches that are being weighed in and want what is in this box. */
function Wanting({ id }: { id: string }) {
  const wanting = useWanting(id)
  const units = useUnits()
  if (!wanting.data || wanting.data.length === 0) return null
  return (
    <div>
      <Heading>Wants it now</Heading>
      <ul className="m-0 list-none p-0">
        {wanting.data.map((one) => (
          <li
            key={one.batchId}
            className="border-rule flex flex-wrap items-center justify-between gap-3 border-t py-2"
          >
            <span>
              <b className="text-18 font-semibold">{one.formulaName}</b>
              <span className="text-15 text-quiet block">
                batch {one.batchNumber}, {one.vessel}:{' '}
                {one.stillKg < one.wantedKg
                  ? `still wants ${units.kg(one.stillKg)} of ${units.kg(one.wantedKg)}`
                  : `wants ${units.kg(one.wantedKg)}`}
              </span>
            </span>
            <Link
              to={`/batches/${one.batchId}?weigh=${id}`}
              className="border-river bg-river text-on-river inline-flex min-h-[48px] items-center rounded-md border-2 px-4 font-semibold no-underline"
            >
              Weigh it in
            </Link>
          </li>
        ))}
      </ul>
    </div>
  )
}

const titles: Record<Entry, string> = {
  COUNTED: 'Count it',
  TAKEN_OUT: 'Take out',
  THAWING: 'Put it to thaw',
  STOPPED: 'Stop it',
  RELEASED: 'Release it',
}

const says: Record<Entry, string> = {
  COUNTED: 'What is really there. The difference stands in its story.',
  TAKEN_OUT: 'For something that is no batch, or thrown away.',
  THAWING: 'Out of the freezer into the cold. Once it is soft it may be used for one more day.',
  STOPPED: 'Nobody may use it until it is released. What was made of it already stands in its story.',
  RELEASED: 'It may be used again.',
}

function EntrySheet({ page, kind, onClose }: { page: BoxPage; kind: Entry; onClose: () => void }) {
  const units = useUnits()
  const [id] = useState(newId)
  const [kg, setKg] = useState<number>()
  const [reason, setReason] = useState('')
  const weighs = kind === 'COUNTED' || kind === 'TAKEN_OUT'
  const enter = useChange(
    () =>
      data(
        api.POST('/api/larder/boxes/{id}/entries', {
          params: { path: { id: page.box.id } },
          body: { id, kind, kg, reason },
        }),
      ),
    'larder',
    'provisions',
    'charge',
  )
  const submit = (event: FormEvent) => {
    event.preventDefault()
    enter.mutate(undefined, { onSuccess: onClose })
  }
  return (
    <Sheet title={titles[kind]} open onClose={onClose} describedBy={says[kind]}>
      <form onSubmit={submit} className="grid gap-5">
        {weighs && (
          <NumberField
            label={kind === 'COUNTED' ? 'Really there' : 'Out of it'}
            dimension="kg"
            units={units.units}
            value={kg}
            from={page.box.leftKg}
            onValue={setKg}
            problem={enter.error?.fields.kg}
            autoFocus
          />
        )}
        {kind !== 'RELEASED' && kind !== 'THAWING' && (
          <TextField
            label={kind === 'STOPPED' ? 'Why' : 'For what'}
            value={reason}
            onValue={setReason}
            problem={enter.error?.fields.reason}
            maxLength={300}
            required={kind === 'STOPPED'}
          />
        )}
        <Refused problem={enter.error} />
        <Button type="submit" tone="act" large disabled={enter.isPending || (weighs && kg === undefined)}>
          {titles[kind]}
        </Button>
      </form>
    </Sheet>
  )
}
