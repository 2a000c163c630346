import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { asPhoto, smaller } from './photo'
import { api, data, newId, type Schemas } from './client'

export type Box = Schemas['BoxView']

const BOXES_AT_ONCE = 200

/** What lies in the larder, first what has to go first. */
export const useBoxes = (enabled = true) =>
  useInfiniteQuery({
    enabled,
    queryKey: ['larder', 'boxes'],
    queryFn: ({ pageParam }) =>
      data(api.GET('/api/larder', { params: { query: pageParam ? { from: pageParam } : {} } })),
    initialPageParam: 0,
    getNextPageParam: (last, pages) =>
      last.length < BOXES_AT_ONCE ? undefined : pages.length * BOXES_AT_ONCE,
  })

const oneBox = (id: string) => ({ params: { path: { id } } })

export const useBox = (id: string) =>
  useQuery({
    queryKey: ['larder', 'box', id],
    queryFn: () => data(api.GET('/api/larder/boxes/{id}', oneBox(id))),
  })

/** Photos of the slip that came with a box. */
export const useBoxPhotos = (boxId: string) =>
  useQuery({
    queryKey: ['larder', 'photos', boxId],
    queryFn: () => data(api.GET('/api/larder/boxes/{boxId}/photos', { params: { path: { boxId } } })),
  })

/** Keeps a photo of the slip that came with a box. */
export async function keepSlip(boxId: string, picture: Blob) {
  await api.PUT('/api/larder/boxes/{boxId}/photos/{id}', {
    params: { path: { boxId, id: newId() } },
    ...asPhoto(await smaller(picture)),
  })
}

/** Batches that are being weighed in and want what is in a box. */
export const useWanting = (id: string) =>
  useQuery({
    queryKey: ['larder', 'wanting', id],
    queryFn: () => data(api.GET('/api/larder/boxes/{id}/wanting', oneBox(id))),
  })

/** What a batch is weighed out of. */
export const useWeighable = (batchId: string, enabled: boolean) =>
  useQuery({
    queryKey: ['larder', 'weighable', batchId],
    queryFn: () => data(api.GET('/api/batches/{id}/larder', oneBox(batchId))),
    enabled,
  })

export const useGoods = () =>
  useQuery({ queryKey: ['goods'], queryFn: () => data(api.GET('/api/larder/goods')), staleTime: Infinity })

export type Provision = Schemas['ProvisionView']

/** What the course of so many days is made of, and what the larder has of it. */
export const useProvisions = (days: number) =>
  useQuery({
    queryKey: ['provisions', days],
    queryFn: () => data(api.GET('/api/course/provisions', { params: { query: { days } } })),
  })
