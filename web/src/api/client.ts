import createClient, { type Middleware } from 'openapi-fetch'
import { noteAge } from '../offline/seen'
import type { components, paths } from './schema'

export type Schemas = components['schemas']

/** What is wrong with one field: why, and what would be accepted. */
export interface FieldProblem {
  reason: string
  low?: number
  high?: number
  unit?: string
}

/** A refusal or failure that the server put in words. */
export class Problem extends Error {
  readonly status: number
  readonly fields: Record<string, FieldProblem>
  /** Whether it was the kitchen's own program that said so, and not something in between. */
  readonly own: boolean

  constructor(status: number, detail: string, fields: Record<string, FieldProblem>, own = true) {
    super(detail)
    this.status = status
    this.fields = fields
    this.own = own
  }

  /** Whether trying the same again later can help. */
  get passing(): boolean {
    return this.status === 0 || this.status === 429 || this.status >= 500
  }
}

export const offline = () => new Problem(0, 'No connection just now.', {})

export function cookie(name: string): string {
  const found = document.cookie.split('; ').find((c) => c.startsWith(name + '='))
  return found ? decodeURIComponent(found.slice(name.length + 1)) : ''
}

async function problemOf(response: Response): Promise<Problem> {
  const body: unknown = await response.json().catch(() => null)
  const said = (body ?? {}) as { type?: string; detail?: string; fields?: Record<string, FieldProblem> }
  const fallback = response.status === 401 ? 'Sign in again.' : 'That did not work.'
  const own = said.type?.startsWith('urn:potamos:problem:') ?? false
  return new Problem(response.status, said.detail ?? fallback, said.fields ?? {}, own)
}

const ended = new Set<() => void>()

/** Tells when an answer was that nobody is signed in here any more. */
export function onEnded(listener: () => void) {
  ended.add(listener)
  return () => void ended.delete(listener)
}

const guard: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', cookie('XSRF-TOKEN'))
    return request
  },
  async onResponse({ response }) {
    if (response.status === 401) ended.forEach((listener) => listener())
    if (!response.ok) throw await problemOf(response)
    noteAge(response)
    return response
  },
  onError({ error }) {
    return error instanceof Problem || (error instanceof DOMException && error.name === 'AbortError')
      ? error
      : offline()
  },
}

export const api = createClient<paths>({ baseUrl: '/' })
api.use(guard)

/** The data of an answer; a refusal has been thrown before. */
export async function data<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T
}

/** An id for something made here, so that sending it twice makes it once. */
export function newId(): string {
  return crypto.randomUUID ? crypto.randomUUID() : randomId()
}

// Plain http on a kitchen's network has no randomUUID.
function randomId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[6] = (bytes[6]! & 0x0f) | 0x40
  bytes[8] = (bytes[8]! & 0x3f) | 0x80
  const hex = [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('')
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-')
}

/** A table as it is sent: as it stands in its file. */
export const asCsv = async (file: File) => ({
  body: await file.text(),
  bodySerializer: (body: string) => body,
  headers: { 'Content-Type': 'text/csv' },
})
