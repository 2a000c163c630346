import { type QueryClient, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import type { Schemas } from './client'

type Card = Schemas['Card']
type Page = Schemas['Page']

/** Which queries a topic of the live feed makes stale. */
const TOUCHES: Record<string, string[]> = {
  batches: [
    'the-course',
    'why-here',
    'range',
    'batch',
    'course',
    'batches',
    'lots',
    'lot',
    'deliveries',
    'calls',
    'trace',
  ],
  calls: ['calls', 'the-course', 'why-here', 'standing'],
  // Why a batch is where it is asks anew with each version; of a batch that has just moved there is nothing to tell under its old name.
  course: ['the-course', 'provisions'],
  kitchen: ['kitchen', 'stations', 'menu', 'outages', 'hob', 'range', 'charge', 'the-course', 'why-here'],
  formulas: ['formulas', 'menu', 'charge'],
  larder: ['larder', 'provisions', 'charge', 'trace'],
  photos: ['photos'],
  'hand-overs': ['hand-overs'],
  clock: ['session', 'range', 'batch', 'course', 'calls', 'charge', 'the-course', 'why-here'],
}

/** Those of them that are about one thing: only what shows that very thing is asked for again. */
const OF_ONE: Record<string, string[]> = { batches: ['batch', 'course'], photos: ['photos'] }

/** What an act is answered with, or has asked for anew once it was answered. */
const OF_THE_ANSWER = ['batch', 'course', 'range']

interface Told {
  topic: string
  ref: string
  /** The act that changed it; empty for whatever else. */
  act: string
}

const MOST_ANSWERED = 200
const answers = new Set<string>()

/** An act of this screen that has its answer. */
export function answered(act: string) {
  answers.add(act)
  for (const oldest of answers) {
    if (answers.size <= MOST_ANSWERED) break
    answers.delete(oldest)
  }
}

/** What a change that the live feed tells of makes stale. */
export function madeStale({ topic, ref, act }: Told): string[][] {
  return (TOUCHES[topic] ?? [])
    .filter((key) => !(answers.has(act) && OF_THE_ANSWER.includes(key)))
    .map((key) => (OF_ONE[topic]?.includes(key) && ref ? [key, ref] : [key]))
}

/** Asks anew for what a change has made stale, where it is shown. */
export function askAnew(client: QueryClient, queryKey: string[]) {
  // What is asked for the first time is not asked for beside that, and may be answered as it was before the change.
  const first = client.getQueryCache().findAll({
    queryKey,
    type: 'active',
    predicate: ({ state }) => state.data === undefined && state.fetchStatus === 'fetching',
  })
  const asked = client.invalidateQueries({ queryKey })
  void asked.then(() => client.invalidateQueries({ predicate: (query) => first.includes(query) }))
}

type Device = Schemas['DeviceView']

/** A card with what the probe in its vessel reads now. */
function withProbe(card: Card, devices: Device[]): Card {
  const probe = devices.find((it) => it.vesselId === card.vessel.id && it.name === card.probe?.name)
  if (!card.probe || probe?.lastValue === undefined || probe.lastAt === undefined) return card
  return {
    ...card,
    probe: { ...card.probe, celsius: probe.lastValue, at: probe.lastAt, silent: probe.silent },
  }
}

/** Takes in what devices read, wherever it is shown; nothing is asked for. */
export function readNow(client: QueryClient, devices: Device[]) {
  client.setQueryData<Device[]>(['devices'], (known) =>
    known?.map((device) => devices.find((it) => it.id === device.id) ?? device),
  )
  client.setQueryData<Schemas['Range']>(
    ['range'],
    (range) => range && { ...range, batches: range.batches.map((card) => withProbe(card, devices)) },
  )
  client.setQueriesData<Page>(
    { queryKey: ['batch'] },
    (page) => page && { ...page, card: withProbe(page.card, devices) },
  )
}

/** A line that the server has closed is not opened again by the browser itself. */
const LONGEST_PAUSE_MS = 30_000

/** Listens to the live feed while someone is signed in. Tells whether it is connected. */
export function useLive(signedIn: boolean): boolean {
  const client = useQueryClient()
  const [connected, setConnected] = useState(false)
  useEffect(() => {
    if (!signedIn) return
    let source: EventSource
    let timer: ReturnType<typeof setTimeout> | undefined
    let pause = 1000
    const open = () => {
      source = new EventSource('/api/live')
      source.addEventListener('hello', () => {
        pause = 1000
        setConnected(true)
        // Whatever changed while nobody was listening.
        void client.invalidateQueries()
      })
      source.addEventListener('change', (event: MessageEvent<string>) => {
        for (const queryKey of madeStale(JSON.parse(event.data) as Told)) askAnew(client, queryKey)
      })
      source.addEventListener('probes', (event: MessageEvent<string>) =>
        readNow(client, JSON.parse(event.data) as Device[]),
      )
      source.onerror = () => {
        setConnected(false)
        if (source.readyState !== EventSource.CLOSED) return
        // It was answered, and not with a line: the visit may have ended, which the session tells.
        void client.invalidateQueries({ queryKey: ['session'] })
        timer = setTimeout(open, pause)
        pause = Math.min(LONGEST_PAUSE_MS, pause * 2)
      }
    }
    open()
    return () => {
      clearTimeout(timer)
      source.close()
    }
  }, [client, signedIn])
  return connected
}
