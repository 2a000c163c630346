import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { usePhotos, type Page, type Photo } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { choiceName, eventName, ladleName, phaseName, setName, shadeName, subjectName } from '../../words/en'
import { duration } from '../../words/time'
import { CorrectSheet } from './CorrectSheet'

type Event = Schemas['EventView']
type Figures = Schemas['Figures']

/** What tells of another entry is told right by telling that one right again. */
const ofAnother = new Set(['corrected', 'withdrawn'])

/** So many of the latest entries are in view at once; the rest are a tap away. */
const LATEST = 12

/** A photo is taken, and then it is logged what it shows. */
const A_MOMENT_LATER_MS = 3 * 60_000

/** Every entry with its time and initials; what was corrected is struck through, never gone. */
export function BatchRecord({ page }: { page: Page }) {
  const photos = usePhotos(page.card.id)
  const may = useMay()
  const { time } = useTimes()
  const words = useFigureWords(page)
  const [correcting, setCorrecting] = useState<Event>()
  const [all, setAll] = useState(false)
  const shown = page.events.filter((e) => e.corrects === undefined)
  const beside = photosBeside(shown, photos.data ?? [])
  return (
    <section>
      <Heading
        aside={
          <>
            <a href={`/api/batches/${page.card.id}/record.csv`}>CSV</a>,{' '}
            <a href={`/api/batches/${page.card.id}/record.json`}>JSON</a>,{' '}
            <a href={`/api/batches/${page.card.id}/record.pdf`} target="_blank" rel="noreferrer">
              PDF
            </a>
          </>
        }
      >
        The record
      </Heading>
      {shown.length === 0 && <p className="text-18 text-quiet">The first act writes the first line.</p>}
      <ol reversed className="m-0 list-none p-0" aria-label="Entries, latest first">
        {[...shown]
          .reverse()
          .slice(0, all ? undefined : LATEST)
          .map((event) => (
            <li
              key={event.id}
              className="border-rule text-15 flex min-h-[40px] items-center gap-3 border-b py-1"
            >
              <span className="w-[5.2rem] shrink-0">
                {event.correctedAt && <span className="text-quiet block line-through">{time(event.at)}</span>}
                {time(event.correctedAt ?? event.at)}
              </span>
              <span className="w-8 shrink-0 font-semibold" title={event.byName}>
                {event.by}
              </span>
              <span className={`flex-1 ${event.withdrawn ? 'text-quiet line-through' : ''}`}>
                {eventName[event.kind]}{' '}
                <Told figures={words(event.figures)} right={event.correctedTo && words(event.correctedTo)} />
                {event.late && (
                  <span className="text-13 text-amber block font-semibold">
                    entered {time(event.recordedAt)}, from memory
                  </span>
                )}
                {(beside.get(event.id) ?? []).map((photo) => (
                  <a
                    key={photo.id}
                    href={`/api/batches/${page.card.id}/photos/${photo.id}`}
                    target="_blank"
                    rel="noreferrer"
                    className="mt-1 mr-2 inline-block"
                  >
                    <img
                      src={`/api/batches/${page.card.id}/photos/${photo.id}`}
                      alt={`${subjectName[photo.subject]} at this entry`}
                      className="h-16 w-24 rounded-md object-cover"
                      loading="lazy"
                    />
                  </a>
                ))}
                {event.corrections.map((correction) => (
                  <span key={correction.seq} className="text-13 text-quiet block">
                    {time(correction.recordedAt)} {correction.byName}:{' '}
                    {correction.figures
                      ? `corrected to ${[correction.at && time(correction.at), words(correction.figures)].filter(Boolean).join(', ')}`
                      : 'withdrawn'}
                    {correction.reason && `, ${correction.reason}`}
                  </span>
                ))}
              </span>
              {may('JUDGE') && !event.withdrawn && !ofAnother.has(event.kind) && (
                <Button
                  tone="quiet"
                  className="min-h-[36px]! px-1!"
                  onClick={() => setCorrecting(event)}
                  aria-label={`Correct ${eventName[event.kind]} at ${time(event.at)}`}
                >
                  Correct
                </Button>
              )}
            </li>
          ))}
      </ol>
      {shown.length > LATEST && !all && (
        <Button tone="quiet" className="px-0!" onClick={() => setAll(true)}>
          All {shown.length} entries
        </Button>
      )}
      {correcting && <CorrectSheet page={page} event={correcting} onClose={() => setCorrecting(undefined)} />}
    </section>
  )
}

/** What an entry says; told right since, the first is struck through, never gone. */
function Told({ figures, right }: { figures: string; right?: string }) {
  const corrected = right !== undefined && right !== figures
  return (
    <>
      <span className={corrected ? 'text-quiet line-through' : ''}>{figures}</span>
      {corrected && <span className="font-semibold"> {right}</span>}
    </>
  )
}

/** Each photo with the entry that it shows: the last one made before it was taken, or a few minutes after. */
function photosBeside(events: Event[], photos: Photo[]): Map<string, Photo[]> {
  const beside = new Map<string, Photo[]>()
  const moment = (at: string) => new Date(at).getTime()
  for (const photo of photos.filter((one) => !one.withdrawn)) {
    const until = moment(photo.at) + A_MOMENT_LATER_MS
    const entry = events
      .filter((event) => moment(event.correctedAt ?? event.at) <= until)
      .sort((a, b) => moment(b.correctedAt ?? b.at) - moment(a.correctedAt ?? a.at))[0]
    if (entry) beside.set(entry.id, [...(beside.get(entry.id) ?? []), photo])
  }
  return beside
}

function cardWords(card: string, value: number): string {
  const names = { SHADE: shadeName, SET: setName, LADLE: ladleName }[card]
  return `${card.toLowerCase()} ${value}, ${names?.[Math.round(value) - 1] ?? ''}`
}

function useFigureWords(page: Page) {
  const units = useUnits()
  return (figures: Figures): string => {
    const part =
      page.parts.find((p) => p.id === figures.part)?.name ?? (figures.part ? page.bedName : undefined)
    const phase = page.chores.find((chore) => chore.step === figures.step)?.phase
    return [
      part,
      phase && phaseName[phase].toLowerCase(),
      figures.card !== undefined && cardWords(figures.card, figures.value ?? 0),
      figures.card === undefined && figures.value !== undefined && `${figures.value.toFixed(1)} °Bx`,
      figures.leftOver && choiceName[figures.leftOver],
      figures.kg !== undefined && units.kg(figures.kg),
      figures.litres !== undefined && units.jug(figures.litres),
      figures.belowRimCm !== undefined && `${units.cm(figures.belowRimCm)} below the rim`,
      figures.litres === undefined && figures.celsius !== undefined && units.celsius(figures.celsius),
      figures.longerMin !== undefined && `+${duration(figures.longerMin)}`,
      figures.otherLitres === undefined
        ? figures.source
        : `with ${units.jug(figures.otherLitres)} of ${figures.source}`,
      figures.into && `into ${figures.into}`,
      figures.words,
    ]
      .filter(Boolean)
      .join(', ')
  }
}
