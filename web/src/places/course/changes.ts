import { useQueryClient } from '@tanstack/react-query'
import { api, data, newId } from '../../api/client'
import { useChange } from '../../api/queries'
import type { Course } from '../../graphics/River'

export type Draft = Course['drafts'][number]
export type Call = Course['calls'][number]

export const callOf = (course: Course, gives: Draft['gives'][number]) =>
  course.calls.find((call) => call.id === gives.callId)

/** What can be told otherwise of a batch that is held. */
export type Moved = Partial<Pick<Draft, 'start' | 'litres' | 'vesselId'>>

/** Litres are called and held in whole tenths. */
const tenth = (litres: number) => Math.round(litres * 10) / 10

const MINUTE = 60_000

/** The start so many minutes on. */
export const startsLater = (draft: Draft, minutes: number) =>
  new Date(new Date(draft.start).getTime() + minutes * MINUTE).toISOString()

/** Everything that changes the course; each is answered with the course as it stands then. */
export function useCourseChanges(course: Course, days: number) {
  const client = useQueryClient()
  const version = course.held.version
  const query = { days }
  const take = (after: Course) => {
    client.setQueryData(['the-course', days], after)
    return after
  }
  // A change to what somebody has changed meanwhile is refused, and what is shown is not what is.
  const refused = () => void client.invalidateQueries({ queryKey: ['the-course'] })
  const hold = useChange(async ({ draft, moved }: { draft: Draft; moved?: Moved }) => {
    const id = draft.held ? draft.id : newId()
    const to = { ...draft, ...moved }
    take(
      await data(
        api.PUT('/api/course/drafts/{id}', {
          params: { path: { id }, query },
          body: {
            version,
            formula: to.formula,
            litres: tenth(to.litres),
            vesselId: to.vesselId,
            // Another vessel stands where there is room for it.
            burnerId: moved?.vesselId ? undefined : to.burnerId,
            start: to.start,
          },
        }),
      ),
    )
    return id
  })
  const release = useChange(async (id: string) =>
    take(
      await data(
        api.DELETE('/api/course/drafts/{id}', { params: { path: { id }, query: { ...query, version } } }),
      ),
    ),
  )
  const releaseAll = useChange(async () =>
    take(await data(api.POST('/api/course/release', { params: { query }, body: { version } }))),
  )
  const undo = useChange(async () =>
    take(await data(api.POST('/api/course/undo', { params: { query }, body: { version } }))),
  )
  const redo = useChange(async () =>
    take(await data(api.POST('/api/course/redo', { params: { query }, body: { version } }))),
  )
  const look = useChange(async (seconds: number) =>
    take(await data(api.POST('/api/course/look', { params: { query }, body: { version, seconds } }))),
  )
  const accept = useChange(
    async (drafts: Draft[]) =>
      take(
        await data(
          api.POST('/api/course/accept', {
            params: { query },
            body: {
              batches: drafts.map(({ id, formula, litres, vesselId, burnerId, start, ready, gives }) => ({
                id: newId(),
                draftId: id,
                formula,
                litres,
                vesselId,
                burnerId,
                start,
                ready,
                gives,
              })),
            },
          }),
        ),
      ),
    'range',
    'calls',
    'batches',
  )
  const all = [hold, release, releaseAll, undo, redo, look, accept]
  const problem = all.find((change) => change.error)?.error
  return {
    hold,
    release,
    releaseAll,
    undo,
    redo,
    look,
    accept,
    problem,
    busy: all.some((c) => c.isPending),
    refused,
  }
}

/** Ends a search with what it has. */
export const stopLooking = () => data(api.POST('/api/course/stop'))
