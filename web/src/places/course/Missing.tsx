import { useState } from 'react'
import { api, data } from '../../api/client'
import { useChange, useOutages } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading, Note } from '../../kit/Note'
import { useMay, useTimes } from '../../kit/session'
import { capital } from '../../words/en'
import { TroubleSheet } from './TroubleSheet'

/** What the kitchen has to do without just now, and where that is told. */
export function Missing() {
  const outages = useOutages()
  const may = useMay()
  const { day, now } = useTimes()
  const over = useChange(
    (id: string) => data(api.DELETE('/api/kitchen/outages/{id}', { params: { path: { id } } })),
    'outages',
    'the-course',
  )
  const all = outages.data ?? []
  return (
    <section className="mt-8">
      <Heading>Out of order, away, or not come</Heading>
      {all.length === 0 && <p className="text-18 text-quiet m-0 mb-3">Everything is there, and everybody.</p>}
      <ul className="m-0 mb-3 list-none p-0">
        {all.map((one) => (
          <li
            key={one.id}
            className="border-rule text-18 flex flex-wrap items-center justify-between gap-x-4 border-t py-2 last:border-b"
          >
            <span>
              <b className="text-ember font-semibold">
                {capital(one.name) || (one.cooks === 1 ? 'One cook' : `${one.cooks} cooks`)}
              </b>
              {one.kind === 'BED' && ' did not come'}
              {new Date(one.from).getTime() > now && `, from ${day(one.from)}`} until {day(one.until)}
              {one.reason && <span className="text-15 text-quiet block">{one.reason}</span>}
            </span>
            {may('PLAN') && (
              <Button tone="quiet" disabled={over.isPending} onClick={() => over.mutate(one.id)}>
                {one.name ? 'It is there again' : 'There again'}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {over.error && <Note>{over.error.message}</Note>}
      <TellMissing />
    </section>
  )
}

/** Where it is told that something is missing. */
export function TellMissing() {
  const may = useMay()
  const [telling, setTelling] = useState(false)
  if (!may('PLAN')) return null
  return (
    <>
      <Button onClick={() => setTelling(true)}>Something is missing</Button>
      {telling && <TroubleSheet onClose={() => setTelling(false)} />}
    </>
  )
}
