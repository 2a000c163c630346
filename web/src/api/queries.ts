import {
  type QueryClient,
  hashKey,
  keepPreviousData,
  queryOptions,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query'
import { useLayoutEffect, useState } from 'react'
import { forgetSeen, seenAt } from '../offline/seen'
import type { Problem } from './client'
import { api, data, type Schemas } from './client'
import { setServerTime } from './clock'
import { answered } from './live'
import type { Surroundings } from './outbox'

export type Session = Schemas['SessionView']
export type Card = Schemas['Card']
export type Page = Schemas['Page']
export type Call = Schemas['CallView']
export type Charge = Schemas['ChargeView']
export type ChargeRequest = Schemas['ChargeRequest']
export type Lot = Schemas['LotView']
export type Delivery = Schemas['DeliveryView']
export type Kitchen = Schemas['KitchenView']

export const useSession = () =>
  useQuery({
    queryKey: ['session'],
    queryFn: async () => {
      const session = await data(api.GET('/api/session'))
      // An answer that was kept tells an old time, and of somebody who may be here no more.
      if (seenAt() === undefined) {
        setServerTime(session.now)
        if (!session.person) await forgetSeen()
      }
      return session
    },
    staleTime: Infinity,
  })

export const useRange = () =>
  useQuery({
    queryKey: ['range'],
    queryFn: () => data(api.GET('/api/range')),
    // Levels move by themselves; half a minute is finer than a ruler in a pot. What a probe reads is told as it comes.
    refetchInterval: 30_000,
  })

export const useBatch = (id: string) =>
  useQuery({
    queryKey: ['batch', id],
    queryFn: () => data(api.GET('/api/batches/{id}', { params: { path: { id } } })),
    refetchInterval: 30_000,
  })

/** The batch against its plan: curves with their bands, and what clouds it. */
export const useCourse = (id: string) =>
  useQuery({
    queryKey: ['course', id],
    queryFn: () => data(api.GET('/api/batches/{id}/course', { params: { path: { id } } })),
    refetchInterval: 60_000,
  })

/** The kitchen's course over so many days, laid anew whenever it is asked for. */
export const useTheCourse = (days: number) =>
  useQuery({
    queryKey: ['the-course', days],
    queryFn: () => data(api.GET('/api/course', { params: { query: { days } } })),
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
  })

/** What something that goes otherwise does to the course, and the ways out; asked for only where it is told. */
export const useWaysOut = (trouble: Schemas['Trouble'] | undefined) =>
  useQuery({
    queryKey: ['the-course', 'ways-out', trouble],
    queryFn: () =>
      data(api.POST('/api/course/ways-out', { params: { query: { days: WAYS_DAYS } }, body: trouble! })),
    enabled: trouble !== undefined,
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 30_000,
  })

/** As far as ways out are looked for: what is planned further on is laid anew when it comes nearer. */
const WAYS_DAYS = 3

/** What is out of order, and who is away. */
export const useOutages = () =>
  useQuery({ queryKey: ['outages'], queryFn: () => data(api.GET('/api/kitchen/outages')) })

/** What judging the end one way or the other would do. */
export const useJudging = (id: string) =>
  useQuery({
    queryKey: ['course', id, 'judging'],
    queryFn: () => data(api.GET('/api/batches/{id}/judging', { params: { path: { id } } })),
  })

/** What the outbox needs of the pages. */
export const surroundings = (client: QueryClient): Surroundings => ({
  // Takes in the batch as an act has left it; what the live feed tells of that very act was answered already.
  onPage: (page, act) => {
    answered(act)
    client.setQueryData(['batch', page.card.id], page)
    void client.invalidateQueries({ queryKey: ['range'] })
    void client.invalidateQueries({ queryKey: ['course', page.card.id] })
  },
  potOf: (batchId) => {
    const page = client.getQueryData<Page>(['batch', batchId])
    const range = client.getQueryData<Schemas['Range']>(['range'])
    return (page?.card ?? range?.batches.find((card) => card.id === batchId))?.vessel.name
  },
  whoIsHere: async () => {
    await client.refetchQueries({ queryKey: ['session'] })
    const person = client.getQueryData<Session>(['session'])?.person
    return person && person.rights.length > 0 && person.signature !== 'NOBODY' ? person : undefined
  },
})

export type Photo = Schemas['PhotoView']

export const usePhotos = (batchId: string) =>
  useQuery({
    queryKey: ['photos', batchId],
    queryFn: () => data(api.GET('/api/batches/{batchId}/photos', { params: { path: { batchId } } })),
  })

const BATCHES_AT_ONCE = 40

/** Batches, latest first, so many at a time; those with these words in their name, or this number. */
export const useBatches = (words: string) =>
  useInfiniteQuery({
    queryKey: ['batches', words],
    queryFn: ({ pageParam }) =>
      data(
        api.GET('/api/batches', { params: { query: { words, ...(pageParam && { before: pageParam }) } } }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length < BATCHES_AT_ONCE ? undefined : last.at(-1)!.number),
    placeholderData: keepPreviousData,
  })

export const useCalls = () => useQuery({ queryKey: ['calls'], queryFn: () => data(api.GET('/api/calls')) })

/** Calls that come back week by week. */
export const useStanding = () =>
  useQuery({ queryKey: ['standing'], queryFn: () => data(api.GET('/api/standing-calls')) })

export type Station = Schemas['StationView']

/** The stations in use, in their order. */
export const useStations = () =>
  useQuery({
    queryKey: ['stations'],
    queryFn: () => data(api.GET('/api/kitchen/stations')),
    staleTime: 60_000,
  })

export const useMenu = () =>
  useQuery({ queryKey: ['menu'], queryFn: () => data(api.GET('/api/calls/menu')), staleTime: 60_000 })

const LOTS_AT_ONCE = 100

/** What is on the shelf, first what has to go first. */
export const useLots = () =>
  useInfiniteQuery({
    queryKey: ['lots'],
    queryFn: ({ pageParam }) =>
      data(api.GET('/api/lots', { params: { query: pageParam ? { from: pageParam } : {} } })),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => (last.length < LOTS_AT_ONCE ? undefined : pages.length * LOTS_AT_ONCE),
  })

export const useLot = (id: string) =>
  useQuery({
    queryKey: ['lot', id],
    queryFn: () => data(api.GET('/api/lots/{id}', { params: { path: { id } } })),
  })

export const useDeliveries = () =>
  useQuery({ queryKey: ['deliveries'], queryFn: () => data(api.GET('/api/deliveries')) })

export const useKitchen = () =>
  useQuery({ queryKey: ['kitchen'], queryFn: () => data(api.GET('/api/kitchen')), staleTime: 60_000 })

export type HandOver = Schemas['HandOver']

export const useHandOvers = () =>
  useQuery({ queryKey: ['hand-overs'], queryFn: () => data(api.GET('/api/hand-overs')) })

/** Who of the kitchen may take a pot over. */
export const useHands = () =>
  useQuery({
    queryKey: ['hands'],
    queryFn: () => data(api.GET('/api/hand-overs/hands')),
    staleTime: 60_000,
  })

/** The burners as they lie on the range. */
export const useHob = () =>
  useQuery({ queryKey: ['hob'], queryFn: () => data(api.GET('/api/kitchen/hob')), staleTime: 60_000 })

/**
 * The charge for a request; the one before stays in view while the next is on its way. While a finger drags, the one that is under way is let
 * finish, and of those that were wished for meanwhile only the last is asked: giving each up for the next would answer none until the finger rests.
 */
export function useCharge(request: ChargeRequest | undefined) {
  const client = useQueryClient()
  const [asked, setAsked] = useState(request)
  const query = useQuery({
    ...charged(asked),
    enabled: asked !== undefined,
    placeholderData: keepPreviousData,
  })
  // The observer asks after the picture is painted; a finger that drags does not wait for that.
  useLayoutEffect(() => {
    if (asked) void client.prefetchQuery(charged(asked))
  }, [client, asked])
  const behind = hashKey([asked]) !== hashKey([request])
  if (behind && !query.isFetching) setAsked(request)
  return { ...query, behind: behind || query.isPlaceholderData }
}

const charged = (request: ChargeRequest | undefined) =>
  queryOptions<Charge, Problem>({
    queryKey: ['charge', request],
    queryFn: ({ signal }) => data(api.POST('/api/charges', { body: request!, signal })),
    gcTime: 10_000,
    retry: false,
  })

/** What each other school would change in a charge. */
export const useEffects = (request: ChargeRequest | undefined) =>
  useQuery<Schemas['EffectView'][], Problem>({
    queryKey: ['charge', 'effects', request],
    queryFn: ({ signal }) => data(api.POST('/api/charges/effects', { body: request!, signal })),
    enabled: request !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 10_000,
    retry: false,
  })

/** What figures are opened of: a charge, or a batch. */
export type GroundsOf = { charge: ChargeRequest } | { batch: string }

/** What the figures of a charge or of a batch rest on. */
export const useGrounds = (of: GroundsOf) =>
  useQuery<Schemas['GroundsView'], Problem>({
    queryKey: 'batch' in of ? ['course', of.batch, 'grounds'] : ['charge', 'grounds', of.charge],
    queryFn: ({ signal }) =>
      'batch' in of
        ? data(api.GET('/api/batches/{id}/grounds', { params: { path: { id: of.batch } }, signal }))
        : data(api.POST('/api/charges/grounds', { body: of.charge, signal })),
    gcTime: 10_000,
    retry: false,
  })

/** Litres over several free vessels. */
export const useSplit = (request: ChargeRequest) =>
  useQuery<Schemas['SplitView'][], Problem>({
    queryKey: ['charge', 'split', request],
    queryFn: ({ signal }) => data(api.POST('/api/charges/split', { body: request, signal })),
    placeholderData: keepPreviousData,
    gcTime: 10_000,
    retry: false,
  })

/** Every formula with one goal. */
export const useOverview = (request: ChargeRequest | undefined) =>
  useQuery<Schemas['OverviewView'][], Problem>({
    queryKey: ['charge', 'overview', request],
    queryFn: ({ signal }) => data(api.POST('/api/charges/overview', { body: request!, signal })),
    enabled: request !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 10_000,
    retry: false,
  })

export type FormulaJson = Schemas['FormulaJson']
export type FormulaView = Schemas['FormulaView']

export const useShelf = () =>
  useQuery({ queryKey: ['formulas'], queryFn: () => data(api.GET('/api/formulas')) })

export const useFormula = (slug: string, version?: number) =>
  useQuery({
    queryKey: ['formulas', slug, version],
    queryFn: () => data(api.GET('/api/formulas/{slug}', { params: { path: { slug }, query: { version } } })),
  })

export const usePantry = () =>
  useQuery({
    queryKey: ['pantry'],
    queryFn: () => data(api.GET('/api/formulas/larder')),
    staleTime: Infinity,
  })

export type Device = Schemas['DeviceView']

export const useDevices = () =>
  useQuery({
    queryKey: ['devices'],
    queryFn: () => data(api.GET('/api/devices')),
    refetchInterval: 60_000,
  })

export type Signer = Schemas['HandView']

/** Who can sign at a tablet that is shared. */
export const useSigners = (enabled: boolean) =>
  useQuery({ queryKey: ['signers'], queryFn: () => data(api.GET('/api/session/hands')), enabled })

export type Member = Schemas['MemberView']

export const usePeople = () =>
  useQuery({ queryKey: ['people'], queryFn: () => data(api.GET('/api/kitchen/people')) })

export const useTokens = (enabled: boolean) =>
  useQuery({ queryKey: ['tokens'], queryFn: () => data(api.GET('/api/tokens')), enabled })

export function useChange<Input, Output>(change: (input: Input) => Promise<Output>, ...touches: string[]) {
  const client = useQueryClient()
  return useMutation<Output, Problem, Input>({
    mutationFn: change,
    onSuccess: () => Promise.all(touches.map((key) => client.invalidateQueries({ queryKey: [key] }))),
  })
}
