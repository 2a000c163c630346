import { openDB, type IDBPDatabase } from 'idb'
import { useSyncExternalStore } from 'react'
import { api, data, newId, Problem, type FieldProblem, type Schemas } from './client'
import { kitchenTime, now } from './clock'
import { lostSince, noteWaiting } from './keeping'

/**
 * Acts on their way to the server. Each is written down here before it is sent and struck off when the server has it, so nothing that was tapped
 * is lost when the connection is, and a repeated sending is recognised by the act's own id. An act that the kitchen refuses stays too, until
 * somebody has settled it; an answer that is not about the act, as that nobody is signed in, only makes it wait.
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
  /** The pot, as it is called. */
  pot?: string
  /** What this machine's clock said when it happened; nothing for an act whose time somebody has set. */
  machineAt?: number
  refused?: { status: number; message: string; fields: Record<string, FieldProblem> }
}

export interface OutboxState {
  /** Of whoever is here. */
  waiting: Waiting[]
  /** Of others who were at this screen. */
  others: Waiting[]
  /** Refused, and not settled yet. */
  refused: Waiting[]
  /** How many acts this browser has thrown away with its storage. */
  lost: number
  /** What an act changed that went in among others which had happened after it. */
  inserted?: { act: Act; pot?: string; change: NonNullable<Page['inserted']> }
  last?: { batchId: string; act: Act }
}

/** What the outbox asks of the page that it serves. */
export interface Surroundings {
  /** Takes in a batch as an act has left it. */
  onPage: (page: Page, act: string) => void
  /** What a batch's pot is called, if the page knows. */
  potOf: (batchId: string) => string | undefined
  /** Finds out anew who is signed in here; nothing when nobody has signed, or it cannot be told. */
  whoIsHere: () => Promise<Hand | undefined>
}

const STORE = 'acts'
const RETRY_MS = 3000
/** An act made at this moment has its time from this machine's clock, which may yet turn out to be wrong. */
const JUST_NOW_MS = 2000

let database: Promise<IDBPDatabase> | undefined
let state: OutboxState = { waiting: [], others: [], refused: [], lost: 0 }
let me: Hand | undefined
let sending: Promise<void> | undefined
let again = false
let retry: ReturnType<typeof setTimeout> | undefined
const outcomes = new Map<string, (outcome: Outcome) => void>()
const listeners = new Set<() => void>()
let around: Surroundings = {
  onPage: () => {},
  potOf: () => undefined,
  whoIsHere: () => Promise.resolve(undefined),
}

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
  noteWaiting(all.length)
  const mine = (item: Waiting) => item.by === undefined || item.by.id === me?.id
  const open = all.filter((item) => !item.refused)
  set({
    waiting: open.filter(mine),
    others: open.filter((item) => !mine(item)),
    refused: all.filter((item) => item.refused),
  })
}

/** Says who is at this screen; what they had to leave here is sent now. */
export function actAs(person: Hand | undefined) {
  if (person?.id === me?.id) return
  me = person && { id: person.id, initials: person.initials }
  set({ last: undefined })
  void flush()
}

/** Makes an act that happened now. */
export function act(kind: Act['kind'], fields: Partial<Act> = {}): Act {
  return { id: newId(), kind, at: new Date(now()).toISOString(), ...fields }
}

/** Logs an act: written down at once, sent as soon as may be. */
export async function log(batchId: string, what: Act): Promise<Outcome> {
  const outcome = new Promise<Outcome>((resolve) => outcomes.set(what.id, resolve))
  const justNow = Math.abs(now() - new Date(what.at).getTime()) < JUST_NOW_MS
  const item: Waiting = {
    batchId,
    act: what,
    ...(me && { by: me }),
    ...(justNow && { machineAt: Date.now() }),
  }
  const pot = around.potOf(batchId)
  await (await db()).add(STORE, pot ? { ...item, pot } : item)
  await reload()
  if (what.kind !== 'withdrawn') set({ last: { batchId, act: what } })
  void flush()
  return outcome
}

function settle(item: Waiting, outcome: Outcome) {
  outcomes.get(item.act.id)?.(outcome)
  outcomes.delete(item.act.id)
}

/** The act as it is sent: on the kitchen's clock as it is known now, and with what that clock says here, for the server to put it right by. */
function asSent({ act: made, machineAt }: Waiting): Act {
  const at = machineAt === undefined ? made.at : new Date(kitchenTime(machineAt)).toISOString()
  return { ...made, at, sentAt: new Date(now()).toISOString() }
}

/** Whether an answer is the kitchen's word on this very act. Not being signed in, being somebody else, and whatever a network says are not. */
const isTheLastWord = (problem: Problem) =>
  problem.own && !problem.passing && problem.status !== 401 && problem.status !== 403

async function sendOne(item: Waiting): Promise<boolean> {
  // An answer is for the page that asked: by the time it comes another may have been started.
  const asking = around
  try {
    const page = await data(
      api.POST('/api/batches/{id}/acts', { params: { path: { id: item.batchId } }, body: asSent(item) }),
    )
    await (await db()).delete(STORE, item.key!)
    asking.onPage(page, item.act.id)
    if (page.inserted) set({ inserted: { act: item.act, pot: item.pot, change: page.inserted } })
    settle(item, { kind: 'sent', page })
    return true
  } catch (error) {
    const problem = error instanceof Problem ? error : new Problem(0, String(error), {})
    if (!isTheLastWord(problem) && !(await mayNot(item, problem))) {
      state.waiting.forEach((waiting) => settle(waiting, { kind: 'kept' }))
      return false
    }
    await refuse(item, problem)
    return true
  }
}

/**
 * Whether the very person who is signed in here may not do that. Otherwise nobody is signed in, or the token went with a closed browser, or a PIN has
 * run out: whoever is here is asked who they are, and the act waits.
 */
async function mayNot(item: Waiting, problem: Problem): Promise<boolean> {
  if (problem.status !== 401 && problem.status !== 403) return false
  const here = await around.whoIsHere().catch(() => undefined)
  return problem.status === 403 && problem.own && here !== undefined && here.id === (item.by?.id ?? here.id)
}

async function refuse(item: Waiting, problem: Problem) {
  // Whoever still stands before the question they answered sees the refusal there, with what they typed; any other stays until it is settled.
  if (outcomes.has(item.act.id)) await (await db()).delete(STORE, item.key!)
  else {
    const { status, message, fields } = problem
    await (await db()).put(STORE, { ...item, refused: { status, message, fields } })
  }
  settle(item, { kind: 'refused', problem })
  if (state.last?.act.id === item.act.id) set({ last: undefined })
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

/** Sends an act again that was refused: what stood in its way may have been put right. */
export async function tryAgain(item: Waiting) {
  await (await db()).put(STORE, { ...item, refused: undefined })
  await flush()
}

/** Lets an act go that was refused. */
export async function letGo(item: Waiting) {
  await (await db()).delete(STORE, item.key!)
  await reload()
}

export function dismissLost() {
  noteWaiting(state.waiting.length + state.others.length + state.refused.length)
  set({ lost: 0 })
}

export function dismissInserted() {
  set({ inserted: undefined })
}

export function forgetLast() {
  set({ last: undefined })
}

/** Starts sending what an earlier visit left, and sends again whenever the connection returns. */
export function startOutbox(surroundings: Surroundings) {
  around = surroundings
  window.addEventListener('online', () => void flush())
  void db()
    .then((store) => store.count(STORE))
    .then((there) => set({ lost: lostSince(there) }))
    .then(flush)
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
