import { openDB, type IDBPDatabase } from 'idb'
import { useSyncExternalStore } from 'react'
import { api, data, newId, Problem, type Schemas } from './client'
import { now } from './clock'

/**
 * Acts on their way to the server. Each is written down here before it is sent and struck off when the server has it, so nothing that was tapped
 * is lost when the connection is, and a repeated sending is recognised by the act's own id.
 */
export type Act = Schemas['Act']
export type Page = Schemas['Page']
export type Outcome = { kind: 'sent'; page: Page } | { kind: 'kept' } | { kind: 'refused'; problem: Problem }

/** Who logged something. What is kept is sent as theirs and nobody else's, so it waits until they are here again. */
export interface Hand {
  id: string
  initials: string
}

interface Waiting {
  key?: number
  batchId: string
  act: Act
  by?: Hand
}

export interface Refused {
  act: Act
  batchId: string
  problem: Problem
}

export interface OutboxState {
  /** Of whoever is here. */
  waiting: Waiting[]
  /** Of others who were at this screen. */
  others: Waiting[]
  refused: Refused[]
  last?: { batchId: string; act: Act }
}

const STORE = 'acts'
const RETRY_MS = 3000

let database: Promise<IDBPDatabase> | undefined
let state: OutboxState = { waiting: [], others: [], refused: [] }
let me: Hand | undefined
let sending: Promise<void> | undefined
let again = false
let retry: ReturnType<typeof setTimeout> | undefined
const outcomes = new Map<string, (outcome: Outcome) => void>()
const listeners = new Set<() => void>()
let onPage: (page: Page) => void = () => {}

function db() {
  database ??= openDB('potamos', 1, {
    upgrade: (made) => void made.createObjectStore(STORE, { keyPath: 'key', autoIncrement: true }),
  })
  return database
}

function set(next: Partial<OutboxState>) {
  state = { ...state, ...next }
  listeners.forEach((listener) => listener())
}

async function reload() {
  const all = (await (await db()).getAll(STORE)) as Waiting[]
  const mine = (item: Waiting) => item.by === undefined || item.by.id === me?.id
  set({ waiting: all.filter(mine), others: all.filter((item) => !mine(item)) })
}

/** Says who is at this screen; what they had to leave here is sent now. */
export function actAs(person: Hand | undefined) {
  if (person?.id === me?.id) return
  me = person && { id: person.id, initials: person.initials }
  set({ last: undefined })
  void flush()
}

/** Makes an act that happened now. */
export function act(kind: string, fields: Partial<Act> = {}): Act {
  return { id: newId(), kind, at: new Date(now()).toISOString(), ...fields }
}

/** Logs an act: written down at once, sent as soon as may be. */
export async function log(batchId: string, what: Act): Promise<Outcome> {
  const outcome = new Promise<Outcome>((resolve) => outcomes.set(what.id, resolve))
  await (await db()).add(STORE, { batchId, act: what, by: me } satisfies Waiting)
  await reload()
  if (what.kind !== 'withdrawn') set({ last: { batchId, act: what } })
  void flush()
  return outcome
}

function settle(item: Waiting, outcome: Outcome) {
  outcomes.get(item.act.id)?.(outcome)
  outcomes.delete(item.act.id)
}

async function sendOne(item: Waiting): Promise<boolean> {
  try {
    const page = await data(
      api.POST('/api/batches/{id}/acts', { params: { path: { id: item.batchId } }, body: item.act }),
    )
    await (await db()).delete(STORE, item.key!)
    onPage(page)
    settle(item, { kind: 'sent', page })
    return true
  } catch (error) {
    const problem = error instanceof Problem ? error : new Problem(0, String(error), {})
    if (problem.passing || problem.status === 401) {
      state.waiting.forEach((waiting) => settle(waiting, { kind: 'kept' }))
      return false
    }
    await (await db()).delete(STORE, item.key!)
    const asked = outcomes.has(item.act.id)
    settle(item, { kind: 'refused', problem })
    set({
      last: state.last?.act.id === item.act.id ? undefined : state.last,
      // Whoever is still there to see the answer sees it where they asked; an act sent later is told about here.
      refused: asked ? state.refused : [...state.refused, { act: item.act, batchId: item.batchId, problem }],
    })
    return true
  }
}

async function drain() {
  for (;;) {
    await reload()
    const next = state.waiting[0]
    if (!next) return
    if (!(await sendOne(next))) {
      clearTimeout(retry)
      retry = setTimeout(() => void flush(), RETRY_MS)
      return
    }
  }
}

async function drainWhileAsked() {
  while (again) {
    again = false
    await drain()
  }
}

/** Sends what waits, oldest first, one at a time. */
export function flush(): Promise<void> {
  // Asked for while a pass is just giving up, another one follows it.
  again = true
  sending ??= drainWhileAsked().finally(() => (sending = undefined))
  return sending
}

export function dismissRefused() {
  set({ refused: [] })
}

export function forgetLast() {
  set({ last: undefined })
}

/** Starts sending what an earlier visit left, and sends again whenever the connection returns. */
export function startOutbox(fresh: (page: Page) => void) {
  onPage = fresh
  window.addEventListener('online', () => void flush())
  void flush()
}

export function useOutbox(): OutboxState {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => state,
  )
}
