import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { fireEvent, render, screen } from '@testing-library/react'
import type { ReactNode } from 'react'
import { MemoryRouter, Route, Routes, useLocation } from 'react-router'
import { startOutbox } from '../api/outbox'
import { surroundings } from '../api/queries'
import { begin } from '../kit/rest'
import { VisitContext, type Person } from '../kit/session'
import { edge } from './edge'
import session from './answers/session.json'

/** What the server answered once, by the path that was asked; a function answers by what was sent. */
export type Answers = Record<string, unknown>

export interface Sent {
  method: string
  path: string
  body: unknown
}

const files = import.meta.glob<unknown>('./answers/*.json', { eager: true, import: 'default' })

/** An answer of the demo kitchen, by its file. */
export function answer<T = Record<string, unknown>>(name: string): T {
  const found = files[`./answers/${name}.json`]
  if (!found) throw new Error(`no answer ${name}`)
  return structuredClone(found) as T
}

/** Stands where the network is: the answers of a server, and what it was sent. */
export function network(answers: Answers): Sent[] {
  const sent: Sent[] = []
  begin()
  edge.answer = async (request) => {
    const path = new URL(request.url).pathname
    const text = await request.text()
    const picture = request.headers.get('Content-Type')?.startsWith('image/')
    const body: unknown = text && !picture ? JSON.parse(text) : undefined
    sent.push({ method: request.method, path, body })
    const known = answers[`${request.method} ${path}`] ?? answers[path]
    const made = typeof known === 'function' ? await (known as (body: unknown) => unknown)(body) : known
    if (made instanceof Response) return made
    if (made === undefined) return problem(404, `nothing at ${path}`)
    return Response.json(made)
  }
  return sent
}

export function problem(status: number, detail: string, fields: Record<string, unknown> = {}): Response {
  const type = 'urn:potamos:problem:refused'
  return new Response(JSON.stringify({ type, detail, fields }), {
    status,
    headers: { 'Content-Type': 'application/problem+json' },
  })
}

/** Somebody who has signed in, with some of it changed. */
export function person(changes: Partial<Person> = {}): Person {
  return { ...(session.person as Person), ...changes }
}

function Where() {
  const { pathname, search } = useLocation()
  return <output aria-label="address">{pathname + search}</output>
}

/** Shows a place at an address, to somebody in the demo kitchen. */
export function visit(place: ReactNode, { at = '/', path = '*', who = person() } = {}) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } })
  startOutbox(surroundings(client))
  return render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[at]}>
        <VisitContext value={{ person: who, kitchen: 'Kestrel Lodge', zone: 'Europe/Zurich' }}>
          <Routes>
            <Route path={path} element={place} />
            <Route path="*" element={<p>elsewhere</p>} />
          </Routes>
          <Where />
        </VisitContext>
      </MemoryRouter>
    </QueryClientProvider>,
  )
}

/** The list behind a pick, opened; its entries by their names. */
export async function listOf(trigger: HTMLElement): Promise<string[]> {
  fireEvent.keyDown(trigger, { key: 'Enter' })
  const entries = await screen.findAllByRole('menuitemradio')
  return entries.map((entry) => entry.textContent)
}

/** Picks one of many by its name. */
export async function pick(trigger: HTMLElement, name: string | RegExp) {
  await listOf(trigger)
  fireEvent.click(screen.getByRole('menuitemradio', { name }))
}

/** What an element says, with plain spaces where a figure and its unit stand close together. */
export const said = (element: { textContent: string | null } | null | undefined) =>
  (element?.textContent ?? '').replaceAll('\u202f', ' ')
