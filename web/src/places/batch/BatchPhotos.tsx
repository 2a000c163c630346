import { useState } from 'react'
import { api, newId } from '../../api/client'
import { useChange, usePhotos, type Page, type Photo } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading, Note } from '../../kit/Note'
import { PhotoButton, PhotoRefused } from '../../kit/PhotoButton'
import { SelectField } from '../../kit/SelectField'
import { useMay, useTimes } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { subjectName } from '../../words/en'
import { asPhoto, smaller } from '../../api/photo'

type Subject = Photo['subject']

/** Photos of shade, clarity and set, for whoever asks later how it looked. */
export function BatchPhotos({ page }: { page: Page }) {
  const batchId = page.card.id
  const photos = usePhotos(batchId)
  const may = useMay()
  const { time } = useTimes()
  const [subject, setSubject] = useState<Subject>('CLARITY')
  const add = useChange(async (picture: File) => {
    await api.PUT('/api/batches/{batchId}/photos/{id}', {
      params: { path: { batchId, id: newId() }, query: { subject } },
      ...asPhoto(await smaller(picture)),
    })
  }, 'photos')
  const [takingOut, setTakingOut] = useState<Photo>()
  const all = photos.data ?? []
  if (all.length === 0 && !may('ACT')) return null
  return (
    <section className="mt-8" aria-label="Photos">
      <Heading aside={all.length > 0 && `${all.length} kept with the record`}>Photos</Heading>
      <ul className="m-0 flex list-none flex-wrap gap-4 p-0">
        {all.map((photo) => (
          <li key={photo.id} className="w-[200px]">
            <a href={`/api/batches/${batchId}/photos/${photo.id}`} target="_blank" rel="noreferrer">
              {photo.withdrawn ? (
                <span className="border-rule bg-sunken text-15 text-quiet grid h-[150px] w-full content-center rounded-md border-2 border-dashed px-3">
                  <span>
                    Taken out {time(photo.withdrawn.at)} by {photo.withdrawn.byName}: {photo.withdrawn.reason}
                  </span>
                </span>
              ) : (
                <img
                  src={`/api/batches/${batchId}/photos/${photo.id}`}
                  alt={`${subjectName[photo.subject]}, ${time(photo.at)}`}
                  width={photo.width}
                  height={photo.height}
                  loading="lazy"
                  className="border-ink h-[150px] w-full rounded-md border-2 object-cover"
                />
              )}
            </a>
            <span className="text-15 flex items-baseline justify-between gap-2">
              <span>
                <b className="font-semibold">{subjectName[photo.subject]}</b>{' '}
                <span className="text-quiet">{time(photo.at)}</span> {photo.by}
              </span>
              {may('JUDGE') && !photo.withdrawn && (
                <Button
                  tone="quiet"
                  className="px-1!"
                  aria-label={`Take out ${subjectName[photo.subject]}, ${time(photo.at)}`}
                  onClick={() => setTakingOut(photo)}
                >
                  Take out
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {may('ACT') && (
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <SelectField
            label="A photo of"
            value={subject}
            onValue={(next) => setSubject(next as Subject)}
            options={Object.entries(subjectName).map(([value, name]) => ({
              value,
              name: name.toLowerCase(),
            }))}
          />
          <PhotoButton
            label="Photo"
            words={add.isPending ? 'Keeping it …' : 'Take a photo'}
            disabled={add.isPending}
            onPicture={(picture) => add.mutate(picture)}
          />
        </div>
      )}
      {takingOut && (
        <TakeOutSheet batchId={batchId} photo={takingOut} onClose={() => setTakingOut(undefined)} />
      )}
      {add.error && (
        <div className="mt-2">
          <PhotoRefused problem={add.error} />
        </div>
      )}
    </section>
  )
}

/** A photo is evidence: it is taken out of view with a reason, and never away. */
function TakeOutSheet({ batchId, photo, onClose }: { batchId: string; photo: Photo; onClose: () => void }) {
  const [reason, setReason] = useState('')
  const takeOut = useChange(async () => {
    await api.POST('/api/batches/{batchId}/photos/{id}/withdrawal', {
      params: { path: { batchId, id: photo.id } },
      body: { reason },
    })
    onClose()
  }, 'photos')
  return (
    <Sheet title={`Take out: ${subjectName[photo.subject].toLowerCase()}`} open onClose={onClose}>
      <div className="grid gap-4">
        <TextField label="Why" value={reason} onValue={setReason} autoFocus />
        <p className="text-15 text-quiet m-0">
          It stays in the store. In its place stands who took it out, and why.
        </p>
        {takeOut.error && <Note>{takeOut.error.fields.reason?.reason ?? takeOut.error.message}</Note>}
        <Button
          tone="act"
          large
          disabled={reason.trim() === '' || takeOut.isPending}
          onClick={() => takeOut.mutate(undefined)}
        >
          Take it out
        </Button>
      </div>
    </Sheet>
  )
}
