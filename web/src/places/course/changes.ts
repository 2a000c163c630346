import { useMutation, useQueryClient } from '@tanstack/react-query'
import { api, data, newId, type Problem } from '../../api/client'
import type { Course } from '../../graphics/River'

export type Draft = Course['drafts'][number]
export type Call = Course['calls'][number]

export const callOf = (course: Course, gives: Draft['gives'][number]) =>
  course.calls.find((call) => call.id === gives.callId)

/** What can be told otherwise of a batch that is held. */
export type Moved = Partial<Pick<Draft, 'start' | 'litres' | 'vesselId'>>

type Place = Pick<Draft, 'formula' | 'litres' | 'vesselId' | 'burnerId' | 'start'>

/** Where a batch is with some of it told otherwise; another vessel stands where there is room for it. */
export const placed = (draft: Draft, moved: Moved = {}): Place => ({
  ...draft,
  ...moved,
  burnerId: moved.vesselId ? undefined : draft.burnerId,
})

/** Litres are called and held in whole tenths. */
const tenth = (litres: number) => Math.round(litres * 10) / 10

const MINUTE = 60_000

/** The start so many minutes on. */
export const startsLater = (draft: Draft, minutes: number) =>
  new Date(new Date(draft.start).getTime() + minutes * MINUTE).toISOString()

/** A change that is answered with the course as it stands then; one to what somebody has changed meanwhile is refused, and what is shown is not what is. */
function useLaid<Input>(days: number, change: (input: Input) => Promise<Course>, ...touches: string[]) {
  const client = useQueryClient()
  return useMutation<Course, Problem, Input>({
    mutationFn: change,
    onSuccess: (after) => {
      client.setQueryData(['the-course', days], after)
      return Promise.all(touches.map((key) => client.invalidateQueries({ queryKey: [key] })))
    },
    onError: () => client.invalidateQueries({ queryKey: ['the-course', days] }),
  })
}

/** Everything that changes the course. */
export function useCourseChanges(course: Course, days: number) {
  const body = { version: course.held.version }
  const params = { query: { days } }
  const hold = useLaid(days, ({ id, place, callId }: { id: string; place: Place; callId?: string }) =>
    data(
      api.PUT('/api/course/drafts/{id}', {
        params: { path: { id }, ...params },
        body: {
          ...body,
          formula: place.formula,
          litres: tenth(place.litres),
          vesselId: place.vesselId,
          burnerId: place.burnerId,
          start: place.start,
          callId,
        },
      }),
    ),
  )
  const setAside = useLaid(days, (id: string) =>
    data(api.POST('/api/course/calls/{id}/aside', { params: { path: { id }, ...params }, body })),
  )
  const lay = useLaid(days, (id: string) =>
    data(api.DELETE('/api/course/calls/{id}/aside', { params: { path: { id }, query: { days, ...body } } })),
  )
  const bringIn = useLaid(days, ({ callId, draftId }: { callId: string; draftId: string }) =>
    data(
      api.POST('/api/course/calls/{id}/batch', {
        params: { path: { id: callId }, ...params },
        body: { ...body, draftId },
      }),
    ),
  )
  const shelve = useLaid(days, (id: string) =>
    data(api.POST('/api/course/drafts/{id}/aside', { params: { path: { id }, ...params }, body })),
  )
  const release = useLaid(days, (id: string) =>
    data(api.DELETE('/api/course/drafts/{id}', { params: { path: { id }, query: { days, ...body } } })),
  )
  const releaseAll = useLaid<void>(days, () => data(api.POST('/api/course/release', { params, body })))
  const holdAll = useLaid(days, (before: string) =>
    data(api.POST('/api/course/hold', { params, body: { ...body, before } })),
  )
  const split = useLaid(days, (id: string) =>
    data(api.POST('/api/course/drafts/{id}/halves', { params: { path: { id }, ...params }, body })),
  )
  const join = useLaid(days, ({ id, otherId }: { id: string; otherId: string }) =>
    data(
      api.POST('/api/course/drafts/{id}/joining', {
        params: { path: { id }, ...params },
        body: { ...body, otherId },
      }),
    ),
  )
  const undo = useLaid<void>(days, () => data(api.POST('/api/course/undo', { params, body })))
  const redo = useLaid<void>(days, () => data(api.POST('/api/course/redo', { params, body })))
  const look = useLaid(days, (seconds: number) =>
    data(api.POST('/api/course/look', { params, body: { ...body, seconds } })),
  )
  const accept = useLaid(
    days,
    (drafts: Draft[]) =>
      data(
        api.POST('/api/course/accept', {
          params,
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
    'range',
    'calls',
    'batches',
  )
  const changes = {
    hold,
    setAside,
    lay,
    bringIn,
    shelve,
    split,
    join,
    holdAll,
    release,
    releaseAll,
    undo,
    redo,
    look,
    accept,
  }
  const all = Object.values(changes)
  // What was refused is told until something else is done.
  const latest = all.reduce((a, b) => (b.submittedAt > a.submittedAt ? b : a))
  return { ...changes, problem: latest.error, busy: all.some((c) => c.isPending) }
}

/** Ends a search with what it has. */
export const stopLooking = () => data(api.POST('/api/course/stop'))
